import { changeInk } from '../../job/edits/inks';
import { paintsShown } from '../../job/paints-shown';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { atElement } from '../at-element';
import type { Check, Finding } from '../check';

export const registrationColour: Check = {
  id: 'registration-colour',
  name: 'Registration colour in art',
  protects: 'All four plates solid are for marks: as art they never dry and set off on the next sheet.',
  source: INK_SOURCE,
  severity: 'stop',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      const found = paintsShown(element, context.sources.styles).find(({ ink, tint }) =>
        context.sources.inks.some(
          ({ id, kind, cmyk }) =>
            id === ink && kind === 'process' && cmyk.every((a) => a * tint >= INK_LIMITS.registration),
        ),
      );
      if (!found) return [];
      const [c, m, y, k] = INK_LIMITS.richBlack;
      return [
        {
          ...atElement('registration-colour', element, context),
          severity: 'stop',
          of: found.ink,
          problem: 'In the registration colour',
          measured: { value: 4, kind: 'ink' },
          wanted: { value: c + m + y + k, kind: 'ink' },
          fix: {
            label: 'Make the ink rich black',
            apply: (job) => changeInk(job, found.ink, { cmyk: [c, m, y, k] }),
          },
        },
      ];
    }),
};
