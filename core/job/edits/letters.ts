import type { LetterText } from '../letters';
import type { Job } from '../schema';
import { changePiece } from './change-piece';

/** Edits of the letters that are written on a letterhead, the newest first. */

const change = (job: Job, pieceId: string, recipe: (letters: LetterText[]) => LetterText[]): Job =>
  changePiece(job, pieceId, (piece) => {
    const letters = recipe(piece.letters ?? []).sort((a, b) => (a.changed < b.changed ? 1 : -1));
    if (letters.length > 0) piece.letters = letters;
    else delete piece.letters;
  });

export const addLetter = (job: Job, pieceId: string, letter: LetterText): Job =>
  change(job, pieceId, (letters) => [letter, ...letters]);

export const changeLetter = (job: Job, pieceId: string, letterId: string, to: Partial<Omit<LetterText, 'id'>>): Job =>
  change(job, pieceId, (letters) => letters.map((each) => (each.id === letterId ? { ...each, ...to } : each)));

export const removeLetter = (job: Job, pieceId: string, letterId: string): Job =>
  change(job, pieceId, (letters) => letters.filter(({ id }) => id !== letterId));
