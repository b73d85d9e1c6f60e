import { ALL_PLATES } from '../colour/ink';
import { type Box, bottom, outset, right } from '../geometry/box';
import { linePath } from '../geometry/path';
import type { ShopSpec } from '../trade/schema';
import type { Device } from './device';

/** Marks keep a little paper around them, so that no reader crops them. Points. */
const MARGIN = 6;

/** The distance from the trim at which crop marks start: as the shop asks, and never inside the bleed. */
export const markOffset = (marks: ShopSpec['marks'], bleed: number): number => Math.max(marks.offset, bleed);

/** The sheet that holds trim, bleed and, if asked for, marks. Points from the trim's corner. */
export const mediaBox = (trim: Box, bleed: number, marks: ShopSpec['marks'] | undefined): Box =>
  outset(trim, marks ? markOffset(marks, bleed) + marks.length + MARGIN : bleed);

/** Crop marks: two at each corner, on every plate. */
export function drawCropMarks(trim: Box, bleed: number, marks: ShopSpec['marks'], device: Device): void {
  const near = markOffset(marks, bleed);
  const far = near + marks.length;
  const [x0, x1, y0, y1] = [trim.x, right(trim), trim.y, bottom(trim)];
  const lines = [
    ...[y0, y1].flatMap((y) => [
      [x0 - far, y, x0 - near, y],
      [x1 + near, y, x1 + far, y],
    ]),
    ...[x0, x1].flatMap((x) => [
      [x, y0 - far, x, y0 - near],
      [x, y1 + near, x, y1 + far],
    ]),
  ] as [number, number, number, number][];
  for (const [ax, ay, bx, by] of lines)
    device.strokePath(linePath({ x: ax, y: ay }, { x: bx, y: by }), { weight: marks.weight }, { [ALL_PLATES]: 1 });
}

/** A dash and a gap of a fold mark, points. */
const FOLD_DASH = [3, 2] as const;

/** Fold marks: dashed, where crop marks are, above and below each fold; `at` from the trim's left edge. */
export function drawFoldMarks(
  trim: Box,
  bleed: number,
  marks: ShopSpec['marks'],
  at: readonly number[],
  device: Device,
): void {
  const near = markOffset(marks, bleed);
  const far = near + marks.length;
  const pen = { weight: marks.weight, dash: [...FOLD_DASH] as [number, number] };
  for (const x of at)
    for (const [from, to] of [
      [trim.y - far, trim.y - near],
      [bottom(trim) + near, bottom(trim) + far],
    ] as const)
      device.strokePath(linePath({ x: trim.x + x, y: from }, { x: trim.x + x, y: to }), pen, { [ALL_PLATES]: 1 });
}
