import type { Box } from '../../geometry/box';
import { letterLayoutOf } from '../../trade/letter-layouts';
import type { Alignment } from '../../type/style';
import { toPoints } from '../../units/length';
import type { Ground } from '../paints';
import { aboveOf, belowOf, bottom, footOf, headOf, insideOf, type Pen } from '../pen';
import { headline, invitation, large, running } from './lines';

/** Places that several looks share. */

/** The upper and the lower part of a box, the upper one a share of it, with a gap between. */
export function rowsOf(box: Box, share: number, gap: number): [Box, Box] {
  const upper = (box.height - gap) * share;
  return [headOf(box, upper), { ...box, y: box.y + upper + gap, height: box.height - upper - gap }];
}

/** A name for where no logo is: not where the headline is the name already. */
export const nameBesides = (pen: Pen, size: number): number => (pen.client.tagline ? size : 0);

/** The least room that a letter's head has, points. */
const HEAD = 84;

/** Where a letter leaves room: above its address field, and below its text; both stand on the letter's own margins. */
export function letterRooms(pen: Pen): { head: Box; foot: Box; left: number; width: number } {
  const { sheet, inner, piece } = pen;
  const margins = piece.letter?.margins;
  const left = Math.max(inner.x, margins?.left ?? 0);
  const width = sheet.width - left - Math.max(inner.x, margins?.right ?? 0);
  const layout = letterLayoutOf(piece.letter?.layout);
  const until =
    Math.min(layout?.head ?? sheet.height * 0.16, Math.max(sheet.height * 0.17, inner.y + HEAD)) - pen.gap / 2;
  const edge = Math.min(inner.y, pen.edge);
  const room = Math.max(24, (margins?.bottom ?? 0) - edge - 2);
  return {
    head: { x: left, y: inner.y, width, height: until - inner.y },
    foot: { x: left, y: sheet.height - edge - room, width, height: room },
    left,
    width,
  };
}

/** Square points of solid ink that a laser printer takes along an edge. */
const LETTER_SOLID = 15_000;
/** How deep a band along a whole edge of a letterhead may be, points. */
export const slimBand = ({ bleed }: Pen, along: number): number =>
  Math.floor(Math.min(13, LETTER_SOLID / (along + 2 * bleed) - bleed));

/** The sheets that follow the first: the company's name where its first line stood, small. */
export function followingSheet(pen: Pen, align: Alignment = 'left'): void {
  const { head } = letterRooms(pen);
  pen.set(1, [
    { name: 'Company', box: headOf(head, 24), said: [{ text: pen.client.company, size: 12, role: 'heading' }], align },
  ]);
}

/** The foot of a letter. */
export function letterFoot(pen: Pen, said: Parameters<Pen['set']>[1][number]['said'], align: Alignment = 'left'): void {
  if (said.length > 0) pen.set(0, [{ name: 'Foot', box: letterRooms(pen).foot, said, align, vertical: 'bottom' }]);
}

/** A logo beside or above some lines on an envelope, and the room that is left for them. */
export function markAbove(pen: Pen, box: Box, share: number, on?: Ground): Box {
  const placed = pen.mark(0, {
    box: headOf(box, box.height * share),
    at: { x: 0, y: 0 },
    ...(on ? { on } : {}),
    zone: zoneAbove(pen, box, share),
  });
  return placed ? belowOf(box, box.y + box.height * share + 4) : box;
}
const zoneAbove = (pen: Pen, box: Box, share: number): Box => ({
  x: 0,
  y: 0,
  width: pen.sheet.width,
  height: box.y + box.height * share + 4,
});

/** The line between message and address stands so much before the area it parts, points. */
const BEFORE_LINE = 4;

/** The other side of a poster: the logo at the top, how to come at the bottom, and room for a message between. */
export function otherSide(
  pen: Pen,
  free: Box,
  { align = 'left', on = 'paper', zone }: { align?: Alignment; on?: Ground; zone?: Box } = {},
): void {
  const isCard = pen.piece.kind === 'postcard';
  const end = free.x + free.width;
  const isWhole = end >= pen.inner.x + pen.inner.width - 1;
  const size = isCard ? 8 : running(pen);
  const x = align === 'centre' ? 0.5 : 0;
  const [top, rest] = rowsOf(free, isCard ? 0.3 : 0.34, pen.gap);
  pen.mark(1, {
    box: headOf(top, Math.min(top.height, pen.of(isCard ? 0.2 : 0.3, 24, 130))),
    at: { x, y: 0 },
    on,
    zone: zone
      ? aboveOf(zone, rest.y)
      : {
          x: 0,
          y: 0,
          width: isCard ? end - BEFORE_LINE : isWhole ? pen.sheet.width : end + pen.gap - 1,
          height: rest.y,
        },
    name: isCard ? 11 : 20,
  });
  const lines = invitation(pen, size);
  const intro = isCard || !pen.client.tagline ? [] : headline(pen, Math.min(28, large(pen) * 0.6));
  const [middle, foot] = rowsOf(rest, isCard ? 0.2 : 0.5, pen.gap);
  pen.set(1, [
    ...(intro.length > 0 ? [{ name: 'Headline', box: middle, said: intro, align, on }] : []),
    { name: 'Contact', box: foot, ...lines, align, vertical: 'bottom', on },
  ]);
}

export { aboveOf, belowOf, bottom, footOf, headOf, insideOf };
export const hair = toPoints(0.25, 'mm');
