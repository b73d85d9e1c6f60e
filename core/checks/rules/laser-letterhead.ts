import { isFlat } from '../../colour/fill';
import { areaOfRings } from '../../geometry/clipping';
import { finishSays } from '../../job/finishing';
import type { Element } from '../../job/schema';
import { plates } from '../../scene/colour';
import { inkRings } from '../../scene/ink-rings';
import { INK_LIMITS } from '../../trade/ink-limits';
import { fromPoints } from '../../units/length';
import type { Check, CheckContext, Finding } from '../check';
import { finishesHere } from '../finish-shape';
import { found, foundOnFace } from '../found';
import { platesUsed } from '../piece-facts';

/** Inks that the heat of a laser printer melts, lifts or dulls, by what they are called. */
const RAISED = /\b(foil|folie|raised|thermo\w*|metallic|gold|silver|silber|bronze|aluminium)\b/i;

/** The square millimetres of solid ink that a flat area lays. */
function solidOf(element: Element, { sources }: CheckContext): number {
  if (element.kind !== 'shape' || !isFlat(element.paint) || (element.opacity ?? 1) < 1) return 0;
  const amounts = Object.values(plates(element.paint, sources));
  if (!amounts.some((amount) => amount > 0.9)) return 0;
  return areaOfRings(inkRings(element, sources)) * fromPoints(1, 'mm') ** 2;
}

export const laserLetterhead: Check = {
  id: 'laser-letterhead',
  name: 'Ink that a laser printer cannot take',
  protects:
    'A letterhead goes through an office printer’s heat: foil and raised or metallic inks melt and come off on its rollers, and large solids stick.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, piece } = context;
    if (piece.kind !== 'letterhead') return [];
    const coated = finishesHere(context).flatMap(({ finish, elements, isWhole }) => {
      if (finish.kind !== 'foil' && finish.kind !== 'varnish') return [];
      const rest = {
        of: finish.id,
        problem: `${finishSays(finish)} may melt or come off in a laser printer: ask the shop for one that is proof against it`,
      };
      return isWhole
        ? [foundOnFace(laserLetterhead, context, rest)]
        : elements.map((element) => found(laserLetterhead, element, context, rest));
    });
    const printed = face.elements.flatMap((element): Finding[] => {
      const raised = platesUsed(element, context.sources).find((plate) => RAISED.test(plate));
      if (raised)
        return [
          found(laserLetterhead, element, context, {
            of: raised,
            problem: `${raised} may melt or come off in a laser printer: ask the shop for an ink that is proof against it`,
          }),
        ];
      const solid = solidOf(element, context);
      if (solid <= INK_LIMITS.laserSolid) return [];
      return [
        found(laserLetterhead, element, context, {
          severity: 'advise',
          problem: 'A large solid area may stick in a laser printer',
          measured: { value: solid, kind: 'area' },
          wanted: { value: INK_LIMITS.laserSolid, kind: 'area' },
        }),
      ];
    });
    return [...coated, ...printed];
  },
};
