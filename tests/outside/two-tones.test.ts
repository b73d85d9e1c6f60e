import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readTiff } from '../../core/picture/tiff-in';
import { page } from './page-by-hand';
import { expectPlates } from './plates-of-page';
import { folder, run, tidyUp } from './tools';

afterAll(tidyUp);

/** Line art that others packed as a fax (ITU-T T.4, T.6) or as scanners do (T.88), as Ghostscript writes and reads it. */

const DRAWING = `%!
<< /PageSize [220 120] >> setpagedevice
/Times-Roman 30 selectfont 8 80 moveto (Tea & paper) show
150 40 30 0 360 arc fill 1 setgray 150 40 12 0 360 arc fill 0 setgray
0 1 11 { dup 9 mul 8 add exch 3 mul 10 add exch moveto 4 30 rlineto 4 -3 rlineto stroke } for
0 0 4 120 rectfill 216 0 4 120 rectfill showpage`;
const KINDS = ['pack', 'crle', 'g3', 'g32d', 'g4'] as const;
type Kind = (typeof KINDS)[number];
const WIDE = 220;
const HIGH = 120;

const fileOf = (kind: Kind): string => join(folder, `${kind}.tif`);
beforeAll(() => {
  const drawing = join(folder, 'drawing.ps');
  writeFileSync(drawing, DRAWING);
  for (const kind of KINDS)
    run('gs', [
      '-q',
      '-dBATCH',
      '-dNOPAUSE',
      '-dMaxStripSize=0',
      '-r72',
      `-sDEVICE=tiff${kind}`,
      '-o',
      fileOf(kind),
      drawing,
    ]);
});

/** The bytes of a file’s one strip, by TIFF’s own tags for where it begins and how long it is. */
function stripOf(kind: Kind): Buffer {
  const file = readFileSync(fileOf(kind));
  const at = file.readUInt32LE(4);
  const tags = new Map(
    Array.from({ length: file.readUInt16LE(at) }, (_, i): [number, number] => {
      const entry = at + 2 + 12 * i;
      const isShort = file.readUInt16LE(entry + 2) === 3;
      return [file.readUInt16LE(entry), isShort ? file.readUInt16LE(entry + 8) : file.readUInt32LE(entry + 8)];
    }),
  );
  expect(tags.get(257)).toBe(HIGH);
  return file.subarray(tags.get(273)!, tags.get(273)! + tags.get(279)!);
}

/** A page that shows a picture in its whole size, dark where its samples are 0. */
const shown = (packed: Buffer, entries: string, more: readonly string[] = []): Uint8Array =>
  page(`${WIDE} 0 0 ${HIGH} 0 0 cm /P Do`, '/XObject<</P 5 0 R>>', [
    `<</Type/XObject/Subtype/Image/Width ${WIDE}/Height ${HIGH}/BitsPerComponent 1/ColorSpace/DeviceGray${entries}/Length ${packed.length}>>stream\n${packed.toString('latin1')}\nendstream`,
    ...more,
  ]);
const fax = (parms: string): string => `/Filter/CCITTFaxDecode/DecodeParms<</Columns ${WIDE}/Rows ${HIGH}${parms}>>`;

const word = (...numbers: number[]): Buffer =>
  Buffer.concat(numbers.map((n) => Buffer.from([n >> 24, n >> 16, n >> 8, n])));
/** A segment: its number, its kind, of the first page, and what is in it (T.88, 7.2). */
const segment = (number: number, kind: number, data: Buffer): Buffer =>
  Buffer.concat([word(number), Buffer.from([kind, 0, 1]), word(data.length), data]);
/** A page (7.4.8) with one region of pixels that is packed as T.6 (7.4.6). */
const scanned = (packed: Buffer): Buffer =>
  Buffer.concat([
    segment(0, 48, Buffer.concat([word(WIDE, HIGH, 0, 0), Buffer.from([0, 0, 0])])),
    segment(1, 38, Buffer.concat([word(WIDE, HIGH, 0, 0), Buffer.from([0, 1]), packed])),
  ]);

describe('line art of others', () => {
  it.each(KINDS.slice(1))('a TIFF packed by Ghostscript as %s has the pixels of the one that is not', async (kind) => {
    const plain = await readTiff(readFileSync(fileOf('pack')));
    const read = await readTiff(readFileSync(fileOf(kind)));
    expect([read.width, read.height, read.lineArt]).toEqual([WIDE, HIGH, true]);
    expect(read.colour.some((value) => value === 0)).toBe(true);
    expect(read.colour).toEqual(plain.colour);
  });

  it('one that is cut short is refused in words', async () => {
    const cut = readFileSync(fileOf('g4'));
    const strip = cut.indexOf(stripOf('g4'));
    cut.fill(0, strip + 200, strip + stripOf('g4').length);
    await expect(readTiff(cut)).rejects.toThrow('This TIFF is damaged or cut short.');
  });

  it('is on the plates of a PDF as Ghostscript has it', async () => {
    await expectPlates('by the row above', shown(stripOf('g4'), fax('/K -1')));
    await expectPlates('in one dimension', shown(stripOf('g3'), fax('/K 0/EndOfLine true')));
    await expectPlates('in both', shown(stripOf('g32d'), fax('/K 4/EndOfLine true')));
    await expectPlates('in whole bytes', shown(stripOf('crle'), fax('/K 0/EncodedByteAlign true/EndOfBlock false')));
    await expectPlates('turned over', shown(stripOf('g4'), `${fax('/K -1/BlackIs1 true')}/Decode[1 0]`));
    await expectPlates('as scanners pack', shown(scanned(stripOf('g4')), '/Filter/JBIG2Decode'));
  });
});
