import { readFileSync } from 'node:fs';
import { crc32 } from 'node:zlib';
import fc from 'fast-check';
import { zlibSync } from 'fflate';
import sharp, { type JpegOptions } from 'sharp';
import { describe, expect, it } from 'vitest';
import { profileFile } from '../../../cli/kit';
import { openPngReader } from '../../../cli/png-reader';
import { asKept } from '../../../core/picture/as-kept';
import { decodePicture, type Pixels } from '../../../core/picture/decode';
import { PictureError } from '../../../core/picture/limits';
import { probePicture } from '../../../core/picture/probe';
import { writeTiff } from '../../../core/picture/tiff-file';
import { readTiff } from '../../../core/picture/tiff-in';
import { isDeep } from '../../deep';
import '../../kit';
import { makePng } from '../../kit';
import { makeTiff } from '../../tiff';

/** Pictures of other makes as they are kept; what they hold is told by libvips with libtiff, libpng and libwebp. */

const passes = await openPngReader();

const rgbOf = (data: ArrayLike<number>, width: number, height: number): Pixels => {
  const colour = new Uint8Array(width * height * 3);
  for (let i = 0; i < width * height; i++) for (let c = 0; c < 3; c++) colour[3 * i + c] = data[4 * i + c]!;
  return { width, height, space: 'RGB', colour };
};
const readers = {
  ofScreen: async (bytes: Uint8Array): Promise<Pixels> => {
    const { data, info } = await sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    return rgbOf(data, info.width, info.height);
  },
  inPasses: async (bytes: Uint8Array): Promise<Pixels> => {
    const { data, width, height } = passes(bytes);
    return rgbOf(data, width, height);
  },
};
const kept = async (bytes: Uint8Array) => {
  const { bytes: file, told } = await asKept(bytes, readers);
  return { file, told, pixels: decodePicture(file) };
};

/** A picture with edges, soft changes and grain, so that rows and channels cannot be changed over unseen. */
const W = 61;
const H = 43;
const at = (x: number, y: number, c: number): number => (x * (3 + c) + y * (7 - c) + ((x * y) % 11) * c) % 256;
const raw = (channels: number): Buffer =>
  Buffer.from(
    Array.from({ length: W * H * channels }, (_, i) => {
      const pixel = Math.floor(i / channels);
      return at(pixel % W, Math.floor(pixel / W), i % channels);
    }),
  );
const rgb = () => sharp(raw(3), { raw: { width: W, height: H, channels: 3 } });

const far = (a: ArrayLike<number>, b: ArrayLike<number>): number => {
  expect(a.length).toBe(b.length);
  let most = 0;
  for (let i = 0; i < a.length; i++) most = Math.max(most, Math.abs(a[i]! - b[i]!));
  return most;
};

const PACKED = ['none', 'lzw', 'deflate', 'packbits'] as const;

