import { setLettering } from '../../job/edits/words';
import { letteringsOf } from '../../job/look';
import { CHECK_LIMITS } from '../../trade/check-limits';
import type { Check, Finding } from '../check';
import { found } from '../found';

export const tightTracking: Check = {
  id: 'tight-tracking',
  name: 'Letters set too close',
  protects: 'Ink spreads: letters that nearly touch on the screen run together on paper.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'words') return [];
      const closest = Math.min(...letteringsOf(element, context.sources.styles).map(({ tracking }) => tracking));
      if (closest >= CHECK_LIMITS.tracking) return [];
      return [
        found(tightTracking, element, context, {
          problem: 'Its letters are set so close that they may touch',
          measured: { value: closest, kind: 'count' },
          wanted: { value: CHECK_LIMITS.tracking, kind: 'count' },
          fix: {
            label: 'Open the letters',
            apply: (job) => setLettering(job, element.id, { tracking: CHECK_LIMITS.tracking }),
          },
        }),
      ];
    }),
};
