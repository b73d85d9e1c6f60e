import type { Ink } from '../../colour/ink';
import { repaint } from '../../job/edits/inks';
import { letteringsOf } from '../../job/look';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { atElement } from '../at-element';
import type { Check, Finding } from '../check';

/** Whether an ink is black by itself. */
export const isPlainBlack = ({ kind, cmyk: [c, m, y, k] }: Ink): boolean =>
  kind === 'process' && c + m + y === 0 && k > 0.999;

/** Whether an ink is black with other process inks under it. */
export const isRichBlack = ({ kind, cmyk: [c, m, y, k] }: Ink): boolean =>
  kind === 'process' && k >= 0.9 && c + m + y > 0.1;

export const richBlackWords: Check = {
  id: 'rich-black-words',
  name: 'Small text in rich black',
  protects: 'Where the plates do not meet exactly, small letters get coloured edges.',
  source: INK_SOURCE,
  severity: 'warn',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'words' || element.fill) return [];
      const { styles, inks } = context.sources;
      const rich = letteringsOf(element, styles).filter(
        ({ paint, size }) =>
          size < INK_LIMITS.richWords && inks.some((ink) => ink.id === paint.ink && isRichBlack(ink)),
      );
      const smallest = rich.sort((a, b) => a.size - b.size)[0];
      if (!smallest) return [];
      const strays = new Set(rich.map(({ paint }) => paint.ink));
      return [
        {
          ...atElement('rich-black-words', element, context),
          severity: 'warn',
          problem: 'Small text in a black of several inks',
          measured: { value: smallest.size, kind: 'type' },
          wanted: { value: INK_LIMITS.richWords, kind: 'type' },
          fix: {
            label: 'Make it black alone',
            apply: (job) =>
              repaint(job, [element.id], (paint) => (strays.has(paint.ink) ? { ...paint, ink: 'black' } : paint)),
          },
        },
      ];
    }),
};