describe('a TIFF', () => {
  it.each(
    PACKED.flatMap(
      (compression) =>
        [
          [compression, false],
          [compression, true],
        ] as const,
    ),
  )('of RGB, packed by %s (in tiles: %s), is what it was, to the bit', async (compression, tile) => {
    const how = { compression, tile, ...(tile ? { tileWidth: 16, tileHeight: 16 } : {}) };
    const { pixels } = await kept(new Uint8Array(await rgb().tiff(how).toBuffer()));
    expect([pixels.width, pixels.height, pixels.space]).toEqual([W, H, 'RGB']);
    expect(far(pixels.colour, raw(3))).toBe(0);
  });
  it.each(PACKED)('with a predictor, packed by %s', async (compression) => {
    const { pixels } = await kept(
      new Uint8Array(await rgb().tiff({ compression, predictor: 'horizontal' }).toBuffer()),
    );
    expect(far(pixels.colour, raw(3))).toBe(0);
  });
  it.each([
    [8, 'grey'],
    [16, 'grey'],
    [16, 'rgb'],
  ] as const)('of %d bits (%s) is within a level of libtiff’s', async (bits, kind) => {
    const pipe = kind === 'grey' ? rgb().toColourspace('b-w') : rgb();
    const file = await (bits === 16 ? pipe.toColourspace(kind === 'grey' ? 'grey16' : 'rgb16') : pipe)
      .tiff({ compression: 'lzw' })
      .toBuffer();
    expect((await sharp(file).metadata()).depth).toBe(bits === 16 ? 'ushort' : 'uchar');
    const { pixels, told } = await kept(new Uint8Array(file));
    const theirs = await sharp(file)
      .toColourspace(kind === 'grey' ? 'b-w' : 'srgb')
      .raw()
      .toBuffer();
    expect(far(pixels.colour, theirs)).toBeLessThanOrEqual(1);
    expect(told.join(' ')).toMatch(bits === 16 ? /16 bits/ : /^$/);
  });
  it('of line art stays a bit a pixel', async () => {
    const art = sharp(raw(1), { raw: { width: W, height: H, channels: 1 } })
      .threshold(120)
      .toColourspace('b-w');
    const file = new Uint8Array(await art.tiff({ compression: 'lzw', predictor: 'none', bitdepth: 1 }).toBuffer());
    const { file: png, pixels } = await kept(file);
    expect(probePicture(png)).toMatchObject({ type: 'image/png', bits: 1, channels: 1 });
    expect(pixels.lineArt).toBe(true);
    expect(
      far(
        pixels.colour,
        raw(1).map((value) => (value >= 120 ? 255 : 0)),
      ),
    ).toBe(0);
  });
  it('of CMYK keeps its numbers and its profile', async () => {
    const profile = profileFile('general-coated.icc');
    const file = await sharp(makeTiff(W, H, 4, raw(4)) as Buffer)
      .pipelineColourspace('cmyk')
      .toColourspace('cmyk')
      .withIccProfile(profile)
      .tiff({ compression: 'deflate' })
      .toBuffer();
    const theirs = await sharp(file).pipelineColourspace('cmyk').toColourspace('cmyk').raw().toBuffer();
    const { file: tiff, pixels } = await kept(new Uint8Array(file));
    expect(probePicture(tiff)).toMatchObject({ type: 'image/tiff', channels: 4 });
    expect(pixels.space).toBe('CMYK');
    expect(far(pixels.colour, theirs)).toBe(0);
    expect(Buffer.from(pixels.icc!).equals(readFileSync(profile))).toBe(true);
    // And the file that is kept is a sound TIFF to others as well.
    expect(far(await sharp(tiff).pipelineColourspace('cmyk').toColourspace('cmyk').raw().toBuffer(), theirs)).toBe(0);
  });
  it('that is see-through stays so', async () => {
    const rgba = sharp(raw(4), { raw: { width: W, height: H, channels: 4 } });
    const { pixels } = await kept(new Uint8Array(await rgba.tiff({ compression: 'lzw' }).toBuffer()));
    expect(
      far(
        pixels.alpha!,
        raw(4).filter((_, i) => i % 4 === 3),
      ),
    ).toBe(0);
    expect(
      far(
        pixels.colour,
        raw(4).filter((_, i) => i % 4 !== 3),
      ),
    ).toBe(0);
  });
  it.each([3, 1])('of JPEG blocks, %d channels, is within 2 levels of libtiff’s', async (channels) => {
    const smooth = sharp(
      Buffer.from(Array.from({ length: 96 * 80 * channels }, (_, i) => 128 + 90 * Math.sin(i / (90 + (i % channels))))),
      { raw: { width: 96, height: 80, channels: channels as 3 } },
    );
    const file = await smooth.tiff({ compression: 'jpeg', quality: 95 }).toBuffer();
    const { data, info } = await sharp(file).raw().toBuffer({ resolveWithObject: true });
    const { pixels } = await kept(new Uint8Array(file));
    expect([pixels.width, pixels.height]).toEqual([info.width, info.height]);
    expect(far(pixels.colour, data)).toBeLessThanOrEqual(2);
  });
  it('is turned upright, and says where its pixels are not square', async () => {
    const file = await rgb().withMetadata({ orientation: 6 }).tiff({ compression: 'lzw' }).toBuffer();
    const upright = await sharp(file).rotate().raw().toBuffer({ resolveWithObject: true });
    const { pixels } = await kept(new Uint8Array(file));
    expect([pixels.width, pixels.height]).toEqual([upright.info.width, upright.info.height]);
    expect(far(pixels.colour, upright.data)).toBe(0);
    const wide = await rgb().tiff({ compression: 'none', xres: 4, yres: 8 }).toBuffer();
    expect(probePicture((await kept(new Uint8Array(wide))).file).pixelAspect).toBeCloseTo(2, 3);
  });
  it('of this app’s own is the same to another reader', async () => {
    const data = new Uint8Array(raw(4));
    const file = writeTiff({ width: W, height: H, channels: 4, data, ppi: 300, description: 'a card' });
    const { colour, space } = await readTiff(file);
    expect([space, far(colour, data)]).toEqual(['CMYK', 0]);
  });
});

