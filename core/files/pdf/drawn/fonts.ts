import type { Matrix } from '../../../geometry/matrix';
import type { Path } from '../../../geometry/path';
import { openFont } from '../../../type/font';
import { writeSfnt } from '../../../type/sfnt';
import { type Operation, operationsOf } from '../parsed/file';
import { contentsOf } from '../parsed/filters';
import { type Dict, Name, Stream, Text } from '../parsed/syntax';
import { arrayOf, dictOf, nameOf, numbersOf, type PdfView } from '../parsed/view';
import { type CffFacts, cffFacts } from './cff';
import { characterIn, characterNamed, namesOf } from './encodings';
import { usualName } from './letter-names';
import { standardFont, standardWidth } from './standard-fonts';
import { readType1 } from './type1';

/** Fonts of a PDF as their letters are shown (ISO 32000-1, 9.5 to 9.10). */

export interface FontRead {
  /** Without the six letters of a subset. */
  name: string;
  embedded: boolean;
  kind: string;
  /** The codes that a string is made of. */
  codes(text: string): { code: number; isSpace: boolean }[];
  /** How far a code moves the pen, in thousandths of the size. */
  width(code: number): number;
  /** What a code stands for, where the font says so. */
  unicode(code: number): string | undefined;
  /** The number of a code's glyph in the font's program. */
  glyph(code: number): number;
  /** A glyph's outline in units of `upem`, y up; undefined where the program is not read here. */
  outline(glyph: number): Path | undefined;
  upem: number;
  /** The height of its em, in those of the size that it is set in: 1, but for fonts that measure otherwise. */
  em: number;
  /** Letters that are contents themselves. */
  type3?: { matrix: Matrix; contentOf(code: number): Operation[] | undefined; resources: Dict };
}

const codeOf = (text: string): number => {
  let code = 0;
  for (let i = 0; i < text.length; i++) code = code * 256 + text.charCodeAt(i);
  return code;
};
const utf16 = (text: string): string =>
  text.replace(/([\s\S])([\s\S])/g, (_, high: string, low: string) =>
    String.fromCharCode(high.charCodeAt(0) * 256 + low.charCodeAt(0)),
  );

interface CMap {
  unicode: Map<number, string>;
  cids: Map<number, number>;
  /** How many bytes codes have. */
  bytes: number | undefined;
}

/** More codes than this no font has. */
const MOST_CODES = 70_000;

/** What a CMap says of codes (9.7.5 and 9.10.3). */
function readCMap(view: PdfView, stream: Stream): CMap {
  const map: CMap = { unicode: new Map(), cids: new Map(), bytes: undefined };
  for (const { word, given } of operationsOf(contentsOf(stream, view.file))) {
    const texts = given;
    if (word === 'endcodespacerange' && texts[0] instanceof Text) map.bytes = texts[0].text.length;
    if (word === 'endbfchar')
      for (let i = 0; i + 1 < texts.length; i += 2) {
        const [from, to] = [texts[i], texts[i + 1]];
        if (from instanceof Text && to instanceof Text) map.unicode.set(codeOf(from.text), utf16(to.text));
      }
    if (word === 'endbfrange' || word === 'endcidrange')
      for (let i = 0; i + 2 < texts.length; i += 3) {
        const [low, high, to] = [texts[i], texts[i + 1], texts[i + 2]];
        if (!(low instanceof Text) || !(high instanceof Text)) continue;
        const [first, last] = [codeOf(low.text), Math.min(codeOf(high.text), codeOf(low.text) + MOST_CODES)];
        for (let code = first; code <= last; code++) {
          if (word === 'endcidrange') map.cids.set(code, Number(to) + code - first);
          else if (Array.isArray(to)) {
            const each = to[code - first];
            if (each instanceof Text) map.unicode.set(code, utf16(each.text));
          } else if (to instanceof Text) {
            const start = utf16(to.text);
            const end = start.length - 1;
            map.unicode.set(code, start.slice(0, end) + String.fromCharCode(start.charCodeAt(end) + code - first));
          }
        }
      }
    if (word === 'endcidchar')
      for (let i = 0; i + 1 < texts.length; i += 2) {
        const from = texts[i];
        if (from instanceof Text) map.cids.set(codeOf(from.text), Number(texts[i + 1]));
      }
  }
  return map;
}

