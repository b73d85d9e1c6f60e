import { type Box, bottom, right } from '../geometry/box';
import { facesFolds } from '../job/folds-of';
import type { Element, Face, Piece } from '../job/schema';
import { asFace } from '../job/turned';
import { elementBox } from './face';
import type { TypeSources } from './words';

/** An element that lies on both sides of a fold, and the part of the fold that it covers. Points. */
export interface Crossing {
  element: Element;
  at: Box;
}

/** Nearer than this to a fold, points, something ends at it. */
const HAIR = 0.01;

/** What crosses the folds of a face, by frames; backgrounds that lie on all of the face are not told of. */
export function crossingsOf(piece: Piece, face: Face, sources: TypeSources): Crossing[] {
  // Letters are folded where their layout says; that is not shown as a fault of what stands there.
  const folds = piece.fold ? facesFolds(piece, face) : [];
  if (folds.length === 0) return [];
  const { width, height } = asFace(piece, face);
  return face.elements.flatMap((element) => {
    if (element.hidden || element.sample) return [];
    const box = elementBox(element, sources);
    if (box.width >= width && box.height >= height) return [];
    return folds.flatMap(({ axis, at }) => {
      const [from, to] = axis === 'x' ? [box.x, right(box)] : [box.y, bottom(box)];
      if (from >= at - HAIR || to <= at + HAIR) return [];
      const line = axis === 'x' ? { ...box, x: at, width: 0 } : { ...box, y: at, height: 0 };
      return [{ element, at: line }];
    });
  });
}
