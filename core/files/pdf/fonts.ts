import { type PDFContext, type PDFRef, PDFString } from '@cantoo/pdf-lib';
import { pdfWidth, utf16Hex } from '../../devices/pdf/numbers';
import type { FontUse } from '../../devices/pdf/uses';
import { cffOfOutlines } from '../../type/cff-of-outlines';
import type { Font } from '../../type/font';
import { readSfnt } from '../../type/sfnt';
import type { FontCutter } from '../../type/subset';
import { flate } from './streams';

const view = (table: Uint8Array | undefined): DataView | undefined =>
  table && new DataView(table.buffer, table.byteOffset, table.byteLength);

/** What a font descriptor says of a font, in thousandths of its size (ISO 32000-1, table 122). */
function descriptorFacts(font: Font): Record<string, number | number[]> {
  const k = 1000 / font.upem;
  const head = view(font.table('head'));
  const os2 = view(font.table('OS/2'));
  const post = view(font.table('post'));
  const box = head ? [36, 38, 40, 42].map((at) => Math.round(head.getInt16(at) * k)) : [0, -250, 1000, 1000];
  const weight = os2?.getUint16(4) ?? 400;
  const hasCapHeight = os2 !== undefined && os2.getUint16(0) >= 2 && os2.byteLength >= 90;
  return {
    FontBBox: box,
    ItalicAngle: post ? post.getInt32(4) / 65536 : 0,
    Ascent: Math.round(font.ascent * k),
    Descent: Math.round(font.descent * k),
    CapHeight: Math.round((hasCapHeight ? os2.getInt16(88) : font.ascent) * k),
    // No table holds the stem; this is the usual estimate from the weight class.
    StemV: Math.round(50 + (weight / 65) ** 2),
    // Bit 3, symbolic: glyphs are named by number, not by a standard encoding.
    Flags: 4,
  };
}

/** Six capitals that name a subset (ISO 32000-1, 9.6.4), from the glyphs in it. */
function subsetTag(glyphs: readonly number[]): string {
  let hash = 2166136261;
  for (const glyph of glyphs) hash = Math.imul(hash ^ glyph, 16777619) >>> 0;
  return Array.from({ length: 6 }, () => {
    const letter = String.fromCharCode(65 + (hash % 26));
    hash = Math.floor(hash / 26) + 7919;
    return letter;
  }).join('');
}

const MOST_PER_BLOCK = 100;

/** The CMap from glyph numbers to words (ISO 32000-1, 9.10.3). */
function toUnicode(glyphs: [number, string][]): string {
  const line = ([glyph, text]: [number, string]): string =>
    `<${glyph.toString(16).padStart(4, '0')}> <${utf16Hex(text)}>`;
  const blocks: string[] = [];
  // A glyph that stands for no letters by itself is told of where it is shown.
  const telling = glyphs.filter(([, text]) => text !== '');
  for (let i = 0; i < telling.length; i += MOST_PER_BLOCK) {
    const block = telling.slice(i, i + MOST_PER_BLOCK);
    blocks.push(`${block.length} beginbfchar\n${block.map(line).join('\n')}\nendbfchar`);
  }
  return `/CIDInit /ProcSet findresource begin
12 dict begin
begincmap
/CIDSystemInfo <</Registry (Adobe) /Ordering (UCS) /Supplement 0>> def
/CMapName /Adobe-Identity-UCS def
/CMapType 2 def
1 begincodespacerange
<0000> <FFFF>
endcodespacerange
${blocks.join('\n')}
endcmap
CMapName currentdict /CMap defineresource pop
end
end
`;
}

/** The font program as a stream, and the key it goes under (ISO 32000-1, table 126): TrueType as it is, of CFF its table. */
function fontFile(
  context: PDFContext,
  font: Font,
  glyphs: readonly number[],
  { subset }: FontCutter,
): Record<string, PDFRef> {
  const program = (): Uint8Array => (font.embedding === 'whole' ? font.bytes : subset(font.bytes, glyphs));
  if (font.program === 'truetype') {
    const cut = program();
    return { FontFile2: context.register(flate(context, cut, { Length1: cut.length })) };
  }
  const all = font.embedding === 'whole' ? Array.from({ length: font.glyphCount }, (_, glyph) => glyph) : glyphs;
  const cff = font.program === 'cff' ? readSfnt(program()).tables.get('CFF ')! : cffOfOutlines(font, all);
  return { FontFile3: context.register(flate(context, cff, { Subtype: 'CIDFontType0C' })) };
}

/**
 * Embeds a font as a composite font; glyphs keep their numbers. It is cut down to those in use, unless its maker wants
 * it whole.
 */
export function embedFont(context: PDFContext, use: FontUse, cutter: FontCutter): PDFRef {
  const { font } = use;
  const glyphs = [...use.glyphs].sort(([a], [b]) => a - b);
  const ids = glyphs.map(([glyph]) => glyph);
  const isTrueType = font.program === 'truetype';
  const whole = font.embedding === 'whole';
  const name = whole ? font.postscriptName : `${subsetTag(ids)}+${font.postscriptName}`;
  const descriptor = context.register(
    context.obj({
      Type: 'FontDescriptor',
      FontName: name,
      ...descriptorFacts(font),
      ...fontFile(context, font, ids, cutter),
    }),
  );
  const descendant = context.register(
    context.obj({
      Type: 'Font',
      Subtype: isTrueType ? 'CIDFontType2' : 'CIDFontType0',
      BaseFont: name,
      CIDSystemInfo: { Registry: PDFString.of('Adobe'), Ordering: PDFString.of('Identity'), Supplement: 0 },
      FontDescriptor: descriptor,
      ...(isTrueType ? { CIDToGIDMap: 'Identity' } : {}),
      DW: 0,
      W: ids.flatMap((glyph) => [glyph, [pdfWidth(font, glyph)]]),
    }),
  );
  const cmap = context.register(flate(context, new TextEncoder().encode(toUnicode(glyphs))));
  return context.register(
    context.obj({
      Type: 'Font',
      Subtype: 'Type0',
      BaseFont: name,
      Encoding: 'Identity-H',
      DescendantFonts: [descendant],
      ToUnicode: cmap,
    }),
  );
}
