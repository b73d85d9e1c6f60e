import { platesOf } from '../../colour/ink';
import { overlaps } from '../../geometry/box';
import { inkOf } from '../../job/find';
import { letteringsOf } from '../../job/look';
import type { Face, Words } from '../../job/schema';
import { elementFrame } from '../../scene/face';
import type { SceneSources } from '../../scene/sources';
import { TYPE_SOURCE } from '../../trade/type-limits';
import type { Lettering } from '../../type/style';
import type { Check, Severity } from '../check';

/** How many plates some lettering prints from. */
const platesUnder = ({ paint }: Lettering, { inks }: SceneSources): number =>
  Object.values(platesOf(inkOf(inks, paint.ink), paint.tint)).filter((amount) => amount > 0).length;

/** Whether something else prints where the words stand: words of no ink are then left out of it. */
function onGround(words: Words, face: Face, sources: SceneSources): boolean {
  const frame = elementFrame(words, sources);
  const below = face.elements.slice(0, face.elements.indexOf(words));
  return below.some((e) => e.kind !== 'words' && overlaps(elementFrame(e, sources), frame));
}

export const smallType: Check = {
  id: 'small-type',
  name: 'Type below what can be printed and read',
  protects: 'Small letters fill in, and from several plates or knocked out of a ground they blur.',
  source: TYPE_SOURCE,
  severity: 'warn',
  limits: ['limits'],
  run: ({ face, sources, shop }) =>
    face.elements.flatMap((element) => {
      if (element.kind !== 'words') return [];
      const faults = letteringsOf(element, sources.styles).flatMap((lettering) => {
        const plates = platesUnder(lettering, sources);
        const isReversed = plates === 0 && onGround(element, face, sources);
        const { severalInks, warn, stop } = shop.limits.type;
        const floor = plates > 1 || isReversed ? severalInks : warn;
        if (lettering.size >= floor - 0.001) return [];
        const severity: Severity = lettering.size < stop ? 'stop' : 'warn';
        return [
          {
            size: lettering.size,
            floor,
            severity,
            why: isReversed ? 'knocked out of a ground' : plates > 1 ? `in ${plates} inks` : 'in one ink',
          },
        ];
      });
      const worst = faults.sort((a, b) => a.size - b.size)[0];
      if (!worst) return [];
      return [
        {
          check: 'small-type',
          severity: worst.severity,
          face: face.id,
          element: element.id,
          place: elementFrame(element, sources),
          problem: `Small for text ${worst.why}`,
          measured: { value: worst.size, kind: 'type' },
          wanted: { value: worst.floor, kind: 'type' },
        },
      ];
    }),
};
