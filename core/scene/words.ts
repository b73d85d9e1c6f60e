import { platesOf } from '../colour/ink';
import { type Box, boxBetween, unionOf } from '../geometry/box';
import { apply } from '../geometry/matrix';
import { boxPath, parsePath } from '../geometry/path';
import { type Walk, walkCircle, walkPath } from '../geometry/walk';
import { inkOf } from '../job/find';
import { lookOf, plainText, setParagraphsOf, settingOf } from '../job/look';
import type { Words, WordsPath } from '../job/schema';
import { type OnPath, onPath } from '../type/on-path';
import type { SetRun } from '../type/set-line';
import { type SetWords, setWords } from '../type/set-words';
import { type Device, runMatrix } from './device';
import type { SceneSources } from './sources';

/** What words are set from: the house's styles and the fonts. */
export type TypeSources = Pick<SceneSources, 'styles' | 'fonts'>;

// Edits never change an element in place, so words once set stay right for as long as they and the styles live.
const kept = new WeakMap<Words, { styles: TypeSources['styles']; set: SetWords }>();

/** The words set in lines, relative to the element's x and y. */
export function wordsSet(words: Words, { styles, fonts }: TypeSources): SetWords {
  const found = kept.get(words);
  if (found?.styles === styles) return found.set;
  const look = lookOf(words, styles);
  const paragraphs = setParagraphsOf(words).map((paragraph) => ({ paragraph, setting: settingOf(paragraph, look) }));
  const set = setWords(
    { paragraphs, lettering: look.lettering, frame: words.frame, goesOn: words.next !== undefined },
    fonts,
  );
  kept.set(words, { styles, set });
  return set;
}

const walks = new WeakMap<WordsPath['along'], Walk>();

/** The line that words stand on, from their x and y; the one of an element is put in by `followFace` first. */
function walkOf({ along }: WordsPath): Walk | undefined {
  if (along.kind === 'element') return undefined;
  const found = walks.get(along);
  if (found) return found;
  const walk =
    along.kind === 'circle'
      ? walkCircle({ x: along.radius, y: along.radius }, along.radius)
      : walkPath(parsePath(along.outline));
  walks.set(along, walk);
  return walk;
}

/** The words at their places on their line, relative to the element's x and y; undefined for words in lines. */
export function wordsOnPath(words: Words, sources: TypeSources): OnPath | undefined {
  const walk = words.path && walkOf(words.path);
  if (!words.path || !walk) return undefined;
  return onPath(wordsSet(words, sources), walk, words.path, lookOf(words, sources.styles).setting.align);
}

/** The box around the turned letters, from descender to ascender. */
function turnedFrame({ glyphs }: OnPath): Box {
  const corners = glyphs.flatMap(({ run, index, x, y, angle }) => {
    const scale = run.lettering.size / run.font.upem;
    const advance = run.glyphs[index]!.advance * scale;
    const matrix = runMatrix({ x, baseline: y, angle });
    return [0, advance].flatMap((across) =>
      [run.font.ascent, run.font.descent].map((up) => apply(matrix, { x: across, y: -up * scale })),
    );
  });
  return unionOf(corners.map((corner) => boxBetween(corner, corner))) ?? { x: 0, y: 0, width: 0, height: 0 };
}

/** The frame of some words on the face, in points; round a circle, the circle's. */
export function wordsFrame(words: Words, sources: TypeSources): Box {
  if (words.path?.along.kind === 'circle') {
    const across = 2 * words.path.along.radius;
    return { x: words.x, y: words.y, width: across, height: across };
  }
  const onLine = wordsOnPath(words, sources);
  const frame = onLine ? turnedFrame(onLine) : wordsSet(words, sources).frame;
  return { ...frame, x: words.x + frame.x, y: words.y + frame.y };
}

/** The rule under a run, as the font asks for it. */
function underline({ font, lettering, width }: SetRun, x: number, baseline: number): Box {
  const scale = lettering.size / font.upem;
  const thickness = font.underline.thickness * scale;
  return { x, y: baseline - font.underline.position * scale - thickness / 2, width, height: thickness };
}

/** Words on a line: each glyph a run of its own, turned. */
function drawOnPath(words: Words, { glyphs }: OnPath, sources: SceneSources, device: Device): void {
  // Each letter stands at an angle of its own: without this a reader finds letters, not words.
  device.beginWords(plainText({ paragraphs: [...setParagraphsOf(words)] }).replaceAll('\n', ' '));
  for (const { run, index, x, y, angle } of glyphs) {
    const { lettering, font, text } = run;
    const glyph = run.glyphs[index]!;
    const later = run.glyphs.map((g) => g.cluster).filter((c) => c > glyph.cluster);
    const end = later.length > 0 ? Math.min(...later) : text.length;
    device.showGlyphs(
      {
        typeface: lettering.typeface,
        font,
        size: lettering.size,
        text: text.slice(glyph.cluster, end),
        glyphs: [{ ...glyph, cluster: 0 }],
        x: words.x + x,
        baseline: words.y + y,
        angle,
      },
      platesOf(inkOf(sources.inks, lettering.paint.ink), lettering.paint.tint),
    );
  }
  device.endWords();
}

export function drawWords(words: Words, sources: SceneSources, device: Device): void {
  const onLine = wordsOnPath(words, sources);
  if (onLine) {
    drawOnPath(words, onLine, sources, device);
    return;
  }
  for (const line of wordsSet(words, sources).lines)
    for (const run of line.runs) {
      const { lettering, font, text, glyphs } = run;
      if (glyphs.length === 0) continue;
      const plates = platesOf(inkOf(sources.inks, lettering.paint.ink), lettering.paint.tint);
      const x = words.x + line.x + run.x;
      const baseline = words.y + line.baseline - lettering.shift;
      device.showGlyphs(
        { typeface: lettering.typeface, font, size: lettering.size, text, glyphs, x, baseline },
        plates,
      );
      if (lettering.underline) device.fillPath(boxPath(underline(run, x, baseline)), plates);
    }
}
