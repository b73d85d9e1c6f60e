import fc from 'fast-check';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { decodePicture, type Pixels } from '../../../core/picture/decode';
import { PictureError } from '../../../core/picture/limits';
import { effectivePpi, pictureBox } from '../../../core/picture/place';
import { probePicture } from '../../../core/picture/probe';
import { separatePicture } from '../../../core/picture/separate';
import { kit, makePng } from '../../kit';
import { pngChunk } from '../../png';

/** A picture with a different colour in each quarter, so that every turn of it can be told. */
const quarters = (w: number, h: number) => (x: number, y: number) =>
  x < w / 2 ? (y < h / 2 ? [250, 20, 20] : [20, 20, 250]) : y < h / 2 ? [20, 250, 20] : [240, 240, 20];
const png = makePng(40, 24, quarters(40, 24));
const jpegOf = async (bytes: Uint8Array, orientation?: number): Promise<Uint8Array> => {
  const made = sharp(bytes).jpeg({ quality: 100, chromaSubsampling: '4:4:4' });
  return new Uint8Array(await (orientation ? made.withMetadata({ orientation }) : made).toBuffer());
};

describe('resolution', () => {
  // Effective ppi = pixels ÷ printed inches (common practice). 72 units to the inch.
  it.each([
    [1075, 721, 91, 61, 300.06],
    [600, 400, 50.8, 33.8667, 300],
    [288, 288, 25.4, 25.4, 288],
  ])('%d × %d px on %d × %d mm is %d ppi', (pw, ph, wmm, hmm, ppi) => {
    const frame = { x: 0, y: 0, width: (wmm / 25.4) * 72, height: (hmm / 25.4) * 72 };
    expect(effectivePpi(frame, pw, ph)).toBeCloseTo(ppi, 1);
  });
  it('covers the frame with both sides scaled alike, centred', () => {
    expect(pictureBox({ x: 0, y: 0, width: 100, height: 100 }, 200, 100)).toEqual({
      x: -50,
      y: 0,
      width: 200,
      height: 100,
    });
    expect(effectivePpi({ x: 0, y: 0, width: 72, height: 144 }, 300, 300)).toBe(150);
  });
});

