import { inkBounds } from '../devices/bounds';
import { removeElement } from '../job/edits/elements';
import { toPoints } from '../units/length';
import type { Check, Finding } from './check';
import { found } from './found';

/** Smaller than this both ways, points, a thing looks like dirt; common practice. */
const SPECK = toPoints(0.3, 'mm');

export const speck: Check = {
  id: 'speck',
  name: 'A speck',
  protects: 'Something as small as a grain of dust is taken for one, by the shop as well.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      const ink = element.logo || element.group ? undefined : inkBounds(element, context.sources);
      if (!ink || Math.max(ink.width, ink.height) >= SPECK) return [];
      return [
        found(speck, element, context, {
          problem: 'Is as small as a grain of dust',
          measured: { value: Math.max(ink.width, ink.height), kind: 'length' },
          wanted: { value: SPECK, kind: 'length' },
          fix: { label: 'Take it away', apply: (job) => removeElement(job, element.id) },
        }),
      ];
    }),
};
