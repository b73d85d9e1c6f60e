import { wordsSet } from '../../scene/words';
import { CHECK_LIMITS } from '../../trade/check-limits';
import type { Check, Finding } from '../check';
import { found } from '../found';

export const longLines: Check = {
  id: 'long-lines',
  name: 'Lines too long to read',
  protects: 'The eye loses the next line where one has far more than some seventy letters.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'words' || element.path || element.frame.behaviour === 'grows') return [];
      const { lines } = wordsSet(element, context.sources);
      if (lines.length < CHECK_LIMITS.line.lines) return [];
      const longest = Math.max(...lines.map(({ runs }) => runs.reduce((n, { glyphs }) => n + glyphs.length, 0)));
      if (longest <= CHECK_LIMITS.line.letters) return [];
      return [
        found(longLines, element, context, {
          problem: 'Its lines have too many letters to be read with ease',
          measured: { value: longest, kind: 'count' },
          wanted: { value: CHECK_LIMITS.line.letters, kind: 'count' },
        }),
      ];
    }),
};
