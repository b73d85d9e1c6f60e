import type { Box } from '../../geometry/box';
import { columnsOf, headOf, type Mark, type Pen, wholeSheet } from '../pen';
import type { Look } from '../starter';
import { CARD, company, headline, invitation, large, legal, person, reachOf, running, sender } from './lines';
import {
  followingSheet,
  headMark,
  letterFoot,
  letterRooms,
  lightGround,
  nameBesides,
  otherSide,
  rowsOf,
} from './shared';

/** A short rule of the accent on the line that all hangs from, points. */
const RULE = 24;

/** A logo in the lower right corner of a box there; its clear space goes on to the trim. */
const inCorner = ({ inner }: Pen, side: Box): Mark => ({
  box: side,
  at: { x: 1, y: 1 },
  zone: { ...side, width: side.width + inner.x, height: side.height + inner.y },
});

/** White paper, and one line on the left that everything hangs from. */
export const margin: Look = {
  id: 'margin',
  name: 'Left margin',
  says: 'Light; everything hangs from one line at the left.',
  card(pen) {
    const { inner, gap, sheet } = pen;
    const [upper, lower] = rowsOf(inner, 0.42, gap);
    const [beside, side] = columnsOf(lower, 0.74, gap);
    const small = inCorner(pen, side);
    const isMarked = sheet.width > sheet.height * 1.2 && pen.holds(small);
    pen.set(0, [
      { name: 'Name', box: upper, said: person(pen) },
      { name: 'Contact', box: isMarked ? beside : lower, ...reachOf(pen), vertical: 'bottom' },
    ]);
    if (isMarked) pen.mark(0, small);
    pen.rule(0, 'Short rule', { x: inner.x, y: lower.y - gap / 2 - 0.75, length: RULE }, 1.5);
    pen.area(1, 'Background', wholeSheet(pen), pen.paints.light);
    const on = lightGround(pen);
    const [mark, line] = rowsOf(inner, 0.7, gap);
    pen.mark(1, {
      box: headOf(mark, mark.height * 0.8),
      at: { x: 0, y: 0 },
      on,
      zone: { x: 0, y: 0, width: sheet.width, height: line.y },
      name: 18,
    });
    if (pen.client.tagline)
      pen.set(1, [
        { name: 'Tagline', box: line, said: [{ text: pen.client.tagline, size: 9 }], vertical: 'bottom', on },
      ]);
  },
  letterhead(pen) {
    const { head } = letterRooms(pen);
    const right = headMark(pen, head, 0.56);
    pen.set(0, [{ name: 'Contact', box: right, ...company(pen, { name: true }) }]);
    letterFoot(pen, legal(pen));
    followingSheet(pen);
  },
  envelope(pen, corner) {
    pen.set(0, [{ name: 'Return address', box: corner, ...sender(pen) }]);
  },
  poster(pen) {
    const { inner, gap } = pen;
    const [upper, lower] = rowsOf(inner, 0.6, gap);
    const [text, side] = columnsOf(lower, 0.62, gap);
    pen.set(0, [{ name: 'Headline', box: upper, said: headline(pen, large(pen)) }]);
    pen.rule(0, 'Short rule', { x: inner.x, y: lower.y - gap / 2 - 0.75, length: RULE }, 1.5);
    pen.set(0, [{ name: 'Contact', box: text, ...invitation(pen, running(pen)), vertical: 'bottom' }]);
    pen.mark(0, { ...inCorner(pen, side), name: nameBesides(pen, CARD.name) });
  },
  back: (pen, free) => otherSide(pen, free),
};
