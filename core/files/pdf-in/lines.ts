import type { Box } from '../../geometry/box';
import { pathBounds } from '../../geometry/path';
import { makeWords } from '../../job/make';
import { type TypeSources, wordsSet } from '../../scene/words';
import type { ArtArea, ArtItem, ArtSpan, ArtWords } from '../art-in/art';
import type { GlyphSeen } from '../pdf/drawn/hear';
import type { Kept, Letter } from './art-device';

/** Letters of a page as lines: as words where a typeface that is here sets them alike, else as outlines. */

export interface LineSources {
  type: TypeSources;
  /** The typeface that a font's name means, where it is here. */
  typefaceOf(font: string): string | undefined;
  /** What stands for a typeface that is neither here nor in the file. */
  plain: string;
  note(text: string): void;
}

/** Where a letter stands along the line of another, and off it; in ems. */
function offset(from: GlyphSeen, to: GlyphSeen): { along: number; off: number } {
  const turn = (from.angle * Math.PI) / 180;
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const along = (dx * Math.cos(turn) + dy * Math.sin(turn)) / from.size;
  return { along, off: (dy * Math.cos(turn) - dx * Math.sin(turn)) / from.size };
}

/** A gap as wide as this, in ems, is a space that was not set; from this on, another column. */
const SPACE = 0.18;
const COLUMN = 1.5;

/** One letter stands for so many characters at the most. */
const LIGATURE = 4;

function goesOn(first: Letter, last: Letter, next: Letter): boolean {
  const [a, b] = [last.seen, next.seen];
  if (first.seen.font !== b.font || Math.abs(a.size - b.size) > 0.01) return false;
  const { area } = first;
  if (JSON.stringify(area.colour) !== JSON.stringify(next.area.colour)) return false;
  if (area.opacity !== next.area.opacity || area.overprints !== next.area.overprints) return false;
  // What was said of it already goes with the letters before it, wherever it stands: along a curve.
  if (b.text === '' && first.seen.text.length > LIGATURE) return true;
  if (Math.abs(a.angle - b.angle) > 0.05) return false;
  const { along, off } = offset(a, b);
  const gap = along - a.advance / a.size;
  return Math.abs(off) < 0.02 && gap > -0.5 && gap < COLUMN;
}

/** The letters of a line with what each stands for; spaces that were only left are put in. */
function textOf(letters: readonly Letter[]): string[] {
  return letters.map(({ seen }, i) => {
    const before = letters[i - 1]?.seen;
    if (!before || before.text.endsWith(' ') || seen.text.startsWith(' ')) return seen.text;
    const gap = offset(before, seen).along - before.advance / before.size;
    return gap > SPACE ? ` ${seen.text}` : seen.text;
  });
}

/** Letters may stand so far from where words would set them, in ems, and never more than so many points. */
const NEAR = 0.01;
const MOST_OFF = 0.15;

const inEms = (box: Box | undefined, upem: number): Box | undefined =>
  box && { x: box.x / upem, y: box.y / upem, width: box.width / upem, height: box.height / upem };

/** Boxes of letters that differ by less than this, in ems, are of the same letter. */
const SAME = 0.012;

/** Whether a letter of the file is the one that words set. */
function isSameLetter({ font, glyph }: GlyphSeen, ink: Box | undefined): boolean {
  const outline = font.outline(glyph);
  const own = outline && inEms(pathBounds(outline), font.upem);
  if (!own || !ink) return (own?.width ?? 0) === 0 && (ink?.width ?? 0) === 0;
  return (['x', 'y', 'width', 'height'] as const).every((side) => Math.abs(own[side] - ink[side]) < SAME);
}

/** A character as words set it: points from their pen's start, and the box of its ink in ems. */
interface Placed {
  x: number;
  ink: Box | undefined;
}

/** Where words set each character. */
function charactersAt(spans: readonly ArtSpan[], typeface: string, size: number, type: TypeSources) {
  const plain = makeWords({ id: 'line', x: 0, y: 0, text: '', lettering: { typeface, size } });
  const { lines } = wordsSet({ ...plain, paragraphs: [{ spans: [...spans] }] }, type);
  const [line] = lines;
  if (!line || lines.length > 1) return undefined;
  const at = new Map<number, Placed>();
  let base = 0;
  for (const run of line.runs) {
    const scale = size / run.font.upem;
    let x = run.x;
    for (const glyph of run.glyphs) {
      const place = base + glyph.cluster;
      if (!at.has(place)) at.set(place, { x: x + glyph.dx * scale, ink: inEms(run.font.ink(glyph.id), run.font.upem) });
      x += glyph.advance * scale;
    }
    base += run.text.length;
  }
  return at;
}

/** A character of a line: its index in the text, where it should stand in points from the first, and its letter. */
interface Wanted {
  index: number;
  x: number;
  seen: GlyphSeen;
}
type Found = Wanted & { found: number; ink: Box | undefined };

/** Thousandths of the size, within what words can have; none where it is less than can be seen. */
const trackingOf = (points: number, size: number): number => {
  const tracking = Math.max(-500, Math.min(2000, Math.round((points / size) * 10_000) / 10));
  return Math.abs(tracking) < 1 ? 0 : tracking;
};

/** How much further apart letters of the same word stand than words set them: the middle of what each pair says. */
function trackingWithin(text: string, set: readonly Found[], size: number): number {
  const steps = set.flatMap((to, i) => {
    const from = set[i - 1];
    if (!from || /\s/.test(text.slice(from.index, to.index))) return [];
    return [(to.x - from.x - (to.found - from.found)) / Math.max(1, to.index - from.index)];
  });
  steps.sort((a, b) => a - b);
  return trackingOf(steps[steps.length >> 1] ?? 0, size);
}

