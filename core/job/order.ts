import * as z from 'zod';
import { stockColourSchema } from '../trade/schema';

/** What is ordered of a piece. */
export const MOST_ORDERED = 10_000_000;
export const orderSchema = z.strictObject({
  quantity: z.int().min(1).max(MOST_ORDERED),
  /** The paper or board by its name, and its weight in g/m². */
  stock: z.string().max(120),
  weight: z.number().min(20).max(2000).optional(),
  /** How the stock looks beside white paper, as a screen shows it: `#c9a66b`; white where it is left out. */
  colour: stockColourSchema.optional(),
  /** What is done to it after printing, in the shop's words: “scored”, “rounded corners 3 mm”. */
  finishing: z.array(z.string().min(1).max(80)).max(12),
  notes: z.string().max(2000),
});
export type Order = z.infer<typeof orderSchema>;

/** What is meant where nothing was said. */
export const NO_ORDER: Order = { quantity: 250, stock: '', finishing: [], notes: '' };
