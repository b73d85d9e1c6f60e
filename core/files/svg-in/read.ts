import type { Element, Node } from '@xmldom/xmldom';
import type { Pen } from '../../colour/fill';
import { combine, fromEvenOdd } from '../../geometry/boolean';
import type { Box } from '../../geometry/box';
import { IDENTITY, type Matrix, multiply, ontoBox } from '../../geometry/matrix';
import { strokeOutline } from '../../geometry/offset';
import { boxPath, type Path, pathBounds, transformPath } from '../../geometry/path';
import { runOutline } from '../../scene/run-outline';
import type { FontBook } from '../../type/font';
import { ownStyle, sheetOf } from './css';
import { type GradientSources, readGradient } from './gradients';
import { isTooDeep, openSvg, SvgError } from './guard';
import { outlineOfSvg, type Viewport } from './outlines';
import { colourOf, lengthOf, numbersOf, shareOf, transformOf } from './values';
import { viewBoxOf, viewMatrix } from './viewbox';

export { SvgError } from './guard';

/** A colour of the drawing, or colour that runs; `matrix` lays a gradient's own space on the art. */
export type ArtColour =
  | { kind: 'flat'; hex: string }
  | { kind: 'linear' | 'radial'; matrix: Matrix; stops: { at: number; hex: string; alpha: number }[] };

/** What a drawing is made of, in points from its top left corner; the lowest first. Areas are read by the non-zero rule. */
export type ArtItem =
  | { kind: 'group'; name: string | undefined; items: ArtItem[] }
  | { kind: 'area'; name: string | undefined; path: Path; colour: ArtColour; opacity: number }
  | { kind: 'line'; name: string | undefined; path: Path; pen: Pen; colour: ArtColour; opacity: number };

export interface SvgArt {
  width: number;
  height: number;
  items: ArtItem[];
  /** Its colours as #rrggbb, in the order they come. */
  colours: string[];
  /** What could not be kept as it was, in words. */
  notes: string[];
}

/** Points for each user unit. */
const POINTS = 72 / 96;
/** What a drawing without a size of its own is taken to have, as browsers do. */
const USUAL: Viewport = { width: 300, height: 150 };

/** Properties that an element takes over from what it lies in. */
// biome-ignore format: a list of words
const INHERITED = [
  'fill', 'fill-rule', 'fill-opacity', 'stroke', 'stroke-width', 'stroke-opacity', 'stroke-linecap', 'stroke-linejoin',
  'stroke-miterlimit', 'stroke-dasharray', 'stroke-dashoffset', 'color', 'visibility', 'font-size', 'font-family',
  'font-weight', 'font-style', 'text-anchor', 'letter-spacing', 'clip-rule', 'paint-order',
];

/** What is carried down from an element to what lies in it. */
interface Around {
  style: ReadonlyMap<string, string>;
  matrix: Matrix;
  viewport: Viewport;
  opacity: number;
  clip: Path | undefined;
  depth: number;
  /** Elements that are being used, so that none is used inside itself. */
  using: readonly Element[];
}

const CONTAINERS = new Set(['g', 'a', 'switch']);
// biome-ignore format: a list of words
const SILENT = new Set([
  'defs', 'style', 'title', 'desc', 'metadata', 'linearGradient', 'radialGradient', 'clipPath', 'symbol', 'namedview',
]);
const NOT_KEPT: Record<string, string> = {
  mask: 'A mask is left out: what it hid is seen.',
  filter: 'A filter is left out.',
  pattern: 'A pattern fill is left out.',
  marker: 'Arrowheads and other marks on lines are left out.',
  image: 'A picture inside the drawing is left out. Take it in as a picture of its own.',
  animate: 'Movement is left out.',
  animateTransform: 'Movement is left out.',
  animateMotion: 'Movement is left out.',
  set: 'Movement is left out.',
};

