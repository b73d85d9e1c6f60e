import type { Check } from '../check';
import { inAreas } from '../in-areas';

export const keepClear: Check = {
  id: 'keep-clear',
  name: 'Something in a keep-clear area',
  protects: 'What lies there is covered, cut out, misread by a sorting machine, or printed badly.',
  source: { kind: 'from memory', name: 'the rule set of the piece' },
  severity: 'warn',
  run: (context) =>
    inAreas(context, 'clear', (area) => ({
      check: 'keep-clear',
      severity: area.id === 'window' ? 'stop' : 'warn',
      problem: `Lies in the area kept clear: ${area.name.toLowerCase()}`,
    })),
};
