import { ALL_PLATES } from '../colour/ink';
import { type Box, bottom, outset, overlaps, right, unionOf } from '../geometry/box';
import { linePath } from '../geometry/path';
import type { SheetMade } from '../job/sheet';
import type { Device } from '../scene/device';
import { barPatches, drawPatches, drawTarget, fittingBar, LEAST_PATCH } from '../scene/marks';
import type { ShopSpec } from '../trade/schema';
import type { PieceUnit } from '../units/length';
import { cutLines, type Line, unmarkedCuts } from './cut-lines';
import { makeRoom } from './mark-room';
import { usable } from './printable';

/** Marks of a press sheet, on every plate. Lengths in points from the sheet's upper left corner. */

/** Marks shorter than this help nobody. */
const LEAST = 3;
/** Marks keep this far from colour. */
const CLEAR = 0.5;
const CENTRE = 9;
const TARGET = { ring: 3, cross: 5 };
const MOST_PATCH = 14;
export const SLUG_ROOM = 9;

/** What a line leaves of itself outside some spans. */
function outside(from: number, to: number, spans: readonly (readonly [number, number])[]): [number, number][] {
  let left: [number, number][] = [[from, to]];
  for (const [a, b] of spans)
    left = left.flatMap(([x, y]): [number, number][] =>
      b <= x || a >= y
        ? [[x, y]]
        : [
            [x, Math.min(y, a)],
            [Math.max(x, b), y],
          ],
    );
  return left.filter(([x, y]) => y - x >= LEAST);
}

/** A mark for each cut line at each end of it, in margins and gutters, none in any piece's colour. */
export function cutMarks(trims: readonly Box[], bleed: number, style: ShopSpec['marks'], area: Box): Line[] {
  const colours = trims.map((trim) => outset(trim, bleed + CLEAR));
  const near = Math.max(style.offset, bleed + CLEAR);
  const lines = new Map<string, Line>();
  const add = (line: Line): void => {
    lines.set([line.x0, line.y0, line.x1, line.y1].map((n) => n.toFixed(2)).join(' '), line);
  };
  // Where a neighbour is too near for the shop's offset, the mark stands as near as it may.
  const stretches = (
    end: number,
    out: 1 | -1,
    spans: readonly (readonly [number, number])[],
    limit: readonly [number, number],
  ) => {
    const at = (offset: number): [number, number][] => {
      const [a, b] = [end + out * offset, end + out * (offset + style.length)];
      return outside(Math.max(limit[0], Math.min(a, b)), Math.min(limit[1], Math.max(a, b)), spans);
    };
    const asked = at(near);
    return asked.length > 0 ? asked : at(bleed + CLEAR);
  };
  for (const trim of trims) {
    for (const x of [trim.x, right(trim)]) {
      const spans = colours.filter((c) => c.x < x && right(c) > x).map((c) => [c.y, bottom(c)] as const);
      const limit = [area.y, bottom(area)] as const;
      for (const [a, b] of [...stretches(trim.y, -1, spans, limit), ...stretches(bottom(trim), 1, spans, limit)])
        add({ x0: x, y0: a, x1: x, y1: b });
    }
    for (const y of [trim.y, bottom(trim)]) {
      const spans = colours.filter((c) => c.y < y && bottom(c) > y).map((c) => [c.x, right(c)] as const);
      const limit = [area.x, right(area)] as const;
      for (const [a, b] of [...stretches(trim.x, -1, spans, limit), ...stretches(right(trim), 1, spans, limit)])
        add({ x0: a, y0: y, x1: b, y1: y });
    }
  }
  return [...lines.values()];
}

/** The strips of paper that are left round all colour, within what can be printed on. */
function stripsRound(colour: Box, room: Box): Record<'head' | 'foot' | 'left' | 'right', Box> {
  return {
    head: { x: room.x, y: room.y, width: room.width, height: colour.y - room.y },
    foot: { x: room.x, y: bottom(colour), width: room.width, height: bottom(room) - bottom(colour) },
    left: { x: room.x, y: colour.y, width: colour.x - room.x, height: colour.height },
    right: { x: right(colour), y: colour.y, width: right(room) - right(colour), height: colour.height },
  };
}

/** Where the marks beside those for cutting stand; those there is no room for are named. */
export interface SideMarks {
  centres: Line[];
  targets: { x: number; y: number }[];
  bar: { box: Box; patches: ReturnType<typeof barPatches> } | undefined;
  slug: Box | undefined;
  noRoom: ('registration marks' | 'colour bar' | 'slug line')[];
}

