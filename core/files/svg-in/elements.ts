import type { Fill, Stroke } from '../../colour/fill';
import type { Paint } from '../../colour/paint';
import type { Box } from '../../geometry/box';
import { invert, type Matrix, multiply, ontoBox } from '../../geometry/matrix';
import { transformPath } from '../../geometry/path';
import { framedOutline } from '../../job/edits/outlines';
import { makeShape } from '../../job/make';
import type { Element, Group, Shape } from '../../job/schema';
import type { ArtColour, ArtItem, SvgArt } from './read';

/** A drawing as elements of a face, the lowest first, and the groups that they lie in. */
export interface ArtElements {
  elements: Element[];
  groups: Group[];
}

export interface ArtAsked {
  /** The inks that the drawing's colours are printed in, by #rrggbb. */
  paints: ReadonlyMap<string, Paint>;
  /** Where the drawing lies on the face, points; its proportions are kept by whoever asks. */
  at: Box;
  /** Makes a new id each time. */
  newId(): string;
  /** What the whole is called. */
  name: string;
}

const BLACK: Paint = { ink: 'black', tint: 1 };

/** How much lines grow from the drawing to the face. */
const growth = ([a, b, c, d]: Matrix): number => Math.sqrt(Math.abs(a * d - b * c));

function fillOf(colour: ArtColour, place: Matrix, frame: Box, paints: ArtAsked['paints']): Fill {
  const paint = (hex: string): Paint => paints.get(hex) ?? BLACK;
  if (colour.kind === 'flat') return paint(colour.hex);
  const back = invert(ontoBox(frame));
  const inFrame = multiply(back ?? [1, 0, 0, 1, 0, 0], multiply(place, colour.matrix));
  return {
    kind: colour.kind,
    place: [...inFrame] as [number, number, number, number, number, number],
    stops: colour.stops.map(({ at, hex, alpha }) => {
      const { ink, tint } = paint(hex);
      return { at, ink, tint, ...(alpha < 1 ? { cover: alpha } : {}) };
    }),
  };
}

/** A drawing laid on a face: an element for each of its areas and lines, in groups as it has them, and all in one. */
export function elementsOfArt(art: SvgArt, { paints, at, newId, name }: ArtAsked): ArtElements {
  const place: Matrix = [at.width / art.width, 0, 0, at.height / art.height, at.x, at.y];
  const elements: Element[] = [];
  const groups: Group[] = [];

  function shapeOf(item: Exclude<ArtItem, { kind: 'group' }>, group: string | undefined): Shape | undefined {
    const framed = framedOutline(transformPath(item.path, place));
    if (!framed) return undefined;
    const fill = fillOf(item.colour, place, framed, paints);
    const scale = growth(place);
    const stroke: Stroke | undefined =
      item.kind === 'line'
        ? {
            ...item.pen,
            weight: Math.max(0.01, item.pen.weight * scale),
            ...(item.pen.dash ? { dash: item.pen.dash.map((length) => length * scale) } : {}),
            paint: 'kind' in fill ? BLACK : fill,
          }
        : undefined;
    return makeShape({
      id: newId(),
      ...framed,
      paint: stroke ? { kind: 'none' } : fill,
      ...(stroke ? { stroke } : {}),
      ...(item.opacity < 1 ? { opacity: item.opacity } : {}),
      ...(item.name ? { name: item.name.slice(0, 120) } : {}),
      ...(group ? { group } : {}),
    });
  }

  function add(items: readonly ArtItem[], group: string | undefined): void {
    for (const [i, item] of items.entries()) {
      if (item.kind === 'group') {
        const id = newId();
        groups.push({ id, ...(item.name ? { name: item.name.slice(0, 120) } : {}), ...(group ? { group } : {}) });
        add(item.items, id);
        continue;
      }
      const shape = shapeOf(item, group);
      const last = elements.at(-1);
      // A line right on the area that it goes round is that shape's outline.
      const before = items[i - 1];
      if (
        shape?.stroke &&
        item.kind === 'line' &&
        before?.kind === 'area' &&
        last?.kind === 'shape' &&
        !last.stroke &&
        last.outline === shape.outline &&
        last.opacity === shape.opacity &&
        last.opacity === undefined
      )
        elements[elements.length - 1] = { ...last, stroke: shape.stroke };
      else if (shape) elements.push(shape);
    }
  }

  const many = art.items.length > 1 || art.items[0]?.kind === 'group';
  const [only] = art.items;
  const whole = many ? newId() : undefined;
  if (whole) groups.push({ id: whole, name });
  add(only?.kind === 'group' && art.items.length === 1 ? only.items : art.items, whole);
  const [single] = elements;
  if (!whole && single) elements[0] = { ...single, name };
  return { elements, groups };
}
