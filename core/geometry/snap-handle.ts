import { type Box, bottom, middleOf, type Point, right } from './box';
import { apply, turnAbout } from './matrix';
import { HANDLE_AT, type Handle, isCorner } from './resize';
import { type SnapLine, type Snapped, type SnapTargets, snapEdge } from './snap';

/** What a handle belongs to: its upright frame in points, turned about its middle by `turn` degrees clockwise. */
export interface Handled {
  frame: Box;
  turn: number;
}

/** Brings one coordinate of the handle, in points, to a line within reach. */
export type Catch = (axis: 'x' | 'y', at: number) => { by: number; line: SnapLine | undefined };

/** A side of what is turned can be brought to a line that it is not nearly along; the share of its way across it. */
const STEEP = 0.2;

/**
 * A pull of a handle by `by` points, corrected so that it lands on what lies within `reach`. A corner goes both ways, a
 * side straight out from the middle only. `edges` tells which ways of the frame itself were caught.
 */
export function snapHandle(
  { frame, turn }: Handled,
  handle: Handle,
  by: Point,
  targets: SnapTargets,
  reach: number,
  caught: Catch = (axis, at) => snapEdge(axis, at, targets, reach),
): { snapped: Snapped; edges: { x: boolean; y: boolean } } {
  const at = HANDLE_AT[handle];
  const start = { x: frame.x + at.x * frame.width, y: frame.y + at.y * frame.height };
  const from = apply(turnAbout(middleOf(frame), turn), start);
  const over = { x: [frame.y, bottom(frame)], y: [frame.x, right(frame)] } as const;
  const told = (moved: Point, lines: readonly (SnapLine | undefined)[]): Snapped => ({
    by: moved,
    lines: lines.flatMap((line) => (line ? [{ ...line, from: over[line.axis][0], to: over[line.axis][1] }] : [])),
    gaps: [],
  });
  if (isCorner(handle)) {
    const [x, y] = [caught('x', from.x + by.x), caught('y', from.y + by.y)];
    const moved = { x: by.x + x.by, y: by.y + y.by };
    const any = x.line !== undefined || y.line !== undefined;
    // What is turned is not along its own sides when it is along a line: neither of them may be made tidy any more.
    return {
      snapped: told(moved, [x.line, y.line]),
      edges: turn === 0 ? { x: x.line !== undefined, y: y.line !== undefined } : { x: any, y: any },
    };
  }
  const out = apply(turnAbout({ x: 0, y: 0 }, turn), { x: 2 * at.x - 1, y: 2 * at.y - 1 });
  const far = by.x * out.x + by.y * out.y;
  const offers = (['x', 'y'] as const).flatMap((axis) => {
    if (Math.abs(out[axis]) < STEEP) return [];
    const { by: more, line } = caught(axis, from[axis] + far * out[axis]);
    return line ? [{ more: more / out[axis], line }] : [];
  });
  const [best] = offers.sort((a, b) => Math.abs(a.more) - Math.abs(b.more));
  const length = far + (best?.more ?? 0);
  const own = best !== undefined;
  return {
    snapped: told({ x: length * out.x, y: length * out.y }, [best?.line]),
    edges: { x: own && at.x !== 0.5, y: own && at.y !== 0.5 },
  };
}
