import bidiFactory from 'bidi-js';
import type { Lettering, Paragraph } from './style';

/** A stretch of a paragraph in one look, one script and one direction; indices into the paragraph's text. */
export interface Run {
  start: number;
  end: number;
  lettering: Lettering;
  /** Bidirectional level (UAX #9): odd runs right to left. */
  level: number;
}

/** A paragraph's text with the changes of case made, and its runs in the order they are read. */
export interface Styled {
  text: string;
  runs: Run[];
  /** The paragraph as a whole reads right to left. */
  rightToLeft: boolean;
  levels: Uint8Array;
}

const bidi = bidiFactory();

/** Letters that are read from right to left, and signs that turn the direction (UAX #9). */
const TURNS =
  /[\u0590-\u08ff\u200e\u200f\u202a-\u202e\u2066-\u2069\ufb1d-\ufdff\ufe70-\ufeff]|[\ud802\ud803\ud83a\ud83b]/;
type Levels = ReturnType<typeof bidi.getEmbeddingLevels>;
/** The bidirectional levels of a text; where nothing turns them, all are 0. */
const levelsOf = (text: string): Levels =>
  TURNS.test(text)
    ? bidi.getEmbeddingLevels(text)
    : ({
        levels: new Uint8Array(text.length),
        paragraphs: [{ start: 0, end: Math.max(0, text.length - 1), level: 0 }],
      } as Levels);

/** What each way of setting case does to letters. */
export const CASED: Record<Lettering['letterCase'], (text: string) => string> = {
  'as typed': (text) => text,
  capitals: (text) => text.toLocaleUpperCase('en'),
  'lower case': (text) => text.toLocaleLowerCase('en'),
  'small capitals': (text) => text,
};

const SCRIPTS = ['Latin', 'Greek', 'Cyrillic', 'Arabic', 'Hebrew', 'Armenian', 'Georgian', 'Thai', 'Devanagari'].map(
  (name) => new RegExp(`\\p{Script=${name}}`, 'u'),
);
/** The script of a character, by its place in the list; -1 for what belongs to all, like figures and stops. */
const scriptOf = (character: string): number => SCRIPTS.findIndex((script) => script.test(character));

/** Where one script gives way to another; what belongs to all scripts stays with what came before. */
function scriptStarts(text: string): Set<number> {
  const starts = new Set<number>();
  let now = -1;
  let at = 0;
  for (const character of text) {
    const script = scriptOf(character);
    if (script >= 0 && now >= 0 && script !== now) starts.add(at);
    if (script >= 0) now = script;
    at += character.length;
  }
  return starts;
}

/** A paragraph's spans as runs, each with all that is to be known of its look. */
export function styledRuns({ spans }: Paragraph, base: Lettering): Styled {
  const pieces = spans.map(({ text, quote: _quote, ask: _ask, ...own }) => {
    const lettering: Lettering = Object.keys(own).length === 0 ? base : ({ ...base, ...own } as Lettering);
    return { lettering, text: CASED[lettering.letterCase](text) };
  });
  const text = pieces.map((piece) => piece.text).join('');
  const embedding = levelsOf(text);
  const starts = scriptStarts(text);
  const runs: Run[] = [];
  let at = 0;
  for (const { text: piece, lettering } of pieces) {
    let start = at;
    for (let i = at + 1; i <= at + piece.length; i++) {
      if (i < at + piece.length && embedding.levels[i] === embedding.levels[start] && !starts.has(i)) continue;
      runs.push({ start, end: i, lettering, level: embedding.levels[start] ?? 0 });
      start = i;
    }
    at += piece.length;
  }
  return { text, runs, rightToLeft: ((embedding.paragraphs[0]?.level ?? 0) & 1) === 1, levels: embedding.levels };
}

/** The runs of one line as they stand from left to right (UAX #9, rule L2). */
export function visualOrder(runs: readonly Run[]): Run[] {
  const out = [...runs];
  const highest = Math.max(0, ...runs.map((run) => run.level));
  for (let level = highest; level > 0; level--)
    for (let i = 0; i < out.length; i++) {
      if (out[i]!.level < level) continue;
      let end = i;
      while (end < out.length && out[end]!.level >= level) end++;
      out.splice(i, end - i, ...out.slice(i, end).reverse());
      i = end;
    }
  return out;
}
