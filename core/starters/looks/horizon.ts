import { aboveOf, band, headOf, wholeSheet } from '../pen';
import type { Look } from '../starter';
import {
  below,
  companyRows,
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
import {
  followingSheet,
  headMark,
  letterFoot,
  letterRooms,
  lightGround,
  nameBesides,
  otherSide,
  rowsOf,
  slimBand,
} from './shared';

/** A foot of the main colour, a strip of the accent on it, and a light sky. */
export const horizon: Look = {
  id: 'horizon',
  name: 'Horizon',
  says: 'A foot of the main colour under a strip of the accent, the text above it.',
  card(pen) {
    const { sheet, inner, gap, paints } = pen;
    const depth = Math.round(sheet.height * (sheet.upright ? 0.22 : 0.28));
    const strip = Math.max(2, Math.round(sheet.height * 0.02));
    pen.area(0, 'Foot', band(pen, 'foot', depth), paints.main);
    pen.area(0, 'Strip', { ...band(pen, 'foot', depth), height: strip }, paints.accent);
    const above = aboveOf(inner, sheet.height - depth - gap);
    pen.set(0, [
      {
        name: 'Name and contact',
        box: above,
        ...below(person(pen), sheet.upright ? reachOf(pen) : inRows(reachOf(pen)), 5),
      },
    ]);
    const foot = { ...inner, y: sheet.height - depth + strip, height: depth - strip };
    const inside = { ...foot, y: foot.y + 4, height: foot.height - Math.max(4, inner.y * 0.8) - 4 };
    pen.mark(0, {
      box: inside,
      at: { x: 0, y: 0.5 },
      on: 'main',
      zone: { x: 0, y: foot.y, width: sheet.width, height: foot.height },
      name: 10,
    });
    pen.area(1, 'Background', wholeSheet(pen), paints.light);
    pen.area(1, 'Foot', band(pen, 'foot', depth), paints.main);
    pen.area(1, 'Strip', { ...band(pen, 'foot', depth), height: strip }, paints.accent);
    const on = lightGround(pen);
    pen.mark(1, {
      box: { ...above, height: above.height * 0.92 },
      at: { x: 0.5, y: 0.6 },
      on,
      zone: { x: 0, y: 0, width: sheet.width, height: sheet.height - depth },
      name: 20,
    });
    if (pen.client.tagline)
      pen.set(1, [
        {
          name: 'Tagline',
          box: { ...foot, height: depth - strip - inner.y * 0.8 },
          said: [{ text: pen.client.tagline, size: 9 }],
          align: 'centre',
          vertical: 'middle',
          on: 'main',
        },
      ]);
  },
  letterhead(pen) {
    const { paints } = pen;
    const { head } = letterRooms(pen);
    for (const face of [0, 1]) pen.area(face, 'Strip', band(pen, 'foot', slimBand(pen, pen.sheet.width)), paints.main);
    const right = headMark(pen, head, 0.5);
    if (pen.client.tagline)
      pen.set(0, [
        { name: 'Tagline', box: headOf(right, 40), said: [{ text: pen.client.tagline, size: 9 }], align: 'right' },
      ]);
    letterFoot(pen, [...companyRows(pen), ...legal(pen).map((line) => ({ ...line, spare: 1 }))]);
    followingSheet(pen);
  },
  envelope(pen, corner) {
    const [needed = 0] = pen.set(0, [
      {
        name: 'Company',
        box: headOf(corner, corner.height * 0.5),
        said: [{ text: pen.client.company, size: 11, role: 'heading' }],
      },
    ]);
    const y = corner.y + needed + 3;
    pen.rule(0, 'Rule', { x: corner.x, y, length: Math.min(corner.width, 120) }, 1);
    pen.set(0, [
      {
        name: 'Return address',
        box: { ...corner, y: y + 4, height: corner.y + corner.height - y - 4 },
        ...sender(pen, { name: false }),
      },
    ]);
  },
  poster(pen) {
    const { sheet, inner, gap, paints } = pen;
    const depth = Math.round(sheet.height * 0.46);
    const strip = Math.max(3, Math.round(sheet.height * 0.012));
    pen.area(0, 'Background', wholeSheet(pen), paints.light);
    pen.area(0, 'Foot', band(pen, 'foot', depth), paints.main);
    pen.area(0, 'Strip', { ...band(pen, 'foot', depth), height: strip }, paints.accent);
    const on = lightGround(pen);
    const above = aboveOf(inner, sheet.height - depth - gap);
    pen.mark(0, {
      box: above,
      at: { x: 0, y: 0.5 },
      on,
      zone: { x: 0, y: 0, width: sheet.width, height: sheet.height - depth },
      name: nameBesides(pen, 20),
    });
    const foot = { ...inner, y: sheet.height - depth + strip + gap, height: depth - strip - gap - inner.y };
    const [upper, lower] = rowsOf(foot, 0.52, gap);
    pen.set(0, [{ name: 'Headline', box: upper, said: headline(pen, large(pen) * 0.8), on: 'main' }]);
    pen.set(0, [{ name: 'Contact', box: lower, ...invitation(pen, running(pen)), vertical: 'bottom', on: 'main' }]);
  },
  back(pen, free) {
    if (pen.piece.kind !== 'flyer') return otherSide(pen, free);
    const depth = Math.round(pen.sheet.height * 0.08);
    pen.area(1, 'Foot', band(pen, 'foot', depth), pen.paints.main);
    pen.area(
      1,
      'Strip',
      { ...band(pen, 'foot', depth), height: Math.max(3, Math.round(pen.sheet.height * 0.012)) },
      pen.paints.accent,
    );
    otherSide(pen, aboveOf(free, pen.sheet.height - depth - pen.gap));
  },
};
