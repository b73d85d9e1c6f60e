import type { Box } from '../../geometry/box';
import { band, insideOf, type Pen, wholeSheet } from '../pen';
import type { Look } from '../starter';
import { company, headline, invitation, large, legal, person, reachOf, running, sender } from './lines';
import {
  brandSide,
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

/** The accent along a panel's inner edge, points. */
const STRIP = 3;

/** The panel and what it leaves: at the left of a wide sheet, at the top of a tall one. */
function halves(pen: Pen, share: number): { panel: Box; strip: Box; shown: Box; inside: Box; rest: Box } {
  const { sheet, inner, gap } = pen;
  const isTall = sheet.height > sheet.width * 0.8;
  const depth = Math.round((isTall ? sheet.height : sheet.width) * share);
  const panel = band(pen, isTall ? 'top' : 'left', depth);
  const strip = isTall ? { ...panel, y: depth - STRIP, height: STRIP } : { ...panel, x: depth - STRIP, width: STRIP };
  const shown = isTall
    ? { x: 0, y: 0, width: sheet.width, height: depth - STRIP }
    : { x: 0, y: 0, width: depth - STRIP, height: sheet.height };
  const from = depth + gap;
  const rest = isTall
    ? { ...inner, y: from, height: sheet.height - from - inner.y }
    : { ...inner, x: from, width: sheet.width - from - inner.x };
  // Its inner edge is no trim: text may stand nearer to that one.
  const inside = isTall
    ? { ...inner, height: depth - inner.y - gap }
    : { ...inner, width: depth - inner.x - Math.max(gap, inner.x * 0.8) };
  return { panel, strip, shown, inside, rest };
}

/** A standing panel of the main colour. */
export const panel: Look = {
  id: 'panel',
  name: 'Side panel',
  says: 'A panel of the main colour with the logo in it, the details beside it.',
  card(pen) {
    const { sheet, gap, paints } = pen;
    const halved = halves(pen, sheet.upright ? 0.32 : sheet.width > sheet.height * 1.2 ? 0.34 : 0.28);
    pen.area(0, 'Panel', halved.panel, paints.main);
    pen.area(0, 'Strip', halved.strip, paints.accent);
    pen.mark(0, { box: halved.inside, at: { x: 0.5, y: 0.5 }, on: 'main', zone: halved.shown, name: 13 });
    const [upper, lower] = rowsOf(halved.rest, sheet.upright ? 0.38 : 0.44, gap);
    pen.set(0, [
      { name: 'Name', box: upper, said: person(pen) },
      { name: 'Contact', box: lower, ...reachOf(pen), vertical: 'bottom' },
    ]);
    pen.area(1, 'Background', wholeSheet(pen), paints.light);
    brandSide(pen, lightGround(pen));
  },
  letterhead(pen) {
    const { paints } = pen;
    const slim = slimBand(pen, pen.sheet.height);
    for (const face of [0, 1]) pen.area(face, 'Panel', band(pen, 'left', slim), paints.main);
    const { head } = letterRooms(pen);
    const right = headMark(pen, head, 0.5, slim);
    pen.set(0, [{ name: 'Contact', box: right, ...company(pen, { name: true }), align: 'right' }]);
    letterFoot(pen, legal(pen));
    followingSheet(pen);
  },
  envelope(pen, corner) {
    const depth = Math.min(corner.height, 44);
    const square = { ...corner, width: depth, height: depth };
    const mark = { box: insideOf(square, 6), at: { x: 0.5, y: 0.5 }, on: 'main', zone: square } as const;
    const placed = pen.holds(mark);
    pen.area(0, 'Panel', placed ? square : { ...square, width: 6 }, pen.paints.main);
    if (placed) pen.mark(0, mark);
    const x = corner.x + (placed ? depth : 6) + 7;
    pen.set(0, [
      {
        name: 'Return address',
        box: { ...corner, x, width: corner.x + corner.width - x, height: corner.height },
        ...sender(pen),
      },
    ]);
  },
  poster(pen) {
    const { inner, gap, paints } = pen;
    const halved = halves(pen, 0.5);
    pen.area(0, 'Panel', halved.panel, paints.main);
    pen.area(0, 'Strip', halved.strip, paints.accent);
    pen.set(0, [
      { name: 'Headline', box: halved.inside, said: headline(pen, large(pen)), vertical: 'bottom', on: 'main' },
    ]);
    const [mark, foot] = rowsOf(halved.rest, 0.46, gap);
    pen.mark(0, {
      box: mark,
      at: { x: 0, y: 0 },
      zone: {
        x: halved.rest.x - gap,
        y: halved.rest.y - gap,
        width: mark.width + gap + inner.x,
        height: mark.height + 2 * gap,
      },
      name: nameBesides(pen, 16),
    });
    pen.set(0, [{ name: 'Contact', box: foot, ...invitation(pen, running(pen)), vertical: 'bottom' }]);
  },
  back(pen, free) {
    const isFlyer = pen.piece.kind === 'flyer' && pen.paints.light.ink !== 'paper';
    if (isFlyer) pen.area(1, 'Background', wholeSheet(pen), pen.paints.light);
    otherSide(pen, free, isFlyer ? { on: 'light' } : {});
  },
};
