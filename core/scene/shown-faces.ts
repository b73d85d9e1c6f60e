import type { Face, Piece } from '../job/schema';
import { flowFaces } from './flow';
import { followFace } from './follow';
import type { TypeSources } from './words';

/**
 * The faces of a piece as they are drawn and checked: words that go on from another frame, and words on another
 * element's line, are filled in.
 */
export const shownFaces = ({ faces }: Pick<Piece, 'faces'>, sources: TypeSources): Face[] =>
  flowFaces(faces, sources).map(followFace);

const printed = new WeakMap<Face, Face>();

/** The same without what lays no ink: hidden elements, samples, and finishing. */
export const printedFaces = (piece: Pick<Piece, 'faces'>, sources: TypeSources): Face[] =>
  shownFaces(piece, sources).map((face) => {
    const found = printed.get(face);
    if (found) return found;
    const elements = face.elements.filter((e) => !e.hidden && !e.sample && e.finish === undefined);
    const plain = elements.length === face.elements.length ? face : { ...face, elements };
    printed.set(face, plain);
    return plain;
  });
