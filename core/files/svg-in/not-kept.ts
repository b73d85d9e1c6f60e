import type { Reading, Style } from './reading';
import { urlId } from './reading';

/** Elements that are not taken in, and what is said of them. */
export const NOT_KEPT: Readonly<Record<string, string>> = {
  mask: 'A mask is left out: what it hid is seen.',
  filter: 'A filter is left out.',
  pattern: 'A pattern fill is left out.',
  image: 'A picture inside the drawing is left out. Take it in as a picture of its own.',
  foreignObject: 'A web page inside the drawing is left out.',
  animate: 'Movement is left out.',
  animateTransform: 'Movement is left out.',
  animateMotion: 'Movement is left out.',
  set: 'Movement is left out.',
};

/** Filters and patterns do nothing until something refers to them. */
const BY_REFERENCE = new Set(['filter', 'pattern']);

/** Tells of an element that is not taken in; whether it was one. */
export function isLeftOut({ note }: Reading, localName: string): boolean {
  if (!Object.hasOwn(NOT_KEPT, localName)) return false;
  if (!BY_REFERENCE.has(localName)) note(NOT_KEPT[localName]!);
  return true;
}

/** Tells of what an element asks for and does not get. */
export function noteEffects({ note }: Reading, style: Style): void {
  if (urlId(style.get('filter'))) note(NOT_KEPT['filter']!);
  if ((style.get('mix-blend-mode') ?? 'normal') !== 'normal')
    note('Colours that blend with what is below lie plainly on it.');
}