describe('the head of a picture', () => {
  it('reads type and size', async () => {
    expect(probePicture(png)).toMatchObject({ type: 'image/png', width: 40, height: 24 });
    expect(probePicture(await jpegOf(png))).toMatchObject({ type: 'image/jpeg', width: 40, height: 24, channels: 3 });
  });

  const header = (width: number, height: number): Uint8Array => {
    const bytes = makePng(8, 8, () => [0, 0, 0]);
    new DataView(bytes.buffer).setUint32(16, width);
    new DataView(bytes.buffer).setUint32(20, height);
    return bytes;
  };
  it.each([
    ['an empty file', () => new Uint8Array(), /empty/],
    [
      'a text file with a picture’s name',
      () => new TextEncoder().encode('hello, I am a letter'),
      /no picture of a kind that is known/,
    ],
    ['a PDF', () => new TextEncoder().encode('%PDF-1.7 and so on'), /a PDF/],
    ['an SVG', () => new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg"/>'), /SVG/],
    ['a GIF', () => new TextEncoder().encode('GIF89a........'), /GIF/],
    ['one pixel', () => makePng(1, 1, () => [0, 0, 0]), /1 × 1 pixels: too small/],
    [
      '20,000 × 20,000 pixels in the head',
      () => header(20_000, 20_000),
      /20000 × 20000 pixels.*300 pixels an inch is enough/,
    ],
    ['an overflowing head', () => header(4_000_000_000, 4_000_000_000), /can be used/],
    ['half a PNG head', () => png.slice(0, 20), /cut short/],
  ])('refuses %s', (_what, make, words) => {
    expect(() => probePicture(make())).toThrow(PictureError);
    expect(() => probePicture(make())).toThrow(words);
  });
  it('refuses a JPEG cut short anywhere', async () => {
    const jpeg = await jpegOf(png);
    for (const share of [0.05, 0.3, 0.6, 0.9, 0.99])
      expect(() => decodePicture(jpeg.slice(0, Math.floor(jpeg.length * share)))).toThrow(PictureError);
  });
  it('refuses a PNG cut short or with a flipped byte', () => {
    expect(() => decodePicture(png.slice(0, png.length - 20))).toThrow(/damaged or cut short/);
    const flipped = png.slice();
    flipped[50]! ^= 0xff;
    expect(() => decodePicture(flipped)).toThrow(/damaged/);
  });
});

describe('decoding', () => {
  it('gives the pixels of a PNG as they are', () => {
    const { colour, width, height, space, alpha } = decodePicture(png);
    expect([width, height, space, alpha]).toEqual([40, 24, 'RGB', undefined]);
    expect([...colour.subarray(0, 3)]).toEqual([250, 20, 20]);
    expect([...colour.subarray(-3)]).toEqual([240, 240, 20]);
  });

  it('keeps transparency apart', () => {
    const { colour, alpha } = decodePicture(makePng(10, 10, (x) => [9, 8, 7, x * 20]));
    expect(alpha?.[3]).toBe(60);
    expect([...colour.subarray(0, 3)]).toEqual([9, 8, 7]);
  });

  it.each([1, 2, 4, 8])('reads palettes and greys of %d bits as another decoder does', async (bits) => {
    const colours = Math.min(2 ** bits, 200);
    const palette = new Uint8Array(await sharp(png).png({ palette: true, colours, dither: 0 }).toBuffer());
    const reference = await sharp(palette).removeAlpha().raw().toBuffer();
    expect(Buffer.from(decodePicture(palette).colour).equals(reference)).toBe(true);
  });

  it('decodes a JPEG within two levels of another decoder', async () => {
    const jpeg = await jpegOf(png);
    const reference = await sharp(jpeg).raw().toBuffer();
    const { colour } = decodePicture(jpeg);
    expect(colour.length).toBe(reference.length);
    expect(Math.max(...reference.map((b, i) => Math.abs(b - colour[i]!)))).toBeLessThanOrEqual(2);
  });

  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    'turns EXIF orientation %d upright as another decoder does',
    async (orientation) => {
      const jpeg = await jpegOf(png, orientation);
      const reference = await sharp(jpeg).rotate().raw().toBuffer({ resolveWithObject: true });
      const { colour, width, height } = decodePicture(jpeg);
      expect([width, height]).toEqual([reference.info.width, reference.info.height]);
      for (const [x, y] of [
        [3, 3],
        [width - 4, 3],
        [3, height - 4],
        [width - 4, height - 4],
      ] as const) {
        const at = (y * width + x) * 3;
        for (let c = 0; c < 3; c++) expect(Math.abs(colour[at + c]! - reference.data[at + c]!)).toBeLessThanOrEqual(3);
      }
    },
  );

  it('is told by the file whether its pixels are square', async () => {
    // JFIF (ITU-T T.871, 10.1): units, then how many pixels there are across and down. PNG 11.3.4.3: the same a metre.
    const plain = Buffer.from(await jpegOf(png));
    const jfif = (across: number, down: number): Uint8Array => {
      const header = Buffer.from('ffe000104a46494600010201000000000000', 'hex');
      header.writeUInt16BE(across, 12);
      header.writeUInt16BE(down, 14);
      return new Uint8Array(Buffer.concat([plain.subarray(0, 2), header, plain.subarray(2)]));
    };
    expect(probePicture(jfif(300, 300)).pixelAspect).toBeUndefined();
    expect(probePicture(jfif(300, 301)).pixelAspect).toBeUndefined();
    expect(probePicture(jfif(300, 600)).pixelAspect).toBe(2);
    expect(probePicture(jfif(0, 0)).pixelAspect).toBeUndefined();
    const physical = (across: number, down: number): Uint8Array => {
      const data = new Uint8Array(9);
      new DataView(data.buffer).setUint32(0, across);
      new DataView(data.buffer).setUint32(4, down);
      return new Uint8Array(Buffer.concat([png.subarray(0, 33), pngChunk('pHYs', data), png.subarray(33)]));
    };
    expect(probePicture(physical(11811, 11811)).pixelAspect).toBeUndefined();
    expect(probePicture(physical(11811, 5906)).pixelAspect).toBeCloseTo(0.5, 3);
    expect(decodePicture(physical(11811, 5906))).toMatchObject({ width: 40, height: 24 });
  });

  it('is told with words where its head is spoilt, whatever is spoilt in it', async () => {
    const exif = new Uint8Array(await sharp(png).withMetadata({ orientation: 6, density: 300 }).jpeg().toBuffer());
    const plain = new Uint8Array(await jpegOf(png));
    fc.assert(
      fc.property(
        fc.constantFrom(exif, plain, png),
        fc.array(fc.tuple(fc.nat(400), fc.nat(255)), { minLength: 1, maxLength: 12 }),
        fc.option(fc.nat(600)),
        (whole, changes, cut) => {
          const bytes = Uint8Array.from(whole);
          for (const [at, to] of changes) if (at < bytes.length) bytes[at] = to;
          try {
            const { orientation, pixelAspect } = probePicture(cut === null ? bytes : bytes.subarray(0, cut));
            expect(orientation).toBeGreaterThanOrEqual(1);
            expect(orientation).toBeLessThanOrEqual(8);
            if (pixelAspect !== undefined) expect(pixelAspect).toBeGreaterThan(0);
          } catch (error) {
            expect(error).toBeInstanceOf(PictureError);
          }
        },
      ),
      { numRuns: 3000 },
    );
  });

  it('reads grey and CMYK JPEGs in their own space', async () => {
    const gray = new Uint8Array(await sharp(png).toColourspace('b-w').jpeg().toBuffer());
    expect(decodePicture(gray).space).toBe('GRAY');
    const cmyk = new Uint8Array(
      await sharp({ create: { width: 16, height: 16, channels: 3, background: '#fff' } })
        .toColourspace('cmyk')
        .jpeg({ quality: 100 })
        .toBuffer(),
    );
    const { space, colour } = decodePicture(cmyk);
    expect(space).toBe('CMYK');
    // White carries next to no ink, whichever way round the file stores it.
    expect(Math.max(...colour.subarray(0, 4))).toBeLessThan(12);
  });
});

