import type { Box } from '../../geometry/box';
import { letterLayoutOf } from '../../trade/letter-layouts';
import type { Alignment } from '../../type/style';
import type { Ground } from '../paints';
import { aboveOf, columnsOf, headOf, type Pen } from '../pen';
import type { Said } from '../stacks';
import { headline, invitation, LETTER, large, running } from './lines';

/** Places that several looks share. */

/** The upper and the lower part of a box, the upper one a share of it, with a gap between. */
export function rowsOf(box: Box, share: number, gap: number): [Box, Box] {
  const upper = (box.height - gap) * share;
  return [headOf(box, upper), { ...box, y: box.y + upper + gap, height: box.height - upper - gap }];
}

/** A name for where no logo is: not where the headline is the name already. */
export const nameBesides = (pen: Pen, size: number): number => (pen.client.tagline ? size : 0);

/** How high a logo stands in a letter's head at most, points. */
const MARK = 50;
/** The least room that a letter's head has, points. */
const HEAD = 84;

/** Where a letter leaves room: above its address field, and below its text; both stand on the letter's own margins. */
export function letterRooms(pen: Pen): { head: Box; foot: Box } {
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
  };
}

/** Square points of solid ink that a laser printer takes along an edge. */
const LETTER_SOLID = 15_000;
/** How deep a band along a whole edge of a letterhead may be, points. */
export const slimBand = ({ bleed }: Pen, along: number): number =>
  Math.floor(Math.min(13, LETTER_SOLID / (along + 2 * bleed) - bleed));

/** What a background in the light colour is for text: paper, where a shop prints no such tint. */
export const lightGround = ({ paints }: Pen): Ground => (paints.light.ink === 'paper' ? 'paper' : 'light');

/** The logo at the left of a letter's head, clear of what lies left of `from`; gives the column to the right of it. */
export function headMark(pen: Pen, head: Box, share: number, from = 0): Box {
  const [left, right] = columnsOf(head, share, pen.gap);
  pen.mark(0, {
    box: headOf(left, Math.min(left.height, MARK)),
    at: { x: 0, y: 0 },
    zone: { x: from, y: 0, width: right.x - from, height: 2 * head.y + head.height },
    name: LETTER.name,
  });
  return right;
}

/** The logo in the middle of a letter's head. */
export function headOnAxis(pen: Pen): void {
  const { head } = letterRooms(pen);
  const { inner, sheet } = pen;
  pen.mark(0, {
    box: { ...headOf(head, Math.min(head.height - 8, MARK)), x: inner.x, width: inner.width },
    at: { x: 0.5, y: 0 },
    zone: { x: 0, y: 0, width: sheet.width, height: 2 * head.y + head.height },
    name: LETTER.name,
  });
}

/** The other side of a card: the logo in its middle, and what the company does below. */
export function brandSide(pen: Pen, on: Ground): void {
  const { inner, gap, sheet, client } = pen;
  const [mark, line] = rowsOf(inner, client.tagline ? 0.74 : 1, gap);
  pen.mark(1, {
    box: { ...mark, y: mark.y + mark.height * 0.1, height: mark.height * 0.8 },
    at: { x: 0.5, y: 0.5 },
    on,
    zone: { x: 0, y: 0, width: sheet.width, height: client.tagline ? line.y : sheet.height },
    name: 20,
  });
  if (!client.tagline) return;
  const said = [{ text: client.tagline, size: 9 }];
  pen.set(1, [{ name: 'Tagline', box: line, said, align: 'centre', vertical: 'bottom', on }]);
}

/** The sheets that follow the first: the company's name where its first line stood, small. */
export function followingSheet(pen: Pen, align: Alignment = 'left'): void {
  const { head } = letterRooms(pen);
  pen.set(1, [
    { name: 'Company', box: headOf(head, 24), said: [{ text: pen.client.company, size: 12, role: 'heading' }], align },
  ]);
}

/** The foot of a letter. */
export function letterFoot(pen: Pen, said: readonly Said[]): void {
  if (said.length > 0) pen.set(0, [{ name: 'Foot', box: letterRooms(pen).foot, said, vertical: 'bottom' }]);
}

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
