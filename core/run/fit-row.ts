import type { RowFit } from '../job/by-row';
import { lookOf, setParagraphsOf } from '../job/look';
import type { Words } from '../job/schema';
import { type TypeSources, wordsSet } from '../scene/words';
import { anchorShare } from '../type/set-words';

/** Text of a row made to fit: smaller down to a size, then on two lines. */

/** Sizes are tried by quarter points: finer steps cannot be told apart in print (common practice). */
const STEP = 0.25;

const sizesOf = (words: Words, { styles }: TypeSources): number[] => {
  const { size } = lookOf(words, styles).lettering;
  return [size, ...words.paragraphs.flatMap(({ spans }) => spans.flatMap((span) => span.size ?? []))];
};

/** Words with all of their sizes scaled alike, to a hundredth of a point, and leading in points with them. */
function scaled(words: Words, share: number, { styles }: TypeSources): Words {
  const by = (n: number): number => Math.round(n * share * 100) / 100;
  const { lettering, setting } = lookOf(words, styles);
  const { leading } = setting;
  return {
    ...words,
    lettering: { ...words.lettering, size: by(lettering.size) },
    ...('points' in leading ? { setting: { ...words.setting, leading: { points: by(leading.points) } } } : {}),
    paragraphs: words.paragraphs.map((paragraph) => ({
      ...paragraph,
      spans: paragraph.spans.map((span) => (span.size === undefined ? span : { ...span, size: by(span.size) })),
    })),
  };
}

/** Whether all of it is there, on so many lines a paragraph, no wider than it may be. */
function isInside(words: Words, lines: number, width: number | undefined, sources: TypeSources): boolean {
  const set = wordsSet(words, sources);
  if (set.hidden.length > 0) return false;
  // A line that is broken by hand, as an address is, may take its lines like a paragraph.
  const texts = setParagraphsOf(words).map(({ spans }) => spans.map(({ text }) => text).join(''));
  const counts = new Map<string, number>();
  for (const { paragraph, start } of set.lines) {
    const before = texts[paragraph]?.slice(0, start).split('\u2028').length ?? 0;
    const key = `${paragraph} ${before}`;
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  if ([...counts.values()].some((count) => count > lines)) return false;
  const room = words.frame.behaviour === 'grows' ? width : words.frame.width - 2 * words.frame.inset;
  return room === undefined || set.lines.every((line) => line.width <= room + 0.01);
}

/** A frame that grows has to be told how wide it may be before it can break its lines. */
function asWideAs(words: Words, width: number, { styles }: TypeSources): Words {
  const { align } = lookOf(words, styles).setting;
  return {
    ...words,
    x: words.x - anchorShare(align) * width,
    frame: { ...words.frame, behaviour: 'fixed width', width },
  };
}

export interface FittedWords {
  words: Words;
  /** Whether nothing is lost or too wide. */
  fits: boolean;
}

/** The largest size at which words fit, one line a paragraph first; at the least size where they do not fit at all. */
export function fittedForRow(words: Words, { least, lines, width }: RowFit, sources: TypeSources): FittedWords {
  if (isInside(words, 1, width, sources)) return { words, fits: true };
  const smallest = Math.min(...sizesOf(words, sources));
  const lowest = Math.min(1, least / smallest);
  const steps = Math.ceil((smallest * (1 - lowest)) / STEP);
  const at = (step: number): number => Math.max(lowest, 1 - (step * STEP) / smallest);
  for (let count = 1; count <= lines; count++) {
    const wide = count > 1 && words.frame.behaviour === 'grows' && width !== undefined;
    const base = wide ? asWideAs(words, width, sources) : words;
    // What fits at a size fits at each smaller one: the first step that does is found by halving.
    let [low, high] = [0, steps];
    if (!isInside(scaled(base, at(high), sources), count, width, sources)) continue;
    while (low < high) {
      const middle = Math.floor((low + high) / 2);
      if (isInside(scaled(base, at(middle), sources), count, width, sources)) high = middle;
      else low = middle + 1;
    }
    return { words: high === 0 ? base : scaled(base, at(high), sources), fits: true };
  }
  return { words: scaled(words, lowest, sources), fits: false };
}