describe('separating', () => {
  const press = kit.press('general-coated');
  it('prints greys in black alone, as light between paper and black as they look; in four inks where that is asked', () => {
    const colour = Uint8Array.from({ length: 256 }, (_, i) => i);
    const grey: Pixels = { width: 256, height: 1, space: 'GRAY', colour };
    const { plates, amounts } = separatePicture(grey, kit.engine, press);
    expect(plates).toEqual(['Black']);
    expect([amounts[0], amounts[255]]).toEqual([255, 0]);
    const [paper, solid] = [press.lab([0, 0, 0, 0])[0], press.lab([0, 0, 0, 1])[0]];
    // sRGB 119 is L* 50.03 (IEC 61966-2-1 and CIE L*, by hand): half way from paper to solid black.
    expect(press.lab([0, 0, 0, amounts[119]! / 255])[0]).toBeCloseTo((paper + solid) / 2, 0);
    for (let i = 1; i < 256; i++) expect(amounts[i]!).toBeLessThanOrEqual(amounts[i - 1]!);
    expect(separatePicture(grey, kit.engine, press, { reseparate: true }).plates).toHaveLength(4);
    expect(separatePicture(grey, kit.engine, press, { inks: [{ Copper: 1 }] }).plates).toEqual(['Copper']);
  });
  it('reads an untagged picture as sRGB', () => {
    const pixels = decodePicture(png);
    const { amounts: cmyk } = separatePicture(pixels, kit.engine, press);
    const direct = kit.engine.converter('sRGB', press.profile, press.condition)(pixels.colour);
    expect(Buffer.from(cmyk).equals(Buffer.from(direct))).toBe(true);
  });
  it('reads a tagged picture through its own profile', async () => {
    const tagged = new Uint8Array(await sharp(png).withIccProfile('p3').jpeg({ quality: 100 }).toBuffer());
    const plain = new Uint8Array(await sharp(tagged).jpeg({ quality: 100 }).toBuffer());
    const pixels = decodePicture(tagged);
    expect(pixels.icc).toBeDefined();
    const { amounts: cmyk } = separatePicture(pixels, kit.engine, press);
    const { icc: _dropped, ...untagged } = pixels;
    expect(Buffer.from(cmyk).equals(Buffer.from(separatePicture(untagged, kit.engine, press).amounts))).toBe(false);
    expect(decodePicture(plain).icc).toBeUndefined();
  });
  it('keeps the numbers of untagged CMYK', () => {
    const colour = Uint8Array.from([10, 20, 30, 40]);
    expect(separatePicture({ width: 1, height: 1, space: 'CMYK', colour }, kit.engine, press).amounts).toEqual(colour);
  });
  it('reads a picture with a damaged profile as an untagged one', () => {
    const pixels = { ...decodePicture(png), icc: new Uint8Array(300) };
    expect(separatePicture(pixels, kit.engine, press).amounts.length).toBe(40 * 24 * 4);
  });
});
