import * as z from 'zod';
import { JOB_LIMITS } from '../trade/job-limits';

/** What of an element, or a side, follows the row that it is printed for. */

const key = z.string().regex(/^[a-z][a-z0-9-]{0,39}$/);

/** Ways a cell can be asked, as they are read in a sentence. */
export const TESTS = {
  'is empty': { needs: false },
  'is not empty': { needs: false },
  is: { needs: true },
  'is not': { needs: true },
  contains: { needs: true },
  'begins with': { needs: true },
  'is more than': { needs: true },
  'is less than': { needs: true },
} as const;
export type Test = keyof typeof TESTS;

export const conditionSchema = z.strictObject({
  /** Whether all of the tests have to hold, or one is enough. */
  every: z.boolean(),
  tests: z
    .array(
      z.strictObject({
        of: key,
        test: z.enum(Object.keys(TESTS) as Test[]),
        to: z.string().max(400),
      }),
    )
    .min(1)
    .max(20),
});
export type Condition = z.infer<typeof conditionSchema>;

/** How a text is made to fit for a row: smaller down to a size, then on so many lines. Sizes and widths in points. */
export const fitSchema = z.strictObject({
  /** The size that the smallest of its letters may come to. */
  least: z.number().min(3).max(1000),
  /** Lines a paragraph may take. */
  lines: z.int().min(1).max(2),
  /** The widest that text which fits itself may grow; its frame's width where it has one. */
  width: z.number().min(1).max(20_000).optional(),
});
export type RowFit = z.infer<typeof fitSchema>;

export const byRowSchema = z.strictObject({
  /** It is there where this holds. */
  shown: conditionSchema.optional(),
  /** The column that says what a code holds, or names a picture's file. */
  from: key.optional(),
  /** An ink for what a column says; its own where none is named. */
  ink: z
    .strictObject({
      of: key,
      inks: z.array(z.strictObject({ is: z.string().max(400), ink: z.string().max(64) })).max(100),
    })
    .optional(),
  fit: fitSchema.optional(),
});
export type ByRow = z.infer<typeof byRowSchema>;

/** A row that is not printed, and why. */
const leftOut = z.strictObject({ row: z.int().min(0).max(JOB_LIMITS.rows), why: z.string().trim().min(1).max(200) });

export const ORDERS = ['table', 'postcode', 'column'] as const;
export const SHEET_WAYS = ['cut and stack', 'across'] as const;

/** How labels lie on the sheets they come on: as many across and down as there are, in the middle of the sheet. Lengths in points. */
export const labelsSchema = z.strictObject({
  sheet: z.strictObject({ width: z.number().min(72).max(5000), height: z.number().min(72).max(5000) }),
  columns: z.int().min(1).max(20),
  rows: z.int().min(1).max(60),
  gap: z.strictObject({ x: z.number().min(0).max(300), y: z.number().min(0).max(300) }),
  /** How far a printer is off, put right. */
  nudge: z.strictObject({ x: z.number().min(-72).max(72), y: z.number().min(-72).max(72) }),
  /** The first label of the first sheet that is still there, counted from 1. */
  from: z.int().min(1).max(1200),
});
export type Labels = z.infer<typeof labelsSchema>;

/** A piece printed for the rows of a table. */
export const runSchema = z.strictObject({
  table: z.string().regex(/^[\w-]{1,64}$/),
  leftOut: z.array(leftOut).max(JOB_LIMITS.rows),
  /** The column that rows are put in order by; the table's own order where it is left out. */
  by: key.optional(),
  descending: z.literal(true).optional(),
  /** How rows lie on sheets: a pile for each place in order once they are cut, or beside one another. */
  sheets: z.enum(SHEET_WAYS),
  /** A card on top of each pile that says what lies in it. */
  leaders: z.boolean(),
  /** Names of files of one row each: `{key}` stands for what a column says. */
  names: z.string().min(1).max(200),
  /** The letter that is written to each row; the sheet by itself where it is left out. */
  letter: z.string().max(64).optional(),
  labels: labelsSchema.optional(),
});
export type Run = z.infer<typeof runSchema>;
