import { alongFor, beside, placeAlong, reversed, type Walk } from '../geometry/walk';
import type { SetRun } from './set-run';
import { anchorShare, type SetWords } from './set-words';
import type { Alignment } from './style';

/** How words stand on a line. Lengths in points. */
export interface PathSetting {
  /** Along the line from its beginning: where the words begin, have their middle or end, as they are aligned. */
  start: number;
  /** The side of the line the letters are on: a closed line's outside, an open one's left. */
  side: 'outside' | 'inside';
  /** Forwards is clockwise round a closed line. Backwards the letters' heads point the other way. */
  backwards: boolean;
  /** Between the line and the nearer of the letters' feet or heads. */
  lift: number;
}

/** One glyph at its place: its origin, and how far it is turned in degrees clockwise. */
export interface TurnedGlyph {
  run: SetRun;
  index: number;
  x: number;
  y: number;
  angle: number;
}

/** How far the tallest of the glyphs reaches above its baseline, in points. */
const reach = (runs: readonly SetRun[]): number =>
  Math.max(
    0,
    ...runs.flatMap(({ font, glyphs, lettering }) =>
      glyphs.map(({ id, dy }) => {
        const ink = font.ink(id);
        return ink ? ((ink.y + ink.height + dy) * lettering.size) / font.upem : 0;
      }),
    ),
  );

export interface OnPath {
  glyphs: TurnedGlyph[];
  /** How long the words are, and how long the line they stand on. */
  words: number;
  line: number;
}

/** Places every glyph of some set words, one line after another as one, so that its middle stands square to the line. */
export function onPath(
  { lines }: Pick<SetWords, 'lines'>,
  walk: Walk,
  { start, side, backwards, lift }: PathSetting,
  align: Alignment,
): OnPath {
  const words = lines.reduce((sum, line) => sum + line.width, 0);
  if (walk.pieces.length === 0) return { glyphs: [], words, line: 0 };
  const headsPointTo = backwards ? 'inside' : 'outside';
  const runs = lines.flatMap((line) => line.runs);
  const off = side === headsPointTo ? lift : -(lift + reach(runs));
  const line = beside(backwards ? reversed(walk) : walk, off);
  if (line.pieces.length === 0) return { glyphs: [], words, line: 0 };
  const wrapped = walk.closed ? ((start % walk.length) + walk.length) % walk.length : start;
  const anchor = alongFor(line, backwards ? walk.length - wrapped : wrapped);
  const wrap = (along: number): number =>
    walk.closed && line.length > 0 ? ((along % line.length) + line.length) % line.length : along;
  const glyphs: TurnedGlyph[] = [];
  let lineStart = anchor - anchorShare(align) * words;
  for (const { runs: inLine, width } of lines) {
    for (const run of inLine) {
      const scale = run.lettering.size / run.font.upem;
      let pen = lineStart + run.x;
      run.glyphs.forEach((glyph, index) => {
        const advance = glyph.advance * scale;
        const { x, y, angle } = placeAlong(line, wrap(pen + advance / 2));
        const shift = run.lettering.shift;
        glyphs.push({
          run,
          index,
          x: x - (advance / 2) * Math.cos(angle) + shift * Math.sin(angle),
          y: y - (advance / 2) * Math.sin(angle) - shift * Math.cos(angle),
          angle: (angle * 180) / Math.PI,
        });
        pen += advance;
      });
    }
    lineStart += width;
  }
  return { glyphs, words, line: line.length };
}
