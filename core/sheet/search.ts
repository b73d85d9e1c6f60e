import type { Box } from '../geometry/box';

/** Layouts of one size on an area that a guillotine can cut: every cut runs from edge to edge of what is left. */

export interface Size {
  width: number;
  height: number;
}

/** Where a trim lies in the area; turned ones lie a quarter turn clockwise. */
export interface Spot extends Box {
  turned: boolean;
}

/** Lengths that differ by less are the same, points: a thousandth of a millimetre. */
const SLACK = 0.003;

/** A part of the area: one piece, or parts beside or below one another. */
type Part = { kind: 'piece'; turned: boolean } | { kind: 'columns' | 'rows'; first: Part; second: Part; at: number };

interface Found {
  count: number;
  /** How many parts it falls into: fewer are fewer cuts. */
  parts: number;
  part: Part | undefined;
}

const NONE: Found = { count: 0, parts: 0, part: undefined };
const better = (a: Found, b: Found): Found => (a.count > b.count || (a.count === b.count && a.parts < b.parts) ? a : b);

/** All sums of two lengths up to a limit: where cuts can usefully lie (Herz's canonical dissections, 1972; from memory). */
function sumsUpTo(a: number, b: number, limit: number): number[] {
  const sums = [0];
  for (let i = 0; i * a <= limit + SLACK; i++) for (let sum = i * a; sum <= limit + SLACK; sum += b) sums.push(sum);
  return sums.sort((x, y) => x - y).filter((value, i, all) => i === 0 || value - all[i - 1]! > SLACK);
}

const MOST_STEPS = 6_000_000;

/** Places of a part whose top left corner is given. */
function spotsOf(part: Part, cell: Size, gap: number, x: number, y: number, out: Spot[]): void {
  if (part.kind === 'piece') {
    const [width, height] = part.turned ? [cell.height, cell.width] : [cell.width, cell.height];
    out.push({ x, y, width: width - gap, height: height - gap, turned: part.turned });
    return;
  }
  spotsOf(part.first, cell, gap, x, y, out);
  const across = part.kind === 'columns';
  spotsOf(part.second, cell, gap, across ? x + part.at : x, across ? y : y + part.at, out);
}

/** The most pieces of one size that an area holds, upright and turned as it comes; the fewest parts of those. */
export function bestMixed(size: Size, gap: number, area: Size): Spot[] | undefined {
  const cell = { width: size.width + gap, height: size.height + gap };
  const room = { width: area.width + gap, height: area.height + gap };
  const xs = sumsUpTo(cell.width, cell.height, room.width);
  const ys = sumsUpTo(cell.width, cell.height, room.height);
  if (xs.length * ys.length * (xs.length + ys.length) > MOST_STEPS) return undefined;
  const lastUpTo = (values: readonly number[], limit: number): number => {
    let i = values.length - 1;
    while (i > 0 && values[i]! > limit + SLACK) i--;
    return i;
  };
  const best: Found[][] = xs.map(() => []);
  for (const [i, wide] of xs.entries())
    for (const [j, high] of ys.entries()) {
      let found = NONE;
      if (cell.width <= wide + SLACK && cell.height <= high + SLACK)
        found = { count: 1, parts: 1, part: { kind: 'piece', turned: false } };
      else if (cell.height <= wide + SLACK && cell.width <= high + SLACK)
        found = { count: 1, parts: 1, part: { kind: 'piece', turned: true } };
      const split = (first: Found, second: Found, kind: 'columns' | 'rows', at: number): void => {
        if (!first.part || !second.part) return;
        found = better(
          {
            count: first.count + second.count,
            parts: first.parts + second.parts + joint(first.part, second.part, kind),
            part: { kind, first: first.part, second: second.part, at },
          },
          found,
        );
      };
      for (let k = 1; k < i; k++) split(best[k]![j]!, best[lastUpTo(xs, wide - xs[k]!)]![j]!, 'columns', xs[k]!);
      for (let k = 1; k < j; k++) split(best[i]![k]!, best[i]![lastUpTo(ys, high - ys[k]!)]!, 'rows', ys[k]!);
      best[i]![j] = found;
    }
  const whole = best.at(-1)!.at(-1)!;
  const spots: Spot[] = [];
  if (whole.part) spotsOf(whole.part, cell, gap, 0, 0, spots);
  return spots;
}

/** A joint between parts that run the same way is one cut more; one between ways is a change of the paper. */
const joint = (first: Part, second: Part, kind: 'columns' | 'rows'): number =>
  [first, second].some((part) => part.kind !== 'piece' && part.kind !== kind) ? 1 : 0;

const countAlong = (room: number, length: number, gap: number): number =>
  Math.max(0, Math.floor((room + gap + SLACK) / (length + gap)));

/** A plain grid of rows and columns. */
export function gridOf(size: Size, gap: number, rows: number, columns: number, turned: boolean): Spot[] {
  const [width, height] = turned ? [size.height, size.width] : [size.width, size.height];
  return Array.from({ length: rows * columns }, (_, i) => ({
    x: (i % columns) * (width + gap),
    y: Math.floor(i / columns) * (height + gap),
    width,
    height,
    turned,
  }));
}

/** As many as the area holds, all upright or all turned. */
export function plainGrid(size: Size, gap: number, area: Size, turned: boolean): Spot[] {
  const [width, height] = turned ? [size.height, size.width] : [size.width, size.height];
  return gridOf(size, gap, countAlong(area.height, height, gap), countAlong(area.width, width, gap), turned);
}

/** Rows of one way above rows of the other, and columns beside columns: for sizes so small that all ways are too many. */
export function twoBlocks(size: Size, gap: number, area: Size): Spot[] {
  let best: Spot[] = [];
  for (const turned of [false, true]) {
    const [width, height] = turned ? [size.height, size.width] : [size.width, size.height];
    const rows = countAlong(area.height, height, gap);
    const columns = countAlong(area.width, width, gap);
    for (let n = 1; n < rows; n++) {
      const used = n * (height + gap);
      const rest = plainGrid(size, gap, { width: area.width, height: area.height - used }, !turned);
      const both = [...gridOf(size, gap, n, columns, turned), ...rest.map((spot) => ({ ...spot, y: spot.y + used }))];
      if (both.length > best.length) best = both;
    }
    for (let n = 1; n < columns; n++) {
      const used = n * (width + gap);
      const rest = plainGrid(size, gap, { width: area.width - used, height: area.height }, !turned);
      const both = [...gridOf(size, gap, rows, n, turned), ...rest.map((spot) => ({ ...spot, x: spot.x + used }))];
      if (both.length > best.length) best = both;
    }
  }
  return best;
}

/** The layouts worth a look, the most pieces first; none where not one piece fits. */
export function layoutsOf(size: Size, gap: number, area: Size, way: 'any' | 'upright' | 'turned'): Spot[][] {
  const plain = [
    ...(way === 'turned' ? [] : [plainGrid(size, gap, area, false)]),
    ...(way === 'upright' ? [] : [plainGrid(size, gap, area, true)]),
  ];
  const most = Math.max(0, ...plain.map(({ length }) => length));
  // Two blocks are quicker to cut than parts within parts that hold no more.
  const mixed = way === 'any' ? [bestMixed(size, gap, area) ?? [], twoBlocks(size, gap, area)] : [];
  return [...mixed.filter(({ length }) => length > most), ...plain]
    .filter(({ length }) => length > 0)
    .sort((a, b) => b.length - a.length);
}
