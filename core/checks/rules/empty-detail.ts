import { type Quote, quoteName } from '../../job/details';
import { columnQuoted } from '../../job/table';
import { elementFrame } from '../../scene/face';
import type { Check, Finding } from '../check';

export const emptyDetail: Check = {
  id: 'empty-detail',
  name: 'A quoted detail is empty',
  protects: 'The line is left out: that may be meant, or somebody’s phone number is missing.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: ({ job, face, sources }) =>
    face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'words') return [];
      const spans = element.paragraphs.flatMap((paragraph) => paragraph.spans);
      // Cells of a table are often empty: their lines close up by design.
      const empty = spans
        .filter(({ quote, text }) => quote && columnQuoted(quote) === undefined && text.trim() === '')
        .map(({ quote }) => quote as Quote);
      return [...new Set(empty)].map((quote) => ({
        check: 'empty-detail',
        severity: 'advise',
        face: face.id,
        element: element.id,
        place: elementFrame(element, sources),
        of: quote,
        problem: `${quoteName(quote, job.country)} is quoted, but empty`,
        measured: { value: 1, kind: 'count' },
        wanted: { value: 0, kind: 'count' },
      }));
    }),
};
