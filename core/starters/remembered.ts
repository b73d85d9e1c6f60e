import { NO_ORDER } from '../job/order';
import type { Job, Piece } from '../job/schema';
import type { Kind } from '../trade/schema';

/** What a job remembers for its next piece: whom it was last shown for, and the stock of the last piece of that kind. */
export function remembered(
  { pieces, people }: Pick<Job, 'pieces' | 'people'>,
  kind: Kind,
): Pick<Piece, 'person' | 'order'> {
  const person = pieces.findLast(({ person: of }) => people.some(({ id }) => id === of))?.person;
  const last = pieces.findLast((piece) => piece.kind === kind && (piece.order?.stock ?? '') !== '')?.order;
  return {
    ...(person ? { person } : {}),
    ...(last
      ? { order: { ...NO_ORDER, stock: last.stock, ...(last.weight === undefined ? {} : { weight: last.weight }) } }
      : {}),
  };
}
