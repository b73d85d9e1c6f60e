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
