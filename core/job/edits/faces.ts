import { type Face, type Job, MOST_FACES } from '../schema';
import type { Underlay } from '../underlay';
import { changePiece } from './change-piece';
import { copyOf } from './copies';

/** Edits of the faces of a piece. */

/** Adds an empty face after the others. */
export const addFace = (job: Job, pieceId: string, id: string): Job =>
  changePiece(job, pieceId, (piece) => {
    if (piece.faces.length < MOST_FACES) piece.faces.push({ id, name: `Page ${piece.faces.length + 1}`, elements: [] });
  });

/** Takes a face away with all that is on it; the last one stays. */
export const removeFace = (job: Job, pieceId: string, faceId: string): Job =>
  changePiece(job, pieceId, (piece) => {
    if (piece.faces.length < 2) return;
    piece.faces = piece.faces.filter(({ id }) => id !== faceId);
    const left = new Set(piece.faces.flatMap(({ elements }) => elements.map(({ id }) => id)));
    for (const face of piece.faces)
      for (const element of face.elements)
        if (element.kind === 'words' && element.next && !left.has(element.next)) delete element.next;
    if (piece.post?.face === faceId) delete piece.post;
  });

/** A face once more with ids of its own; words go on within the copy only. */
export function copyOfFace(face: Face, name: string, newId: () => string): Face {
  const ids = new Map([...face.elements, ...(face.groups ?? [])].map(({ id }) => [id, newId()]));
  const fresh = (id: string): string => ids.get(id) ?? id;
  const groups = face.groups?.map(({ group, ...own }) => ({
    ...own,
    id: fresh(own.id),
    ...(group ? { group: fresh(group) } : {}),
  }));
  const elements = face.elements.map((element) => copyOf(element, ids, { x: 0, y: 0 }, false));
  return { ...face, id: newId(), name, elements, ...(groups ? { groups } : {}) };
}

/** Puts a copy of a face after it. */
export const duplicateFace = (job: Job, pieceId: string, faceId: string, newId: () => string): Job =>
  changePiece(job, pieceId, (piece) => {
    const at = piece.faces.findIndex(({ id }) => id === faceId);
    const face = piece.faces[at];
    if (!face || piece.faces.length >= MOST_FACES) return;
    piece.faces.splice(at + 1, 0, copyOfFace(face, `${face.name}, copy`.slice(0, 120), newId));
  });

/** Brings a face to a place in the order of faces, 0 first. */
export const moveFace = (job: Job, pieceId: string, faceId: string, to: number): Job =>
  changePiece(job, pieceId, (piece) => {
    const at = piece.faces.findIndex(({ id }) => id === faceId);
    if (at < 0) return;
    const [face] = piece.faces.splice(at, 1);
    piece.faces.splice(Math.max(0, Math.min(piece.faces.length, to)), 0, face!);
  });

/** Lays a shop's template under a face or over it, or takes it away. */
export const setUnderlay = (job: Job, pieceId: string, faceId: string, underlay: Underlay | undefined): Job =>
  changePiece(job, pieceId, (piece) => {
    const face = piece.faces.find(({ id }) => id === faceId);
    if (!face) return;
    if (underlay) face.underlay = underlay;
    else delete face.underlay;
  });

export const renameFace = (job: Job, pieceId: string, faceId: string, name: string): Job =>
  changePiece(job, pieceId, (piece) => {
    const face = piece.faces.find(({ id }) => id === faceId);
    if (face && name.trim() !== '') face.name = name.trim().slice(0, 120);
  });
