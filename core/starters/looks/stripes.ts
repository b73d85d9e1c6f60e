import { columnsOf, type Pen, wholeSheet } from '../pen';
import type { Look } from '../starter';
import { company, headline, invitation, large, legal, person, reachOf, running, sender } from './lines';
import { followingSheet, headMark, letterFoot, letterRooms, nameBesides, otherSide, rowsOf } from './shared';

/** Stripes at the right edge, the main one outermost; tells how deep they are. */
function striped(pen: Pen, face: number, each: number): number {
  const { sheet, bleed, paints } = pen;
  const down = { y: -bleed, height: sheet.height + 2 * bleed };
  const stripes = [
    ['Stripe 1', paints.main, bleed],
    ['Stripe 2', paints.accent, 0],
    ['Stripe 3', paints.light, 0],
  ] as const;
  stripes.forEach(([name, paint, more], i) => {
    pen.area(face, name, { ...down, x: sheet.width - each * (i + 1), width: each + more }, paint);
  });
  return each * (paints.light.ink === 'paper' ? 2 : 3);
}

/** Three stripes along the right edge. */
export const stripes: Look = {
  id: 'stripes',
  name: 'Three stripes',
  says: 'Stripes of the three colours along the right edge.',
  card(pen) {
    const { inner, sheet, gap, paints } = pen;
    const each = Math.max(Math.ceil(pen.frame + 0.5), Math.round(pen.of(0.05, 6, 12)));
    const depth = striped(pen, 0, each);
    const text = { ...inner, width: sheet.width - depth - gap - inner.x };
    const [upper, lower] = rowsOf(text, 0.36, gap);
    pen.set(0, [
      { name: 'Name', box: upper, said: person(pen) },
      { name: 'Contact', box: lower, ...reachOf(pen), vertical: 'bottom' },
    ]);
    pen.area(1, 'Background', wholeSheet(pen), paints.main);
    const { bleed } = pen;
    const down = { y: -bleed, height: sheet.height + 2 * bleed };
    pen.area(1, 'Stripe 1', { ...down, x: -bleed, width: each + bleed }, paints.light);
    pen.area(1, 'Stripe 2', { ...down, x: each, width: each }, paints.accent);
    const left = 2 * each + gap;
    const rest = { ...inner, x: left, width: sheet.width - left - inner.x };
    pen.mark(1, {
      box: { ...rest, y: rest.y + rest.height * 0.1, height: rest.height * 0.8 },
      at: { x: 0.5, y: 0.5 },
      on: 'main',
      zone: { x: 2 * each, y: 0, width: sheet.width - 2 * each, height: sheet.height },
      name: 20,
    });
  },
  letterhead(pen) {
    const { sheet, inner, bleed, paints } = pen;
    const hung = [paints.main, paints.accent, paints.light].filter(({ ink }) => ink !== 'paper');
    for (const face of [0, 1])
      hung.forEach((paint, i) => {
        pen.area(
          face,
          `Stripe ${i + 1}`,
          { x: sheet.width - inner.x - 5 * (i + 1), y: -bleed, width: 5, height: bleed + inner.y * 0.66 },
          paint,
        );
      });
    const { head } = letterRooms(pen);
    const right = headMark(pen, head, 0.52);
    pen.set(0, [{ name: 'Contact', box: right, ...company(pen, { name: true }), align: 'right' }]);
    letterFoot(pen, legal(pen));
    followingSheet(pen);
  },
  envelope(pen, corner) {
    const { paints } = pen;
    const high = Math.min(corner.height, 44);
    const bars = [paints.main, paints.accent, paints.light].filter(({ ink }) => ink !== 'paper');
    for (const [i, paint] of bars.entries())
      pen.area(0, `Bar ${i + 1}`, { x: corner.x + i * 4, y: corner.y, width: 4, height: high }, paint);
    const x = corner.x + bars.length * 4 + 7;
    pen.set(0, [{ name: 'Return address', box: { ...corner, x, width: corner.x + corner.width - x }, ...sender(pen) }]);
  },
  poster(pen) {
    const { inner, sheet, gap } = pen;
    const depth = striped(pen, 0, Math.round(sheet.width * 0.06));
    const text = { ...inner, width: sheet.width - depth - gap - inner.x };
    const [upper, lower] = rowsOf(text, 0.6, gap);
    const [said, side] = columnsOf(lower, 0.64, gap);
    pen.set(0, [{ name: 'Headline', box: upper, said: headline(pen, large(pen)) }]);
    pen.set(0, [{ name: 'Contact', box: said, ...invitation(pen, running(pen)), vertical: 'bottom' }]);
    pen.mark(0, {
      box: side,
      at: { x: 1, y: 1 },
      zone: { ...side, x: side.x - gap / 2, width: side.width + gap, height: side.height + inner.y },
      name: nameBesides(pen, 11),
    });
  },
  back(pen, free) {
    if (pen.piece.kind !== 'flyer') return otherSide(pen, free);
    const depth = striped(pen, 1, Math.round(pen.sheet.width * 0.06));
    otherSide(pen, { ...free, width: pen.sheet.width - depth - pen.gap - free.x });
  },
};
