import { platesOf } from '../../colour/ink';
import { setOverprint } from '../../job/edits/inks';
import { inkOf } from '../../job/find';
import { paintsShown } from '../../job/paints-shown';
import { INK_SOURCE } from '../../trade/ink-limits';
import { atElement } from '../at-element';
import type { Check, Finding } from '../check';

export const whiteOverprint: Check = {
  id: 'white-overprint',
  name: 'White set to overprint',
  protects: 'White is where nothing prints: set to overprint it vanishes, and what is below shows.',
  source: INK_SOURCE,
  severity: 'stop',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      if (element.overprint !== 'overprints') return [];
      const { inks, styles } = context.sources;
      const white = paintsShown(element, styles).some(({ ink, tint }) =>
        Object.values(platesOf(inkOf(inks, ink), tint)).every((amount) => amount === 0),
      );
      if (!white) return [];
      return [
        {
          ...atElement('white-overprint', element, context),
          severity: 'stop',
          problem: 'White that overprints does not print',
          measured: { value: 0, kind: 'ink' },
          wanted: { value: 0, kind: 'count' },
          fix: { label: 'Set to knock out', apply: (job) => setOverprint(job, [element.id], 'knocks out') },
        },
      ];
    }),
};
