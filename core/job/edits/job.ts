import { produce } from 'immer';
import type { OwnFont } from '../../type/own-font';
import type { Job, Piece } from '../schema';
import { changePiece } from './change-piece';

/** Edits of the job as a whole. Every edit is a pure function: it gives a new job and leaves the old one. */

export const renameJob = (job: Job, name: string): Job => ({ ...job, name });

export const addPiece = (job: Job, piece: Piece): Job => ({ ...job, pieces: [...job.pieces, piece] });

export const setShop = (job: Job, pieceId: string, shop: string): Job =>
  changePiece(job, pieceId, (piece) => {
    piece.shop = shop;
  });

/** Keeps an added font with the job, under the hash of its bytes. */
export const addFont = (job: Job, hash: string, font: OwnFont): Job => ({
  ...job,
  fonts: { ...job.fonts, [hash]: font },
});

/** Takes an added font away; words still set in it are found by a check. */
export const removeFont = (job: Job, hash: string): Job =>
  produce(job, (draft) => {
    delete draft.fonts[hash];
  });

export const setLanguage = (job: Job, language: Job['spelling']['language']): Job => ({
  ...job,
  spelling: { ...job.spelling, language },
});

/** Takes a word into the job's own list. */
export const learnWord = (job: Job, word: string): Job =>
  job.spelling.words.includes(word)
    ? job
    : { ...job, spelling: { ...job.spelling, words: [...job.spelling.words, word].sort() } };

export const forgetWord = (job: Job, word: string): Job => ({
  ...job,
  spelling: { ...job.spelling, words: job.spelling.words.filter((each) => each !== word) },
});

/** Chooses the unit a piece is measured in; nothing on it moves. */
export const setUnit = (job: Job, pieceId: string, unit: Piece['unit']): Job =>
  changePiece(job, pieceId, (piece) => {
    piece.unit = unit;
  });
