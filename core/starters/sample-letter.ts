import { addArt } from '../job/edits/copies';
import { NEW_LETTER } from '../job/edits/kinds';
import { pieceOf } from '../job/find';
import { makeWords } from '../job/make';
import type { Element, Job } from '../job/schema';
import { letterLayoutOf } from '../trade/letter-layouts';
import { toPoints } from '../units/length';
import { TYPEFACES } from './paints';

/** A letter that shows how the sheet will be used, and is never printed: recipient, date, salutation, body. */

const RECIPIENT = 'Mrs Ada Quill\nThe Old Maltings\nQuay Street\nEast Wend EW7 1AB';
const DATE = '2 March';
const BODY = [
  'Dear Mrs Quill,',
  'Thank you for your letter. This is how one of ours looks on this sheet: its words stand between the margins, its address behind the window, and none of it is printed by the shop.',
  'Write a real one under Letters; it flows on to the following sheets by itself.',
  'With good wishes,',
].join('\n');

/** Letters of a sample are as large as those of a letter; points, common practice. */
const SIZE = 11;
/** Where a sheet without an address field has them, points from its head. */
const PLAIN = { lines: toPoints(30, 'mm'), body: toPoints(64, 'mm') };

/** Lays a sample letter on the first sheet of a letterhead. */
export function addSampleLetter(job: Job, pieceId: string, newId: () => string): Job {
  const piece = pieceOf(job, pieceId);
  const sheet = piece?.faces[0];
  if (!piece || !sheet) return job;
  const { margins } = piece.letter ?? NEW_LETTER;
  const layout = letterLayoutOf(piece.letter?.layout);
  const width = piece.width - margins.left - margins.right;
  const lines = layout?.lines ?? { x: margins.left, y: PLAIN.lines, width: width / 2, height: toPoints(30, 'mm') };
  const top = layout?.body ?? PLAIN.body;
  const lettering = { typeface: job.roles.text ?? TYPEFACES.text, size: SIZE, paint: { ink: 'black', tint: 1 } };
  const sample = (name: string, element: Element): Element => ({ ...element, name, sample: true });
  return addArt(
    job,
    sheet.id,
    [
      sample('Recipient', makeWords({ id: newId(), text: RECIPIENT, x: lines.x, y: lines.y, lettering })),
      sample(
        'Date',
        makeWords({
          id: newId(),
          text: DATE,
          x: piece.width - margins.right,
          y: lines.y + lines.height,
          lettering,
          setting: { align: 'right' },
        }),
      ),
      sample(
        'Letter',
        makeWords({
          id: newId(),
          text: BODY,
          x: margins.left,
          y: top,
          lettering,
          setting: { after: 8 },
          frame: { behaviour: 'fixed width', width },
        }),
      ),
    ],
    [],
  );
}
