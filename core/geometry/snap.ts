import { type Box, bottom, type Point, right } from './box';

/** A line that things snap to: upright where `axis` is x. Points. */
export interface SnapLine {
  axis: 'x' | 'y';
  at: number;
  /** What it is, for the label. */
  what: string;
}

/** What is moved: its box, and the baselines of its words. */
export interface Snappable {
  box: Box;
  baselines: readonly number[];
}

export interface SnapTargets {
  lines: readonly SnapLine[];
  /** Other elements, for their edges, middles and gaps. */
  boxes: readonly Box[];
  /** Baselines of other words. */
  baselines: readonly number[];
}

/** A line that was snapped to, and how far it reaches. */
export interface Caught extends SnapLine {
  from: number;
  to: number;
}

/** A gap that has been made equal to others: where it is along the axis, and on which height across it. */
export interface CaughtGap {
  axis: 'x' | 'y';
  from: number;
  to: number;
  across: number;
}

export interface Snapped {
  by: Point;
  lines: Caught[];
  gaps: CaughtGap[];
}

type Axis = 'x' | 'y';
const start = (box: Box, axis: Axis): number => box[axis];
const size = (box: Box, axis: Axis): number => (axis === 'x' ? box.width : box.height);
const end = (box: Box, axis: Axis): number => (axis === 'x' ? right(box) : bottom(box));
const middle = (box: Box, axis: Axis): number => start(box, axis) + size(box, axis) / 2;
const other = (axis: Axis): Axis => (axis === 'x' ? 'y' : 'x');

const linesOf = (box: Box, axis: Axis, what: string): SnapLine[] => [
  { axis, at: start(box, axis), what: `edge of ${what}` },
  { axis, at: middle(box, axis), what: `middle of ${what}` },
  { axis, at: end(box, axis), what: `edge of ${what}` },
];

/** All that can be landed on along an axis but baselines: lines of the face, and edges and middles of others. */
const allLines = (targets: SnapTargets, axis: Axis): SnapLine[] => [
  ...targets.lines.filter((line) => line.axis === axis),
  ...targets.boxes.flatMap((each) => linesOf(each, axis, 'an element')),
];
// The targets of a drag stay the same from its beginning to its end.
const kept = new WeakMap<SnapTargets, Record<Axis, SnapLine[]>>();
function linesAlong(targets: SnapTargets, axis: Axis): SnapLine[] {
  const found = kept.get(targets) ?? { x: allLines(targets, 'x'), y: allLines(targets, 'y') };
  kept.set(targets, found);
  return found[axis];
}

interface Offer {
  by: number;
  line?: SnapLine;
  gaps?: CaughtGap[];
}

/** Lines that an edge, the middle or a baseline of the box would land on after no more than `reach` of movement. */
function lineOffers({ box, baselines }: Snappable, axis: Axis, targets: SnapTargets, reach: number): Offer[] {
  const own = [start(box, axis), middle(box, axis), end(box, axis)];
  const offers: Offer[] = [];
  const offer = (by: number, line: SnapLine): void => {
    if (Math.abs(by) <= reach) offers.push({ by, line });
  };
  for (const line of linesAlong(targets, axis)) for (const at of own) offer(line.at - at, line);
  if (axis === 'y')
    for (const at of targets.baselines) for (const mine of baselines) offer(at - mine, { axis, at, what: 'baseline' });
  return offers;
}

const share = (a: Box, b: Box, axis: Axis): boolean => start(a, axis) < end(b, axis) && start(b, axis) < end(a, axis);

/** Places where the box would have the same gap to its neighbour as two others have, or stand in the middle between two. */
function gapOffers({ box }: Snappable, axis: Axis, { boxes }: SnapTargets, reach: number): Offer[] {
  const across = other(axis);
  const row = boxes.filter((each) => share(each, box, across)).sort((a, b) => start(a, axis) - start(b, axis));
  const at = middle(box, across);
  const offers: Offer[] = [];
  const mark = (from: number, to: number): CaughtGap => ({ axis, from, to, across: at });
  const offer = (by: number, ...gaps: readonly (readonly [from: number, to: number])[]): void => {
    if (Math.abs(by) <= reach) offers.push({ by, gaps: gaps.map(([from, to]) => mark(from, to)) });
  };
  for (const [i, a] of row.entries())
    for (const b of row.slice(i + 1)) {
      const gap = start(b, axis) - end(a, axis);
      if (gap <= 0) continue;
      const after = end(b, axis) + gap;
      offer(after - start(box, axis), [end(a, axis), start(b, axis)], [end(b, axis), after]);
      const before = start(a, axis) - gap;
      offer(before - end(box, axis), [before, start(a, axis)], [end(a, axis), start(b, axis)]);
      const room = (gap - size(box, axis)) / 2;
      if (room <= 0) continue;
      const between = end(a, axis) + room;
      offer(between - start(box, axis), [end(a, axis), between], [between + size(box, axis), start(b, axis)]);
    }
  return offers;
}

