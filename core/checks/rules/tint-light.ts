import { repaint } from '../../job/edits/inks';
import type { Check, Finding } from '../check';
import { found } from '../found';
import { tintsOf } from '../tints-of';

export const tintLight: Check = {
  id: 'tint-light',
  name: 'A tint too light to hold',
  protects: 'Dots below what the plate holds are gone: the tint vanishes, or ends in a hard edge.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['limits'],
  run: (context) => {
    const { least } = context.shop.limits.tint;
    return context.face.elements.flatMap((element): Finding[] => {
      const light = tintsOf(element, context.sources).filter(({ tint }) => tint < least - 1e-6);
      const [first] = light;
      if (!first) return [];
      return [
        found(tintLight, element, context, {
          problem: least < 1 ? 'A tint lighter than the plate holds' : 'A tint, where the shop prints solids only',
          measured: { value: first.tint, kind: 'ink' },
          wanted: { value: least, kind: 'ink' },
          fix: {
            label: `Make it ${Math.round(least * 100)} %`,
            apply: (job) =>
              repaint(job, [element.id], (p) =>
                p.ink !== 'paper' && p.tint > 0 && p.tint < least ? { ...p, tint: least } : p,
              ),
          },
        }),
      ];
    });
  },
};
