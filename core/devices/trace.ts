import { pathData } from '../geometry/path';
import { type Device, type GlyphRun, imageKey } from '../scene/device';

const runWords = ({ typeface, size, text, x, baseline, angle, glyphs }: GlyphRun): unknown[] => [
  typeface,
  size,
  JSON.stringify(text),
  x,
  baseline,
  ...(angle === undefined ? [] : [angle]),
  glyphs.map((g) => [g.id, g.advance, g.dx, g.dy]),
];

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
    beginGlyphClip: (runs) => say('clip to', ...runs.flatMap(runWords)),
    endClip: () => say('end clip'),
    beginGroup: (opacity) => say('group', opacity),
    endGroup: () => say('end group'),
    beginFade: (coverage) => say('fade', stringify(coverage)),
    endFade: () => say('end fade'),
    beginOverprint: () => say('overprint'),
    endOverprint: () => say('end overprint'),
    fillPath: (path, colour) => say('fill', pathData(path), stringify(colour)),
    strokePath: (path, pen, colour) => say('stroke', pathData(path), stringify(pen), stringify(colour)),
    showGlyphs: (run, colour) => say('glyphs', ...runWords(run), stringify(colour)),
    drawImage: (image, place) => say('image', imageKey(image), image.width, image.height, stringify(place)),
    drawTone: ({ width, height, amounts }, place, colour) =>
      say(
        'tone',
        width,
        height,
        amounts.reduce((sum, each) => sum + each, 0),
        stringify(place),
        stringify(colour),
      ),
  };
}
