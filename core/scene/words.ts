import { type Fill, isFlat } from '../colour/fill';
import type { Plates } from '../colour/ink';
import type { Paint } from '../colour/paint';
import { type Box, boxBetween, unionOf } from '../geometry/box';
import { apply } from '../geometry/matrix';
import { boxPath, type Path, parsePath, transformPath } from '../geometry/path';
import { type Walk, walkCircle, walkPath } from '../geometry/walk';
import { lookOf, plainText, setParagraphsOf, settingOf } from '../job/look';
import type { LettersStroke, Words, WordsPath } from '../job/schema';
import { TYPE_LIMITS } from '../trade/type-limits';
import { type OnPath, onPath } from '../type/on-path';
import type { SetRun } from '../type/set-run';
import { type SetWords, setWords } from '../type/set-words';
import type { Icon } from '../type/style';
import { plates } from './colour';
import { type Device, type GlyphRun, runMatrix } from './device';
import { covering, drawFill, drawLettersFill, plainColour } from './fill';
import { runOutline } from './run-outline';
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

/** What words show: runs with the paint they are lettered in, the rules under some of them and the icons before lines. */
interface Shown {
  runs: { run: GlyphRun; paint: Paint }[];
  areas: { path: Path; size: number; paint: Paint }[];
}

/** Between an icon and its line, as a share of the letters' size. */
const ICON_GAP = 0.45;
/** How far an icon pushes its lines in, as a share of the letters' size. */
export const ICON_INDENT = 1 + ICON_GAP;

/** An icon before a line: as high as the letters' size, its middle at half the height of a capital. */
function iconArea({ outline }: Icon, first: SetRun, x: number, baseline: number): Shown['areas'][number] {
  const { font, lettering } = first;
  const { size, paint } = lettering;
  const capital = font.ink(font.shape({ text: 'H' })[0]?.id ?? 0)?.height ?? 0;
  const top = baseline - ((capital / font.upem) * size) / 2 - size / 2;
  return {
    path: transformPath(parsePath(outline), [size, 0, 0, size, x - ICON_INDENT * size, top]),
    size,
    paint,
  };
}

/** Words on a line: each glyph a run of its own, turned. */
function shownOnPath(words: Words, { glyphs }: OnPath): Shown {
  const runs = glyphs.map(({ run, index, x, y, angle }) => {
    const { lettering, font, text } = run;
    const glyph = run.glyphs[index]!;
    const later = run.glyphs.map((g) => g.cluster).filter((c) => c > glyph.cluster);
    const end = later.length > 0 ? Math.min(...later) : text.length;
    return {
      paint: lettering.paint,
      run: {
        typeface: lettering.typeface,
        font,
        size: lettering.size,
        text: text.slice(glyph.cluster, end),
        glyphs: [{ ...glyph, cluster: 0 }],
        x: words.x + x,
        baseline: words.y + y,
        angle,
      },
    };
  });
  return { runs, areas: [] };
}

function shownInLines(words: Words, { lines }: SetWords): Shown {
  const shown: Shown = { runs: [], areas: [] };
  const paragraphs = setParagraphsOf(words);
  for (const line of lines) {
    const icon = line.start === 0 ? paragraphs[line.paragraph]?.icon : undefined;
    const [first] = line.runs;
    if (icon && first) shown.areas.push(iconArea(icon, first, words.x + line.x, words.y + line.baseline));
    for (const run of line.runs) {
      const { lettering, font, text, glyphs } = run;
      if (glyphs.length === 0) continue;
      const { typeface, size, paint } = lettering;
      const x = words.x + line.x + run.x;
      const baseline = words.y + line.baseline - lettering.shift;
      shown.runs.push({ paint, run: { typeface, font, size, text, glyphs, x, baseline } });
      if (lettering.underline) shown.areas.push({ paint, size, path: boxPath(underline(run, x, baseline)) });
    }
  }
  return shown;
}

/** Letters with a fill of the frame's own instead of their paints. */
function drawFilled(words: Words, { runs, areas }: Shown, fill: Fill, sources: SceneSources, device: Device): void {
  const frame = wordsFrame(words, sources);
  const colour = plainColour(fill, frame, sources);
  if (colour)
    covering(fill, frame, device, () => {
      for (const { run } of runs) device.showGlyphs(run, colour);
    });
  else if (runs.length > 0) {
    drawLettersFill(
      fill,
      runs.map(({ run }) => run),
      frame,
      sources,
      device,
    );
  }
  for (const { path } of areas) drawFill(fill, path, frame, sources, device);
}

/** Small words in black alone print on what is below them, unless the element says otherwise: left out of it they would show slits. */
function overprints({ overprint }: Words, size: number, colour: Plates): boolean {
  if (overprint !== undefined) return false;
  const [first, ...more] = Object.entries(colour);
  return more.length === 0 && first?.[0] === 'Black' && first[1] > 0.999 && size < TYPE_LIMITS.blackOverprintsBelow;
}

/** Draws the line along letters. Half of a line lies within them: outside it is drawn below them, inside it is clipped to them. */
function strokeLetters(
  { paint, weight, place }: LettersStroke,
  { runs, areas }: Shown,
  sources: SceneSources,
  device: Device,
): void {
  const colour = plates(paint, sources);
  // Pointed joins of sharp letters would stand out far.
  const pen = { weight: place === 'centred' ? weight : 2 * weight, join: 'round' } as const;
  const letters = runs.map(({ run }) => run);
  const isInside = place === 'inside' && letters.length > 0;
  if (isInside) device.beginGlyphClip(letters);
  for (const run of letters) device.strokePath(runOutline(run), pen, colour);
  if (isInside) device.endClip();
  for (const { path } of areas) {
    if (place === 'inside') device.beginClip(path);
    device.strokePath(path, pen, colour);
    if (place === 'inside') device.endClip();
  }
}

export function drawWords(words: Words, sources: SceneSources, device: Device): void {
  const onLine = wordsOnPath(words, sources);
  const shown = onLine ? shownOnPath(words, onLine) : shownInLines(words, wordsSet(words, sources));
  // On a line each letter stands at an angle of its own: without this a reader finds letters, not words.
  if (onLine) device.beginWords(plainText({ paragraphs: [...setParagraphsOf(words)] }).replaceAll('\n', ' '));
  const { stroke } = words;
  if (stroke?.place === 'outside') strokeLetters(stroke, shown, sources, device);
  if (words.fill && !isFlat(words.fill)) drawFilled(words, shown, words.fill, sources, device);
  else {
    const own = words.fill;
    const drawn = [
      ...shown.runs.map(({ run, paint }) => {
        const colour = plates(own ?? paint, sources);
        return { overprints: overprints(words, run.size, colour), draw: () => device.showGlyphs(run, colour) };
      }),
      ...shown.areas.map(({ path, size, paint }) => {
        const colour = plates(own ?? paint, sources);
        return { overprints: overprints(words, size, colour), draw: () => device.fillPath(path, colour) };
      }),
    ];
    // Neighbours of one kind are kept together.
    drawn.forEach(({ overprints: over, draw }, i) => {
      if (over && !drawn[i - 1]?.overprints) device.beginOverprint();
      draw();
      if (over && !drawn[i + 1]?.overprints) device.endOverprint();
    });
  }
  if (stroke && stroke.place !== 'outside') strokeLetters(stroke, shown, sources, device);
  if (onLine) device.endWords();
}