/** The text in stretches of like tracking: each space is as wide as it is on the page. */
function spansOf(text: string, set: readonly Found[], tracking: number, size: number): ArtSpan[] {
  const spans: ArtSpan[] = [];
  const add = (part: string, own: number): void => {
    const last = spans.at(-1);
    if (part !== '' && last?.tracking === own) spans[spans.length - 1] = { text: last.text + part, tracking: own };
    else if (part !== '') spans.push({ text: part, tracking: own });
  };
  let from = 0;
  for (const [i, to] of set.entries()) {
    const before = set[i - 1];
    const space = before ? /\s+$/.exec(text.slice(before.index, to.index))?.[0] : undefined;
    if (!before || !space) continue;
    const wider = to.x - before.x - (to.found - before.found);
    add(text.slice(from, to.index - space.length), tracking);
    add(space, Math.abs(wider) < 0.002 * size ? tracking : trackingOf(wider / space.length, size) + tracking);
    from = to.index;
  }
  add(text.slice(from), tracking);
  return spans;
}

/** Characters that cannot be told, or are none. */
const UNTOLD = /[\p{Cc}\uFFFD]/u;

/** A line as words; undefined where the typeface does not set it as it stands. */
function wordsFor(letters: readonly Letter[], sources: LineSources): ArtWords | undefined {
  const [first] = letters;
  const colour = first?.area.colour;
  if (colour?.kind !== 'flat') return undefined;
  const { seen, area } = first!;
  const isHere = seen.font.embedded || area.path.length > 0;
  const typeface = sources.typefaceOf(seen.font.name) ?? (isHere ? undefined : sources.plain);
  const texts = textOf(letters);
  const text = texts.join('').trimEnd();
  const isTold = texts.every((each) => each !== '' && each.trim().length <= LIGATURE);
  if (!typeface || !isTold || text.trim() === '' || UNTOLD.test(text)) return undefined;
  const { kind: _, ...paint } = colour;
  const wanted: Wanted[] = [];
  let index = 0;
  for (const [i, each] of texts.entries()) {
    const letter = letters[i]!.seen;
    const spaces = each.length - each.trimStart().length;
    if (each.trim() !== '')
      wanted.push({ index: index + spaces, x: offset(seen, letter).along * seen.size, seen: letter });
    index += each.length;
  }
  const lead = wanted[0]!.index;
  const [start] = wanted;
  const setAs = (spans: readonly ArtSpan[]): Found[] => {
    const found = charactersAt(spans, typeface, seen.size, sources.type);
    const origin = found?.get(0)?.x;
    if (!found || origin === undefined) return [];
    return wanted.flatMap((each) => {
      const there = found.get(each.index - lead);
      const own = { ...each, index: each.index - lead, x: each.x - start!.x };
      return there ? [{ ...own, found: there.x - origin, ink: there.ink }] : [];
    });
  };
  const told = text.slice(lead);
  const plain = setAs([{ text: told, tracking: 0 }]);
  if (plain.length === 0) return undefined;
  const tracking = trackingWithin(told, plain, seen.size);
  const tracked = tracking === 0 ? plain : setAs([{ text: told, tracking }]);
  const spans = spansOf(told, tracked, tracking, seen.size);
  const set = setAs(spans);
  const limit = Math.min(MOST_OFF, NEAR * seen.size);
  const fits =
    set.length >= wanted.length / 2 &&
    set.every((each) => Math.abs(each.x - each.found) <= limit && isSameLetter(each.seen, each.ink));
  if (isHere && !fits) return undefined;
  return {
    kind: 'words',
    name: undefined,
    opacity: area.opacity,
    ...(area.overprints ? { overprints: true } : {}),
    spans,
    typeface,
    size: seen.size,
    x: start!.seen.x,
    baseline: start!.seen.y,
    angle: seen.angle,
    paint,
  };
}

/** The outlines of a line as one area, named by what they say. */
function outlinesOf(letters: readonly Letter[]): ArtArea[] {
  const [first] = letters;
  const path = letters.flatMap(({ area }) => area.path);
  if (!first || path.length === 0) return [];
  return [{ ...first.area, name: textOf(letters).join('').trim() || undefined, path }];
}

/** Things with the letters among them as lines. */
export function inLines(kept: readonly Kept[], sources: LineSources): ArtItem[] {
  const out: ArtItem[] = [];
  let line: Letter[] = [];
  const outlined = new Set<string>();
  const settle = (): void => {
    const words = line.length > 0 ? wordsFor(line, sources) : undefined;
    const [first] = line;
    if (first && !words && first.area.path.length > 0) outlined.add(first.seen.font.name);
    if (first && words && sources.typefaceOf(first.seen.font.name) === undefined)
      sources.note(`The letters of ${first.seen.font.name} are not in the file: this text is set in another typeface.`);
    out.push(...(words ? [words] : outlinesOf(line)));
    line = [];
  };
  for (const item of kept) {
    if (item.kind !== 'letter') {
      settle();
      out.push(item);
      continue;
    }
    if (line.length > 0 && !goesOn(line[0]!, line.at(-1)!, item)) settle();
    line.push(item);
  }
  settle();
  if (outlined.size > 0)
    sources.note(`Text in ${[...outlined].join(', ')} is outlines: it can be seen and printed, but not typed into.`);
  return out;
}