interface Program {
  outline(glyph: number): Path | undefined;
  glyphFor(character: number): number | undefined;
  /** The glyph of a name, and of a code that has none: of fonts whose letters are known by names. */
  named(name: string | undefined, code: number): number | undefined;
  /** The name that the program itself gives a code. */
  ownName(code: number): string | undefined;
  /** The glyphs by their CIDs, where those are not the glyphs' numbers. */
  cids?: ReadonlyMap<number, number> | undefined;
  upem: number;
}
const NO_PROGRAM: Program = {
  outline: () => undefined,
  glyphFor: () => undefined,
  named: () => undefined,
  ownName: () => undefined,
  upem: 1000,
};

const word = (...values: number[]): number[] => values.flatMap((v) => [(v >> 8) & 255, v & 255]);
const long = (v: number): number[] => [...word(v >>> 16), ...word(v & 0xffff)];

/** A bare CFF as a font file: the few tables that a reader of glyphs asks for. */
function asOpenType(cff: Uint8Array, count: number): Uint8Array {
  const table = (...bytes: number[]): Uint8Array => Uint8Array.from(bytes);
  const head = table(
    ...long(0x00010000),
    ...long(0x00010000),
    ...long(0),
    ...long(0x5f0f3cf5),
    ...word(0, 1000),
    ...Array(16).fill(0),
    ...word(0, 0, 0, 0, 0, 8, 2, 0, 0),
  );
  return writeSfnt({
    flavour: 0x4f54544f,
    tables: new Map([
      ['CFF ', cff],
      ['head', head],
      ['hhea', table(...long(0x00010000), ...word(800, 0xff38, 0, 1000), ...Array(22).fill(0), ...word(1))],
      ['hmtx', new Uint8Array(4 + 2 * Math.max(0, count - 1))],
      ['maxp', table(...long(0x00005000), ...word(count))],
    ]),
  });
}

/** The program of a font: TrueType or OpenType as it is, a bare CFF with what it says of its glyphs. */
function fileOf(view: PdfView, descriptor: Dict | undefined): { bytes: Uint8Array; cff?: CffFacts } | undefined {
  const { file } = view;
  const trueType = file.get(descriptor?.get('FontFile2'));
  if (trueType instanceof Stream) return { bytes: contentsOf(trueType, file) };
  const other = file.get(descriptor?.get('FontFile3'));
  if (!(other instanceof Stream)) return undefined;
  const bytes = contentsOf(other, file);
  if (nameOf(file, other.dict.get('Subtype')) === 'OpenType') return { bytes };
  const cff = cffFacts(bytes);
  return { bytes: asOpenType(bytes, cff.count), cff };
}

/** A program of Type 1: its letters are numbered as they are asked for. */
function type1Program(bytes: Uint8Array): Program {
  const font = readType1(bytes);
  const numbers: string[] = [];
  return {
    ...NO_PROGRAM,
    outline: (glyph) => font.outline(numbers[glyph] ?? '.notdef'),
    ownName: (code) => font.codes.get(code),
    named: (given, code) => {
      const name = [given, font.codes.get(code), usualName(code)].find((each) => each && font.has(each)) ?? '.notdef';
      const at = numbers.indexOf(name);
      return at >= 0 ? at : numbers.push(name) - 1;
    },
  };
}

function programOf(view: PdfView, descriptor: Dict | undefined): Program {
  try {
    const type1 = view.file.get(descriptor?.get('FontFile'));
    if (type1 instanceof Stream) return type1Program(contentsOf(type1, view.file));
    const found = fileOf(view, descriptor);
    if (!found) return NO_PROGRAM;
    const { bytes, cff } = found;
    const font = openFont(bytes);
    const glyphNames = new Map([...(cff?.names ?? [])].map(([name, glyph]) => [glyph, name]));
    return {
      outline: (glyph) => font.outline(glyph),
      upem: font.upem,
      glyphFor: (character) =>
        font.has(character) ? font.shape({ text: String.fromCodePoint(character) })[0]?.id : undefined,
      named: (name, code) =>
        cff?.names.get(name ?? '') ??
        cff?.codes.get(code) ??
        (name === undefined ? cff?.names.get(usualName(code) ?? '') : undefined),
      ownName: (code) => {
        const glyph = cff?.codes.get(code);
        return glyph === undefined ? undefined : glyphNames.get(glyph);
      },
      cids: cff?.cids,
    };
  } catch {
    return NO_PROGRAM;
  }
}

