import * as z from 'zod';
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
});
export type LetterText = z.infer<typeof letterTextSchema>;
