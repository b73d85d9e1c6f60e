import { ALL_PLATES, type Plates } from '../colour/ink';
import { type Box, bottom, outset, type Point, right } from '../geometry/box';
import { ellipsePath } from '../geometry/forms';
import { boxPath, linePath } from '../geometry/path';
import type { FoldLine } from '../trade/folds';
import type { ShopSpec } from '../trade/schema';
import type { Device } from './device';

/** Marks beyond those that are cut and folded by. */
export const FURTHER_MARKS = ['registration', 'colour bar', 'slug'] as const;
export type FurtherMark = (typeof FURTHER_MARKS)[number];

type MarkStyle = ShopSpec['marks'];

/** Marks keep a little paper around them, so that no reader crops them. Points. */
const MARGIN = 6;
/** The side of a patch of the colour bar, and the room for it; the room for the slug's two lines. */
export const BAR = { patch: 14, room: 20 };
export const SLUG = { size: 6, room: 22 };
/** The radius of a registration mark's ring, and how far its cross reaches. */
const TARGET = { ring: 3.5, cross: 6 };

/** The distance from the trim at which crop marks start: as the shop asks, and never inside the bleed. */
export const markOffset = (marks: MarkStyle, bleed: number): number => Math.max(marks.offset, bleed);

/** How far marks reach from the trim. */
const reach = (marks: MarkStyle, bleed: number, also: readonly FurtherMark[]): number =>
  markOffset(marks, bleed) + Math.max(marks.length, also.includes('registration') ? 2 * TARGET.cross : 0);

/** The sheet that holds trim, bleed and, if asked for, marks. Points from the trim's corner. */
export function mediaBox(
  trim: Box,
  bleed: number,
  marks: MarkStyle | undefined,
  also: readonly FurtherMark[] = [],
): Box {
  const around =
    marks || also.length > 0 ? outset(trim, reach(marks ?? NO_CROPS, bleed, also) + MARGIN) : outset(trim, bleed);
  const head = also.includes('slug') ? SLUG.room : 0;
  const foot = also.includes('colour bar') ? BAR.room : 0;
  return { ...around, y: around.y - head, height: around.height + head + foot };
}

/** Where there are no crop marks, others stand as near as they may. */
const NO_CROPS: MarkStyle = { weight: 0.25, length: 0, offset: 0 };

const inAll: Plates = { [ALL_PLATES]: 1 };

function strokeLine(
  device: Device,
  pen: Parameters<Device['strokePath']>[1],
  [ax, ay, bx, by]: readonly number[],
): void {
  device.strokePath(linePath({ x: ax!, y: ay! }, { x: bx!, y: by! }), pen, inAll);
}

/** Crop marks: two at each corner, on every plate. */
export function drawCropMarks(trim: Box, bleed: number, marks: MarkStyle, device: Device): void {
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
  ];
  for (const line of lines) strokeLine(device, { weight: marks.weight }, line);
}

/** A dash and a gap of a fold mark, points. */
const FOLD_DASH = [3, 2] as const;

/** Fold marks: dashed, where crop marks are, at both ends of each fold; where they are goes by the trim. */
export function drawFoldMarks(
  trim: Box,
  bleed: number,
  marks: MarkStyle,
  folds: readonly FoldLine[],
  device: Device,
): void {
  const near = markOffset(marks, bleed);
  const far = near + marks.length;
  const pen = { weight: marks.weight, dash: [...FOLD_DASH] as [number, number] };
  for (const { axis, at } of folds) {
    const across = trim[axis] + at;
    const [first, last] = axis === 'x' ? [trim.y, bottom(trim)] : [trim.x, right(trim)];
    for (const [from, to] of [
      [first - far, first - near],
      [last + near, last + far],
    ] as const)
      strokeLine(device, pen, axis === 'x' ? [across, from, across, to] : [from, across, to, across]);
  }
}