describe('a JPEG', () => {
  const jpeg = async (how: JpegOptions = {}): Promise<Uint8Array> =>
    new Uint8Array(
      await sharp(raw(3), { raw: { width: W, height: H, channels: 3 } })
        .jpeg(how)
        .toBuffer(),
    );
  it('without its end mark is whole again where all its rows are there', async () => {
    const whole = await jpeg();
    const { file, told, pixels } = await kept(whole.slice(0, -2));
    expect(told).toEqual([expect.stringContaining('all its rows are there')]);
    expect(far(pixels.colour, decodePicture(whole).colour)).toBe(0);
    expect(probePicture(file).height).toBe(H);
  });
  it.each([0.4, 0.7, 0.95])('cut short at %d of its length says how many rows are there', async (part) => {
    const whole = await jpeg({ chromaSubsampling: '4:4:4', quality: 95 });
    const said = await asKept(whole.slice(0, Math.floor(whole.length * part)), readers).catch((error) => error.message);
    const rows = Number(
      /only (\d+) of its 43 rows are there/.exec(said)?.[1] ?? (/its end is missing|finer passes/.test(said) ? 0 : NaN),
    );
    // What stands before the cut is about that part of the rows; the head takes some of the length.
    expect(rows / H).toBeLessThanOrEqual(part + 0.05);
    expect(rows / H).toBeGreaterThan(part - 0.5);
  });
  it.each([
    [0xc9, 8, /arithmetic coding/],
    [0xc3, 8, /without loss/],
    [0xc1, 12, /12 bits/],
  ])('of an unusual kind is named (frame %x, %d bits)', async (marker, bits, says) => {
    const bytes = await jpeg({ progressive: false });
    const frame = bytes.findIndex((b, i) => b === 0xff && bytes[i + 1] === 0xc0);
    bytes[frame + 1] = marker;
    bytes[frame + 4] = bits;
    await expect(asKept(bytes, readers)).rejects.toThrow(says);
  });
});

describe('a picture made for screens', () => {
  it.each(['webp', 'avif', 'gif'] as const)('of %s becomes a PNG, and that is told', async (format) => {
    const file = await rgb().toFormat(format, { lossless: true }).toBuffer();
    const { file: png, told } = await kept(new Uint8Array(file));
    expect(probePicture(png)).toMatchObject({ type: 'image/png', width: W, height: H });
    expect(told[0]).toMatch(/made for screens, was converted to PNG/);
  });
  it('that is a phone’s HEIC is told of by name', async () => {
    const heic = new Uint8Array([
      0,
      0,
      0,
      24,
      ...new TextEncoder().encode('ftypheic'),
      0,
      0,
      0,
      0,
      ...new Uint8Array(64),
    ]);
    await expect(asKept(heic, readers)).rejects.toThrow(/HEIC picture, as phones keep them/);
  });
});

