import { boxPath, linePath, type Path, pathData, transformPath } from '../geometry/path';
import type { Element, Face, Framed, Words } from '../job/schema';
import { outlineOf } from './outline';
import { turnOf } from './turn';

// Edits never change an element in place, so what was worked out for a pair of them stays right.
const kept = new WeakMap<Words, { of: Framed; words: Words }>();
const keptFaces = new WeakMap<Face, Face>();

/** The line that words stand on when they follow an element: a rule's own line, or what goes round it; turned as it is. */
export const lineOf = (element: Framed): Path => transformPath(plainLine(element), turnOf(element, element));

function plainLine(element: Framed): Path {
  if (element.kind === 'code') return boxPath(element);
  if (element.kind !== 'rule') return outlineOf(element);
  const { x, y, width, height } = element;
  return width >= height
    ? linePath({ x, y: y + height / 2 }, { x: x + width, y: y + height / 2 })
    : linePath({ x: x + width / 2, y }, { x: x + width / 2, y: y + height });
}

function follow(words: Words, elements: readonly Element[]): Words {
  const { path } = words;
  if (path?.along.kind !== 'element') return words;
  const { id } = path.along;
  const of = elements.find((e): e is Framed => e.id === id && e.kind !== 'words');
  if (!of) return words;
  const found = kept.get(words);
  if (found?.of === of) return found.words;
  const outline = pathData(transformPath(lineOf(of), [1, 0, 0, 1, -words.x, -words.y]));
  const followed: Words = { ...words, path: { ...path, along: { kind: 'outline', outline } } };
  kept.set(words, { of, words: followed });
  return followed;
}

/** A face whose words along other elements carry those elements' lines themselves; the face itself where there are none. */
export function followFace(face: Face): Face {
  const found = keptFaces.get(face);
  if (found) return found;
  const elements = face.elements.map((e) => (e.kind === 'words' ? follow(e, face.elements) : e));
  const followed = elements.every((e, i) => e === face.elements[i]) ? face : { ...face, elements };
  keptFaces.set(face, followed);
  return followed;
}