/** Reads an SVG drawing as areas and lines. Throws SvgError for one that is refused or damaged. */
export function readSvg(bytes: Uint8Array, fonts: FontBook): SvgArt {
  const document = openSvg(bytes);
  const notes = new Set<string>();
  const note = (text: string): void => {
    notes.add(text);
  };
  const sheet = sheetOf(document, note);
  const byId = (id: string): Element | undefined =>
    Array.from(document.getElementsByTagName('*')).find((element) => element.getAttribute('id') === id);
  const own = (element: Element): Map<string, string> => ownStyle(element, sheet);
  const gradients: GradientSources = { byId, style: own, note };
  const colours: string[] = [];
  const seen = (hex: string): string => {
    if (!colours.includes(hex)) colours.push(hex);
    return hex;
  };

  const children = (element: Element): Element[] =>
    Array.from(element.childNodes).filter((node: Node): node is Element => node.nodeType === 1);
  const linked = (element: Element): Element | undefined => {
    const href = element.getAttribute('href') ?? element.getAttribute('xlink:href');
    return href?.startsWith('#') ? byId(href.slice(1)) : undefined;
  };
  const urlId = (text: string | undefined): string | undefined =>
    /^\s*url\(\s*["']?#([^"')]+)["']?\s*\)/.exec(text ?? '')?.[1];

  /** What a fill or stroke property comes to for a path in its own units. */
  function colourFor(
    text: string,
    path: Path,
    style: ReadonlyMap<string, string>,
    around: Around,
  ): { colour: ArtColour; alpha: number } | undefined {
    const reference = urlId(text);
    if (reference !== undefined) {
      const target = byId(reference);
      const rest = text.slice(text.indexOf(')') + 1).trim();
      if (target?.localName === 'linearGradient' || target?.localName === 'radialGradient') {
        const found = readGradient(target, path, around.viewport, gradients);
        if (!found) return undefined;
        for (const stop of found.stops) seen(stop.hex);
        if (found.stops.some((stop) => stop.alpha < 1))
          note('Where a gradient was seen through it runs to paper instead.');
        const { kind, matrix, stops } = found;
        return { colour: { kind, matrix: multiply(around.matrix, matrix), stops }, alpha: 1 };
      }
      if (target?.localName === 'pattern') note(NOT_KEPT['pattern']!);
      return rest && rest !== 'none' ? colourFor(rest, path, style, around) : undefined;
    }
    const word = text.trim().toLowerCase();
    if (word === 'none' || word === 'transparent') return undefined;
    const found = colourOf(word === 'currentcolor' ? (style.get('color') ?? 'black') : text);
    if (!found) note(`The colour “${text}” cannot be read; black is used.`);
    const { hex, alpha } = found ?? { hex: '#000000', alpha: 1 };
    return alpha > 0 ? { colour: { kind: 'flat', hex: seen(hex) }, alpha } : undefined;
  }

  /** How lengths grow from an element's units to points: the same both ways, or not at all. */
  function evenScale([a, b, c, d]: Matrix): number | undefined {
    const [one, two] = [Math.hypot(a, b), Math.hypot(c, d)];
    const skew = Math.abs(a * c + b * d);
    return Math.abs(one - two) < 1e-6 * Math.max(one, two) && skew < 1e-6 * one * two ? one : undefined;
  }

  const clipped = (path: Path, clip: Path | undefined): Path =>
    clip ? (combine([path, clip], 'intersect')[0] ?? []) : path;

  function areaItem(
    path: Path,
    style: ReadonlyMap<string, string>,
    around: Around,
    name: string | undefined,
  ): ArtItem[] {
    const found = colourFor(style.get('fill') ?? 'black', path, style, around);
    const opacity = around.opacity * shareOf(style.get('fill-opacity'), 1) * (found?.alpha ?? 1);
    if (!found || opacity <= 0 || path.length < 2) return [];
    const there = transformPath(path, around.matrix);
    const whole = style.get('fill-rule') === 'evenodd' ? fromEvenOdd(there) : there;
    const cut = clipped(whole, around.clip);
    const box = pathBounds(cut);
    if (!box || box.width === 0 || box.height === 0) return [];
    return [{ kind: 'area', name, path: cut, colour: found.colour, opacity }];
  }

  function lineItem(
    path: Path,
    style: ReadonlyMap<string, string>,
    around: Around,
    name: string | undefined,
  ): ArtItem[] {
    const diagonal = Math.hypot(around.viewport.width, around.viewport.height) / Math.SQRT2;
    const weight = lengthOf(style.get('stroke-width') ?? '1', diagonal) ?? 1;
    const found = colourFor(style.get('stroke') ?? 'none', path, style, around);
    const opacity = around.opacity * shareOf(style.get('stroke-opacity'), 1) * (found?.alpha ?? 1);
    if (!found || opacity <= 0 || weight <= 0 || path.length < 2) return [];
    if (style.get('vector-effect') === 'non-scaling-stroke')
      note('A line that should keep its weight grows with the drawing.');
    const dashes = (style.get('stroke-dasharray') ?? 'none') === 'none' ? [] : numbersOf(style.get('stroke-dasharray'));
    const dash = dashes.some((length) => length > 0) && dashes.every((length) => length >= 0) ? dashes : undefined;
    const offset = lengthOf(style.get('stroke-dashoffset'), diagonal) ?? 0;
    const cap = { butt: 'flat', round: 'round', square: 'square' }[style.get('stroke-linecap') ?? ''] as Pen['cap'];
    const join = { miter: 'mitre', round: 'round', bevel: 'bevel' }[style.get('stroke-linejoin') ?? ''] as Pen['join'];
    const limit = lengthOf(style.get('stroke-miterlimit'), 1) ?? 4;
    const pen: Pen = { weight, ...(cap ? { cap } : {}), ...(join ? { join } : {}), ...(dash ? { dash } : {}) };
    const scale = evenScale(around.matrix);
    const isPlain = scale !== undefined && !around.clip && found.colour.kind === 'flat' && limit === 4 && offset === 0;
    if (isPlain && (dash?.length ?? 0) <= 8) {
      const scaled = {
        ...pen,
        weight: weight * scale,
        ...(dash ? { dash: dash.map((length) => length * scale) } : {}),
      };
      return [
        { kind: 'line', name, path: transformPath(path, around.matrix), pen: scaled, colour: found.colour, opacity },
      ];
    }
    // Any other line becomes the area that it covers.
    const area = transformPath(strokeOutline(path, { ...pen, mitreLimit: limit, dashOffset: offset }), around.matrix);
    const cut = clipped(area, around.clip);
    return cut.length === 0 ? [] : [{ kind: 'area', name, path: cut, colour: found.colour, opacity }];
  }

  function painted(
    path: Path,
    style: ReadonlyMap<string, string>,
    around: Around,
    name: string | undefined,
  ): ArtItem[] {
    if ((style.get('visibility') ?? 'visible') !== 'visible') return [];
    const area = areaItem(path, style, around, name);
    const line = lineItem(path, style, around, name);
    return /^\s*stroke/.test(style.get('paint-order') ?? '') ? [...line, ...area] : [...area, ...line];
  }

  /** All that a clip path lets through, in points; a clip of nothing lets nothing through. */
  function clipOf(element: Element, around: Around, box: Box | undefined): Path {
    const ownUnits = element.getAttribute('clipPathUnits') === 'objectBoundingBox';
    const matrix = multiply(
      around.matrix,
      multiply(ownUnits && box ? ontoBox(box) : IDENTITY, transformOf(own(element).get('transform'))),
    );
    const parts = children(element).flatMap((child): Path[] => {
      const target = child.localName === 'use' ? linked(child) : child;
      if (!target) return [];
      const style = inherit(target, inherit(child, inherit(element, around.style)));
      if (style.get('display') === 'none' || (style.get('visibility') ?? 'visible') !== 'visible') return [];
      const at = multiply(matrix, placeOf(child, target, around));
      const outline =
        target.localName === 'text' ? textPath(target, style, around) : outlineOfSvg(target, style, around.viewport);
      if (!outline || outline.length === 0) return [];
      const there = transformPath(outline, at);
      const whole = style.get('clip-rule') === 'evenodd' ? fromEvenOdd(there) : there;
      const inner = urlId(own(child).get('clip-path'));
      const innerClip = inner ? byId(inner) : undefined;
      return [
        innerClip && !around.using.includes(innerClip)
          ? clipped(whole, clipOf(innerClip, { ...around, using: [...around.using, innerClip] }, box))
          : whole,
      ];
    });
    const all = parts.length > 0 ? (combine(parts, 'unite')[0] ?? []) : [];
    const outer = urlId(own(element).get('clip-path'));
    const outerClip = outer ? byId(outer) : undefined;
    return outerClip && !around.using.includes(outerClip)
      ? clipped(all, clipOf(outerClip, { ...around, using: [...around.using, outerClip] }, box))
      : all;
  }
  const placeOf = (child: Element, target: Element, around: Around): Matrix => {
    const outer = transformOf(own(child).get('transform'));
    if (child === target) return outer;
    const { width, height } = around.viewport;
    const x = lengthOf(child.getAttribute('x') ?? '0', width) ?? 0;
    const y = lengthOf(child.getAttribute('y') ?? '0', height) ?? 0;
    return multiply(multiply(outer, [1, 0, 0, 1, x, y]), transformOf(own(target).get('transform')));
  };

  function inherit(element: Element, from: ReadonlyMap<string, string>): Map<string, string> {
    const style = new Map(INHERITED.flatMap((name) => (from.has(name) ? [[name, from.get(name)!] as const] : [])));
    for (const [name, value] of own(element))
      if (value !== 'inherit' || !INHERITED.includes(name)) style.set(name, value);
    const size = style.get('font-size');
    const outer = lengthOf(from.get('font-size'), 16) ?? 16;
    // Sizes that are of the size around them are settled here, so that what lies inside takes over the result.
    if (size) style.set('font-size', `${lengthOf(size, outer, outer) ?? outer}`);
    return style;
  }

  /** Words as one outline, in the units of their element. */
  function textPath(element: Element, style: ReadonlyMap<string, string>, around: Around): Path {
    const pen = { x: 0, y: 0 };
    const out: Path[number][] = [];
    let chunk: { path: Path; start: number; anchor: string | undefined } | undefined;
    const finish = (): void => {
      if (!chunk) return;
      const by = { middle: -0.5, end: -1 }[chunk.anchor ?? ''] ?? 0;
      out.push(...transformPath(chunk.path, [1, 0, 0, 1, by * (pen.x - chunk.start), 0]));
      chunk = undefined;
    };
    function visit(node: Element, now: ReadonlyMap<string, string>): void {
      const { width, height } = around.viewport;
      const size = lengthOf(now.get('font-size'), 16) ?? 16;
      const given = (name: string, whole: number): number | undefined => {
        const [first] = (node.getAttribute(name) ?? '').trim().split(/[\s,]+/);
        return first ? lengthOf(first, whole, size) : undefined;
      };
      const [x, y] = [given('x', width), given('y', height)];
      if (x !== undefined || y !== undefined) finish();
      pen.x = (x ?? pen.x) + (given('dx', width) ?? 0);
      pen.y = (y ?? pen.y) + (given('dy', height) ?? 0);
      for (const child of Array.from(node.childNodes)) {
        if (child.nodeType === 1 && (child as Element).localName === 'tspan') {
          const inner = inherit(child as Element, now);
          if (inner.get('display') !== 'none') visit(child as Element, inner);
        }
        if (child.nodeType !== 3) continue;
        const raw = (child.nodeValue ?? '').replace(/\s+/g, ' ');
        const text = chunk || out.length > 0 ? raw : raw.trimStart();
        if (text === '') continue;
        const isBold = /bold/.test(now.get('font-weight') ?? '') || Number(now.get('font-weight')) >= 600;
        const typeface = `source-sans-3/${isBold ? 'bold' : 'regular'}`;
        const font = fonts.font(typeface);
        const spacing = ((lengthOf(now.get('letter-spacing'), size, size) ?? 0) * font.upem) / size;
        const glyphs = font.shape({ text }).map((glyph) => ({ ...glyph, advance: glyph.advance + spacing }));
        chunk ??= { path: [], start: pen.x, anchor: now.get('text-anchor') };
        chunk.path = [...chunk.path, ...runOutline({ typeface, font, size, text, glyphs, x: pen.x, baseline: pen.y })];
        pen.x += glyphs.reduce((sum, glyph) => sum + (glyph.advance * size) / font.upem, 0);
        note(
          `The words “${text.trim().slice(0, 40)}” are outlines in Source Sans 3${now.get('font-family') ? ` instead of ${now.get('font-family')!.split(',')[0]}` : ''}.`,
        );
      }
    }
    visit(element, style);
    finish();
    return out;
  }

  /** The box of something in its own units, for clips that are measured by it. */
  function boxOf(element: Element, style: ReadonlyMap<string, string>, viewport: Viewport): Box | undefined {
    const outline = outlineOfSvg(element, style, viewport);
    if (outline) return pathBounds(outline);
    const boxes = children(element).flatMap((child) => {
      const inner = boxOf(child, inherit(child, style), viewport);
      if (!inner) return [];
      const path = transformPath(boxPath(inner), transformOf(own(child).get('transform')));
      return pathBounds(path) ?? [];
    });
    return boxes.length > 0 ? pathBounds(boxes.flatMap((box) => [...boxPath(box)])) : undefined;
  }

  function visit(element: Element, outer: Around): ArtItem[] {
    const { localName } = element;
    if (localName === null || isTooDeep(outer.depth)) return [];
    if (localName in NOT_KEPT) {
      // Masks, filters, patterns and marks do nothing until something refers to them.
      if (localName === 'image' || localName.startsWith('anim') || localName === 'set') note(NOT_KEPT[localName]!);
      return [];
    }
    if (SILENT.has(localName)) return [];
    const style = inherit(element, outer.style);
    if (style.get('display') === 'none') return [];
    if (urlId(style.get('mask'))) note(NOT_KEPT['mask']!);
    if (urlId(style.get('filter'))) note(NOT_KEPT['filter']!);
    if (['marker', 'marker-start', 'marker-mid', 'marker-end'].some((name) => urlId(style.get(name))))
      note(NOT_KEPT['marker']!);
    if ((style.get('mix-blend-mode') ?? 'normal') !== 'normal')
      note('Colours that blend with what is below lie plainly on it.');
    const matrix = multiply(outer.matrix, transformOf(style.get('transform')));
    const opacity = outer.opacity * shareOf(style.get('opacity'), 1);
    const within: Around = { ...outer, style, matrix, opacity, depth: outer.depth + 1 };
    const clipId = urlId(style.get('clip-path'));
    const clip = clipId ? byId(clipId) : undefined;
    if (clip?.localName === 'clipPath') {
      const here = clipOf(clip, { ...within, using: [...within.using, clip] }, boxOf(element, style, within.viewport));
      within.clip = outer.clip ? clipped(here, outer.clip) : here;
    }
    const name = element.getAttribute('id') ?? undefined;
    const isContainer = CONTAINERS.has(localName);
    if (shareOf(style.get('opacity'), 1) < 1 && isContainer && children(element).length > 1)
      note('A group that is seen through is seen through piece by piece.');

    if (isContainer) {
      const inner = localName === 'switch' ? children(element).slice(0, 1) : children(element);
      return grouped(
        name,
        inner.flatMap((child) => visit(child, within)),
      );
    }
    if (localName === 'svg') return grouped(name, nested(element, within, style));
    if (localName === 'use') return grouped(name, used(element, within, style));
    if (localName === 'text') return painted(textPath(element, style, within), style, within, name);
    const outline = outlineOfSvg(element, style, within.viewport);
    if (!outline) {
      note(`<${localName}> is not known here and is left out.`);
      return [];
    }
    return painted(outline, style, within, name);
  }

  const grouped = (name: string | undefined, items: ArtItem[]): ArtItem[] =>
    items.length > 1 ? [{ kind: 'group', name, items }] : items;

  /** What a drawing inside the drawing, or a symbol, shows in its own viewport. */
  function nested(
    element: Element,
    within: Around,
    style: ReadonlyMap<string, string>,
    size?: Partial<Viewport>,
  ): ArtItem[] {
    const { width: w, height: h } = within.viewport;
    const length = (name: string, whole: number): number => lengthOf(style.get(name) ?? '100%', whole) ?? whole;
    const viewport = { width: size?.width ?? length('width', w), height: size?.height ?? length('height', h) };
    const isSymbol = element.localName === 'symbol';
    const [x, y] = isSymbol
      ? [0, 0]
      : [lengthOf(style.get('x') ?? '0', w) ?? 0, lengthOf(style.get('y') ?? '0', h) ?? 0];
    const box = viewBoxOf(element.getAttribute('viewBox'));
    const placed = multiply(within.matrix, [1, 0, 0, 1, x, y]);
    const matrix = multiply(placed, viewMatrix(box, viewport, element.getAttribute('preserveAspectRatio')));
    const shows = style.get('overflow') ?? 'hidden';
    const frame = transformPath(boxPath({ x: 0, y: 0, ...viewport }), placed);
    const inside = { ...within, matrix, viewport: box ? { width: box.width, height: box.height } : viewport };
    const shown = (clip: Path | undefined): ArtItem[] =>
      children(element).flatMap((child) => visit(child, { ...inside, clip }));
    const items = shown(within.clip);
    // Read once more, cut off by its frame, only where something sticks out of it.
    return shows === 'visible' || items.every((item) => fits(item, frame))
      ? items
      : shown(within.clip ? clipped(frame, within.clip) : frame);
  }

  function used(element: Element, within: Around, style: ReadonlyMap<string, string>): ArtItem[] {
    const target = linked(element);
    if (!target || within.using.includes(target)) return [];
    const { width: w, height: h } = within.viewport;
    const x = lengthOf(style.get('x') ?? '0', w) ?? 0;
    const y = lengthOf(style.get('y') ?? '0', h) ?? 0;
    const moved: Around = {
      ...within,
      matrix: multiply(within.matrix, [1, 0, 0, 1, x, y]),
      using: [...within.using, target],
    };
    if (target.localName !== 'symbol') return visit(target, moved);
    const own = inherit(target, style);
    const size = (name: 'width' | 'height', whole: number): number =>
      lengthOf(style.get(name) ?? '100%', whole) ?? whole;
    return nested(target, { ...moved, style: own }, own, { width: size('width', w), height: size('height', h) });
  }

  const root = document.documentElement!;
  const rootStyle = inherit(root, new Map());
  const box = viewBoxOf(root.getAttribute('viewBox'));
  const usual = box ?? USUAL;
  const size = {
    width: lengthOf(rootStyle.get('width') ?? '100%', usual.width) ?? usual.width,
    height: lengthOf(rootStyle.get('height') ?? '100%', usual.height) ?? usual.height,
  };
  // One side alone takes the other in proportion.
  if (box && rootStyle.has('width') && !rootStyle.has('height')) size.height = (size.width * box.height) / box.width;
  if (box && rootStyle.has('height') && !rootStyle.has('width')) size.width = (size.height * box.width) / box.height;
  if (!(size.width > 0 && size.height > 0))
    throw new SvgError('The drawing has no size: give it a width and a height.');
  const toPoints: Matrix = [POINTS, 0, 0, POINTS, 0, 0];
  const page: Around = {
    style: rootStyle,
    matrix: toPoints,
    viewport: size,
    opacity: shareOf(rootStyle.get('opacity'), 1),
    clip: undefined,
    depth: 0,
    using: [],
  };
  const matrix = multiply(toPoints, viewMatrix(box, size, root.getAttribute('preserveAspectRatio')));
  const frame = boxPath({ x: 0, y: 0, width: size.width * POINTS, height: size.height * POINTS });
  const inside: Around = { ...page, matrix, viewport: box ? { width: box.width, height: box.height } : size };
  const whole = children(root).flatMap((child) => visit(child, inside));
  const items = whole.every((item) => fits(item, frame))
    ? whole
    : children(root).flatMap((child) => visit(child, { ...inside, clip: frame }));
  if (items.length === 0) throw new SvgError('There is nothing to see in this drawing.');
  return { width: size.width * POINTS, height: size.height * POINTS, items, colours, notes: [...notes] };
}

/** Whether something lies inside a frame, so that nothing of it has to be cut off. */
function fits(item: ArtItem, frame: Path): boolean {
  if (item.kind === 'group') return item.items.every((each) => fits(each, frame));
  const [box, outer] = [pathBounds(item.path), pathBounds(frame)];
  const reach = item.kind === 'line' ? item.pen.weight / 2 : 0;
  if (!box || !outer) return true;
  return (
    box.x - reach >= outer.x - 0.01 &&
    box.y - reach >= outer.y - 0.01 &&
    box.x + box.width + reach <= outer.x + outer.width + 0.01 &&
    box.y + box.height + reach <= outer.y + outer.height + 0.01
  );
}
