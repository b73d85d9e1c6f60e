import { produce } from 'immer';
import type { Ink } from '../../colour/ink';
import { pieceOf } from '../find';
import type { Job, Piece } from '../schema';

/** Edits of the job as a whole. Every edit is a pure function: it gives a new job and leaves the old one. */

export const renameJob = (job: Job, name: string): Job => ({ ...job, name });

export const addPiece = (job: Job, piece: Piece): Job => ({ ...job, pieces: [...job.pieces, piece] });

export const removePiece = (job: Job, id: string): Job => ({
  ...job,
  pieces: job.pieces.filter((piece) => piece.id !== id),
});

export const renamePiece = (job: Job, id: string, name: string): Job =>
  produce(job, (draft) => {
    const piece = pieceOf(draft, id);
    if (piece) piece.name = name;
  });

export const setShop = (job: Job, pieceId: string, shop: string): Job =>
  produce(job, (draft) => {
    const piece = pieceOf(draft, pieceId);
    if (piece) piece.shop = shop;
  });

export const addInk = (job: Job, ink: Ink): Job => ({ ...job, inks: [...job.inks, ink] });

/** Changes an ink everywhere it is used. */
export const changeInk = (job: Job, id: string, change: Partial<Omit<Ink, 'id'>>): Job => ({
  ...job,
  inks: job.inks.map((ink) => (ink.id === id ? { ...ink, ...change } : ink)),
});

/** Chooses the unit a piece is measured in; nothing on it moves. */
export const setUnit = (job: Job, pieceId: string, unit: Piece['unit']): Job =>
  produce(job, (draft) => {
    const piece = pieceOf(draft, pieceId);
    if (piece) piece.unit = unit;
  });
