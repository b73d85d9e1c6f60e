import * as z from 'zod';
import { conditionSchema } from './by-row';
import { id, name } from './element';

/** A letter that is written on a letterhead: its words only, the sheet is the piece's. */
const line = z.string().max(400);
export const letterTextSchema = z.strictObject({
  id,
  name,
  /** When it was last changed, ISO 8601 in UTC. */
  changed: z.iso.datetime(),
  /** A line each. */
  recipient: z.string().max(2000),
  date: line,
  salutation: line,
  /** A paragraph a line. */
  body: z.string().max(60_000),
  /** Paragraphs that only some rows get, where it is written to the rows of a table: by the line of the body, 0 first. */
  shown: z
    .array(z.strictObject({ line: z.int().min(0).max(60_000), when: conditionSchema }))
    .max(400)
    .optional(),
});
export type LetterText = z.infer<typeof letterTextSchema>;

/** Ids of the words of a letter, as they stand on its sheets. */
export const wordsIdOf = (letter: LetterText, n: number): string => `${letter.id}-${n}`;
export const isOfLetter = (letter: LetterText, id: string): boolean => id.startsWith(`${letter.id}-`);
