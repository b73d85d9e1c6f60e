import { pathData } from '../geometry/path';
import type { Device } from '../scene/device';

/** A device that writes down what it is told to draw, one line a call: for tests, and to compare two faces. */
export function traceDevice(): Device & { lines: string[] } {
  const lines: string[] = [];
  const say = (...words: unknown[]): void => {
    lines.push(words.map((w) => (typeof w === 'string' ? w : JSON.stringify(w))).join(' '));
  };
  const { stringify } = JSON;
  return {
    lines,
    beginElement: (id) => say('element', id),
    endElement: () => say('end element'),
    beginWords: (text) => say('words', stringify(text)),
    endWords: () => say('end words'),
    beginClip: (path) => say('clip', pathData(path)),
    endClip: () => say('end clip'),
    fillPath: (path, plates) => say('fill', pathData(path), stringify(plates)),
    strokePath: (path, weight, plates) => say('stroke', pathData(path), weight, stringify(plates)),
    showGlyphs: ({ typeface, size, text, x, baseline, angle, glyphs }, plates) =>
      say(
        'glyphs',
        typeface,
        size,
        stringify(text),
        x,
        baseline,
        ...(angle === undefined ? [] : [angle]),
        glyphs.map((g) => [g.id, g.advance, g.dx, g.dy]),
        stringify(plates),
      ),
    drawImage: ({ asset, width, height }, place) => say('image', asset, width, height, stringify(place)),
  };
}
