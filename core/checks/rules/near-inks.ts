import { labDifference } from '../../colour/difference';
import { isFinish } from '../../colour/finishes';
import { replaceInk } from '../../job/edits/inks';
import { usesInk } from '../../job/paints-shown';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import type { Check, Finding } from '../check';
import { found } from '../found';
import { areSame } from './same-ink';

export const nearInks: Check = {
  id: 'near-inks',
  name: 'Two inks that look alike',
  protects: 'Two greens a hair apart look like one that was printed badly.',
  source: INK_SOURCE,
  severity: 'advise',
  run: (context) => {
    const { face, press, sources } = context;
    const { inks, styles } = sources;
    return inks.flatMap((second, i): Finding[] => {
      const near = inks.slice(0, i).flatMap((first) => {
        if (first.kind !== second.kind || isFinish(first.name) || isFinish(second.name)) return [];
        if (areSame(first, second, press)) return [];
        const miss = labDifference(first.lab ?? press.lab(first.cmyk), second.lab ?? press.lab(second.cmyk));
        return miss < INK_LIMITS.nearInk ? [{ first, miss }] : [];
      })[0];
      const element = near && face.elements.find((e) => usesInk(e, second.id, styles));
      if (!near || !element) return [];
      return [
        found(nearInks, element, context, {
          of: second.id,
          problem: `${second.name} can hardly be told from ${near.first.name}`,
          measured: { value: near.miss, kind: 'difference' },
          wanted: { value: INK_LIMITS.nearInk, kind: 'difference' },
          fix: {
            label: `Make them one: ${near.first.name}`,
            apply: (job) => replaceInk(job, second.id, near.first.id),
          },
        }),
      ];
    });
  },
};
