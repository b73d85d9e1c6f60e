import { multiply } from '../geometry/matrix';
import { type Path, pathData, transformPath } from '../geometry/path';
import type { Font } from '../type/font';
import { type GlyphRun, runMatrix } from './device';

/** Where each glyph of a run stands, from left to right, before the run is moved and turned to its place. */
export function* placed({ font, size, glyphs }: GlyphRun): Generator<{ id: number; x: number; y: number }> {
  const scale = size / font.upem;
  let pen = 0;
  for (const { id, dx, dy, advance } of glyphs) {
    yield { id, x: pen + dx * scale, y: -dy * scale };
    pen += advance * scale;
  }
}

/** The outlines of a run of glyphs as one path on the face. */
export function runOutline(run: GlyphRun): Path {
  const scale = run.size / run.font.upem;
  const out: Path[number][] = [];
  const place = runMatrix(run);
  for (const { id, x, y } of placed(run))
    out.push(
      ...transformPath(
        run.font.outline(id),
        multiply(multiply(place, [1, 0, 0, 1, x, y]), [scale, 0, 0, -scale, 0, 0]),
      ),
    );
  return out;
}

const round = (n: number): number => Math.round(n * 10_000) / 10_000;

/** A glyph as SVG path data that goes on from the pen's place: every step is relative, so it can stand anywhere. */
function relativeData(path: Path, scale: number): string {
  const parts: string[] = [];
  // What has been written so far, rounded as it was: the next step makes up for it, so errors do not add up.
  let at = { x: 0, y: 0 };
  let start = at;
  for (const segment of path) {
    if (segment[0] === 'Z') {
      parts.push('z');
      at = start;
      continue;
    }
    const [op, ...n] = segment;
    const steps: number[] = [];
    for (let i = 0; i < n.length; i += 2) steps.push(round(n[i]! * scale - at.x), round(-n[i + 1]! * scale - at.y));
    parts.push(op.toLowerCase() + steps.join(' '));
    at = { x: at.x + steps.at(-2)!, y: at.y + steps.at(-1)! };
    if (op === 'M') start = at;
  }
  return parts.join('');
}

const kept = new WeakMap<Font, Map<string, string>>();

function glyphData(font: Font, glyph: number, size: number): string {
  const known = kept.get(font) ?? new Map<string, string>();
  kept.set(font, known);
  const key = `${glyph} ${size}`;
  const found = known.get(key) ?? relativeData(font.outline(glyph), size / font.upem);
  known.set(key, found);
  return found;
}

/** The outlines of a run as SVG path data. Each glyph is written once for each size, so a long letter costs little. */
export function runData(run: GlyphRun): string {
  if (run.angle) return pathData(runOutline(run));
  let data = '';
  for (const { id, x, y } of placed(run)) {
    const glyph = glyphData(run.font, id, run.size);
    if (glyph !== '') data += `M${round(run.x + x)} ${round(run.baseline + y)}${glyph}`;
  }
  return data;
}
