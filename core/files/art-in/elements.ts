import type { Fill, Stroke } from '../../colour/fill';
import type { Paint } from '../../colour/paint';
import { type Box, middleOf } from '../../geometry/box';
import { apply, invert, type Matrix, multiply, ontoBox, turnAbout } from '../../geometry/matrix';
import { fullPathData, transformPath } from '../../geometry/path';
import { framedOutline } from '../../job/edits/outlines';
import { makePicture, makeShape, makeWords } from '../../job/make';
import type { Element, Group, Picture, Shape, Words } from '../../job/schema';
import { type TypeSources, wordsSet } from '../../scene/words';
import type { Art, ArtArea, ArtColour, ArtItem, ArtLine, ArtPaint, ArtPicture, ArtWords } from './art';

/** Art as elements of a face, the lowest first, and the groups that they lie in. */
export interface ArtElements {
  elements: Element[];
  groups: Group[];
}

export interface ArtAsked {
  /** The inks that the art's are printed in, by their keys. */
  paints: ReadonlyMap<string, Paint>;
  /** Where the art lies on the face, points; its proportions are kept by whoever asks. */
  at: Box;
  /** What its words are set from. */
  type: TypeSources;
  /** Makes a new id each time. */
  newId(): string;
  /** What the whole is called. */
  name: string;
}

const BLACK: Paint = { ink: 'black', tint: 1 };

/** How much lines grow from the art to the face. */
const growth = ([a, b, c, d]: Matrix): number => Math.sqrt(Math.abs(a * d - b * c));

/** What the elements of some art are made with: `place` lays the art on the face. */
interface Laying {
  art: Art;
  asked: ArtAsked;
  place: Matrix;
}

function paintOf({ asked }: Laying, { key, tint = 1 }: ArtPaint): Paint {
  const found = asked.paints.get(key) ?? BLACK;
  return { ink: found.ink, tint: found.tint * tint };
}

const common = (item: Exclude<ArtItem, { kind: 'group' }>) => ({
  ...(item.opacity < 1 ? { opacity: item.opacity } : {}),
  ...(item.name ? { name: item.name.slice(0, 120) } : {}),
  ...(item.overprints ? { overprint: 'overprints' as const } : {}),
});

/** A matrix in the unit square of a frame, as fills are laid. */
const inFrame = (frame: Box, matrix: Matrix): [number, number, number, number, number, number] => [
  ...multiply(invert(ontoBox(frame)) ?? [1, 0, 0, 1, 0, 0], matrix),
];

function fillOf(laying: Laying, colour: ArtColour, frame: Box): Fill {
  if (colour.kind === 'flat') return paintOf(laying, colour);
  return {
    kind: colour.kind,
    place: inFrame(frame, multiply(laying.place, colour.matrix)),
    ...(colour.focus ? { focus: colour.focus } : {}),
    stops: colour.stops.map(({ at, alpha, ...paint }) => ({
      at,
      ...paintOf(laying, paint),
      ...(alpha < 1 ? { cover: alpha } : {}),
    })),
  };
}

function shapeOf(laying: Laying, item: ArtArea | ArtLine): Shape | undefined {
  const { place, asked } = laying;
  const framed = framedOutline(transformPath(item.path, place));
  if (!framed) return undefined;
  const fill = fillOf(laying, item.colour, framed);
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
    id: asked.newId(),
    ...framed,
    paint: stroke ? { kind: 'none' } : fill,
    ...(stroke ? { stroke } : {}),
    ...common(item),
  });
}

/** Less than this is no turn: degrees. */
const LEVEL = 0.001;

