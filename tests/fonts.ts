import { readFileSync } from 'node:fs';
import { decompress } from 'woff2-encoder';
import { packageFile } from '../cli/kit';
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
