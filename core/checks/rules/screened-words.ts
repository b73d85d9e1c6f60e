import { repaint } from '../../job/edits/inks';
import { inkOf } from '../../job/find';
import { letteringsOf } from '../../job/look';
import { plates } from '../../scene/colour';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import type { Check, Finding } from '../check';
import { found } from '../found';

export const screenedWords: Check = {
  id: 'screened-words',
  name: 'Small text in a tint',
  protects: 'A tint is made of dots: the edges of small letters come out ragged, and thin strokes break.',
  source: INK_SOURCE,
  severity: 'advise',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'words' || element.fill) return [];
      const { styles, inks } = context.sources;
      const screened = letteringsOf(element, styles).filter(({ paint, size }) => {
        const prints = Object.keys(plates(paint, context.sources)).length > 0;
        return paint.tint < 0.999 && prints && size < INK_LIMITS.screenedWords;
      });
      const [smallest] = screened.sort((a, b) => a.size - b.size);
      if (!smallest) return [];
      return [
        found(screenedWords, element, context, {
          problem: `Small text in ${Math.round(smallest.paint.tint * 100)} % of ${inkOf(inks, smallest.paint.ink).name}: its edges are dots`,
          measured: { value: smallest.size, kind: 'type' },
          wanted: { value: INK_LIMITS.screenedWords, kind: 'type' },
          fix: {
            label: 'Print it solid',
            apply: (job) =>
              repaint(job, [element.id], (paint) => (paint.ink === 'paper' ? paint : { ...paint, tint: 1 })),
          },
        }),
      ];
    }),
};
