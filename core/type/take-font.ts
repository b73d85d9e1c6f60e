import { type Font, openFont } from './font';
import type { OwnFont } from './own-font';
import {
  collectionOffsets,
  FONT_LIMIT,
  FontError,
  readSfnt,
  signatureOf,
  unpackWoff,
  WOFF,
  WOFF2,
  writeSfnt,
} from './sfnt';
import type { FontCutter } from './subset';

/** Unpacks WOFF and WOFF2 to the plain font they hold. `unpackWoff2` is handed in: its decoder is wasm. Throws FontError. */
export async function plainFont(
  bytes: Uint8Array,
  unpackWoff2: (bytes: Uint8Array) => Promise<Uint8Array>,
): Promise<Uint8Array> {
  if (bytes.length > FONT_LIMIT) throw new FontError('This font file is larger than 60 MB. Add a smaller one.');
  const signature = signatureOf(bytes);
  if (signature === WOFF) return unpackWoff(bytes);
  if (signature !== WOFF2) return bytes.slice();
  // The unpacked size stands in the header (WOFF 2.0, 4.1): a bomb is not even begun.
  if (new DataView(bytes.buffer, bytes.byteOffset).getUint32(16) > FONT_LIMIT)
    throw new FontError('This font file unpacks to more than 60 MB. Add a smaller one.');
  try {
    return await unpackWoff2(bytes);
  } catch {
    throw new FontError('This WOFF2 file cannot be unpacked. Get it again, or add the font as TTF or OTF.');
  }
}

const NEEDED = ['cmap', 'head', 'hhea', 'hmtx', 'maxp'];
const NAME = { family: 1, style: 2, typographicFamily: 16, typographicStyle: 17 };

/** What a font calls itself: the names of its family and its style. */
function ownNames(font: Font): Pick<OwnFont, 'family' | 'style'> {
  const named = (first: number, second: number): string => font.name(first) || font.name(second);
  return {
    family: named(NAME.typographicFamily, NAME.family).slice(0, 120) || 'Unnamed',
    style: named(NAME.typographicStyle, NAME.style).slice(0, 120) || 'Regular',
  };
}

/** The fonts of a collection, each a file by itself with what the collection shares; none for a file of one font. Throws FontError. */
export const fontsOfCollection = (bytes: Uint8Array): { name: string; file(): Uint8Array }[] =>
  collectionOffsets(bytes).map((from) => {
    const sfnt = readSfnt(bytes, from);
    // Names are read off what has no outlines: a collection of ten may hold fifty million bytes.
    const named = new Map([...sfnt.tables].filter(([tag]) => SMALL.includes(tag)));
    const { family, style } = ownNames(openFont(writeSfnt({ ...sfnt, tables: named })));
    return { name: `${family}, ${style}`, file: () => writeSfnt(sfnt) };
  });
const SMALL = ['head', 'maxp', 'name'];

/** The named instances of a variable font (OpenType specification, fvar). */
function instancesOf(font: Font): OwnFont['instances'] {
  const table = font.table('fvar');
  if (!table || table.length < 16) return [];
  const view = new DataView(table.buffer, table.byteOffset, table.byteLength);
  const axesAt = view.getUint16(4);
  const [axisCount, axisSize, count, size] = [8, 10, 12, 14].map((at) => view.getUint16(at)) as [
    number,
    number,
    number,
    number,
  ];
  const end = axesAt + axisCount * axisSize + count * size;
  if (end > table.length || size < 4 + 4 * axisCount) throw new FontError(BROKEN_AXES);
  const tags = Array.from({ length: axisCount }, (_, i) =>
    String.fromCharCode(...table.subarray(axesAt + i * axisSize, axesAt + i * axisSize + 4)),
  );
  return Array.from({ length: Math.min(count, 200) }, (_, i) => {
    const at = axesAt + axisCount * axisSize + i * size;
    return {
      name: font.name(view.getUint16(at)).slice(0, 120) || `Instance ${i + 1}`,
      at: Object.fromEntries(tags.map((tag, a) => [tag, view.getInt32(at + 4 + 4 * a) / 65536])),
    };
  });
}
const BROKEN_AXES = 'The axes of this variable font are broken. Get it again from where it came from.';

/** Glyphs that are looked through for one with ink: the first of some fonts are spaces and marks of their makers. */
const MOST_TRIED = 3000;

/** The first glyphs of a font that have ink. */
function inkedGlyphs(font: Font, count: number): number[] {
  const maxp = font.table('maxp');
  const glyphs = maxp && maxp.length >= 6 ? (maxp[4]! << 8) | maxp[5]! : 0;
  const inked: number[] = [];
  for (let id = 1; id < Math.min(glyphs, MOST_TRIED) && inked.length < count; id++)
    if (font.ink(id) !== undefined) inked.push(id);
  return inked;
}

/** Whether a font can be cut down to some of its glyphs, as it is in every file, and still draws them. */
function canBeCut(bytes: Uint8Array, glyphs: readonly number[], cutter: FontCutter): boolean {
  try {
    const cut = openFont(cutter.subset(bytes, glyphs));
    return glyphs.some((id) => cut.ink(id) !== undefined);
  } catch {
    return false;
  }
}

/**
 * Looks an unpacked font over from head to end, and cuts it down by way of trial where there is a `cutter`. Throws FontError
 * with words for the user.
 */
export function takeFont(bytes: Uint8Array, cutter?: FontCutter): OwnFont {
  const { tables } = readSfnt(bytes);
  const missing = NEEDED.filter((tag) => !tables.has(tag));
  if (missing.length > 0)
    throw new FontError(`This font lacks the table ${missing[0]} and cannot be used. Get it again from its maker.`);
  if (!['glyf', 'CFF ', 'CFF2'].some((tag) => tables.has(tag)))
    throw new FontError('This font has no outlines, only pictures of letters, and cannot be printed. Add another.');
  const font = openFont(bytes);
  const inked = inkedGlyphs(font, 60);
  if (!(font.upem >= 16 && font.upem <= 16_384) || inked.length === 0)
    throw new FontError('This font’s letters cannot be drawn. Get it again from its maker, or add another.');
  if (cutter && !canBeCut(bytes, inked, cutter))
    throw new FontError(
      'This font is damaged: it cannot be cut down to the letters in use. Get it again from its maker.',
    );
  return { ...ownNames(font), instances: instancesOf(font) };
}

/** The file of one face of an added font: a variable one is made plain at its instance, or at its default. */
export function faceBytes(bytes: Uint8Array, instance: number | undefined, cutter: FontCutter): Uint8Array {
  if (!readSfnt(bytes).tables.has('fvar')) return bytes;
  const at = instance === undefined ? {} : (instancesOf(openFont(bytes))[instance]?.at ?? {});
  return cutter.instance(bytes, at);
}
