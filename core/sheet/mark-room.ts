import { type Box, bottom, right, unionOf } from '../geometry/box';
import { formatLength, type PieceUnit } from '../units/length';
import type { CutLine } from './cut-lines';

/** What would make room for marks that a sheet has none for. Lengths in points. */

export type SheetEdge = 'top' | 'right' | 'bottom' | 'left';
const OPPOSITE: Readonly<Record<SheetEdge, SheetEdge>> = { top: 'bottom', right: 'left', bottom: 'top', left: 'right' };

/** What a mark takes up beyond a trim: how far it keeps from it, and its least length. */
export interface MarkNeeds {
  clear: number;
  least: number;
}

/** How far each end of a cut line lies inside what can be printed on. */
const endsOf = ({ axis, from, to }: CutLine, room: Box): [SheetEdge, number][] =>
  axis === 'x'
    ? [
        ['top', from - room.y],
        ['bottom', bottom(room) - to],
      ]
    : [
        ['left', from - room.x],
        ['right', right(room) - to],
      ];

/** Ways to make room for the marks of some cut lines, in words: each mends a part of them. */
export function makeRoom(
  lines: readonly CutLine[],
  trims: readonly Box[],
  { clear, least }: MarkNeeds,
  room: Box,
  unit: PieceUnit,
): string[] {
  const needed = clear + least;
  const short = new Map<SheetEdge, number>();
  let between = false;
  for (const line of lines) {
    const lacking = endsOf(line, room).filter(([, has]) => has < needed - 1e-6);
    for (const [edge, has] of lacking) short.set(edge, Math.max(short.get(edge) ?? 0, needed - has));
    // Both ends have paper: it is a neighbour's colour that stands there.
    if (lacking.length === 0) between = true;
  }
  const all = unionOf(trims) ?? room;
  const spare = (edge: SheetEdge): number =>
    ({
      top: all.y - room.y,
      left: all.x - room.x,
      bottom: bottom(room) - bottom(all),
      right: right(room) - right(all),
    })[edge] - needed;
  const said = (length: number): string => formatLength(Math.ceil(length * 100) / 100, unit, unit === 'in' ? 3 : 1);
  return [
    ...[...short].map(([edge, by]) =>
      spare(OPPOSITE[edge]) >= by - 1e-6
        ? `move the layout ${said(by)} away from the ${edge}`
        : `${said(by)} more paper at the ${edge}: a larger sheet, or fewer pieces on it`,
    ),
    ...(between ? [`a gutter of ${said(2 * clear + least)}`] : []),
  ];
}
