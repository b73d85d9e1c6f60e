import { repaint } from '../../job/edits/inks';
import type { Check, Finding } from '../check';
import { found } from '../found';
import { tintsOf } from '../tints-of';

export const tintDark: Check = {
  id: 'tint-dark',
  name: 'A tint that fills in',
  protects: 'The last gaps between dots fill with ink: a tint this dark prints as a solid, in blotches.',
  source: { kind: 'common practice' },
  severity: 'advise',
  limits: ['limits'],
  run: (context) => {
    const { most } = context.shop.limits.tint;
    return context.face.elements.flatMap((element): Finding[] => {
      const [first] = tintsOf(element, context.sources).filter(({ tint }) => tint > most + 1e-6);
      if (!first) return [];
      return [
        found(tintDark, element, context, {
          problem: 'A tint so dark that it fills in',
          measured: { value: first.tint, kind: 'ink' },
          wanted: { value: most, kind: 'ink' },
          fix: {
            label: 'Make it solid',
            apply: (job) =>
              repaint(job, [element.id], (p) =>
                p.ink !== 'paper' && p.tint > most && p.tint < 1 ? { ...p, tint: 1 } : p,
              ),
          },
        }),
      ];
    });
  },
};
