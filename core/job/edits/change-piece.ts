import { produce } from 'immer';
import { pieceOf } from '../find';
import type { Job, Piece } from '../schema';

/** A job with one of its pieces changed; an id that is not there changes nothing. */
export const changePiece = (job: Job, pieceId: string, recipe: (piece: Piece) => void): Job =>
  produce(job, (draft) => {
    const piece = pieceOf(draft, pieceId);
    if (piece) recipe(piece);
  });