/** The letters that mark a subset before its font's name (9.6.4). */
const SUBSET = /^[A-Z]{6}\+/;

/** The name of a font without the mark of a subset, and whether it has one. */
export function baseFont(file: Pick<PdfView['file'], 'get'>, font: Dict): { name: string; subset: boolean } {
  // Letters that are contents themselves have no name that they must have.
  const name = nameOf(file, font.get('BaseFont')) ?? nameOf(file, font.get('Name')) ?? '';
  return { name: name.replace(SUBSET, ''), subset: SUBSET.test(name) };
}

/** Whether a font's program is in the file, by its descriptor. */
export const isEmbedded = ({ file }: Pick<PdfView, 'file'>, descriptor: Dict | undefined): boolean =>
  ['FontFile', 'FontFile2', 'FontFile3'].some((key) => file.get(descriptor?.get(key)) instanceof Stream);

/** The names that an encoding gives codes of its own (table 114). */
function differencesOf({ file }: PdfView, font: Dict): Map<number, string> {
  const names = new Map<number, string>();
  let at = 0;
  for (const each of arrayOf(file, dictOf(file, font.get('Encoding'))?.get('Differences'))) {
    const value = file.get(each);
    if (typeof value === 'number') at = value;
    else if (value instanceof Name) names.set(at++, value.name);
  }
  return names;
}

function composite(view: PdfView, font: Dict, told: CMap | undefined): FontRead {
  const { file } = view;
  const own = dictOf(file, arrayOf(file, font.get('DescendantFonts'))[0]) ?? new Map();
  const descriptor = dictOf(file, own.get('FontDescriptor'));
  const program = programOf(view, descriptor);
  const encoding = file.get(font.get('Encoding'));
  const cmap = encoding instanceof Stream ? readCMap(view, encoding) : undefined;
  // Codes by a table that readers have (9.7.5.2), and letters one under another, are not read: they are told of.
  const isRead = !(encoding instanceof Name) || encoding.name === 'Identity-H';
  const bytes = cmap?.bytes ?? 2;
  const cidOf = (code: number): number => cmap?.cids.get(code) ?? code;
  const gids = file.get(own.get('CIDToGIDMap'));
  const table = gids instanceof Stream ? contentsOf(gids, file) : undefined;
  const usual = Number(file.get(own.get('DW')) ?? 1000);
  const widths = new Map<number, number>();
  const list = arrayOf(file, own.get('W')).map((each) => file.get(each) ?? null);
  for (let i = 0; i < list.length; ) {
    const first = Number(list[i]);
    const next = list[i + 1];
    if (Array.isArray(next)) {
      for (const [k, each] of next.entries()) widths.set(first + k, Number(file.get(each)));
      i += 2;
    } else {
      for (let cid = first; cid <= Math.min(Number(next), first + MOST_CODES); cid++)
        widths.set(cid, Number(list[i + 2]));
      i += 3;
    }
  }
  return {
    name: baseFont(file, font).name,
    embedded: isEmbedded(view, descriptor),
    kind: nameOf(file, own.get('Subtype')) ?? 'Type0',
    codes: (text) =>
      Array.from({ length: Math.floor(text.length / bytes) }, (_, i) => ({
        code: codeOf(text.slice(i * bytes, (i + 1) * bytes)),
        isSpace: bytes === 1 && text[i] === ' ',
      })),
    width: (code) => widths.get(cidOf(code)) ?? usual,
    unicode: (code) => told?.unicode.get(code),
    glyph: (code) => {
      const cid = cidOf(code);
      return table ? (table[2 * cid] ?? 0) * 256 + (table[2 * cid + 1] ?? 0) : (program.cids?.get(cid) ?? cid);
    },
    outline: isRead ? program.outline : () => undefined,
    upem: program.upem,
    em: 1,
  };
}

/** The flag of a font whose letters are not the usual ones (table 123). */
const SYMBOLIC = 4;

