import type { Font, Glyph } from './font';
import type { Lettering } from './style';

/** Glyphs of one look at their place in a line. `x` in points from the line's start; `glyphs` carry tracking and justification. */
export interface SetRun {
  lettering: Lettering;
  font: Font;
  text: string;
  glyphs: readonly Glyph[];
  x: number;
  width: number;
}
