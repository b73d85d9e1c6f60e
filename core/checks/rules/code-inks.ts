import { platesOf } from '../../colour/ink';
import { repaint } from '../../job/edits/inks';
import { inkOf } from '../../job/find';
import type { Check, Finding } from '../check';
import { found } from '../found';

export const codeInks: Check = {
  id: 'code-inks',
  name: 'A code in several inks',
  protects: 'Plates never meet exactly: the parts of a code in several inks get soft edges, and are misread.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'code') return [];
      const plates = platesOf(inkOf(context.sources.inks, element.paint.ink), element.paint.tint);
      const used = Object.values(plates).filter((amount) => amount > 0.001);
      if (used.length < 2) return [];
      return [
        found(codeInks, element, context, {
          problem: `Prints from ${used.length} plates`,
          measured: { value: used.length, kind: 'count' },
          wanted: { value: 1, kind: 'count' },
          fix: {
            label: 'Print it in black alone',
            apply: (job) => repaint(job, [element.id], () => ({ ink: 'black', tint: 1 })),
          },
        }),
      ];
    }),
};
