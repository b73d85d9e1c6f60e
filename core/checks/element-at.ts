import { inkBounds } from '../devices/bounds';
import { contains, type Point } from '../geometry/box';
import type { Face } from '../job/schema';
import type { SceneSources } from '../scene/sources';

/** Grounds that fill most of a side are meant only where nothing else is. */
const GROUND = 0.6;

/** The element that somebody means who points at a place of a side: the topmost there, a ground only where nothing lies on it. */
export function elementAt(
  face: Face,
  { x, y }: Point,
  side: { width: number; height: number },
  sources: SceneSources,
): string | undefined {
  const there = face.elements
    .filter(({ hidden }) => !hidden)
    .flatMap((element) => {
      const ink = inkBounds(element, sources);
      if (!ink || !contains(ink, { x, y, width: 0, height: 0 })) return [];
      return [{ id: element.id, isGround: ink.width * ink.height > GROUND * side.width * side.height }];
    })
    .reverse();
  return (there.find(({ isGround }) => !isGround) ?? there[0])?.id;
}
