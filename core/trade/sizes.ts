import { lengthOf, type PieceUnit } from '../units/length';
import type { Kind, SizeRow, Source } from './schema';

const common: Source = { kind: 'common practice' };
const standard = (name: string): Source => ({ kind: 'standard', name });
const ISO_216 = standard('ISO 216');
const ISO_269 = standard('ISO 269');
const ANSI_A = standard('ANSI/ASME Y14.1, size A');

type Entry = [name: string, width: string, height: string, source?: Source];
const rows = (kind: Kind, entries: Entry[]): SizeRow[] =>
  entries.map(([name, width, height, source = common]) => ({ kind, name, width, height, source }));

/** Finished sizes by kind, in the order they are offered. */
export const SIZES: readonly SizeRow[] = [
  ...rows('card', [
    ['85 × 55', '85 mm', '55 mm'],
    ['3 1/2 × 2', '3 1/2 in', '2 in'],
    ['90 × 50', '90 mm', '50 mm'],
    ['90 × 51', '90 mm', '51 mm'],
    ['90 × 55', '90 mm', '55 mm'],
    ['91 × 55', '91 mm', '55 mm'],
    ['Bank card', '85.6 mm', '53.98 mm', standard('ISO/IEC 7810, ID-1')],
    ['Square', '55 mm', '55 mm'],
  ]),
  ...rows('letterhead', [
    ['A4', '210 mm', '297 mm', ISO_216],
    ['Letter', '8 1/2 in', '11 in', ANSI_A],
    ['Legal', '8 1/2 in', '14 in'],
    ['A5', '148 mm', '210 mm', ISO_216],
    ['Executive', '7 1/4 in', '10 1/2 in'],
  ]),
  ...rows('envelope', [
    ['DL', '220 mm', '110 mm', ISO_269],
    ['C6', '162 mm', '114 mm', ISO_269],
    ['C6/C5', '229 mm', '114 mm', ISO_269],
    ['C5', '229 mm', '162 mm', ISO_269],
    ['C4', '324 mm', '229 mm', ISO_269],
    ['No. 10', '9 1/2 in', '4 1/8 in'],
    ['No. 9', '8 7/8 in', '3 7/8 in'],
    ['Monarch (No. 7 3/4)', '7 1/2 in', '3 7/8 in'],
    ['A2', '5 3/4 in', '4 3/8 in'],
    ['A6 (US)', '6 1/2 in', '4 3/4 in'],
    ['A7 (US)', '7 1/4 in', '5 1/4 in'],
    ['6 × 9', '9 in', '6 in'],
    ['9 × 12', '12 in', '9 in'],
  ]),
  ...rows('postcard', [
    ['A6', '148 mm', '105 mm', ISO_216],
    ['6 × 4', '6 in', '4 in'],
    ['6 × 4 1/4', '6 in', '4 1/4 in'],
    ['5 1/2 × 4 1/4', '5 1/2 in', '4 1/4 in'],
    ['7 × 5', '7 in', '5 in'],
    ['9 × 6', '9 in', '6 in'],
    ['11 × 6', '11 in', '6 in'],
    ['A5', '210 mm', '148 mm', ISO_216],
    ['DL card', '210 mm', '99 mm'],
  ]),
  ...rows('flyer', [
    ['A5', '148 mm', '210 mm', ISO_216],
    ['A6', '105 mm', '148 mm', ISO_216],
    ['A4', '210 mm', '297 mm', ISO_216],
    ['DL', '99 mm', '210 mm'],
    ['5 1/2 × 8 1/2', '5 1/2 in', '8 1/2 in'],
    ['8 1/2 × 11', '8 1/2 in', '11 in', ANSI_A],
    ['4 × 9', '4 in', '9 in'],
    ['3.66 × 8 1/2', '3.66 in', '8 1/2 in'],
  ]),
];

/** The finished sizes of one kind. */
export const sizesOf = (kind: Kind): SizeRow[] => SIZES.filter((row) => row.kind === kind);

/** A row's width and height in points, and the unit it is written in. */
export const measuresOf = (row: SizeRow): { width: number; height: number; unit: PieceUnit } => ({
  width: lengthOf(row.width),
  height: lengthOf(row.height),
  unit: row.width.endsWith('in') ? 'in' : 'mm',
});