describe('a PNG', () => {
  it.each([2, 4, 16])('in passes, of %d colours, is what it was', async (colours) => {
    const file = await rgb().png({ palette: true, colours, progressive: true, dither: 0 }).toBuffer();
    expect((await sharp(file).metadata()).isProgressive).toBe(true);
    const theirs = await sharp(file).removeAlpha().toColourspace('srgb').raw().toBuffer();
    expect(far((await kept(new Uint8Array(file))).pixels.colour, theirs)).toBe(0);
  });
  const withChunk = (png: Uint8Array, type: string, body: Uint8Array): Uint8Array => {
    const chunk = new Uint8Array(body.length + 12);
    new DataView(chunk.buffer).setUint32(0, body.length);
    chunk.set(new TextEncoder().encode(type), 4);
    chunk.set(body, 8);
    new DataView(chunk.buffer).setUint32(8 + body.length, crc32(chunk.subarray(4, 8 + body.length)));
    return new Uint8Array([...png.subarray(0, 33), ...chunk, ...png.subarray(33)]);
  };
  const TURNED = Uint8Array.of(0x4d, 0x4d, 0, 42, 0, 0, 0, 8, 0, 1, 1, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0, 0, 0, 0, 0);
  it('is turned as its EXIF says', async () => {
    const png = makePng(20, 10, (x) => [x * 10, 0, 0]);
    const { pixels } = await kept(withChunk(png, 'eXIf', TURNED));
    expect([pixels.width, pixels.height]).toEqual([10, 20]);
    expect(pixels.colour[0]).toBe(0);
    expect(pixels.colour[3 * 10 * 19]).toBe(190);
  });
  it('whose pixels are not square still says so once it is turned or brought to sRGB', async () => {
    const png = makePng(20, 10, () => [128, 128, 128]);
    // Twice as many pixels a unit across as down: each is half as wide as it is high.
    const narrow = withChunk(png, 'pHYs', Uint8Array.of(0, 0, 0, 2, 0, 0, 0, 1, 0));
    const aspect = async (...more: [string, Uint8Array]) =>
      probePicture((await kept(withChunk(narrow, ...more))).file).pixelAspect;
    expect(await aspect('gAMA', Uint8Array.of(0, 1, 0x86, 0xa0))).toBeCloseTo(0.5, 3);
    expect(await aspect('eXIf', TURNED)).toBeCloseTo(2, 3);
  });
  it('written by another power is brought to sRGB; near enough to it, it is left as it is', async () => {
    const png = makePng(16, 16, () => [128, 128, 128]);
    // Linear light: half of it is 188 in sRGB (IEC 61966-2-1: 1.055 · 0.502^(1/2.4) − 0.055 = 0.737).
    const linear = withChunk(png, 'gAMA', Uint8Array.of(0, 1, 0x86, 0xa0));
    expect((await kept(linear)).pixels.colour[0]).toBe(188);
    const usual = withChunk(png, 'gAMA', Uint8Array.of(0, 0, 0xb1, 0x8f));
    expect((await kept(usual)).file).toBe(usual);
  });
});

describe('a picture that is no good', () => {
  const deflated = (unpacked: number): Uint8Array => {
    // A strip of 8 × 8 grey that unpacks to far more.
    const strip = zlibSync(new Uint8Array(unpacked));
    const plain = makeTiff(8, 8, 3, new Uint8Array(8 * 8 * 3));
    const view = new DataView(plain.buffer);
    const out = new Uint8Array(plain.length + strip.length);
    out.set(plain);
    out.set(strip, plain.length);
    const head = new DataView(out.buffer);
    for (let i = 0; i < view.getUint16(8, true); i++) {
      const entry = 10 + 12 * i;
      const tag = view.getUint16(entry, true);
      if (tag === 259) head.setUint16(entry + 8, 8, true);
      if (tag === 273) head.setUint32(entry + 8, plain.length, true);
      if (tag === 279) head.setUint32(entry + 8, strip.length, true);
    }
    return out;
  };
  it('is read while it holds what it says, and refused where it unpacks to more', async () => {
    expect((await kept(deflated(8 * 8 * 3))).pixels.colour).toHaveLength(192);
    await expect(kept(deflated(40_000_000))).rejects.toThrow(/unpacks to far more/);
  });
  it('damaged anywhere is read or refused in words, whatever it is', async () => {
    const files = [
      await rgb().tiff({ compression: 'lzw' }).toBuffer(),
      await rgb().tiff({ compression: 'jpeg' }).toBuffer(),
      await rgb().tiff({ compression: 'packbits', tile: true, tileWidth: 16, tileHeight: 16 }).toBuffer(),
      Buffer.from(
        writeTiff({ width: W, height: H, channels: 4, data: new Uint8Array(raw(4)), ppi: 300, description: '' }),
      ),
    ];
    await fc.assert(
      fc.asyncProperty(
        fc.nat(files.length - 1),
        fc.array(fc.tuple(fc.nat(1e6), fc.nat(255)), { minLength: 1, maxLength: 12 }),
        fc.option(fc.integer({ min: 1e5, max: 1e6 })),
        async (n, changes, keep) => {
          const bytes = new Uint8Array(files[n]!.subarray(0, Math.round((files[n]!.length * (keep ?? 1e6)) / 1e6)));
          for (const [place, byte] of changes) bytes[Math.floor((place * (bytes.length - 1)) / 1e6)] = byte;
          try {
            expect((await kept(bytes)).pixels.width).toBeGreaterThan(0);
          } catch (error) {
            if (!(error instanceof PictureError)) throw error;
            expect(error.message.length).toBeGreaterThan(20);
          }
        },
      ),
      { numRuns: isDeep ? 4000 : 150 },
    );
  });
});