const HAIR = 0.001;

/** The nearest offer within reach. */
function best(offers: readonly Offer[], reach: number): number | undefined {
  let found: number | undefined;
  for (const { by } of offers)
    if (Math.abs(by) <= reach && (found === undefined || Math.abs(by) < Math.abs(found) - HAIR)) found = by;
  return found;
}

const moved = (box: Box, by: Point): Box => ({ ...box, x: box.x + by.x, y: box.y + by.y });

/** How far a caught line has to be drawn: over the box and whatever else lies on it. */
function stretch(line: SnapLine, box: Box, targets: SnapTargets): Caught {
  const across = other(line.axis);
  const on = targets.boxes.filter((each) =>
    [start(each, line.axis), middle(each, line.axis), end(each, line.axis)].some((at) => Math.abs(at - line.at) < HAIR),
  );
  const all = [box, ...on];
  return {
    ...line,
    from: Math.min(...all.map((each) => start(each, across))),
    to: Math.max(...all.map((each) => end(each, across))),
  };
}

/**
 * A movement by `by` points, corrected so that edges, middles, baselines or gaps meet what lies within `reach`. Each
 * axis is corrected for itself.
 */
export function snapMove(thing: Snappable, by: Point, targets: SnapTargets, reach: number): Snapped {
  const there: Snappable = { box: moved(thing.box, by), baselines: thing.baselines.map((at) => at + by.y) };
  // Lines come first: gaps are many, and would draw things off the edges they were meant for.
  const offersOf = (axis: Axis): Offer[] => {
    const onLines = lineOffers(there, axis, targets, reach);
    return best(onLines, reach) === undefined ? gapOffers(there, axis, targets, reach) : onLines;
  };
  const offers = { x: offersOf('x'), y: offersOf('y') };
  const extra = { x: best(offers.x, reach), y: best(offers.y, reach) };
  const final = { x: by.x + (extra.x ?? 0), y: by.y + (extra.y ?? 0) };
  const landed = moved(thing.box, final);
  const caught = (['x', 'y'] as const).flatMap((axis) =>
    extra[axis] === undefined ? [] : offers[axis].filter((offer) => Math.abs(offer.by - extra[axis]!) < HAIR),
  );
  const lines = caught.flatMap(({ line }) => (line ? [stretch(line, landed, targets)] : []));
  const distinct = lines.filter((line, i) => lines.findIndex((l) => l.axis === line.axis && l.at === line.at) === i);
  const gaps = caught.find((offer) => offer.gaps && !offer.line)?.gaps ?? [];
  return { by: final, lines: distinct, gaps };
}

/** One coordinate of a pulled edge, brought to a line within reach. */
export function snapEdge(
  axis: Axis,
  at: number,
  targets: SnapTargets,
  reach: number,
): { by: number; line: SnapLine | undefined } {
  const lines = linesAlong(targets, axis);
  const near = lines
    .map((line) => ({ by: line.at - at, line }))
    .filter((offer) => Math.abs(offer.by) <= reach)
    .sort((a, b) => Math.abs(a.by) - Math.abs(b.by))[0];
  return near ?? { by: 0, line: undefined };
}

/**
 * An edge of art that lies past the trim but short of the bleed, or a hair inside the trim, belongs at the bleed edge:
 * nobody stops at the trim on purpose. `trim` and `bleed` are the two places on the axis, `out` is +1 towards larger.
 */
export function bleedPull(at: number, trim: number, bleed: number, out: 1 | -1, reach: number): number | undefined {
  const past = (at - trim) * out;
  const room = (bleed - trim) * out;
  return past > -reach / 2 && past <= room + reach && Math.abs(past - room) > HAIR ? bleed - at : undefined;
}
