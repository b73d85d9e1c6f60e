import { inkBounds } from '../../devices/bounds';
import { CHECK_LIMITS } from '../../trade/check-limits';
import type { Check, Finding } from '../check';
import { found, takeAway } from '../found';

export const speck: Check = {
  id: 'speck',
  name: 'A speck',
  protects: 'Something as small as a grain of dust is taken for one, by the shop as well.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      const ink = element.logo || element.group ? undefined : inkBounds(element, context.sources);
      if (!ink || Math.max(ink.width, ink.height) >= CHECK_LIMITS.speck) return [];
      return [
        found(speck, element, context, {
          problem: 'Is as small as a grain of dust',
          measured: { value: Math.max(ink.width, ink.height), kind: 'length' },
          wanted: { value: CHECK_LIMITS.speck, kind: 'length' },
          fix: takeAway(element),
        }),
      ];
    }),
};
