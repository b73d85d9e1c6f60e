import * as z from 'zod';
import { type LetterLayout, letterLayoutSchema } from './data-schema';
import rows from './letter-layouts.json' with { type: 'json' };

export const LETTER_LAYOUTS: readonly LetterLayout[] = z.array(letterLayoutSchema).parse(rows);

export const letterLayoutOf = (id: string | undefined): LetterLayout | undefined =>
  LETTER_LAYOUTS.find((layout) => layout.id === id);
