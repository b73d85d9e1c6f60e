import type { Box } from '../../geometry/box';
import { insideOf, type Pen, wholeSheet } from '../pen';
import type { Look } from '../starter';
import { below, companyRows, headline, inRows, invitation, large, person, reachOf, running, sender } from './lines';
import { followingSheet, headOnAxis, letterRooms, lightGround, nameBesides, otherSide, rowsOf } from './shared';

/** A fine line around, and what stands in it. */
function framed(pen: Pen, face: number, box: Box, gap = pen.gap): Box {
  const { main } = pen.paints;
  pen.area(
    face,
    'Frame',
    box,
    { ink: 'paper', tint: 1 },
    { paint: { kind: 'none' }, stroke: { paint: main, weight: 0.75 } },
  );
  return insideOf(box, gap);
}

const spaced = { letterCase: 'capitals', tracking: 80 } as const;

/** A fine frame, everything in its middle, the name in spaced capitals. */
export const frame: Look = {
  id: 'frame',
  name: 'Fine frame',
  says: 'A fine line around, the name in spaced capitals in its middle.',
  card(pen) {
    const { sheet } = pen;
    const inside = framed(pen, 0, pen.inner);
    const details = reachOf(pen);
    pen.set(0, [
      {
        name: 'Name and contact',
        box: inside,
        ...below(person(pen, spaced), sheet.upright ? details : inRows(details), 6),
        align: 'centre',
        vertical: 'middle',
      },
    ]);
    pen.area(1, 'Background', wholeSheet(pen), pen.paints.light);
    const on = lightGround(pen);
    const back = framed(pen, 1, pen.inner);
    const [mark, line] = rowsOf(back, pen.client.tagline ? 0.74 : 1, pen.gap);
    pen.mark(1, {
      box: mark,
      at: { x: 0.5, y: 0.5 },
      on,
      zone: { ...insideOf(pen.inner, 1), height: pen.client.tagline ? line.y - pen.inner.y - 1 : pen.inner.height - 2 },
      name: 18,
    });
    if (pen.client.tagline)
      pen.set(1, [
        {
          name: 'Tagline',
          box: line,
          said: [{ text: pen.client.tagline, size: 9 }],
          align: 'centre',
          vertical: 'bottom',
          on,
        },
      ]);
  },
  letterhead(pen) {
    const { foot } = letterRooms(pen);
    headOnAxis(pen);
    pen.rule(0, 'Rule', { x: foot.x, y: foot.y - 4, length: foot.width }, 0.5);
    pen.set(0, [{ name: 'Contact', box: foot, said: companyRows(pen), align: 'centre', vertical: 'bottom' }]);
    followingSheet(pen, 'centre');
  },
  envelope(pen, corner) {
    const inside = framed(pen, 0, { ...corner, width: Math.min(corner.width, 200) }, 7);
    pen.set(0, [{ name: 'Return address', box: inside, ...sender(pen), vertical: 'middle', align: 'centre' }]);
  },
  poster(pen) {
    const inside = framed(pen, 0, pen.inner);
    const { gap } = pen;
    const [top, rest] = rowsOf(inside, 0.24, gap);
    pen.mark(0, {
      box: top,
      at: { x: 0.5, y: 0.5 },
      zone: { ...insideOf(pen.inner, 1), height: rest.y - pen.inner.y },
      name: nameBesides(pen, 14),
    });
    const [middle, foot] = rowsOf(rest, 0.66, gap);
    pen.set(0, [
      { name: 'Headline', box: middle, said: headline(pen, large(pen)), align: 'centre', vertical: 'middle' },
    ]);
    pen.set(0, [{ name: 'Contact', box: foot, ...invitation(pen, running(pen)), align: 'centre', vertical: 'bottom' }]);
  },
  back(pen, free) {
    if (pen.piece.kind !== 'flyer') return otherSide(pen, free);
    otherSide(pen, framed(pen, 1, pen.inner), { align: 'centre', zone: insideOf(pen.inner, 1) });
  },
};
