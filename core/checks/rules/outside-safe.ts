import { inkBounds } from '../../devices/bounds';
import { type Box, distancesTo, middleOf, moveInto, outset, overlaps, type Point } from '../../geometry/box';
import { moveElement } from '../../job/edits/elements';
import { type Check, type CheckContext, type Finding, HAIR, trimOf } from '../check';
import { dieHere } from '../die-here';
import { leastInside } from '../ink-shape';

const problemOf = (least: number, fits: boolean, byCorner: boolean): string => {
  if (least < 0) return 'Will be cut into';
  if (!fits) return 'Too large for the safe zone';
  return byCorner ? 'Too near a rounded corner' : 'Too near the trim';
};

/** The way out of the corner that something lies in, along its slant: as far both ways as brings it `by` further in. */
function intoCorner(ink: Box, trim: Box, by: number): Point {
  const [left, top] = [middleOf(ink).x < middleOf(trim).x, middleOf(ink).y < middleOf(trim).y];
  return { x: left ? by : -by, y: top ? by : -by };
}

function look(context: CheckContext): Finding[] {
  // Where a die cuts, its own check tells how near things come to its line.
  if (dieHere(context)) return [];
  const { piece, face, shop, sources } = context;
  const trim = trimOf(piece);
  // The die's own check tells of what a rounded corner cuts into.
  const corner = piece.corner ?? 0;
  const safe = shop.safe[piece.kind];
  const zone = outset(trim, -safe);
  return face.elements
    .filter((element) => element.kind === 'words' || element.logo)
    .flatMap((element): Finding[] => {
      const ink = inkBounds(element, sources);
      if (!ink || !overlaps(ink, trim)) return [];
      const inside = distancesTo(ink, trim);
      const near = Math.min(inside.top, inside.right, inside.bottom, inside.left);
      // A box round what is turned, or by a rounded corner, is not where its ink ends.
      const exact = near < safe - HAIR || (corner > 0 && near < corner + safe);
      const straight = exact ? leastInside(element, { ...trim }, sources) : near;
      const rounded = exact && corner > 0 ? leastInside(element, { ...trim, corner }, sources) : straight;
      const byCorner = rounded < straight - HAIR && straight >= safe - HAIR;
      const least = byCorner ? rounded : straight;
      if (least >= safe - HAIR || (byCorner && least < 0)) return [];
      const by = byCorner ? intoCorner(ink, trim, safe - least) : moveInto(zone, ink);
      const fits = ink.width <= zone.width + HAIR && ink.height <= zone.height + HAIR;
      return [
        {
          check: 'outside-safe',
          severity: least < 0 ? 'stop' : 'warn',
          face: face.id,
          element: element.id,
          place: ink,
          problem: problemOf(least, fits, byCorner),
          measured: { value: least, kind: 'length' },
          wanted: { value: safe, kind: 'length' },
          ...(fits ? { fix: { label: 'Move inside', apply: (job) => moveElement(job, element.id, by) } } : {}),
        },
      ];
    });
}

export const outsideSafe: Check = {
  id: 'outside-safe',
  name: 'Text or logo outside the safe zone',
  protects: 'A cut that drifts takes the edge off whatever stands too near the trim.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['safe'],
  run: look,
};
