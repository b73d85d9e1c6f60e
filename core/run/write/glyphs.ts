import { type FontUse, kept, type PdfUses } from '../../devices/pdf/uses';
import { lookOf, setParagraphsOf } from '../../job/look';
import type { Words } from '../../job/schema';
import { columnQuoted } from '../../job/table';
import type { SceneSources } from '../../scene/sources';
import { openFont } from '../../type/font';
import type { FontCutter } from '../../type/subset';
import type { Rows } from '../rows';

/**
 * The glyphs that the words of any row may need, told from the letters of the table alone: so the fonts of a file are the
 * same for every share of its rows, and no row has to be set first.
 */

/** Signs that setting brings in by itself: hyphens, spaces, the circle under a mark without a letter, what parts a row. */
const ALWAYS = ' -\u00ad\u00a0\u2010\u2011\u2026\u25cc\u200c\u200d·•|/–—,;';

function addLetters(text: string, to: Set<number>): void {
  for (const sign of text) to.add(sign.codePointAt(0)!);
}

/** Every letter of some columns, also as capitals and small ones: case may be changed when words are set. */
export function lettersOf(rows: Rows, keys: Iterable<string>): Set<number> {
  const letters = new Set<number>();
  addLetters(ALWAYS, letters);
  for (const key of keys) for (const row of rows.numbers) addLetters(rows.cell(row, key), letters);
  return letters;
}

function withCases(letters: ReadonlySet<number>): Set<number> {
  const all = new Set(letters);
  for (const letter of letters) {
    const sign = String.fromCodePoint(letter);
    addLetters(sign.toLocaleUpperCase('en'), all);
    addLetters(sign.toLocaleLowerCase('en'), all);
    addLetters(sign.normalize('NFD'), all);
    addLetters(sign.normalize('NFC'), all);
  }
  return all;
}

/** The columns that words quote. */
const quotedIn = (words: Words): string[] =>
  words.paragraphs.flatMap(({ spans }) => spans.flatMap(({ quote }) => columnQuoted(quote) ?? []));

/** The typefaces that words may be set in, and the letters that each may show; `also` are letters in one of its own. */
function wanted(
  words: readonly Words[],
  rows: Rows,
  { styles }: SceneSources,
  also: ReadonlyMap<string, string>,
): Map<string, Set<number>> {
  const found = new Map<string, Set<number>>();
  for (const [face, text] of also)
    addLetters(
      text,
      kept(found, face, () => new Set()),
    );
  const byColumn = new Map<string, Set<number>>();
  for (const each of words) {
    const letters = new Set<number>();
    addLetters(
      setParagraphsOf(each)
        .map(({ spans }) => spans.map(({ text }) => text).join(''))
        .join(''),
      letters,
    );
    addLetters(each.paragraphs.map(({ spans }) => spans.map(({ text }) => text).join('')).join(''), letters);
    for (const key of quotedIn(each))
      for (const letter of kept(byColumn, key, () => lettersOf(rows, [key]))) letters.add(letter);
    addLetters(ALWAYS, letters);
    const { lettering } = lookOf(each, styles);
    const faces = [
      lettering.typeface,
      ...each.paragraphs.flatMap(({ spans }) => spans.flatMap((s) => s.typeface ?? [])),
    ];
    for (const face of faces) for (const letter of withCases(letters)) kept(found, face, () => new Set()).add(letter);
  }
  return found;
}

/** Makes the fonts of what changes ready in a document's uses: each with every glyph that may come, and what that stands for. */
export function foreseeGlyphs(
  uses: PdfUses,
  words: readonly Words[],
  rows: Rows,
  sources: SceneSources,
  cutter: FontCutter,
  also: ReadonlyMap<string, string> = new Map(),
): void {
  for (const [typeface, letters] of [...wanted(words, rows, sources, also)].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const font = sources.fonts.font(typeface);
    const { fonts } = uses;
    const use = kept(
      fonts,
      typeface,
      (): FontUse => ({
        key: `F${fonts.size + 1}`,
        typeface,
        font,
        glyphs: new Map(),
      }),
    );
    use.isWhole = true;
    use.glyphs.set(0, '');
    for (const letter of [...letters].sort((a, b) => a - b)) {
      if (!font.has(letter)) continue;
      const text = String.fromCodePoint(letter);
      const [glyph, ...more] = font.shape({ text });
      if (glyph && more.length === 0 && !use.glyphs.get(glyph.id)) use.glyphs.set(glyph.id, text);
      for (const other of more) if (!use.glyphs.has(other.id)) use.glyphs.set(other.id, '');
    }
    const cut = openFont(cutter.closure(font.bytes, letters));
    for (let glyph = 1; glyph < cut.glyphCount; glyph++)
      if (!use.glyphs.has(glyph) && cut.ink(glyph)) use.glyphs.set(glyph, '');
  }
}
