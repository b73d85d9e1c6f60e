import type { Plates } from '../colour/ink';
import type { Matrix } from '../geometry/matrix';
import type { Path } from '../geometry/path';
import type { Font, Glyph } from '../type/font';

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

/** A picture by the hash of its bytes, and its upright size in pixels. */
export interface ImageRef {
  asset: string;
  width: number;
  height: number;
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
  endClip(): void;
  /** Fills by the non-zero winding rule. */
  fillPath(path: Path, plates: Plates): void;
  /** Strokes with flat ends, `weight` points wide. */
  strokePath(path: Path, weight: number, plates: Plates): void;
  showGlyphs(run: GlyphRun, plates: Plates): void;
  /** The glyphs up to the end stand for these words together, wherever each of them stands. */
  beginWords(text: string): void;
  endWords(): void;
  /** The whole picture; `place` lays the unit square, top left corner first, on the face. */
  drawImage(image: ImageRef, place: Matrix): void;
}