function simple(view: PdfView, font: Dict, told: CMap | undefined): FontRead {
  const { file } = view;
  const descriptor = dictOf(file, font.get('FontDescriptor'));
  const program = programOf(view, descriptor);
  const first = Number(file.get(font.get('FirstChar')) ?? 0);
  const widths = numbersOf(view, font.get('Widths'));
  const missing = Number(file.get(descriptor?.get('MissingWidth')) ?? 500);
  const { name } = baseFont(file, font);
  const isHere = isEmbedded(view, descriptor);
  const encoding =
    nameOf(file, font.get('Encoding')) ?? nameOf(file, dictOf(file, font.get('Encoding'))?.get('BaseEncoding'));
  const names = namesOf(encoding, differencesOf(view, font), isHere ? undefined : (standardFont(name) ?? name));
  const standard = widths.length > 0 ? undefined : standardFont(name);
  // A symbolic TrueType without an encoding knows its letters by their codes, whatever those stand for (9.6.6.4).
  const isSymbolic = (Number(file.get(descriptor?.get('Flags')) ?? 0) & SYMBOLIC) !== 0;
  const goesByCode = isSymbolic && !font.has('Encoding');
  const unicode = (code: number): string | undefined => {
    if (told?.unicode.has(code)) return told.unicode.get(code);
    const given = names.usual(code) ?? (encoding === undefined ? program.ownName(code) : undefined);
    if (given !== undefined) return characterNamed(given);
    return characterIn('WinAnsiEncoding', code);
  };
  return {
    name,
    embedded: isHere,
    kind: nameOf(file, font.get('Subtype')) ?? 'Type1',
    codes: (text) => Array.from(text, (c) => ({ code: c.charCodeAt(0), isSpace: c === ' ' })),
    width: (code) =>
      widths[code - first] ??
      (standard ? standardWidth(standard, names.usual(code) ?? usualName(code) ?? '') : undefined) ??
      missing,
    unicode,
    glyph: (code) => {
      const character = unicode(code)?.codePointAt(0);
      const byCharacter = character === undefined ? undefined : program.glyphFor(character);
      const byCode = program.glyphFor(0xf000 + code) ?? program.glyphFor(code);
      return (
        program.named(names.given(code), code) ?? (goesByCode ? (byCode ?? byCharacter) : (byCharacter ?? byCode)) ?? 0
      );
    },
    outline: program.outline,
    upem: program.upem,
    em: 1,
  };
}

/**
 * The em of letters that are contents: a thousand units, as other fonts have; where they are measured otherwise, as bitmaps of
 * letters are, what holds the tallest and the deepest of them is about as much.
 */
function emOf(matrix: readonly number[], bounds: readonly number[]): number {
  const [unit, height] = [Math.abs(matrix[3] ?? 0.001), Math.abs((bounds[3] ?? 0) - (bounds[1] ?? 0))];
  return Math.abs(unit - 0.001) < 0.0002 || height === 0 ? 1 : unit * height;
}

function type3(view: PdfView, font: Dict, told: CMap | undefined): FontRead {
  const { file } = view;
  const base = simple(view, font, told);
  const matrix = numbersOf(view, font.get('FontMatrix'));
  const procs = dictOf(file, font.get('CharProcs')) ?? new Map();
  const names = differencesOf(view, font);
  const contents = new Map<number, Operation[] | undefined>();
  const read = (code: number): Operation[] | undefined => {
    const found = file.get(procs.get(names.get(code) ?? ''));
    return found instanceof Stream ? operationsOf(contentsOf(found, file)) : undefined;
  };
  return {
    ...base,
    embedded: true,
    kind: 'Type3',
    em: emOf(matrix, numbersOf(view, font.get('FontBBox'))),
    // Widths are in glyph space there.
    width: (code) => base.width(code) * (matrix[0] ?? 0.001) * 1000,
    type3: {
      matrix: (matrix.length === 6 ? matrix : [0.001, 0, 0, 0.001, 0, 0]) as unknown as Matrix,
      resources: dictOf(file, font.get('Resources')) ?? new Map(),
      contentOf: (code) => {
        if (!contents.has(code)) contents.set(code, read(code));
        return contents.get(code);
      },
    },
  };
}

/** Reads a font; its program is opened where it is one whose glyphs are read. */
export function fontOf(view: PdfView, font: Dict): FontRead {
  const { file } = view;
  const stream = file.get(font.get('ToUnicode'));
  const told = stream instanceof Stream ? readCMap(view, stream) : undefined;
  const kind = nameOf(file, font.get('Subtype'));
  return kind === 'Type0'
    ? composite(view, font, told)
    : kind === 'Type3'
      ? type3(view, font, told)
      : simple(view, font, told);
}
