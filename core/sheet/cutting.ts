import { type Box, bottom, right, unionOf } from '../geometry/box';

/** A guillotine's cuts from a sheet to its pieces. Lengths in points. */

export interface Cut {
  /** The pile that is cut, on the sheet. */
  pile: Box;
  /** Where the blade falls: a level line (`y`) or an upright one (`x`) of the sheet. */
  axis: 'x' | 'y';
  at: number;
  /** Which part lies against the back gauge: the one before the line or the one after it. */
  gauge: 'before' | 'after';
  /** How far the blade is from the back gauge: how deep the part is that lies there. */
  distance: number;
  /** How the pile is turned for it, in quarters clockwise, so that the part to be kept lies at the back. */
  quarter: 0 | 1 | 2 | 3;
  /** What falls off in front: paper for the bin, or a pile that is cut further. */
  off: 'waste' | 'pile';
}

const SLACK = 0.003;

const splitBox = (box: Box, axis: 'x' | 'y', at: number): [before: Box, after: Box] =>
  axis === 'x'
    ? [
        { ...box, width: at - box.x },
        { ...box, x: at, width: right(box) - at },
      ]
    : [
        { ...box, height: at - box.y },
        { ...box, y: at, height: bottom(box) - at },
      ];

/** The quarter turn that brings the edge at the gauge to the back, where the sheet's head lies when it is not turned. */
const QUARTERS = { 'y before': 0, 'x before': 1, 'y after': 2, 'x after': 3 } as const;

function cutOf(pile: Box, axis: 'x' | 'y', at: number, gauge: Cut['gauge'], off: Cut['off']): Cut {
  const [before, after] = splitBox(pile, axis, at);
  const kept = gauge === 'before' ? before : after;
  return {
    pile,
    axis,
    at,
    gauge,
    distance: axis === 'x' ? kept.width : kept.height,
    quarter: QUARTERS[`${axis} ${gauge}`],
    off,
  };
}

/** What an operator has to know before the first cut: which edges of the pile are true, those it was printed by. */
export const TRUE_CORNER =
  'The true corner is at the bottom left, where grippers and side lay held the sheet: the first two cuts are measured from its edges.';

/** Where no trim lies across an axis: the gaps between groups, each from the end of one to the start of the next. */
function gapsAlong(trims: readonly Box[], axis: 'x' | 'y'): { from: number; to: number }[] {
  const spans = trims
    .map((box) => (axis === 'x' ? { from: box.x, to: right(box) } : { from: box.y, to: bottom(box) }))
    .sort((a, b) => a.from - b.from);
  const gaps: { from: number; to: number }[] = [];
  let end = spans[0]!.to;
  for (const { from, to } of spans.slice(1)) {
    if (from >= end - SLACK) gaps.push({ from: end, to: Math.max(end, from) });
    end = Math.max(end, to);
  }
  return gaps;
}

/** The pieces cannot be cut with straight cuts from edge to edge. */
export class NotCuttable extends Error {}

/**
 * The cuts that make the pieces out of a pile: first what is left over round them is cut off, then the pile is parted
 * where it falls into the most parts. Throws NotCuttable.
 */
export function cuttingPlan(pile: Box, trims: readonly Box[]): Cut[] {
  if (trims.length === 0) return [];
  const around = unionOf(trims)!;
  const cuts: Cut[] = [];
  let left = pile;
  const trim = (axis: 'x' | 'y', at: number, gauge: Cut['gauge']): void => {
    cuts.push(cutOf(left, axis, at, gauge, 'waste'));
    const [before, after] = splitBox(left, axis, at);
    left = gauge === 'before' ? before : after;
  };
  // As the pile came from the press: by its gripper edge at the foot and its side lay at the left, then by what is cut.
  if (around.y - left.y > SLACK) trim('y', around.y, 'after');
  if (right(left) - right(around) > SLACK) trim('x', right(around), 'before');
  if (bottom(left) - bottom(around) > SLACK) trim('y', bottom(around), 'before');
  if (around.x - left.x > SLACK) trim('x', around.x, 'after');
  if (trims.length === 1) return cuts;

  const [levels, uprights] = [gapsAlong(trims, 'y'), gapsAlong(trims, 'x')];
  if (levels.length === 0 && uprights.length === 0)
    throw new NotCuttable('The pieces lie so that no straight cut parts them.');
  const axis = levels.length >= uprights.length ? 'y' : 'x';
  const gaps = axis === 'y' ? levels : uprights;
  // From the front: each part is cut off, and what lay between is cut off after it.
  const parts: { pile: Box; trims: Box[] }[] = [];
  for (const { from, to } of [...gaps].reverse()) {
    cuts.push(cutOf(left, axis, to, 'before', 'pile'));
    const [before, after] = splitBox(left, axis, to);
    const inside = trims.filter((box) => (axis === 'x' ? box.x : box.y) >= to - SLACK && holds(after, box));
    parts.unshift({ pile: after, trims: inside });
    left = before;
    if (to - from > SLACK) {
      cuts.push(cutOf(left, axis, from, 'before', 'waste'));
      [left] = splitBox(left, axis, from);
    }
  }
  parts.unshift({ pile: left, trims: trims.filter((box) => holds(left, box)) });
  return [...cuts, ...parts.flatMap((part) => cuttingPlan(part.pile, part.trims))];
}

const holds = (outer: Box, inner: Box): boolean =>
  inner.x >= outer.x - SLACK &&
  inner.y >= outer.y - SLACK &&
  right(inner) <= right(outer) + SLACK &&
  bottom(inner) <= bottom(outer) + SLACK;
