import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { atElement } from '../at-element';
import type { Finding } from '../check';
import type { PlateCheck } from '../plate-check';

export const faintWords: PlateCheck = {
  id: 'faint-words',
  name: 'Text too close to its background',
  protects: 'Black on black, white on white, yellow on white: on paper nobody reads it.',
  source: INK_SOURCE,
  severity: 'warn',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      const contrast = element.kind === 'words' ? context.contrastOf(element) : undefined;
      const { wanted, stop } = INK_LIMITS.contrast;
      if (contrast === undefined || contrast >= wanted) return [];
      return [
        {
          ...atElement('faint-words', element, context),
          severity: contrast < stop ? 'stop' : 'warn',
          problem: contrast < stop ? 'Cannot be read on what lies under it' : 'Hard to read on what lies under it',
          measured: { value: contrast, kind: 'lightness' },
          wanted: { value: wanted, kind: 'lightness' },
        },
      ];
    }),
};
