import { addElement } from '../../core/job/edits/elements';
import { addPiece } from '../../core/job/edits/job';
import { setParagraphs } from '../../core/job/edits/words';
import { makeJob, makePiece, makeWords } from '../../core/job/make';
import type { Job } from '../../core/job/schema';
import type { Paragraph } from '../../core/type/style';

export const SENTENCE =
  'The garden opens on the first Saturday of March, when the hellebores are at their best and the kettle is on. ';

/** Ten paragraphs, a thousand words, with what has been typed at the end of the fifth. */
export const letterParagraphs = (typed: string): Paragraph[] =>
  Array.from({ length: 10 }, (_, i) => ({ spans: [{ text: SENTENCE.repeat(5) + (i === 4 ? typed : '') }] }));

/** A letter of 1,000 words on a face with 60 other elements. */
export function letterJob(): Job {
  const page = makePiece({
    id: 'page',
    name: 'Letter',
    kind: 'letterhead',
    width: 595,
    height: 842,
    unit: 'mm',
    shop: 'metric-offset',
    faces: 1,
  });
  let job = addPiece(makeJob('bench', 'Bench', '2026-01-01T00:00:00Z'), page);
  for (let i = 0; i < 60; i++)
    job = addElement(job, 'page-1', makeWords({ id: `e${i}`, text: `Detail line ${i}`, x: 60, y: 20 + i }));
  const body = makeWords({
    id: 'letter',
    text: '',
    x: 60,
    y: 100,
    lettering: { typeface: 'alegreya/regular', size: 11 },
    frame: { behaviour: 'fixed width', width: 450 },
  });
  return setParagraphs(addElement(job, 'page-1', body), 'letter', letterParagraphs(''));
}
