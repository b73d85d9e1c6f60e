import { deflateSync } from 'node:zlib';
import fc from 'fast-check';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { decodePicture } from '../../../core/picture/decode';
import { PictureError } from '../../../core/picture/limits';
import { probePicture } from '../../../core/picture/probe';
import { makePng } from '../../kit';
import { pngChunk } from '../../png';

/** Pictures that are made to fill a memory or to keep a decoder busy: refused in words, at once. */

const good = makePng(12, 10, (x, y) => [x * 20, y * 20, 90]);
const HEAD = 8 + 25;
/** A PNG with something between its head and its pixels. */
const withChunk = (type: string, data: Uint8Array): Uint8Array =>
  new Uint8Array(Buffer.concat([good.subarray(0, HEAD), pngChunk(type, data), good.subarray(HEAD)]));
const named = (data: Uint8Array): Uint8Array => new Uint8Array(Buffer.concat([Buffer.from('Photo\0\0'), data]));
const ZEROS = deflateSync(new Uint8Array(300_000_000));

let jpeg: Buffer;
let progressive: Buffer;
beforeAll(async () => {
  const source = sharp({ create: { width: 64, height: 48, channels: 3, background: '#7a9' } });
  jpeg = await source.clone().jpeg().toBuffer();
  progressive = await source.clone().jpeg({ progressive: true }).toBuffer();
});
const endless = (part: Buffer, times: number): Uint8Array => {
  const end = jpeg.length - 2;
  return new Uint8Array(
    Buffer.concat([jpeg.subarray(0, end), ...Array.from({ length: times }, () => part), jpeg.subarray(end)]),
  );
};
/** A JPEG's segment with that marker, with its head. */
function segment(bytes: Buffer, marker: number): Buffer {
  const at = bytes.indexOf(Buffer.from([0xff, marker]));
  return bytes.subarray(at, at + 2 + bytes.readUInt16BE(at + 2));
}

describe('a PNG', () => {
  it('whose pixels unpack to far more than its size is refused', () => {
    const head = good.subarray(0, HEAD);
    const bomb = new Uint8Array(Buffer.concat([head, pngChunk('IDAT', ZEROS), pngChunk('IEND', new Uint8Array())]));
    expect(() => decodePicture(bomb)).toThrow(/far more than its 12 × 10 pixels/);
  });
  it('whose profile is a bomb is refused', () => {
    expect(() => decodePicture(withChunk('iCCP', named(ZEROS)))).toThrow(/profile in this PNG is far larger/);
  });
  it.each(['zTXt', 'iTXt', 'eXIf', 'abCd'])('with a bomb in what is no picture (%s) is read without it', (type) => {
    expect([...decodePicture(withChunk(type, named(ZEROS))).colour]).toEqual([...decodePicture(good).colour]);
  });
  // Interlaced below 8 bits is not read yet.
  it('of any kind, interlaced too, is never taken for a bomb', async () => {
    const kinds = fc.record({
      width: fc.integer({ min: 8, max: 40 }),
      height: fc.integer({ min: 8, max: 40 }),
      channels: fc.constantFrom(3 as const, 4 as const),
      palette: fc.boolean(),
      progressive: fc.boolean(),
      bits: fc.constantFrom(1, 2, 4, 8),
    });
    await fc.assert(
      fc.asyncProperty(kinds, async ({ width, height, channels, palette, progressive, bits }) => {
        const raw = Buffer.from(Array.from({ length: width * height * channels }, (_, i) => (i * 37) % 256));
        const png = await sharp(raw, { raw: { width, height, channels } })
          .png({
            palette,
            progressive: progressive && !(palette && bits < 8),
            ...(palette ? { colours: 2 ** bits } : {}),
          })
          .toBuffer();
        const { width: w, height: h } = decodePicture(new Uint8Array(png));
        expect([w, h]).toEqual([width, height]);
      }),
      { numRuns: 60 },
    );
  });
});

describe('a JPEG', () => {
  it('that gives another number of lines after its picture is refused (T.81, B.2.5)', () => {
    const lines = Buffer.from([0xff, 0xdc, 0, 4, 0xff, 0xff]);
    expect(() => probePicture(endless(lines, 1))).toThrow(/changes its size/);
    const same = Buffer.from([0xff, 0xdc, 0, 4, 0, 48]);
    expect(probePicture(endless(same, 1)).height).toBe(48);
  });
  it('with a second frame, before its picture or after, is refused', () => {
    const frame = Buffer.from(segment(jpeg, 0xc0));
    frame.writeUInt16BE(60_000, 5);
    expect(() => probePicture(endless(frame, 1))).toThrow(/changes its size/);
    const at = jpeg.indexOf(Buffer.from([0xff, 0xc0]));
    const twice = Buffer.concat([
      jpeg.subarray(0, at),
      segment(jpeg, 0xc0),
      frame,
      jpeg.subarray(at + segment(jpeg, 0xc0).length),
    ]);
    expect(() => probePicture(new Uint8Array(twice))).toThrow(PictureError);
  });
  it('of thousands of passes is refused, one of ten is not', () => {
    expect(() => probePicture(endless(segment(jpeg, 0xda), 5000))).toThrow(/damaged/);
    expect(decodePicture(new Uint8Array(progressive)).width).toBe(64);
  });
  it('damaged anywhere is drawn or refused in words', () => {
    fc.assert(
      fc.property(fc.nat(jpeg.length - 1), fc.nat(255), (at, byte) => {
        const damaged = new Uint8Array(jpeg);
        damaged[at] = byte;
        try {
          decodePicture(damaged);
        } catch (error) {
          expect(error).toBeInstanceOf(PictureError);
        }
      }),
      { numRuns: 150 },
    );
  });
});
