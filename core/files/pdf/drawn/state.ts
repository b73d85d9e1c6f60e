import type { Blend } from '../../../colour/blend';
import type { Plates } from '../../../colour/ink';
import type { LaidPicture } from '../../../devices/plates/device';
import type { Box, Point } from '../../../geometry/box';
import { IDENTITY, type Matrix } from '../../../geometry/matrix';
import type { Path, Segment } from '../../../geometry/path';
import type { Colour, Coverage } from '../../../scene/colour';
import type { Light, MayBlend } from '../../../scene/device';
import type { Operation } from '../parsed/file';
import { type Dict, Name, type Stream, type Value } from '../parsed/syntax';
import { numbersOf, type PdfView } from '../parsed/view';
import type { FontRead } from './fonts';
import type { Hear } from './hear';
import type { gray, ImageRead } from './images';
import type { Reach } from './shade-reach';
import { type ScreenInks, type Space, spaceOf } from './spaces';

/** What a page is drawn with, and the state of its drawing (ISO 32000-1, 8.4). */

/** A colour, or a tile that is laid instead of one. */
export interface Paint {
  space: Space;
  colour: Colour | undefined;
  /** What lays its parent's space on the device goes with it. */
  tile?: { stream: Stream; home: Matrix };
  /** What a tile without colours of its own is drawn in. */
  tileIn?: Colour;
  /** How far a gradient reaches, where it ends. */
  reach?: Reach;
  /** A mesh instead of a colour, or another that is laid cell by cell, and what lays its space on the device. */
  mesh?: { stream: Stream | Dict; matrix: Matrix };
}

export type How = 'fill' | 'stroke';

export interface State {
  ctm: Matrix;
  /** What lays the space that the content began with on the device: patterns that it names lie in that (8.7.3.1). */
  home: Matrix;
  paint: Record<How, Paint>;
  weight: number;
  cap: number;
  join: number;
  dash: readonly number[];
  opacity: Record<How, number>;
  overprint: Record<How, boolean>;
  mask: Coverage | Light | undefined;
  blend: Blend | undefined;
  font: FontRead | undefined;
  size: number;
  text: { char: number; word: number; wide: number; leading: number; mode: number; rise: number };
  /** Clips that have been begun on the device since the content began. */
  clips: number;
}

export type InksOf = (space: Space, values: readonly number[]) => Plates;

/** What all contents of a page share. */
export interface Drawing {
  view: PdfView;
  device: MayBlend;
  hear: Hear;
  /** From the page's units to the device's. */
  base: Matrix;
  /** The page's sheet on the device. */
  sheet: Box;
  /** Pictures by the names that the device is given. */
  pictures: Map<string, LaidPicture>;
  fonts: Map<Dict, FontRead>;
  images: Map<Stream, { key: string; read: ImageRead }>;
  /** Shapes of one colour: letters can be that, and come again and again. */
  stencils: Map<Stream, { read: ImageRead; stencil: ReturnType<typeof gray> }>;
  /** Operations so far. */
  count: number;
  /** How many letters that are contents themselves are being drawn, one in another. */
  lettering: number;
  /** Masks that have been laid aside so far, and the last of them. */
  masks: number;
  lastMask?: { mask: Dict; key: string; light: Light };
  /** A colour of a space as amounts of ink. */
  inksOf: InksOf;
  screenInks: ScreenInks | undefined;
  /** Draws a content that lies within another. */
  run(content: readonly Operation[], resources: Dict, from: State, deep: number): void;
}

/** A content while it is drawn. */
export interface Running {
  drawing: Drawing;
  resources: Dict;
  /** How many contents it lies in. */
  deep: number;
  state: State;
  saved: State[];
  path: Segment[];
  at: Point;
  clipNext: 'nonzero' | 'evenodd' | undefined;
  /** The text matrix, and that of the line. */
  letter: Matrix;
  line: Matrix;
  /** Letters that will clip. */
  letters: Path[];
  /** What marked contents say that they stand for. */
  told: (string | undefined)[];
}

export const begun = (drawing: Drawing, resources: Dict, from: State, deep: number): Running => ({
  drawing,
  resources,
  deep,
  state: { ...from },
  saved: [],
  path: [],
  at: { x: 0, y: 0 },
  clipNext: undefined,
  letter: IDENTITY,
  line: IDENTITY,
  letters: [],
  told: [],
});

const deviceSpace = (view: PdfView, name: string): Space => spaceOf(view, new Name(name), new Map())!;

/** A colour of one of the device's own spaces. */
export function devicePaint(
  { view, inksOf }: Pick<Drawing, 'view' | 'inksOf'>,
  name: string,
  values: readonly number[],
): Paint {
  const space = deviceSpace(view, name);
  return { space, colour: inksOf(space, values) };
}

export function firstState(drawing: Drawing): State {
  const black = devicePaint(drawing, 'DeviceGray', [0]);
  return {
    ctm: drawing.base,
    home: drawing.base,
    paint: { fill: black, stroke: black },
    weight: 1,
    cap: 0,
    join: 0,
    dash: [],
    opacity: { fill: 1, stroke: 1 },
    overprint: { fill: false, stroke: false },
    mask: undefined,
    blend: undefined,
    font: undefined,
    size: 0,
    text: { char: 0, word: 0, wide: 1, leading: 0, mode: 0, rise: 0 },
    clips: 0,
  };
}

export function matrixOf(view: PdfView, value: Value | undefined): Matrix {
  const numbers = numbersOf(view, value);
  return numbers.length === 6 && numbers.every(Number.isFinite) ? (numbers as unknown as Matrix) : IDENTITY;
}
