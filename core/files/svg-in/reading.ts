import type { Document, Element, Node } from '@xmldom/xmldom';
import type { Point } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import type { Path } from '../../geometry/path';
import type { FontBook } from '../../type/font';
import { ownStyle, sheetOf } from './css';
import { SvgError } from './guard';
import type { Viewport } from './outlines';
import { lengthOf } from './values';

export type Style = ReadonlyMap<string, string>;

/** What a drawing is read with, and what is found on the way. */
export interface Reading {
  fonts: FontBook;
  byId(id: string): Element | undefined;
  /** What an element says of itself; nothing inherited. */
  own(element: Element): Style;
  /** Tells of something that could not be kept. */
  note(text: string): void;
  /** Takes a colour down; gives it back. */
  seen(hex: string): string;
  /** Counts things that are drawn, those used again each time. Throws SvgError where a drawing has far too many. */
  count(drawn: number): void;
  colours: string[];
  notes: Set<string>;
}

/** Parts that are used again and again grow a small file into a large drawing: so many things and letters at most. */
const MOST_DRAWN = 200_000;

export function openReading(document: Document, fonts: FontBook): Reading {
  const notes = new Set<string>();
  const colours: string[] = [];
  const known = new Set<string>();
  const note = (text: string): void => {
    notes.add(text);
  };
  const sheet = sheetOf(document, note);
  const ids = new Map<string, Element>();
  for (const element of Array.from(document.getElementsByTagName('*'))) {
    const id = element.getAttribute('id');
    if (id !== null && !ids.has(id)) ids.set(id, element);
  }
  const styles = new Map<Element, Style>();
  let all = 0;
  return {
    fonts,
    byId: (id) => ids.get(id),
    own(element) {
      const style = styles.get(element) ?? ownStyle(element, sheet);
      styles.set(element, style);
      return style;
    },
    note,
    seen(hex) {
      if (!known.has(hex)) colours.push(hex);
      known.add(hex);
      return hex;
    },
    count(drawn) {
      all += drawn;
      if (all > MOST_DRAWN)
        throw new SvgError(
          `The drawing uses its parts more than ${MOST_DRAWN} times. Simplify it, or take it in as a picture instead.`,
        );
    },
    colours,
    notes,
  };
}

/** Properties that an element takes over from what it lies in. */
// biome-ignore format: a list of words
const INHERITED = new Set([
  'fill', 'fill-rule', 'fill-opacity', 'stroke', 'stroke-width', 'stroke-opacity', 'stroke-linecap', 'stroke-linejoin',
  'stroke-miterlimit', 'stroke-dasharray', 'stroke-dashoffset', 'color', 'visibility', 'font-size', 'font-family',
  'font-weight', 'font-style', 'text-anchor', 'letter-spacing', 'clip-rule', 'paint-order', 'marker', 'marker-start',
  'marker-mid', 'marker-end',
]);

/** How much of something shows, in points. */
export interface Fade {
  kind: 'linear' | 'radial';
  matrix: Matrix;
  focus?: Point;
  stops: readonly { at: number; amount: number }[];
}

/** What is carried down from an element to what lies in it. */
export interface Around {
  style: Style;
  matrix: Matrix;
  viewport: Viewport;
  opacity: number;
  clip: Path | undefined;
  /** What all of it fades by. */
  fade?: Fade;
  depth: number;
  /** Elements that are being used, so that none is used inside itself. */
  using: readonly Element[];
}

export const children = (element: Element): Element[] =>
  Array.from(element.childNodes).filter((node: Node): node is Element => node.nodeType === 1);

/** What an element links to inside the drawing. */
export function linked(reading: Reading, element: Element): Element | undefined {
  const href = element.getAttribute('href') ?? element.getAttribute('xlink:href');
  return href?.startsWith('#') ? reading.byId(href.slice(1)) : undefined;
}

/** The id in `url(#id)`. */
export const urlId = (text: string | undefined): string | undefined =>
  /^\s*url\(\s*["']?#([^"')]+)["']?\s*\)/.exec(text ?? '')?.[1];

/** What holds for an element: its own style over what it takes from around it. */
export function inherit(reading: Reading, element: Element, from: Style): Map<string, string> {
  const style = new Map([...from].filter(([name]) => INHERITED.has(name)));
  for (const [name, value] of reading.own(element))
    if (value !== 'inherit' || !INHERITED.has(name)) style.set(name, value);
  const size = style.get('font-size');
  const outer = lengthOf(from.get('font-size'), 16) ?? 16;
  // Sizes that are of the size around them are settled here, so that what lies inside takes over the result.
  if (size) style.set('font-size', `${lengthOf(size, outer, outer) ?? outer}`);
  return style;
}
