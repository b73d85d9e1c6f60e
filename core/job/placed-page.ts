import * as z from 'zod';

/** What is known of a page of a PDF that is placed as one thing; lengths in points at its own size. */

const length = z.number().min(0).max(20_000);
const place = z.number().min(-20_000).max(20_000);
const name = z.string().min(1).max(200);

export const placedPageSchema = z.strictObject({
  width: length,
  height: length,
  /** Where it is cut. */
  trim: z.strictObject({ x: length, y: length, width: length, height: length }),
  /** What all that it prints lies in. */
  inked: z.strictObject({ x: length, y: length, width: length, height: length }),
  /** The plates that it prints on, spot inks by their names. */
  plates: z.array(name).max(64),
  /** Screen colours are left in it. */
  screen: z.literal(true).optional(),
  /** Its smallest words, its thinnest line, and the least pixels an inch of its pictures. */
  words: z.number().min(0).max(100_000).optional(),
  /** What all its words lie in. */
  lettered: z.strictObject({ x: place, y: place, width: length, height: length }).optional(),
  line: z.number().min(0).max(100_000).optional(),
  ppi: z.number().min(0).max(1_000_000).optional(),
});
export type PlacedPage = z.infer<typeof placedPageSchema>;
