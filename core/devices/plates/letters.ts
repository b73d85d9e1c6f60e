import { flatten } from '../../geometry/flatten';
import { apply, type Matrix, multiply } from '../../geometry/matrix';
import { type GlyphRun, runMatrix } from '../../scene/device';
import { placed } from '../../scene/run-outline';
import type { Font } from '../../type/font';
import { TOLERANCE } from './cover';

/** The straight pieces of a glyph in font units: rings of x, y, each ring an array of its own. */
type Rings = Float64Array[];

const kept = new WeakMap<Font, Map<string, Rings>>();

/** A glyph's rings, fine enough for so many cells a font unit; kept for the next power of two, as letters come again and again. */
function ringsOf(font: Font, id: number, scale: number): Rings {
  const fineness = Math.ceil(Math.log2(scale));
  const glyphs = kept.get(font) ?? new Map<string, Rings>();
  kept.set(font, glyphs);
  const key = `${id} ${fineness}`;
  const found = glyphs.get(key);
  if (found) return found;
  const rings = flatten(font.outline(id), TOLERANCE / 2 ** fineness).map(({ points }) =>
    Float64Array.from(points.flatMap(({ x, y }) => [x, y])),
  );
  glyphs.set(key, rings);
  return rings;
}

/** The edges of a run's letters in cells, four numbers each; `toGrid` brings the face to cells and scales both ways alike. */
export function letterEdges(run: GlyphRun, toGrid: Matrix): number[] {
  const { font, size } = run;
  const units = size / font.upem;
  const onGrid = multiply(toGrid, runMatrix(run));
  const scale = units * Math.hypot(onGrid[0], onGrid[1]);
  const edges: number[] = [];
  if (!(scale > 0)) return edges;
  const [a, b, c, d] = [onGrid[0] * units, onGrid[1] * units, -onGrid[2] * units, -onGrid[3] * units];
  for (const { id, x, y } of placed(run)) {
    const { x: e, y: f } = apply(onGrid, { x, y });
    for (const ring of ringsOf(font, id, scale)) {
      const last = ring.length - 2;
      let fromX = a * ring[last]! + c * ring[last + 1]! + e;
      let fromY = b * ring[last]! + d * ring[last + 1]! + f;
      for (let i = 0; i < ring.length; i += 2) {
        const toX = a * ring[i]! + c * ring[i + 1]! + e;
        const toY = b * ring[i]! + d * ring[i + 1]! + f;
        if (fromY !== toY) edges.push(fromX, fromY, toX, toY);
        fromX = toX;
        fromY = toY;
      }
    }
  }
  return edges;
}
