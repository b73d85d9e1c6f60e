import type { Point } from '../../../../core/geometry/box';
import { snapEdge } from '../../../../core/geometry/snap';
import type { Face } from '../../../../core/job/schema';
import type { Bench } from '../../../bench/bench';
import { REACH, snapTargets } from '../snapping';

/** A point of a path, caught by what is near it: edges, guides, other elements. `besides` do not catch it. */
export function snapPoint(bench: Bench, face: Face, p: Point, zoom: number, besides: readonly string[] = []): Point {
  const targets = snapTargets(bench, face, new Set(besides));
  const reach = REACH / zoom;
  return { x: p.x + snapEdge('x', p.x, targets, reach).by, y: p.y + snapEdge('y', p.y, targets, reach).by };
}
