import { columnsOf, wholeSheet } from '../pen';
import type { Look } from '../starter';
import {
  below,
  CARD,
  company,
  headline,
  inRows,
  invitation,
  large,
  legal,
  person,
  reachOf,
  running,
  sender,
} from './lines';
import { followingSheet, letterFoot, letterRooms, lightGround, otherSide, rowsOf } from './shared';

/** Letters are the only decoration: the name as large as the sheet takes it. */
export const display: Look = {
  id: 'display',
  name: 'Large letters',
  says: 'No decoration but the name, as large as the sheet takes it.',
  card(pen) {
    const { inner, gap, sheet, paints } = pen;
    const [upper, lower] = rowsOf(inner, sheet.width > sheet.height * 1.2 ? 0.46 : 0.4, gap);
    const [who, how] = person(pen, { size: sheet.upright ? 15 : 19, leading: 1.02 });
    pen.set(0, [
      { name: 'Name', box: upper, said: [who!, ...(how ? [{ ...how, before: 2 }] : [])] },
      { name: 'Contact', box: lower, ...(sheet.upright ? reachOf(pen) : inRows(reachOf(pen))), vertical: 'bottom' },
    ]);
    pen.area(1, 'Background', wholeSheet(pen), paints.accent.tint === 1 ? paints.accent : paints.main);
    const on = paints.accent.tint === 1 ? 'accent' : 'main';
    const size = Math.round(pen.of(0.26, 30, 60));
    pen.set(1, [
      {
        name: 'Company',
        box: inner,
        said: [{ text: pen.client.company, size, role: 'heading', leading: 0.98 }],
        vertical: 'bottom',
        on,
      },
    ]);
  },
  letterhead(pen) {
    const { head } = letterRooms(pen);
    const [left, right] = columnsOf(head, 0.58, pen.gap);
    pen.set(0, [
      { name: 'Company', box: left, said: [{ text: pen.client.company, size: 30, role: 'heading', leading: 1 }] },
    ]);
    pen.set(0, [{ name: 'Contact', box: right, ...company(pen), align: 'right' }]);
    letterFoot(pen, legal(pen));
    followingSheet(pen);
  },
  envelope(pen, corner) {
    const [needed = 0] = pen.set(0, [
      {
        name: 'Company',
        box: { ...corner, height: corner.height * 0.55 },
        said: [{ text: pen.client.company, size: 18, role: 'heading', leading: 1 }],
      },
    ]);
    const y = corner.y + needed + 3;
    pen.set(0, [
      {
        name: 'Return address',
        box: { ...corner, y, height: corner.y + corner.height - y },
        ...sender(pen, { name: false }),
      },
    ]);
  },
  poster(pen) {
    const { inner, gap, paints } = pen;
    const on = paints.accent.tint === 1 ? 'accent' : 'main';
    pen.area(0, 'Background', wholeSheet(pen), paints[on]);
    const [top, rest] = rowsOf(inner, 0.3, gap);
    const size = running(pen);
    pen.set(0, [
      {
        name: 'Contact',
        box: top,
        ...below(
          [{ text: pen.client.company, size: Math.max(CARD.name, size + 2), role: 'heading' }],
          invitation(pen, size),
          3,
        ),
        on,
      },
    ]);
    pen.set(0, [
      { name: 'Headline', box: rest, said: headline(pen, large(pen) * 1.5, { leading: 0.98 }), vertical: 'bottom', on },
    ]);
  },
  back(pen, free) {
    if (pen.piece.kind !== 'flyer') return otherSide(pen, free);
    const { inner, gap } = pen;
    pen.area(1, 'Background', wholeSheet(pen), pen.paints.light);
    const on = lightGround(pen);
    const [upper, lower] = rowsOf(inner, 0.5, gap);
    pen.set(1, [
      {
        name: 'Company',
        box: upper,
        said: [{ text: pen.client.company, size: large(pen) * 1.2, role: 'heading', leading: 0.98 }],
        on,
      },
    ]);
    pen.set(1, [{ name: 'Contact', box: lower, ...invitation(pen, running(pen)), vertical: 'bottom', on }]);
  },
};
