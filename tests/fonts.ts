import { readFileSync } from 'node:fs';
import { decompress } from 'woff2-encoder';
import { packageFile } from '../cli/kit';
import { cffOfOutlines } from '../core/type/cff-of-outlines';
import { openFont } from '../core/type/font';
import { readSfnt, type Sfnt, writeSfnt } from '../core/type/sfnt';

/** Font files to try things on, other than those that ship. */

const bytesOf = (name: string): Uint8Array => new Uint8Array(readFileSync(packageFile(name)));
export const woffFile = (): Uint8Array => bytesOf('@fontsource/bodoni-moda/files/bodoni-moda-latin-400-normal.woff');
export const woff2File = (): Uint8Array => bytesOf('@fontsource/bodoni-moda/files/bodoni-moda-latin-400-normal.woff2');
export const plainFile = (): Uint8Array => bytesOf('@expo-google-fonts/zilla-slab/400Regular/ZillaSlab_400Regular.ttf');
export const otfFile = (): Uint8Array =>
  new Uint8Array(readFileSync('/usr/share/fonts/opentype/cantarell/Cantarell-Regular.otf'));

/** A font with some of its tables changed. */
export function changedFont(bytes: Uint8Array, change: (tables: Sfnt['tables']) => void): Uint8Array {
  const { flavour, tables } = readSfnt(bytes);
  const copies = new Map([...tables].map(([tag, table]) => [tag, table.slice()]));
  change(copies);
  return writeSfnt({ flavour, tables: copies });
}

/** A font whose maker says this of embedding. */
export const withEmbedding = (bytes: Uint8Array, fsType: number): Uint8Array =>
  changedFont(bytes, (tables) => {
    const os2 = tables.get('OS/2')!;
    new DataView(os2.buffer, os2.byteOffset).setUint16(8, fsType);
  });

/** Name IDs of the font's own: the subfamily and the family. */
const INSTANCE_NAMES = [2, 1];
export const INSTANCE_WEIGHTS = [300, 700];

/** A variable font with two named instances on its weight axis; web builds come without any. */
export async function variableFile(): Promise<Uint8Array> {
  const plain = await decompress(bytesOf('@fontsource-variable/fraunces/files/fraunces-latin-wght-normal.woff2'));
  return changedFont(new Uint8Array(plain), (tables) => {
    const old = tables.get('fvar')!;
    const axesEnd = 16 + 20;
    const fvar = new Uint8Array(axesEnd + 8 * INSTANCE_WEIGHTS.length);
    fvar.set(old.subarray(0, axesEnd));
    const view = new DataView(fvar.buffer);
    view.setUint16(12, INSTANCE_WEIGHTS.length);
    view.setUint16(14, 8);
    INSTANCE_WEIGHTS.forEach((weight, i) => {
      view.setUint16(axesEnd + 8 * i, INSTANCE_NAMES[i]!);
      view.setInt32(axesEnd + 8 * i + 4, weight * 65536);
    });
    tables.set('fvar', fvar);
  });
}

/** A font whose glyphs go by CIDs, as those for Chinese, Japanese and Korean do: another's with such a program in it. */
export function cidFile(bytes: Uint8Array): Uint8Array {
  const font = openFont(bytes);
  const all = Array.from({ length: font.glyphCount }, (_, glyph) => glyph);
  return changedFont(bytes, (tables) => {
    for (const tag of ['glyf', 'loca', 'gvar']) tables.delete(tag);
    tables.set('CFF ', cffOfOutlines(font, all));
  });
}

/** A font with CFF2 outlines (OpenType specification, CFF2), which variable fonts have: squares, each as wide as its letter. */
export function cff2File(bytes: Uint8Array): Uint8Array {
  const font = openFont(bytes);
  const short = (n: number): number[] => [28, (n >> 8) & 255, n & 255];
  const long = (n: number): number[] => [n >>> 24, (n >> 16) & 255, (n >> 8) & 255, n & 255];
  const index = (items: number[][]): number[] => {
    if (items.length === 0) return long(0);
    let at = 1;
    const offsets = [at, ...items.map((item) => (at += item.length))];
    return [...long(items.length), 4, ...offsets.flatMap(long), ...items.flat()];
  };
  const programs = Array.from({ length: font.glyphCount }, (_, glyph) => {
    const wide = Math.round(font.advance(glyph));
    // Move, then lines by turns across and up.
    return font.ink(glyph) ? [...short(0), 22, ...short(wide), ...short(500), ...short(-wide), 6] : [];
  });
  const top = (programsAt: number, dictsAt: number): number[] => [
    29,
    ...long(programsAt),
    17,
    29,
    ...long(dictsAt),
    12,
    36,
  ];
  const size = top(0, 0).length;
  const programsAt = 5 + size + 4;
  const charStrings = index(programs);
  const dictsAt = programsAt + charStrings.length;
  const dict = (at: number): number[] => [29, ...long(0), 29, ...long(at), 18];
  const dicts = index([dict(dictsAt + index([dict(0)]).length)]);
  const cff2 = Uint8Array.from([2, 0, 5, 0, size, ...top(programsAt, dictsAt), ...index([]), ...charStrings, ...dicts]);
  return changedFont(bytes, (tables) => {
    for (const tag of ['glyf', 'loca', 'gvar', 'CFF ']) tables.delete(tag);
    tables.set('CFF2', cff2);
  });
}

/** A collection (ISO/IEC 14496-22, 4.6.3) of some fonts. */
export function collectionFile(fonts: readonly Uint8Array[]): Uint8Array {
  const head = 12 + 4 * fonts.length;
  const starts: number[] = [];
  let size = head;
  for (const font of fonts) {
    starts.push(size);
    size += font.length;
  }
  const out = new Uint8Array(size);
  const view = new DataView(out.buffer);
  for (const [i, n] of [0x74746366, 0x00010000, fonts.length, ...starts].entries()) view.setUint32(4 * i, n);
  fonts.forEach((font, i) => {
    const start = starts[i]!;
    out.set(font, start);
    // Tables are found from the head of the file, not of the font.
    for (let row = 0; row < view.getUint16(start + 4); row++) {
      const at = start + 12 + 16 * row + 8;
      view.setUint32(at, view.getUint32(at) + start);
    }
  });
  return out;
}
