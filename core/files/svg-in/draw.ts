import type { Element } from '@xmldom/xmldom';
import { multiply } from '../../geometry/matrix';
import { boxPath, transformPath } from '../../geometry/path';
import { type ArtItem, clipped, cutTo, grouped } from '../art-in/art';
import { boxOf, clipOf } from './clip';
import { isTooDeep } from './guard';
import { marksOn } from './markers';
import { maskOf } from './masks';
import { isLeftOut, NOT_KEPT, noteEffects } from './not-kept';
import { outlineOfSvg, type Viewport } from './outlines';
import { painted } from './paint';
import { type Around, children, inherit, linked, type Reading, type Style, urlId } from './reading';
import { lengthOf, shareOf, transformOf } from './values';
import { viewBoxOf, viewMatrix } from './viewbox';
import { textPath } from './words';

// biome-ignore format: a list of words
const SILENT = new Set([
  'defs', 'style', 'title', 'desc', 'metadata', 'linearGradient', 'radialGradient', 'clipPath', 'mask', 'marker', 'symbol', 'namedview',
]);

/** Whether an alternative is for readers of this kind: none of another program's own, in the language of the app. */
function isMeant(element: Element): boolean {
  const languages = element.getAttribute('systemLanguage');
  const isSpoken = languages === null || languages.split(',').some((each) => /^\s*en\b/i.test(each));
  return isSpoken && !element.getAttribute('requiredExtensions');
}

type Drawing = (reading: Reading, element: Element, within: Around, style: Style) => ArtItem[];

/** Elements that hold others or stand for them; all else is an outline. */
const HOLDERS: Readonly<Record<string, Drawing>> = {
  g: (reading, element, within) => children(element).flatMap((child) => drawn(reading, child, within)),
  a: (reading, element, within) => children(element).flatMap((child) => drawn(reading, child, within)),
  switch: (reading, element, within) =>
    children(element)
      .filter(isMeant)
      .slice(0, 1)
      .flatMap((child) => drawn(reading, child, within)),
  svg: (reading, element, within, style) => nested(reading, element, within, style),
  use: used,
};
/** Lines that may have marks at their corners. */
const MARKED = new Set(['path', 'line', 'polyline', 'polygon']);
const SEEN_THROUGH = new Set(['g', 'a']);

/** What is carried into an element, clipped as it asks. */
function withinOf(reading: Reading, element: Element, outer: Around, style: Style): Around {
  const within: Around = {
    ...outer,
    style,
    matrix: multiply(outer.matrix, transformOf(style.get('transform'))),
    opacity: outer.opacity * shareOf(style.get('opacity'), 1),
    depth: outer.depth + 1,
  };
  return maskedBy(reading, element, style, clippedBy(reading, element, style, within));
}

/** What an element names in a property, where that is of a kind. */
function namedBy(reading: Reading, style: Style, property: string, kind: string): Element | undefined {
  const id = urlId(style.get(property));
  const found = id ? reading.byId(id) : undefined;
  return found?.localName === kind ? found : undefined;
}

function clippedBy(reading: Reading, element: Element, style: Style, within: Around): Around {
  const clip = namedBy(reading, style, 'clip-path', 'clipPath');
  if (!clip) return within;
  const here = clipOf(reading, clip, within, boxOf(reading, element, style, within.viewport));
  return { ...within, clip: within.clip ? clipped(here, within.clip) : here };
}

function maskedBy(reading: Reading, element: Element, style: Style, within: Around): Around {
  const mask = namedBy(reading, style, 'mask', 'mask');
  if (!mask || within.using.includes(mask)) return within;
  const box = boxOf(reading, element, style, within.viewport);
  const own = inherit(reading, mask, new Map());
  const masked = maskOf(reading, mask, style, within, box, (quiet, inside) =>
    children(mask).flatMap((child) => drawn(quiet, child, { ...inside, style: own, using: [...within.using, mask] })),
  );
  if (!masked) {
    reading.note(NOT_KEPT['mask']!);
    return within;
  }
  if (masked.fade && within.fade) reading.note('Of two fades over one another the inner one is kept.');
  const clip = masked.clip && within.clip ? clipped(masked.clip, within.clip) : (masked.clip ?? within.clip);
  return {
    ...within,
    clip,
    opacity: within.opacity * masked.opacity,
    ...(masked.fade ? { fade: masked.fade } : {}),
  };
}

