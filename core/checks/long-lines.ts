import { wordsSet } from '../scene/words';
import type { Check, Finding } from './check';
import { found } from './found';

/** Letters in a line of running words: more than this, and the eye loses its way back. Common practice. */
const MOST = 95;
/** Fewer lines than this are not running words. */
const RUNNING = 3;

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
      if (lines.length < RUNNING) return [];
      const longest = Math.max(...lines.map(({ runs }) => runs.reduce((n, { glyphs }) => n + glyphs.length, 0)));
      if (longest <= MOST) return [];
      return [
        found(longLines, element, context, {
          problem: 'Its lines have too many letters to be read with ease',
          measured: { value: longest, kind: 'count' },
          wanted: { value: MOST, kind: 'count' },
        }),
      ];
    }),
};
