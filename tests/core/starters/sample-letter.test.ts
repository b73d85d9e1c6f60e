import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { NEW_LETTER, setLetter } from '../../../core/job/edits/kinds';
import { printedFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { addSampleLetter } from '../../../core/starters/sample-letter';
import { cardWith, checkKit, kit, mm } from '../../kit';

const ids = () => {
  let n = 0;
  return () => `s${++n}`;
};

describe('a sample letter', () => {
  it.each(['din-5008-a', 'din-5008-b', 'us', 'none'])(
    'of the layout %s is never printed, and finds nothing',
    (layout) => {
      const sheet = cardWith([], { kind: 'letterhead', width: mm(210), height: mm(297) });
      const made = setLetter(sheet, 'card', { ...NEW_LETTER, layout }, ids());
      const job = addSampleLetter(made, 'card', ids());
      const piece = job.pieces[0]!;
      expect(piece.faces[0]!.elements.map(({ name, sample }) => [name, sample])).toEqual([
        ['Recipient', true],
        ['Date', true],
        ['Letter', true],
      ]);
      expect(printedFaces(piece, sourcesOf(job, kit.fonts))[0]!.elements).toEqual([]);
      expect(checkPiece(job, piece, checkKit)).toEqual([]);
    },
  );
});