/** What an element shows, with all that lies in it. */
export function drawn(reading: Reading, element: Element, outer: Around): ArtItem[] {
  const { localName } = element;
  reading.count(1);
  if (localName === null || isTooDeep(outer.depth)) return [];
  if (isLeftOut(reading, localName) || SILENT.has(localName)) return [];
  const style = inherit(reading, element, outer.style);
  if (style.get('display') === 'none') return [];
  noteEffects(reading, style);
  const within = withinOf(reading, element, outer, style);
  if (shareOf(style.get('opacity'), 1) < 1 && SEEN_THROUGH.has(localName) && children(element).length > 1)
    reading.note('A group that is seen through is seen through piece by piece.');
  const name = element.getAttribute('id') ?? undefined;
  const holder = Object.hasOwn(HOLDERS, localName) ? HOLDERS[localName] : undefined;
  if (holder) return grouped(name, holder(reading, element, within, style));
  const outline =
    localName === 'text' ? textPath(reading, element, style, within) : outlineOfSvg(element, style, within.viewport);
  if (outline && MARKED.has(localName)) {
    const marks = marksOn(reading, outline, style, within, (marker, inside) =>
      children(marker).flatMap((child) => drawn(reading, child, inside)),
    );
    return [...painted(reading, outline, style, within, name), ...marks];
  }
  if (outline) return painted(reading, outline, style, within, name);
  reading.note(`<${localName}> is not known here and is left out.`);
  return [];
}

/** What a drawing inside the drawing, or a symbol, shows in its own viewport. */
function nested(reading: Reading, element: Element, within: Around, style: Style, size?: Viewport): ArtItem[] {
  const { width: w, height: h } = within.viewport;
  const length = (name: string, whole: number): number => lengthOf(style.get(name) ?? '100%', whole) ?? whole;
  const viewport = size ?? { width: length('width', w), height: length('height', h) };
  const isSymbol = element.localName === 'symbol';
  const [x, y] = isSymbol ? [0, 0] : [lengthOf(style.get('x') ?? '0', w) ?? 0, lengthOf(style.get('y') ?? '0', h) ?? 0];
  const box = viewBoxOf(element.getAttribute('viewBox'));
  const placed = multiply(within.matrix, [1, 0, 0, 1, x, y]);
  const matrix = multiply(placed, viewMatrix(box, viewport, element.getAttribute('preserveAspectRatio')));
  const inside = { ...within, matrix, viewport: box ? { width: box.width, height: box.height } : viewport };
  const items = children(element).flatMap((child) => drawn(reading, child, inside));
  if ((style.get('overflow') ?? 'hidden') === 'visible') return items;
  const frame = transformPath(boxPath({ x: 0, y: 0, ...viewport }), placed);
  return items.flatMap((item) => cutTo(item, frame));
}

function used(reading: Reading, element: Element, within: Around, style: Style): ArtItem[] {
  const target = linked(reading, element);
  if (!target || within.using.includes(target)) return [];
  const { width: w, height: h } = within.viewport;
  const x = lengthOf(style.get('x') ?? '0', w) ?? 0;
  const y = lengthOf(style.get('y') ?? '0', h) ?? 0;
  const moved: Around = {
    ...within,
    matrix: multiply(within.matrix, [1, 0, 0, 1, x, y]),
    using: [...within.using, target],
  };
  if (target.localName !== 'symbol') return drawn(reading, target, moved);
  const own = inherit(reading, target, style);
  const size = (name: string, whole: number): number => lengthOf(style.get(name) ?? '100%', whole) ?? whole;
  const viewport = { width: size('width', w), height: size('height', h) };
  return nested(reading, target, { ...moved, style: own }, own, viewport);
}
