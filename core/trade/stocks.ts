import * as z from 'zod';
import { lengthOf } from '../units/length';
import { stockColourSchema, typedLengthSchema } from './schema';
import ROWS from './stocks.json' with { type: 'json' };

/** Stocks that are common: what one of their name and weight typically measures. Common practice; mills differ by a tenth. */

export const STOCK_GROUPS = ['Uncoated paper', 'Coated paper', 'Board', 'Particular'] as const;

const stockSchema = z.strictObject({
  name: z.string().min(1).max(120),
  group: z.enum(STOCK_GROUPS),
  coating: z.enum(['uncoated', 'silk', 'gloss', 'one side']),
  /** Grams a square metre. */
  weight: z.number().min(20).max(2000),
  /** How thick one sheet is, points. */
  caliper: typedLengthSchema.transform(lengthOf),
  /** How it looks beside white paper, where it is not white. */
  colour: stockColourSchema.optional(),
  /** How much of what lies behind it is hidden, percent. */
  opacity: z.number().min(50).max(100),
});
export type Stock = z.infer<typeof stockSchema>;

export const STOCKS: readonly Stock[] = ROWS.map((row) => stockSchema.parse(row));
