import type { Box } from '../geometry/box';
import type { Labels } from '../job/by-row';
import { LABEL_SHEETS, type LabelSheet } from '../trade/label-sheets';

/** Where labels lie on their sheets. Lengths in points from the top left of a sheet. */

/** Nearer than this, a piece is of the size of a label: a quarter of a millimetre. */
const ALIKE = 0.75;

type Size = { width: number; height: number };

/** The sheets that are sold with labels of a size. */
export const sheetsFor = ({ width, height }: Size): LabelSheet[] =>
  LABEL_SHEETS.filter(({ label }) => Math.abs(label.width - width) < ALIKE && Math.abs(label.height - height) < ALIKE);

/** A sheet with all of its labels still on it. */
export const freshSheet = ({ sheet, columns, rows, gap }: LabelSheet): Labels => ({
  sheet,
  columns,
  rows,
  gap,
  nudge: { x: 0, y: 0 },
  from: 1,
});

/** The places on a sheet, line by line; undefined where they do not fit on it. */
export function labelPlaces({ sheet, columns, rows, gap, nudge }: Labels, { width, height }: Size): Box[] | undefined {
  const wide = columns * width + (columns - 1) * gap.x;
  const high = rows * height + (rows - 1) * gap.y;
  // Sizes of labels are rounded: a hair over is none.
  if (wide > sheet.width + ALIKE || high > sheet.height + ALIKE) return undefined;
  const left = (sheet.width - wide) / 2 + nudge.x;
  const top = (sheet.height - high) / 2 + nudge.y;
  return Array.from({ length: columns * rows }, (_, i) => ({
    x: left + (i % columns) * (width + gap.x),
    y: top + Math.floor(i / columns) * (height + gap.y),
    width,
    height,
  }));
}

/** How many sheets so many rows take, the first of them begun where it was left. */
export const labelSheets = ({ columns, rows, from }: Labels, count: number): number =>
  Math.ceil((count + Math.min(from, columns * rows) - 1) / (columns * rows));

/** The place in the order of rows of each label of a sheet, 0 first; undefined where none is printed. */
export function onLabelSheet({ columns, rows, from }: Labels, count: number, sheet: number): (number | undefined)[] {
  const up = columns * rows;
  return Array.from({ length: up }, (_, place) => {
    const index = sheet * up + place - (Math.min(from, up) - 1);
    return index >= 0 && index < count ? index : undefined;
  });
}
