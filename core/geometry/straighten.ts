import { toPoints } from '../units/length';
import { spaceMoves } from './arrange';
import { type Box, bottom, right } from './box';

/** A near miss: which box, what should change of it, and why. Points. */
export interface Straightening {
  index: number;
  change: { x: number; y: number; width: number; height: number };
  why: 'edge' | 'gap' | 'size';
  /** How far off it was: a distance, or for gaps and sizes a share. */
  off: number;
}

/** What counts as a near miss: edges within 0.5 mm, gaps within 10 %, sizes within 2 %. */
export const NEAR = { edge: toPoints(0.5, 'mm'), gap: 0.1, size: 0.02 } as const;
const HAIR = 0.001;

const none = { x: 0, y: 0, width: 0, height: 0 };
const SIDES = {
  x: [(b: Box) => b.x, (b: Box) => b.x + b.width / 2, right],
  y: [(b: Box) => b.y, (b: Box) => b.y + b.height / 2, bottom],
} as const;

const isNear = (off: number, limit: number): boolean => Math.abs(off) > HAIR && Math.abs(off) <= limit;

/** Sizes that are nearly those of an earlier box; the box keeps its left top corner. */
function sizes(boxes: readonly Box[]): Straightening[] {
  return boxes.flatMap((box, index) =>
    (['width', 'height'] as const).flatMap((side): Straightening[] => {
      const like = boxes
        .slice(0, index)
        .find((each) => isNear((box[side] - each[side]) / each[side], NEAR.size) && each[side] > 0);
      if (!like) return [];
      return [
        {
          index,
          change: { ...none, [side]: like[side] - box[side] },
          why: 'size',
          off: Math.abs(box[side] - like[side]) / like[side],
        },
      ];
    }),
  );
}

/** Edges and middles that nearly meet those of an earlier box. */
function edges(boxes: readonly Box[]): Straightening[] {
  return boxes.flatMap((box, index) =>
    (['x', 'y'] as const).flatMap((axis): Straightening[] => {
      const offs = boxes
        .slice(0, index)
        .flatMap((each) => SIDES[axis].map((side) => side(each) - side(box)))
        .sort((a, b) => Math.abs(a) - Math.abs(b));
      const [nearest] = offs;
      // What lines up already in one way is left in line.
      if (nearest === undefined || !isNear(nearest, NEAR.edge)) return [];
      return [{ index, change: { ...none, [axis]: nearest }, why: 'edge', off: Math.abs(nearest) }];
    }),
  );
}

/** Rows and columns of three and more whose gaps are nearly the same. */
function gaps(boxes: readonly Box[]): Straightening[] {
  return (['x', 'y'] as const).flatMap((axis): Straightening[] => {
    const length = axis === 'x' ? 'width' : 'height';
    const order = boxes.map((_, i) => i).sort((a, b) => boxes[a]![axis] - boxes[b]![axis]);
    const between = order.slice(1).map((i, n) => boxes[i]![axis] - boxes[order[n]!]![axis] - boxes[order[n]!]![length]);
    const mean = between.reduce((sum, gap) => sum + gap, 0) / between.length;
    const off = Math.max(...between.map((gap) => Math.abs(gap - mean))) / mean;
    if (between.length < 2 || Math.min(...between) <= 0 || !isNear(off, NEAR.gap)) return [];
    return spaceMoves(boxes, axis).flatMap((move, index) =>
      Math.abs(move[axis]) > HAIR ? [{ index, change: { ...none, ...move }, why: 'gap' as const, off }] : [],
    );
  });
}

/** Every near miss among some boxes, and what would mend it. Sizes come first, since they move edges. */
export const straightenings = (boxes: readonly Box[]): Straightening[] => [
  ...sizes(boxes),
  ...edges(boxes),
  ...gaps(boxes),
];

/** The boxes with one round of changes made: of two changes to one side the first counts. */
export function straightened(boxes: readonly Box[], all: readonly Straightening[]): Box[] {
  return boxes.map((box, i) => {
    const out = { ...box };
    for (const side of ['x', 'y', 'width', 'height'] as const) {
      const first = all.find(({ index, change }) => index === i && change[side] !== 0);
      if (first) out[side] += first.change[side];
    }
    return out;
  });
}
