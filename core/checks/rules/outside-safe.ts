import { inkBounds } from '../../devices/bounds';
import { distancesTo, moveInto, outset, overlaps } from '../../geometry/box';
import { moveElement } from '../../job/edits/elements';
import { type Check, type CheckContext, type Finding, HAIR, trimOf } from '../check';

function look({ piece, face, shop, sources }: CheckContext): Finding[] {
  const trim = trimOf(piece);
  const safe = shop.safe[piece.kind];
  const zone = outset(trim, -safe);
  return face.elements
    .filter((element) => element.kind === 'words' || element.logo)
    .flatMap((element): Finding[] => {
      const ink = inkBounds(element, sources);
      if (!ink || !overlaps(ink, trim)) return [];
      const inside = distancesTo(ink, trim);
      const least = Math.min(inside.top, inside.right, inside.bottom, inside.left);
      if (least >= safe - HAIR) return [];
      const by = moveInto(zone, ink);
      const fits = ink.width <= zone.width + HAIR && ink.height <= zone.height + HAIR;
      return [
        {
          check: 'outside-safe',
          severity: least < 0 ? 'stop' : 'warn',
          face: face.id,
          element: element.id,
          place: ink,
          problem: least < 0 ? 'Will be cut into' : fits ? 'Too near the trim' : 'Too large for the safe zone',
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
