import { multiply } from '../geometry/matrix';
import { type Path, transformPath } from '../geometry/path';
import type { GlyphRun } from '../scene/device';

/** The outlines of a run of glyphs as one path on the face. */
export function runOutline({ font, size, glyphs, x, baseline }: GlyphRun): Path {
  const scale = size / font.upem;
  const out: Path[number][] = [];
  let pen = x;
  for (const glyph of glyphs) {
    const at = multiply([1, 0, 0, 1, pen + glyph.dx * scale, baseline - glyph.dy * scale], [scale, 0, 0, -scale, 0, 0]);
    out.push(...transformPath(font.outline(glyph.id), at));
    pen += glyph.advance * scale;
  }
  return out;
}
