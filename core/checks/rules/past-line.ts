import { scaleWords } from '../../job/edits/words';
import { wordsFrame, wordsOnPath } from '../../scene/words';
import { type Check, HAIR } from '../check';

export const pastLine: Check = {
  id: 'past-line',
  name: 'Words longer than their line',
  protects: 'Words that are longer than the line they stand on run over themselves, or off its end.',
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
          problem: 'the words are longer than the line they stand on',
          measured: { value: onLine.words, kind: 'length' },
          wanted: { value: onLine.line, kind: 'length' },
          ...(onLine.line > 0
            ? {
                fix: {
                  label: 'Make the words fit',
                  apply: (job) => scaleWords(job, element.id, (0.98 * onLine.line) / onLine.words, false),
                },
              }
            : {}),
        },
      ];
    }),
};
