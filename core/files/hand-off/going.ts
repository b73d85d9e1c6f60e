import { pieceOf } from '../../job/find';
import type { Job } from '../../job/schema';
import { shopIn } from '../../job/shops-of';
import type { FontBook } from '../../type/font';
import type { Going } from '../gate';
import { lettersAsPages } from './letters';
import { type Chosen, inTheOffice } from './plan';

/** What leaves with a choice of pieces: their faces, and the pages of their letters. */
export const goingOf = (job: Job, chosen: readonly Chosen[], fonts: FontBook): Going[] =>
  chosen.flatMap(({ piece: id, faces, letters = [] }): Going[] => {
    const piece = pieceOf(job, id);
    if (!piece) return [];
    const written = letters.length > 0 ? lettersAsPages(job, id, letters, fonts) : undefined;
    return [
      ...(faces?.length === 0 ? [] : [{ job, piece, faces }]),
      ...(written ? [{ ...written, shop: inTheOffice(shopIn(job, piece.shop), piece.kind) }] : []),
    ];
  });