export function sideMarks(
  trims: readonly Box[],
  bleed: number,
  style: ShopSpec['marks'],
  made: SheetMade,
  plates: readonly string[],
): SideMarks {
  const { press } = made;
  const room = usable(made);
  const colour = outset(unionOf(trims) ?? room, bleed + CLEAR);
  const strips = stripsRound(colour, room);
  const [mx, my] = [press.width / 2, press.height / 2];
  const level = (y: number, x0: number, x1: number): Line[] => (x1 - x0 >= LEAST ? [{ x0, y0: y, x1, y1: y }] : []);
  const upright = (x: number, y0: number, y1: number): Line[] => (y1 - y0 >= LEAST ? [{ x0: x, y0, x1: x, y1 }] : []);
  const centres = [
    ...upright(mx, room.y, Math.min(room.y + CENTRE, colour.y)),
    ...upright(mx, Math.max(bottom(room) - CENTRE, bottom(colour)), bottom(room)),
    ...level(my, room.x, Math.min(room.x + CENTRE, colour.x)),
    ...level(my, Math.max(right(room) - CENTRE, right(colour)), right(room)),
  ];
  // Beyond the marks for cutting, so that none lies on another.
  const taken = Math.max(style.offset - bleed, 0) + style.length;
  const beside = (strip: Box, across: 'x' | 'y', needed: number): boolean =>
    (across === 'x' ? strip.width : strip.height) >= needed;
  const targetRoom = 2 * TARGET.cross + 1;
  const targets = [
    ...(beside(strips.left, 'x', targetRoom) ? [{ x: strips.left.x + strips.left.width / 2, y: my - 30 }] : []),
    ...(beside(strips.right, 'x', targetRoom) ? [{ x: strips.right.x + strips.right.width / 2, y: my - 30 }] : []),
  ];
  const ends = (['foot', 'head'] as const).filter((name) => strips[name].height - taken >= LEAST_PATCH);
  const [barAt] = ends;
  let bar: SideMarks['bar'];
  if (barAt) {
    const strip = strips[barAt];
    // Left of the middle: the centre mark stands there.
    const room = mx - CENTRE - strip.x;
    const { patches, side } = fittingBar(barPatches(plates), room, Math.min(MOST_PATCH, strip.height - taken));
    const y = barAt === 'foot' ? bottom(strip) - side : strip.y;
    const width = side * patches.length;
    const x = mx - CENTRE - width;
    bar = side >= LEAST_PATCH && patches.length > 0 ? { box: { x, y, width, height: side }, patches } : undefined;
  }
  const slugAt = (['head', 'foot'] as const).find((name) => name !== barAt && strips[name].height >= SLUG_ROOM);
  const wide = slugAt ?? (barAt && strips[barAt].height >= SLUG_ROOM ? barAt : undefined);
  const slug = wide && {
    x: mx + CENTRE,
    y: wide === 'head' ? strips.head.y : bottom(strips.foot) - SLUG_ROOM,
    width: right(room) - mx - 2 * CENTRE,
    height: SLUG_ROOM,
  };
  return {
    centres,
    targets,
    bar,
    slug,
    noRoom: [
      ...(targets.length === 0 ? (['registration marks'] as const) : []),
      ...(bar ? [] : (['colour bar'] as const)),
      ...(slug ? [] : (['slug line'] as const)),
    ],
  };
}

/** All marks of one side, and what there is no room for, in words. */
export interface SheetMarks {
  cuts: Line[];
  side: SideMarks;
  noRoom: string[];
}

/** The marks of one side. No mark of a cut lies on the slug or the bar. */
export function sheetMarks(
  trims: readonly Box[],
  bleed: number,
  style: ShopSpec['marks'],
  made: SheetMade,
  plates: readonly string[],
  unit: PieceUnit = 'mm',
): SheetMarks {
  const side = sideMarks(trims, bleed, style, made, plates);
  const boxOf = ({ x0, y0, x1, y1 }: Line): Box => ({ x: x0, y: y0, width: x1 - x0, height: y1 - y0 });
  const cuts = cutMarks(trims, bleed, style, usable(made)).filter(
    (line) => ![side.slug, side.bar?.box].some((box) => box && overlaps(box, boxOf(line))),
  );
  const lacking = unmarkedCuts(trims, cuts);
  const ways = makeRoom(lacking, trims, { clear: bleed + CLEAR, least: LEAST }, usable(made), unit).join('; ');
  const said =
    lacking.length > 0
      ? [
          `cut marks at both ends of ${lacking.length} of ${cutLines(trims).length} cut lines${ways && ` (to make room: ${ways})`}`,
        ]
      : [];
  return { cuts, side, noRoom: [...said, ...side.noRoom] };
}

const ALL = { [ALL_PLATES]: 1 };

/** Draws the marks of one side, all but the words of its slug. */
export function drawSheetMarks(
  { cuts, side }: Pick<SheetMarks, 'cuts' | 'side'>,
  weight: number,
  device: Device,
): void {
  const line = ({ x0, y0, x1, y1 }: Line): void =>
    device.strokePath(linePath({ x: x0, y: y0 }, { x: x1, y: y1 }), { weight }, ALL);
  for (const each of [...cuts, ...side.centres]) line(each);
  for (const each of side.targets) drawTarget(each, TARGET, weight, device);
  if (side.bar) drawPatches(side.bar.box, side.bar.patches, device);
}
