import type { Check } from '../check';
import { inAreas } from '../in-areas';

export const unprintableMargin: Check = {
  id: 'unprintable-margin',
  name: 'Art in the office printer’s margin',
  protects: 'Printed in the office, this part of the letterhead is missing or the whole page is shrunk.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    inAreas(context, 'unprintable', () => ({
      check: 'unprintable-margin',
      severity: 'advise',
      problem: 'An office printer leaves it out',
    })),
};
