import { setWordsFrame } from '../../job/edits/words';
import { wordsFrame, wordsSet } from '../../scene/words';
import type { Check } from '../check';

export const hiddenWords: Check = {
  id: 'hidden-words',
  name: 'Text that does not fit its box',
  protects: 'Text that does not fit a box of fixed size does not print, and nobody sees that it is missing.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: ({ face, sources }) =>
    face.elements.flatMap((element) => {
      if (element.kind !== 'words' || element.path || element.next) return [];
      const { hidden, needed } = wordsSet(element, sources);
      if (hidden.length === 0) return [];
      const place = wordsFrame(element, sources);
      return [
        {
          check: 'hidden-words',
          severity: 'stop',
          face: face.id,
          element: element.id,
          place,
          problem: `${hidden.length === 1 ? '1 line does' : `${hidden.length} lines do`} not fit the box`,
          measured: { value: place.height, kind: 'length' },
          wanted: { value: needed, kind: 'length' },
          fix: { label: 'Make the box fit', apply: (job) => setWordsFrame(job, element.id, { height: needed }) },
        },
      ];
    }),
};
