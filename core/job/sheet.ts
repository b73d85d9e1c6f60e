import * as z from 'zod';
import { type PieceUnit, toPoints } from '../units/length';
import { MOST_ORDERED } from './order';

/** How a piece is laid out on press sheets. Lengths in points. */

const length = z.number().min(0).max(2000);
const side = z.number().min(72).max(8000);

export const TURNINGS = ['one side', 'sheetwise', 'work-and-turn', 'work-and-tumble'] as const;
export type Turning = (typeof TURNINGS)[number];
export const WAYS = ['any', 'upright', 'turned'] as const;

const blockSchema = z.strictObject({
  /** Whose: 0 the piece itself, then what shares the sheet in its order. */
  item: z.int().min(0).max(200),
  rows: z.int().min(1).max(100),
  columns: z.int().min(1).max(100),
  turned: z.boolean(),
  /** The upper left corner of its first trim, from the sheet's left edge and head. */
  x: z.number().min(-8000).max(8000),
  y: z.number().min(-8000).max(8000),
});
/** Rows and columns of one piece that lie the same way, the sheet's gutter between them. */
export type SheetBlock = z.infer<typeof blockSchema>;

const handSchema = z.strictObject({
  forms: z
    .array(
      z.strictObject({
        /** How many of it are needed where there are several forms; of one alone the orders tell. */
        run: z.int().min(1).max(MOST_ORDERED).optional(),
        blocks: z.array(blockSchema).min(1).max(400),
      }),
    )
    .min(1)
    .max(100),
});
export type SheetByHand = z.infer<typeof handSchema>;

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
  /** Sheets beyond those ordered, percent; what the shop asks for where it is left out. */
  overs: z.number().min(0).max(100).optional(),
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
  /** A layout of one's own instead of one that was found. */
  hand: handSchema.optional(),
  /** Which faces of the piece lie on the front and on the back of the sheet; its first two where it is left out. */
  faces: z.array(z.int().min(0).max(100)).min(1).max(2).optional(),
  /** Which of the layouts that were found is taken, 0 the best. */
  taken: z.int().min(0).max(200),
});
export type SheetMade = z.infer<typeof sheetSchema>;

/** A small digital press that takes the larger sheets (common practice). */
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
  also: [],
  taken: 0,
};

/** The same for a piece that is measured in a unit, in round figures of it. */
export const usualSheet = (unit: PieceUnit): SheetMade =>
  unit === 'mm'
    ? USUAL_SHEET
    : {
        ...USUAL_SHEET,
        press: { name: '12 × 18 in', width: toPoints(12, 'in'), height: toPoints(18, 'in') },
        gripper: toPoints(3 / 16, 'in'),
        unprintable: toPoints(3 / 16, 'in'),
      };
