import { scaleWords } from '../../job/edits/words';
import { wordsFrame, wordsOnPath } from '../../scene/words';
import { type Check, HAIR } from '../check';

export const pastLine: Check = {
  id: 'past-line',
  name: 'Text longer than its path',
  protects: 'Text that is longer than its path runs over itself, or off the end.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: ({ face, sources }) =>
    face.elements.flatMap((element) => {
      if (element.kind !== 'words') return [];
      const onLine = wordsOnPath(element, sources);
      if (!onLine || onLine.words <= onLine.line + HAIR) return [];
      return [
        {
          check: 'past-line',
          severity: 'warn',
          face: face.id,
          element: element.id,
          place: wordsFrame(element, sources),
          problem: 'The text is longer than its path',
          measured: { value: onLine.words, kind: 'length' },
          wanted: { value: onLine.line, kind: 'length' },
          ...(onLine.line > 0
            ? {
                fix: {
                  label: 'Make the text fit',
                  apply: (job) => scaleWords(job, element.id, (0.98 * onLine.line) / onLine.words, false),
                },
              }
            : {}),
        },
      ];
    }),
};
