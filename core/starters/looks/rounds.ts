import type { Box } from '../../geometry/box';
import { wholeSheet } from '../pen';
import type { Look } from '../starter';
import { company, headline, invitation, large, legal, person, reachOf, running, sender } from './lines';
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

const circle = (x: number, y: number, across: number): Box => ({
  x: x - across / 2,
  y: y - across / 2,
  width: across,
  height: across,
});
const ROUND = { form: { kind: 'ellipse' as const } };
/** The box that fits in a circle, a little inside. */
const within = ({ x, y, width }: Box): Box => {
  const side = (width / Math.SQRT2) * 0.96;
  const off = (width - side) / 2;
  return { x: x + off, y: y + off, width: side, height: side };
};

/** Large circles that run off the sheet. */
export const rounds: Look = {
  id: 'rounds',
  name: 'Large circles',
  says: 'Circles in the lighter colours that run off a corner.',
  card(pen) {
    const { inner, sheet, gap, paints } = pen;
    const across = Math.max(sheet.width, sheet.height) * 0.7;
    pen.area(0, 'Large circle', circle(sheet.width, sheet.height * 1.02, across), paints.light, ROUND);
    pen.area(0, 'Small circle', circle(sheet.width * 0.98, 0, across * 0.3), paints.accent, ROUND);
    const text = { ...inner, width: sheet.width * 0.98 - across * 0.15 - gap - inner.x };
    const [upper] = rowsOf(text, 0.42, gap);
    const [, lower] = rowsOf(inner, 0.42, gap);
    pen.set(0, [
      { name: 'Name', box: upper, said: person(pen) },
      { name: 'Contact', box: lower, ...reachOf(pen), vertical: 'bottom' },
    ]);
    pen.area(1, 'Background', wholeSheet(pen), paints.main);
    const disc = circle(sheet.width / 2, sheet.height / 2, Math.min(sheet.width, sheet.height) * 0.8);
    if (lightGround(pen) === 'light') pen.area(1, 'Circle', disc, paints.light, ROUND);
    const inside = within(disc);
    const isLight = lightGround(pen) === 'light';
    pen.mark(1, {
      box: { ...inside, x: inside.x + inside.width * 0.06, width: inside.width * 0.88 },
      at: { x: 0.5, y: 0.5 },
      on: isLight ? 'light' : 'main',
      zone: isLight ? inside : { x: 0, y: 0, width: sheet.width, height: sheet.height },
      name: 14,
    });
  },
  letterhead(pen) {
    const { sheet, paints } = pen;
    const { head } = letterRooms(pen);
    const across = Math.min(sheet.width * 0.16, 134);
    for (const face of [0, 1]) pen.area(face, 'Circle', circle(sheet.width, 0, across), paints.accent, ROUND);
    const right = headMark(pen, { ...head, width: sheet.width - across / 2 - pen.gap - head.x }, 0.5);
    pen.set(0, [{ name: 'Contact', box: right, ...company(pen, { name: true }) }]);
    letterFoot(pen, legal(pen));
    followingSheet(pen);
  },
  envelope(pen, corner) {
    const side = Math.min(corner.height, 46);
    const dot = { ...corner, width: side, height: side };
    const mark = { box: within(dot), at: { x: 0.5, y: 0.5 }, on: 'main', zone: within(dot) } as const;
    const isMarked = pen.holds(mark);
    const own = isMarked ? dot : { ...dot, width: side * 0.5, height: side * 0.5 };
    pen.area(0, 'Circle', own, pen.paints.main, ROUND);
    if (isMarked) pen.mark(0, mark);
    const x = own.x + own.width + 8;
    pen.set(0, [{ name: 'Return address', box: { ...corner, x, width: corner.x + corner.width - x }, ...sender(pen) }]);
  },
  poster(pen) {
    const { inner, sheet, gap, paints } = pen;
    const d = Math.min(sheet.width, sheet.height);
    const middle = { x: sheet.width * 0.94, y: d * 0.1 };
    pen.area(0, 'Outer circle', circle(middle.x, middle.y, d * 1.2), paints.light, ROUND);
    pen.area(0, 'Middle circle', circle(middle.x, middle.y, d * 0.78), paints.accent, ROUND);
    pen.area(0, 'Inner circle', circle(middle.x, middle.y, d * 0.4), paints.main, ROUND);
    const from = middle.y + d * 0.6 + gap;
    const below = { ...inner, y: from, height: sheet.height - inner.y - from };
    const free = sheet.upright ? below : { ...inner, width: middle.x - d * 0.6 - gap - inner.x };
    const [mark, rest] = sheet.upright
      ? [{ ...inner, width: middle.x - d * 0.6 - gap - inner.x, height: d * 0.3 }, free]
      : rowsOf(free, 0.2, gap);
    pen.mark(0, {
      box: mark,
      at: { x: 0, y: 0 },
      zone: { x: 0, y: 0, width: mark.x + mark.width + gap, height: sheet.upright ? sheet.height : rest.y },
      name: nameBesides(pen, 13),
    });
    const [upper, lower] = rowsOf(rest, 0.56, gap);
    pen.set(0, [
      {
        name: 'Headline',
        box: upper,
        said: headline(pen, large(pen) * 0.9),
        vertical: sheet.upright ? 'top' : 'middle',
      },
    ]);
    pen.set(0, [{ name: 'Contact', box: lower, ...invitation(pen, running(pen)), vertical: 'bottom' }]);
  },
  back(pen, free) {
    const { sheet, paints } = pen;
    if (pen.piece.kind === 'flyer') {
      const d = Math.min(sheet.width, sheet.height);
      pen.area(1, 'Large circle', circle(sheet.width, sheet.height * 0.98, d * 0.7), paints.light, ROUND);
      pen.area(1, 'Small circle', circle(sheet.width, 0, d * 0.24), paints.accent, ROUND);
    }
    otherSide(pen, pen.piece.kind === 'flyer' ? { ...free, width: free.width * 0.8 } : free);
  },
};
