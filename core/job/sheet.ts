import { z } from 'zod';
import { toPoints } from '../units/length';
import { MOST_ORDERED } from './order';

/** How a piece is laid out on press sheets. Lengths in points. */

const length = z.number().min(0).max(2000);
const side = z.number().min(72).max(8000);

export const TURNINGS = ['one side', 'sheetwise', 'work-and-turn', 'work-and-tumble'] as const;
export type Turning = (typeof TURNINGS)[number];
export const WAYS = ['any', 'upright', 'turned'] as const;

export const sheetSchema = z.strictObject({
  press: z.strictObject({ name: z.string().min(1).max(80), width: side, height: side }),
  /** The edge that the press holds, along the foot of the sheet; nothing is printed there. */
  gripper: length,
  /** What stays white along the other edges. */
  unprintable: length,
  /** The distance between two neighbours' trims: none, twice the bleed, or a length. */
  gutter: z.union([z.literal('none'), z.literal('twice the bleed'), length]),
  bleed: z.enum(['kept', 'trimmed']),
  /** Which way the fibres of the sheet run, and whether a piece's long side has to run with them. */
  grain: z.enum(['long', 'short']),
  along: z.enum(['any', 'long side', 'short side']),
  way: z.enum(WAYS),
  turning: z.enum(TURNINGS),
  /** Sheets that are spoilt while the press is set, in percent of the run. */
  overs: z.number().min(0).max(100),
  /** Other pieces, and the same for other people, that share the sheet. */
  also: z
    .array(
      z.strictObject({
        piece: z.string().min(1).max(64),
        person: z.string().min(1).max(64).optional(),
        quantity: z.int().min(1).max(MOST_ORDERED),
      }),
    )
    .max(200),
  /** A plain grid of one's own instead of the best that was found. */
  hand: z
    .strictObject({
      rows: z.int().min(1).max(100),
      columns: z.int().min(1).max(100),
      turned: z.boolean(),
      /** From the middle, to the right and down. */
      x: z.number().min(-4000).max(4000),
      y: z.number().min(-4000).max(4000),
    })
    .optional(),
  /** Which of the layouts that were found is taken, 0 the best. */
  taken: z.int().min(0).max(200),
});
export type SheetMade = z.infer<typeof sheetSchema>;

/** A small digital press (common practice). */
export const USUAL_SHEET: SheetMade = {
  press: { name: 'SRA3', width: toPoints(320, 'mm'), height: toPoints(450, 'mm') },
  gripper: toPoints(5, 'mm'),
  unprintable: toPoints(5, 'mm'),
  gutter: 'twice the bleed',
  bleed: 'kept',
  grain: 'long',
  along: 'any',
  way: 'any',
  turning: 'sheetwise',
  overs: 5,
  also: [],
  taken: 0,
};
