import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { decodePicture } from '../../../core/picture/decode';
import { jpegPixels } from '../../../core/picture/jpeg-decode';
import { PictureError } from '../../../core/picture/limits';
import { makePng } from '../../kit';

/** Slopes, edges and grain: what blocks of 8 and thinned colours are hard on. */
const scene = makePng(203, 131, (x, y) => [
  (x * 5 + y) % 256,
  x % 40 < 20 ? 30 : 220,
  Math.floor(128 + 100 * Math.sin(x * y)),
]);

/** libvips reads JPEGs with libjpeg-turbo: the reference. */
const asLibjpegReads = (bytes: Buffer) => sharp(bytes).raw().toBuffer({ resolveWithObject: true });

describe('a JPEG’s pixels', () => {
  it.each([
    ['plain', { quality: 90 }],
    ['with all of its colours', { quality: 95, chromaSubsampling: '4:4:4' }],
    ['in passes', { quality: 80, progressive: true }],
    ['of poor quality', { quality: 10 }],
    ['with tables of its own', { quality: 75, optimizeCoding: true, trellisQuantisation: true }],
  ] as const)('%s, are to the bit what libjpeg reads', async (_, how) => {
    const bytes = await sharp(scene).jpeg(how).toBuffer();
    const { data, info } = await asLibjpegReads(bytes);
    const { width, height, colour } = jpegPixels(new Uint8Array(bytes), 3);
    expect([width, height, colour.length]).toEqual([info.width, info.height, data.length]);
    expect(Buffer.compare(Buffer.from(colour), data)).toBe(0);
  });
  it('of one channel stay one', async () => {
    const bytes = await sharp(scene).toColourspace('b-w').jpeg({ quality: 90 }).toBuffer();
    const data = await sharp(bytes).extractChannel(0).raw().toBuffer();
    expect(Buffer.compare(Buffer.from(jpegPixels(new Uint8Array(bytes), 1).colour), data)).toBe(0);
  });
  it('of CMYK come from the other decoder, four bytes each', async () => {
    const bytes = await sharp(scene).pipelineColourspace('cmyk').toColourspace('cmyk').jpeg().toBuffer();
    const { width, height, space, colour } = decodePicture(new Uint8Array(bytes));
    expect([width, height, space, colour.length]).toEqual([203, 131, 'CMYK', 203 * 131 * 4]);
  });
  it('are read after one that could not be', async () => {
    const bytes = new Uint8Array(await sharp(scene).jpeg().toBuffer());
    const before = jpegPixels(bytes, 3).colour;
    expect(() => jpegPixels(new Uint8Array(200), 3)).toThrow();
    expect(Buffer.compare(jpegPixels(bytes, 3).colour, before)).toBe(0);
  });
  it('that are none are refused in words', async () => {
    const bytes = new Uint8Array(await sharp(scene).jpeg().toBuffer());
    // The tables are gone: there is a head, but nothing can be decoded.
    const spoilt = bytes.slice();
    for (let i = 2; i < spoilt.length - 3; i++) if (spoilt[i] === 0xff && spoilt[i + 1] === 0xdb) spoilt[i + 1] = 0xfe;
    expect(() => decodePicture(spoilt)).toThrow(PictureError);
  });
});
