import type { Box } from '../geometry/box';
import { facePanels } from '../job/areas';
import type { Element, Face, Piece } from '../job/schema';
import { foldLines } from '../trade/folds';
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
  const folds = foldLines(facePanels(piece, face));
  if (folds.length === 0) return [];
  return face.elements.flatMap((element) => {
    if (element.hidden || element.sample) return [];
    const box = elementBox(element, sources);
    if (box.width >= piece.width && box.height >= piece.height) return [];
    return folds
      .filter((fold) => box.x < fold - HAIR && box.x + box.width > fold + HAIR)
      .map((fold) => ({ element, at: { x: fold, y: box.y, width: 0, height: box.height } }));
  });
}
