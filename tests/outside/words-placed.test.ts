import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDocument, StandardFonts } from '@cantoo/pdf-lib';
import { afterAll, describe, expect, it } from 'vitest';
import { readPage } from '../../core/files/pdf/page-read';
import { openPdf } from '../../core/files/pdf-in/page';
import { againstWords, wordsTold } from '../corpora/words-placed';
import { plainFile } from '../fonts';
import { page } from './page-by-hand';
import { folder, run, tidyUp, withFonts } from './tools';

afterAll(tidyUp);

/** What letters stand for, and where, in fonts that say nothing of their widths or name their codes: beside pdftotext. */

function against(name: string, bytes: Uint8Array): { differ: string[]; words: string[] } {
  const path = join(folder, `${name}.pdf`);
  writeFileSync(path, bytes);
  const told = wordsTold(run('pdftotext', ['-bbox', path, '-']));
  return { differ: againstWords(bytes, told), words: told.flat().map(({ text }) => text) };
}

/** Lines of words that are bytes, in a font of those entries. */
const inFont = (font: string, lines: readonly string[]): Uint8Array => {
  const shown = lines.map((line) => `(${line}) Tj 0 -12 Td`).join(' ');
  return page(`BT /F 9 Tf 8 105 Td ${shown} ET`, '/Font<</F 5 0 R>>', [`<</Type/Font/Subtype/Type1${font}>>`]);
};
const ZILLA = Buffer.from(plainFile());
const PLAIN = ['Fen Lane, Little Hollin', 'the quick brown fox jumps over', 'a lazy dog and ten more words'];
const WORDS = ['\\223Tea\\224 \\226 cake \\222s \\200 12 a b c d', ...PLAIN];

describe('words of the fourteen typefaces that every reader has', () => {
  it.each(Object.values(StandardFonts).filter((name) => !/Symbol|Zapf/.test(name)))(
    'stand where they should, of widths that no file says: %s',
    (name) => {
      const bytes = inFont(`/BaseFont/${name}/Encoding/WinAnsiEncoding`, WORDS);
      const { differ, words } = against(name, bytes);
      expect(words).toContain('“Tea”');
      expect(differ).toEqual([]);
    },
  );
  it('have Greek letters in Symbol', () => {
    const { view } = openPdf(inFont('/BaseFont/Symbol', ['abG\\245']));
    expect(
      readPage(view, 0)
        .letters.map(({ text }) => text)
        .join(''),
    ).toBe('αβΓ∞');
  });
});

describe('codes', () => {
  it.each([
    ['of Windows', '/BaseFont/Helvetica/Encoding/WinAnsiEncoding', '\\223A\\224\\226\\222\\200\\351', '“A”–’€é'],
    ['of older Macs', '/BaseFont/Helvetica/Encoding/MacRomanEncoding', '\\322A\\323\\320\\325\\216', '“A”–’é'],
    ['of Adobe', '/BaseFont/Helvetica', "'A`\\261\\341\\252", '’A‘–Æ“'],
    [
      'by names',
      '/BaseFont/Helvetica/Encoding<</Differences[1/alpha/minus/Lslash/rcaron/a.sc]>>',
      '\\001\\002\\003\\004\\005',
      'α−Łřa',
    ],
    [
      'by names and else of Macs',
      '/BaseFont/Helvetica/Encoding<</BaseEncoding/MacRomanEncoding/Differences[65/Omega]>>',
      'A\\322',
      'Ω“',
    ],
  ])('%s stand for what they should', (_, font, bytes, words) => {
    const { view } = openPdf(inFont(font, [bytes]));
    expect(
      readPage(view, 0)
        .letters.map(({ text }) => text)
        .join(''),
    ).toBe(words);
  });

  it.each(['GBK-EUC-H', '90ms-RKSJ-H', 'Identity-V'])(
    'by the table %s are told of, not drawn as others',
    (encoding) => {
      const { view } = openPdf(
        page('BT /F 20 Tf 8 60 Td <00410042> Tj ET', '/Font<</F 5 0 R>>', [
          `<</Type/Font/Subtype/Type0/BaseFont/Song/Encoding/${encoding}/DescendantFonts[6 0 R]>>`,
          '<</Type/Font/Subtype/CIDFontType2/BaseFont/Song/CIDSystemInfo<</Registry(Adobe)/Ordering(GB1)/Supplement 2>>/FontDescriptor 7 0 R>>',
          '<</Type/FontDescriptor/FontName/Song/Flags 4/FontFile2 8 0 R>>',
          `<</Length ${ZILLA.length}>>stream\n${ZILLA.toString('latin1')}\nendstream`,
        ]),
      );
      expect(readPage(view, 0).unread).toEqual(['letters of Song']);
    },
  );

  it('reach the glyphs of an embedded typeface, quotation marks too', async () => {
    // Ghostscript embeds its own outlines of Helvetica, with the encoding that the page asked for.
    const plain = join(folder, 'plain.pdf');
    writeFileSync(plain, inFont('/BaseFont/Helvetica/Encoding/WinAnsiEncoding', WORDS));
    const embedded = join(folder, 'embedded.pdf');
    withFonts(plain, embedded);
    const bytes = await PDFDocument.load(readFileSync(embedded));
    const saved = await bytes.save({ useObjectStreams: false });
    const { view } = openPdf(saved);
    const { letters, unread } = readPage(view, 0);
    expect(unread).toEqual([]);
    expect(
      letters
        .slice(0, 5)
        .map(({ text }) => text)
        .join(''),
    ).toBe('“Tea”');
    for (const { font, glyph, text } of letters)
      if (text.trim() !== '') expect(font.outline(glyph)?.length, text).toBeGreaterThan(0);
    expect(against('embedded-again', saved).differ).toEqual([]);
  });
});
