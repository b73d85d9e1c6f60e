import { POSTAL } from '../codes/symbologies';
import type { Area } from '../job/areas';
import { tableOfPiece } from '../job/edits/runs';
import { isOfLetter } from '../job/letters';
import type { Element, Job, Piece } from '../job/schema';
import { columnQuoted } from '../job/table';

/** Whether words are the postal address of each row. */
export const isAddress = (element: Element, job: Job, piece: Piece): boolean => {
  const table = tableOfPiece(job, piece);
  if (element.kind !== 'words' || !table) return false;
  const made = new Set(table.columns.flatMap(({ key, made: way }) => (way?.kind === 'address' ? [key] : [])));
  return element.paragraphs.some(({ spans }) => spans.some(({ quote }) => made.has(columnQuoted(quote) ?? '')));
};

/** Whether words are a letter's, standing on its sheets. */
export const isWritten = (element: Element, { letters = [] }: Piece): boolean =>
  letters.some((letter) => isOfLetter(letter, element.id));

/** Whether something is what an area is kept clear for: the address itself, or the post's own code. */
export const isMeantFor = (area: Pick<Area, 'id'>, element: Element, job: Job, piece: Piece): boolean =>
  (area.id === 'address' && isAddress(element, job, piece)) ||
  ((area.id === 'address' || area.id === 'window') && isWritten(element, piece)) ||
  ((area.id === 'barcode' || area.id === 'address') && element.kind === 'code' && POSTAL.has(element.symbology));
