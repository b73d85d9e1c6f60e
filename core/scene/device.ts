import type { Blend } from '../colour/blend';
import type { Pen } from '../colour/fill';
import type { Plates } from '../colour/ink';
import type { Matrix } from '../geometry/matrix';
import type { Path } from '../geometry/path';
import type { Separation } from '../picture/separate';
import type { Font, Glyph } from '../type/font';
import type { Colour, Coverage } from './colour';

/** Glyphs of one font and size on one baseline. `x`, `baseline` and `size` in points. */
export interface GlyphRun {
  typeface: string;
  font: Font;
  size: number;
  /** The words the glyphs stand for; a glyph's `cluster` is an index into it. */
  text: string;
  glyphs: readonly Glyph[];
  x: number;
  baseline: number;
  /** Turned about (x, baseline) by so many degrees clockwise; not at all where it is left out. */
  angle?: number;
}

/** The matrix from glyph space turned upright (points, y down, origin at the pen's start) to the face. */
export function runMatrix({ x, baseline, angle = 0 }: Pick<GlyphRun, 'x' | 'baseline' | 'angle'>): Matrix {
  const [cos, sin] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
  return [cos, sin, -sin, cos, x, baseline];
}

/** A picture by the hash of its bytes, its upright size in pixels, and how it becomes plates. */
export interface ImageRef {
  asset: string;
  width: number;
  height: number;
  separation: Separation;
  /** The plates of a page of a PDF, which has cells instead of pixels. */
  page?: readonly string[];
}

/** Tells a picture separated in one way from all others. */
export const imageKey = ({ asset, separation }: Pick<ImageRef, 'asset' | 'separation'>): string =>
  Object.keys(separation).length === 0 ? asset : `${asset} ${JSON.stringify(separation)}`;

/** A grid of amounts of one colour, 0 to 255, a byte a cell, rows from the top. */
export interface Tone {
  width: number;
  height: number;
  amounts: Uint8Array;
}

/**
 * Anything that can draw a face. Lengths in points from the trim's top left corner, y down; every colour is
 * amounts of ink by plate. Calls between a begin and its end nest. A device never asks what is being drawn.
 */
export interface Device {
  /** An element of the face starts; devices that keep elements apart use its id. */
  beginElement(id: string): void;
  endElement(): void;
  /** What follows shows only inside the path. */
  beginClip(path: Path): void;
  /** What follows shows only inside the letters, which stay words. */
  beginGlyphClip(runs: readonly GlyphRun[]): void;
  endClip(): void;
  /** What follows is one thing that covers `opacity` (0 to 1) of what is below it. */
  beginGroup(opacity: number): void;
  endGroup(): void;
  /** What follows shows as much as the coverage says. */
  beginFade(coverage: Coverage): void;
  endFade(): void;
  /** What follows prints on the inks below it: only the plates it names change, a process plate only where it has ink. */
  beginOverprint(): void;
  endOverprint(): void;
  /** Fills by the non-zero winding rule. */
  fillPath(path: Path, colour: Colour): void;
  /** Draws a line along a path; flat ends and mitred joins, unless the pen says otherwise. */
  strokePath(path: Path, pen: Pen, colour: Colour): void;
  showGlyphs(run: GlyphRun, colour: Colour): void;
  /** The glyphs up to the end stand for these words together, wherever each of them stands. */
  beginWords(text: string): void;
  endWords(): void;
  /** The whole picture; `place` lays the unit square, top left corner first, on the face. */
  drawImage(image: ImageRef, place: Matrix): void;
  /** One colour in amounts; `place` lays the unit square, top left corner first, on the face. */
  drawTone(tone: Tone, place: Matrix, colour: Plates): void;
}

/** What devices that lay plates can do besides: what of others' files no element of this app has. */
export interface Blending {
  /** What follows, up to the end of a group, is a group by itself: what overprints in it prints over nothing below it. */
  beginApart(): void;
  /** What follows, up to the end of a group, mixes with what lies below it. */
  beginBlend(blend: Blend): void;
  /** How light a drawing on a ground of those inks is at each cell, 0 to 1. */
  lightOf(ground: Plates, draw: (device: Device) => void): Light;
  /** How much of each cell a drawing covers, 0 to 1. */
  coverageOf(draw: (device: Device) => void): Light;
  /** What follows, up to the end of a group, shows as much as the light says. */
  beginLight(light: Light): void;
}
export type MayBlend = Device & { blending?: Blending };
/** A share for each cell of a device. */
export interface Light {
  cells: Float32Array;
}

/** The calls that say nothing of where ink lies: for devices that only ask that. */
export const UNHEARD = {
  beginElement() {},
  endElement() {},
  beginGroup() {},
  endGroup() {},
  beginFade() {},
  endFade() {},
  beginOverprint() {},
  endOverprint() {},
  beginWords() {},
  endWords() {},
} satisfies Partial<Device>;
