import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { inspectPdf } from '../../core/files/pdf/inspect';
import { shopOf } from '../../core/trade/shops';
import { page } from './page-by-hand';
import { expectPlates } from './plates-of-page';
import { folder, run, tidyUp } from './tools';

afterAll(tidyUp);

/** Pictures that OpenJPEG's own program packs as JPEG 2000 (ITU-T T.800), in a PDF, as Ghostscript reads them. */

const WIDE = 220;
const HIGH = 120;
/** The amounts of up to four channels: slow runs and a hard edge, another in each. */
const amount = (x: number, y: number, channel: number): number =>
  [x, 2 * y, (x + y) / 2, Math.hypot(x - 110, y - 60) < 40 ? 230 : 20][channel]!;

/** Packs channels, one after the other as the program takes them, each sample of so many bits. */
function packed(name: string, channels: readonly number[], how: readonly string[] = [], bits = 8): Buffer {
  const raw = join(folder, `${name}.raw`);
  const samples = channels.flatMap((channel) =>
    Array.from({ length: WIDE * HIGH }, (_, i) => amount(i % WIDE, Math.floor(i / WIDE), channel)),
  );
  const bytes =
    bits === 16 ? samples.flatMap((value) => [value & 255, value & 255]) : samples.map((value) => value & 255);
  writeFileSync(raw, Uint8Array.from(bytes));
  const to = join(folder, `${name}.${how.includes('-bare') ? 'j2k' : 'jp2'}`);
  const others = how.filter((each) => each !== '-bare');
  run('opj_compress', ['-i', raw, '-o', to, '-F', `${WIDE},${HIGH},${channels.length},${bits},u`, ...others]);
  const file = readFileSync(to);
  // The program says of any four channels that they are a screen's: 12 says that they are inks (T.801, M.11.7.3.1).
  if (channels.length === 4 && !how.includes('-bare')) file.writeUInt32BE(12, file.indexOf('colr') + 7);
  return file;
}

const image = (bytes: Buffer, entries: string): string =>
  `<</Type/XObject/Subtype/Image/Width ${WIDE}/Height ${HIGH}/Filter/JPXDecode${entries}/Length ${bytes.length}>>stream\n${bytes.toString('latin1')}\nendstream`;
const shown = (bytes: Buffer, entries: string, more: readonly string[] = []): Uint8Array =>
  page(`${WIDE} 0 0 ${HIGH} 0 0 cm /P Do`, '/XObject<</P 5 0 R>>', [image(bytes, entries), ...more]);

const CMYK = '/ColorSpace/DeviceCMYK/BitsPerComponent 8';
const GREY = '/ColorSpace/DeviceGray';

describe('pictures packed as JPEG 2000', () => {
  it.each([
    ['four inks', () => shown(packed('four', [0, 1, 2, 3]), CMYK)],
    ['four inks with losses, in tiles', () => shown(packed('tiles', [0, 1, 2, 3], ['-t', '64,64', '-r', '8']), CMYK)],
    ['four inks without a file of its own', () => shown(packed('bare', [0, 1, 2, 3], ['-bare']), CMYK)],
    ['grey', () => shown(packed('grey', [3]), GREY)],
    ['four inks, and nothing said of them beside', () => shown(packed('said', [0, 1, 2, 3]), '')],
    ['grey of 16 bits', () => shown(packed('fine', [0], [], 16), GREY)],
    ['turned over', () => shown(packed('over', [0]), `${GREY}/Decode[1 0]`)],
    [
      'a mask',
      () => {
        const mask = packed('mask', [3]);
        const flat = Buffer.from([255, 255, 0, 0]);
        const ground = `<</Type/XObject/Subtype/Image/Width 1/Height 1${CMYK}/SMask 6 0 R/Length 4>>stream\n${flat.toString('latin1')}\nendstream`;
        return page(`${WIDE} 0 0 ${HIGH} 0 0 cm /P Do`, '/XObject<</P 5 0 R>>', [ground, image(mask, GREY)]);
      },
    ],
  ])('are on the plates as Ghostscript has them: %s', async (name, made) => {
    await expectPlates(name, made(), { within: 0.02, off: 0.005 });
  });

  it('are told of, where they are damaged or of another size than is said', async () => {
    const unread = async (bytes: Uint8Array) => (await inspectPdf(bytes, shopOf('metric-offset'))).unread;
    const sound = packed('sound', [0]);
    const said = ['page 1: a picture in a packing that is not read'];
    expect(await unread(shown(sound, GREY))).toEqual([]);
    expect(await unread(shown(sound.subarray(0, 60), GREY))).toEqual(said);
    expect(await unread(shown(sound, CMYK))).toEqual(said);
    expect(await unread(shown(sound, `${GREY}/SMaskInData 1`))).toEqual(said);
    const wider = Buffer.from(sound);
    // The size is told twice: in the file's head and in that of the samples (T.800, I.5.3.1 and A.5.1).
    for (const mark of [Buffer.from('ihdr'), Buffer.from([0xff, 0x51])]) {
      const at = wider.indexOf(mark) + (mark.length === 4 ? 8 : 6);
      wider.writeUInt32BE(60_000, at);
      wider.writeUInt32BE(60_000, at + (mark.length === 4 ? -4 : 4));
    }
    expect(await unread(shown(wider, GREY))).toEqual(said);
  });
});
