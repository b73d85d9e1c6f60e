import { detailOf, type Quote, quoteName } from '../../job/details';
import { personOf } from '../../job/edits/house';
import { plainText } from '../../job/look';
import type { Words } from '../../job/schema';
import { elementFrame } from '../../scene/face';
import type { Check, CheckContext } from '../check';

/** Words that stand in for words still to come. */
const PLACEHOLDERS = [
  /\bnew (words|text)\b/i,
  /\blorem\b|\bipsum\b|\bdolor sit\b/i,
  /\b(your|company|job|first|last) (name|title) here\b/i,
  /\b(tbc|tbd|todo|xxx+)\b/i,
  /\b[0o]{5,}\b/i,
  /\bplaceholder\b/i,
];

/** The name of a detail that holds its place until it is filled in. */
function askedIn({ paragraphs }: Words, { job, piece }: CheckContext): string | undefined {
  const person = personOf(job, piece);
  const asked = paragraphs
    .flatMap(({ spans }) => spans)
    .find(({ ask, quote }) => ask && detailOf(quote as Quote, job.firm, person) === '');
  return asked && quoteName(asked.quote as Quote, job.country);
}

export const placeholderWords: Check = {
  id: 'placeholder-words',
  name: 'Placeholder text left in',
  protects: 'Text that only held the place gets printed more often than anyone admits.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: (context) =>
    context.face.elements.flatMap((element) => {
      if (element.kind !== 'words') return [];
      const asked = askedIn(element, context);
      const found = asked ?? PLACEHOLDERS.flatMap((pattern) => pattern.exec(plainText(element))?.[0] ?? [])[0];
      if (!found) return [];
      return [
        {
          check: 'placeholder-words',
          severity: 'warn',
          face: context.face.id,
          element: element.id,
          place: elementFrame(element, context.sources),
          of: found,
          problem: asked
            ? `“${found}” is placeholder text: fill it in under House style`
            : `“${found}” is placeholder text`,
          measured: { value: 1, kind: 'count' },
          wanted: { value: 0, kind: 'count' },
        },
      ];
    }),
};
