import type { Point } from '../../geometry/box';
import type { Stock } from '../../trade/stocks';
import { NO_ORDER, type Order } from '../order';
import type { Job, Piece } from '../schema';
import type { SheetMade } from '../sheet';
import { changePiece } from './change-piece';
import { copyOfFace } from './faces';

/** Edits of pieces as wholes. */

/** A piece once more under other ids, with everything on it. */
export function copyOfPiece(piece: Piece, name: string, newId: () => string): Piece {
  const faces = piece.faces.map((face) => copyOfFace(face, face.name, newId));
  const at = piece.faces.findIndex(({ id }) => id === piece.post?.face);
  const post = piece.post && faces[at] ? { post: { ...piece.post, face: faces[at].id } } : {};
  return { ...piece, ...post, id: newId(), name, faces };
}

/** Puts a copy of a piece after it. */
export const duplicatePiece = (job: Job, pieceId: string, newId: () => string): Job => {
  const at = job.pieces.findIndex(({ id }) => id === pieceId);
  const piece = job.pieces[at];
  if (!piece) return job;
  const copy = copyOfPiece(piece, `${piece.name}, copy`.slice(0, 120), newId);
  return { ...job, pieces: [...job.pieces.slice(0, at + 1), copy, ...job.pieces.slice(at + 1)] };
};

export const renamePiece = (job: Job, pieceId: string, name: string): Job =>
  changePiece(job, pieceId, (piece) => {
    if (name.trim() !== '') piece.name = name.trim().slice(0, 120);
  });

/** Takes a piece away; the last one of a job stays. */
export const removePiece = (job: Job, pieceId: string): Job =>
  job.pieces.length < 2 ? job : { ...job, pieces: job.pieces.filter(({ id }) => id !== pieceId) };

/**
 * Puts a deleted piece back at its place, as it was: with the inks, styles and files that it needs and the job has not
 * got any more. The job it was deleted from is `from`, with that one piece.
 */
export function restorePiece(job: Job, from: Job, place: number): Job {
  const [piece] = from.pieces;
  if (!piece || job.pieces.some(({ id }) => id === piece.id)) return job;
  const missing = <T extends { id: string }>(here: readonly T[], there: readonly T[]): T[] => {
    const known = new Set(here.map(({ id }) => id));
    return there.filter(({ id }) => !known.has(id));
  };
  const { person, ...rest } = piece;
  const isKnown = job.people.some(({ id }) => id === person);
  return {
    ...job,
    inks: [...job.inks, ...missing(job.inks, from.inks)],
    styles: [...job.styles, ...missing(job.styles, from.styles)],
    shops: [...job.shops, ...missing(job.shops, from.shops)],
    tables: [...job.tables, ...missing(job.tables, from.tables)],
    assets: { ...from.assets, ...job.assets },
    fonts: { ...from.fonts, ...job.fonts },
    conditions: { ...from.conditions, ...job.conditions },
    pieces: [...job.pieces.slice(0, place), person && isKnown ? piece : rest, ...job.pieces.slice(place)],
  };
}

/** Says what is ordered of a piece. */
export const setOrder = (job: Job, pieceId: string, order: Order): Job =>
  changePiece(job, pieceId, (piece) => {
    piece.order = order;
  });

/** Says which stock a piece is ordered on: its name, what it weighs, and how thick it is. */
export const chooseStock = (job: Job, pieceId: string, { name, weight, caliper, colour }: Stock): Job =>
  changePiece(job, pieceId, (piece) => {
    const { colour: _before, ...order } = piece.order ?? NO_ORDER;
    piece.order = { ...order, stock: name, weight, ...(colour === undefined ? {} : { colour }) };
    piece.thickness = caliper;
  });

/** Says how a piece is laid out on press sheets. */
export const setSheet = (job: Job, pieceId: string, sheet: SheetMade): Job =>
  changePiece(job, pieceId, (piece) => {
    piece.sheet = sheet;
  });

/** Spreads the lighter of inks that meet by so many points; not at all where it is left out. */
export const setSpread = (job: Job, pieceId: string, spread: number | undefined): Job =>
  changePiece(job, pieceId, (piece) => {
    if (spread === undefined) delete piece.spread;
    else piece.spread = spread;
  });

/** Moves a block of a layout by hand; `by` in points on the sheet. */
export const moveBlock = (job: Job, pieceId: string, form: number, block: number, by: Point): Job =>
  changePiece(job, pieceId, (piece) => {
    const moved = piece.sheet?.hand?.forms[form]?.blocks[block];
    if (!moved) return;
    moved.x += by.x;
    moved.y += by.y;
  });
