import { pieceOf } from '../../job/find';
import type { Job, Piece } from '../../job/schema';
import { letterPages } from '../../scene/letter-pages';
import { sourcesOf } from '../../scene/sources';
import type { FontBook } from '../../type/font';
import type { ChosenLetter } from './plan';

/** A job whose letterhead has the chosen pages of some letters for faces, in the order of its list, and that piece. */
export function lettersAsPages(
  job: Job,
  pieceId: string,
  chosen: readonly ChosenLetter[],
  fonts: FontBook,
): { job: Job; piece: Piece } | undefined {
  const piece = pieceOf(job, pieceId);
  if (!piece) return undefined;
  const sources = sourcesOf(job, fonts);
  const faces = (piece.letters ?? []).flatMap((letter) => {
    const found = chosen.find(({ id }) => id === letter.id);
    if (!found) return [];
    return letterPages(piece, letter, job, sources, true).filter((_, n) => found.pages?.includes(n) ?? true);
  });
  const written = { ...piece, faces };
  return { piece: written, job: { ...job, pieces: job.pieces.map((each) => (each.id === pieceId ? written : each)) } };
}
