import { wholeSheet } from '../pen';
import type { Look } from '../starter';
import { companyRows, headline, inRows, invitation, large, person, reachOf, running, sender } from './lines';
import {
  brandSide,
  followingSheet,
  headOnAxis,
  letterRooms,
  lightGround,
  nameBesides,
  otherSide,
  rowsOf,
} from './shared';

/** One axis in the middle, a short rule on it; the other side full of the main colour. */
export const axis: Look = {
  id: 'axis',
  name: 'Centre line',
  says: 'Everything on one axis, a short rule between; the other side in the main colour.',
  card(pen) {
    const { inner, gap, sheet, paints } = pen;
    const [upper, lower] = rowsOf(inner, sheet.upright ? 0.4 : 0.42, 2 * gap);
    const short = Math.round(pen.of(0.18, 20, 46));
    pen.set(0, [
      { name: 'Name', box: upper, said: person(pen), align: 'centre', vertical: 'bottom' },
      { name: 'Contact', box: lower, ...(sheet.upright ? reachOf(pen) : inRows(reachOf(pen))), align: 'centre' },
    ]);
    pen.rule(
      0,
      'Short rule',
      { x: (sheet.width - short) / 2, y: upper.y + upper.height + gap - 0.375, length: short },
      0.75,
    );
    pen.area(1, 'Background', wholeSheet(pen), paints.main);
    brandSide(pen, 'main');
  },
  letterhead(pen) {
    const { foot } = letterRooms(pen);
    const { sheet } = pen;
    headOnAxis(pen);
    const short = 40;
    pen.rule(0, 'Short rule', { x: (sheet.width - short) / 2, y: foot.y - 6, length: short }, 0.75);
    const below = { ...foot, x: pen.inner.x, width: pen.inner.width };
    pen.set(0, [{ name: 'Contact', box: below, said: companyRows(pen), align: 'centre', vertical: 'bottom' }]);
    followingSheet(pen, 'centre');
  },
  envelope(pen, corner) {
    pen.set(0, [{ name: 'Return address', box: corner, ...sender(pen), align: 'centre' }]);
  },
  poster(pen) {
    const { inner, gap, sheet, paints } = pen;
    pen.area(0, 'Background', wholeSheet(pen), paints.main);
    const [top, rest] = rowsOf(inner, 0.24, gap);
    pen.mark(0, {
      box: top,
      at: { x: 0.5, y: 0 },
      on: 'main',
      zone: { x: 0, y: 0, width: sheet.width, height: rest.y },
      name: nameBesides(pen, 14),
    });
    const [middle, foot] = rowsOf(rest, 0.64, gap);
    pen.set(0, [
      {
        name: 'Headline',
        box: middle,
        said: headline(pen, large(pen)),
        align: 'centre',
        vertical: 'middle',
        on: 'main',
      },
    ]);
    pen.set(0, [
      { name: 'Contact', box: foot, ...invitation(pen, running(pen)), align: 'centre', vertical: 'bottom', on: 'main' },
    ]);
  },
  back(pen, free) {
    if (pen.piece.kind !== 'flyer') return otherSide(pen, free);
    pen.area(1, 'Background', wholeSheet(pen), pen.paints.light);
    otherSide(pen, free, { align: 'centre', on: lightGround(pen) });
  },
};