/** A picture in a frame as large as it is, turned and mirrored as its matrix says. */
function pictureOf(laying: Laying, item: ArtPicture): Picture | undefined {
  const { art, asked, place } = laying;
  const found = art.pictures[item.picture];
  if (!found) return undefined;
  const there = multiply(place, item.place);
  const [a, b, c, d] = there;
  const [width, height] = [Math.hypot(a, b), Math.hypot(c, d)];
  const middle = apply(there, { x: 0.5, y: 0.5 });
  const frame: Box = { x: middle.x - width / 2, y: middle.y - height / 2, width, height };
  const isMirrored = a * d - b * c < 0;
  const turn = (Math.atan2(b, a) * 180) / Math.PI;
  // From the face to the frame as it lies level and its picture is upright in it.
  const upright = invert(there);
  const window = item.window && upright ? transformPath(transformPath(item.window, place), upright) : undefined;
  const fade = item.fade && upright && multiply(upright, multiply(place, item.fade.matrix));
  return makePicture({
    id: asked.newId(),
    ...frame,
    asset: found.hash,
    ...(Math.abs(turn) > LEVEL ? { turn } : {}),
    ...(isMirrored ? { flip: 'down' as const } : {}),
    ...(window && window.length > 0 ? { outline: fullPathData(window) } : {}),
    ...(item.ink ? { inks: [paintOf(laying, item.ink)] } : {}),
    ...(item.fade && fade
      ? { fade: { kind: item.fade.kind, place: [...fade] as [number, number, number, number, number, number] } }
      : {}),
    ...common(item),
  });
}

/** Words whose pen starts where the art's does. */
function wordsOf(laying: Laying, item: ArtWords): Words | undefined {
  const { asked, place } = laying;
  const scale = growth(place);
  const at = apply(place, { x: item.x, y: item.baseline });
  const [{ tracking } = { tracking: 0 }] = item.spans;
  const lettering = {
    typeface: item.typeface,
    size: Math.max(1, item.size * scale),
    paint: paintOf(laying, item.paint),
    ...(tracking === 0 ? {} : { tracking }),
  };
  const spans = item.spans.map((span) => ({
    text: span.text,
    ...(span.tracking === tracking ? {} : { tracking: span.tracking }),
  }));
  const words: Words = {
    ...makeWords({ id: asked.newId(), x: 0, y: 0, text: '', lettering }),
    paragraphs: [{ spans }],
  };
  const { frame, lines } = wordsSet(words, asked.type);
  const [line] = lines;
  if (!line) return undefined;
  // The pen's start is carried about the middle of the frame: the frame is laid so that it ends where it should.
  const pen = { x: line.x, y: line.baseline };
  const carried = apply(turnAbout(middleOf(frame), item.angle), pen);
  return {
    ...words,
    x: at.x - carried.x,
    y: at.y - carried.y,
    ...(Math.abs(item.angle) > LEVEL ? { turn: item.angle } : {}),
    ...common(item),
    // Small black words would else print on what is below them.
    overprint: item.overprints ? 'overprints' : 'knocks out',
  };
}

function elementOf(laying: Laying, item: Exclude<ArtItem, { kind: 'group' }>): Element | undefined {
  if (item.kind === 'picture') return pictureOf(laying, item);
  return item.kind === 'words' ? wordsOf(laying, item) : shapeOf(laying, item);
}

/** Art laid on a face: an element for each thing it is made of, in groups as it has them, and all in one. */
export function elementsOfArt(art: Art, asked: ArtAsked): ArtElements {
  const { at, newId, name } = asked;
  const place: Matrix = [at.width / art.width, 0, 0, at.height / art.height, at.x, at.y];
  const laying: Laying = { art, asked, place };
  const elements: Element[] = [];
  const groups: Group[] = [];

  function add(items: readonly ArtItem[], group: string | undefined): void {
    for (const [i, item] of items.entries()) {
      if (item.kind === 'group') {
        const id = newId();
        groups.push({ id, ...(item.name ? { name: item.name.slice(0, 120) } : {}), ...(group ? { group } : {}) });
        add(item.items, id);
        continue;
      }
      const made = elementOf(laying, item);
      if (!made) continue;
      const element: Element = group ? { ...made, group } : made;
      const last = elements.at(-1);
      // A line right on the area that it goes round is that shape's outline.
      const before = items[i - 1];
      if (
        element.kind === 'shape' &&
        element.stroke &&
        item.kind === 'line' &&
        before?.kind === 'area' &&
        last?.kind === 'shape' &&
        !last.stroke &&
        last.outline === element.outline &&
        last.overprint === element.overprint &&
        last.opacity === element.opacity &&
        last.opacity === undefined
      )
        elements[elements.length - 1] = { ...last, stroke: element.stroke };
      else elements.push(element);
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
