import { SYMBOLOGIES } from '../codes/symbologies';
import type { Ink } from '../colour/ink';
import { plainText } from './look';
import type { Element, Face, Job, Piece } from './schema';

export const pieceOf = (job: Job, id: string): Piece | undefined => job.pieces.find((piece) => piece.id === id);

/** The face that holds an element, and the element; undefined when it is not in the job. */
export function findElement<T extends Job>(
  job: T,
  id: string,
): { piece: Piece; face: Face; element: Element; index: number } | undefined {
  for (const piece of job.pieces)
    for (const face of piece.faces) {
      const index = face.elements.findIndex((element) => element.id === id);
      if (index >= 0) return { piece, face, element: face.elements[index]!, index };
    }
  return undefined;
}

/** The words that go on in this frame, back to those they begin in; the frame's own for one that stands alone. */
export function flowHead(piece: Piece, id: string): string {
  const words = piece.faces.flatMap((face) => face.elements.filter((e) => e.kind === 'words'));
  let at = id;
  for (let before = words.find((w) => w.next === at); before && before.id !== id; ) {
    at = before.id;
    before = words.find((w) => w.next === at);
  }
  return at;
}

export const findFace = (job: Job, id: string): Face | undefined =>
  job.pieces.flatMap((piece) => piece.faces).find((face) => face.id === id);

export const inkOf = (inks: readonly Ink[], id: string): Ink => {
  const found = inks.find((ink) => ink.id === id);
  if (!found) throw new Error(`No ink is called ${id}.`);
  return found;
};

const FORM_NAMES = {
  rectangle: 'Rectangle',
  ellipse: 'Ellipse',
  polygon: 'Polygon',
  star: 'Star',
  blot: 'Blot',
} as const;

/** What an element is called: its own name, its first words, or what it is. */
export function titleOf(element: Element, assets: Job['assets']): string {
  if (element.name) return element.name;
  if (element.kind === 'words') {
    const first = plainText(element)
      .split('\n')
      .find((line) => line.trim() !== '');
    return first?.trim() ?? 'No words yet';
  }
  if (element.kind === 'picture') return assets[element.asset]?.name ?? 'Picture';
  if (element.kind === 'rule') return 'Rule';
  if (element.kind === 'code') return SYMBOLOGIES[element.symbology].name;
  return element.outline ? 'Outline' : FORM_NAMES[element.form?.kind ?? 'rectangle'];
}
