import { type Box, type Point, unionOf } from './box';

/** Where boxes are brought to: an edge or the middle, across or down. */
export const EDGES = ['left', 'centre', 'right', 'top', 'middle', 'bottom'] as const;
export type Edge = (typeof EDGES)[number];

const ACROSS: Partial<Record<Edge, number>> = { left: 0, centre: 0.5, right: 1 };
const DOWN: Partial<Record<Edge, number>> = { top: 0, middle: 0.5, bottom: 1 };

/** How each box has to move so that one of its edges is on that edge of `to`. */
export const alignMoves = (boxes: readonly Box[], to: Box, edge: Edge): Point[] =>
  boxes.map((box) => {
    const [across, down] = [ACROSS[edge], DOWN[edge]];
    return {
      x: across === undefined ? 0 : to.x + across * to.width - (box.x + across * box.width),
      y: down === undefined ? 0 : to.y + down * to.height - (box.y + down * box.height),
    };
  });

/** How all of them have to move as one so that their middle is the middle of `to`. */
export function centreMove(boxes: readonly Box[], to: Box): Point {
  const all = unionOf(boxes);
  return all ? { ...alignMoves([all], to, 'centre')[0]!, y: alignMoves([all], to, 'middle')[0]!.y } : { x: 0, y: 0 };
}

/**
 * How boxes have to move to have equal gaps along an axis. The first and the last stay; with an exact `gap` only the
 * first does.
 */
export function spaceMoves(boxes: readonly Box[], axis: 'x' | 'y', gap?: number): Point[] {
  const length = axis === 'x' ? 'width' : 'height';
  const order = boxes.map((_, i) => i).sort((a, b) => boxes[a]![axis] - boxes[b]![axis]);
  const moves: Point[] = boxes.map(() => ({ x: 0, y: 0 }));
  const [first, last] = [boxes[order[0]!], boxes[order.at(-1)!]];
  if (!first || !last || boxes.length < 2) return moves;
  const filled = boxes.reduce((sum, box) => sum + box[length], 0);
  const each = gap ?? (last[axis] + last[length] - first[axis] - filled) / (boxes.length - 1);
  let at = first[axis];
  for (const i of order) {
    moves[i]![axis] = at - boxes[i]![axis];
    at += boxes[i]![length] + each;
  }
  return moves;
}