/** A punch mark: a ring on a line, where crop marks are, at the height that holes are punched at; from the trim's head. */
export function drawPunchMark(trim: Box, bleed: number, marks: MarkStyle, at: number, device: Device): void {
  const near = trim.x - markOffset(marks, bleed);
  const y = trim.y + at;
  const pen = { weight: marks.weight };
  strokeLine(device, pen, [near - marks.length, y, near, y]);
  device.strokePath(ellipsePath({ x: near - marks.length / 2 - 2, y: y - 2, width: 4, height: 4 }), pen, inAll);
}

/** A ring and a cross on every plate: how far each reaches from its middle, points. */
export function drawTarget({ x, y }: Point, { ring, cross }: typeof TARGET, weight: number, device: Device): void {
  strokeLine(device, { weight }, [x - cross, y, x + cross, y]);
  strokeLine(device, { weight }, [x, y - cross, x, y + cross]);
  device.strokePath(ellipsePath({ x: x - ring, y: y - ring, width: 2 * ring, height: 2 * ring }), { weight }, inAll);
}

/** Registration marks: a ring and a cross at the middle of each side, outside the bleed, on every plate. */
export function drawRegistrationMarks(trim: Box, bleed: number, marks: MarkStyle, device: Device): void {
  const out = markOffset(marks, bleed) + TARGET.cross;
  const [mx, my] = [trim.x + trim.width / 2, trim.y + trim.height / 2];
  for (const [x, y] of [
    [mx, trim.y - out],
    [mx, bottom(trim) + out],
    [trim.x - out, my],
    [right(trim) + out, my],
  ] as const) {
    drawTarget({ x, y }, TARGET, marks.weight, device);
  }
}

/** What is printed on one another in a bar: two inks, and the three, for trapping; spot inks on nothing (common practice). */
const OVER_ONE_ANOTHER = [
  ['Cyan', 'Magenta'],
  ['Cyan', 'Yellow'],
  ['Magenta', 'Yellow'],
  ['Cyan', 'Magenta', 'Yellow'],
] as const;

/**
 * The patches of a colour bar, those that matter most first: each plate solid, what prints on one another, each plate at 40
 * and 80 % for the gain of its dots, and grey out of cyan, magenta and yellow (ISO 12647-2's control patches; from memory).
 */
export function barPatches(plates: readonly string[]): Plates[] {
  const grey = ['Cyan', 'Magenta', 'Yellow'].every((plate) => plates.includes(plate));
  const solids = plates.map((plate) => ({ [plate]: 1 }));
  const overs = OVER_ONE_ANOTHER.filter((inks) => inks.every((plate) => plates.includes(plate))).map(
    (inks): Plates => Object.fromEntries(inks.map((plate) => [plate, 1])),
  );
  const tints = [0.4, 0.8].flatMap((tint) => plates.map((plate) => ({ [plate]: tint })));
  return [...solids, ...overs, ...(grey ? [{ Cyan: 0.5, Magenta: 0.4, Yellow: 0.4 }] : []), ...tints];
}

/** Narrower patches than this no instrument reads; points. */
export const LEAST_PATCH = 7;

/** As many of some patches, the first ones, as have room side by side, and how wide each of them is; `most` at the most. */
export function fittingBar(
  patches: readonly Plates[],
  room: number,
  most: number,
): { patches: Plates[]; side: number } {
  const fitting = patches.slice(0, Math.max(0, Math.floor(room / LEAST_PATCH)));
  return { patches: fitting, side: Math.min(most, room / Math.max(1, fitting.length)) };
}

/** A colour bar along the foot of the sheet, in the plates it is printed from. */
export function drawColourBar(trim: Box, media: Box, plates: readonly string[], device: Device): void {
  const { patches, side } = fittingBar(barPatches(plates), trim.width, BAR.patch);
  const y = bottom(media) - MARGIN - side;
  const x = trim.x + (trim.width - side * patches.length) / 2;
  drawPatches({ x, y, width: side * patches.length, height: side }, patches, device);
}

/** Patches side by side in a box. */
export function drawPatches(box: Box, patches: readonly Plates[], device: Device): void {
  const width = box.width / patches.length;
  patches.forEach((patch, i) => {
    device.fillPath(boxPath({ ...box, x: box.x + i * width, width }), patch);
  });
}
