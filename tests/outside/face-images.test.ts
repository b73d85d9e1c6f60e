import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { faceImages, ImageError, type ImagesAsked, withoutWhite } from '../../core/files/face-images';
import { exportName } from '../../core/files/file-names';
import { separatedPictures } from '../../core/files/separated';
import { shopOf } from '../../core/trade/shops';
import { area, ink } from '../core/checks/corpus/fault';
import { cardWith, kit, mm, openDemo } from '../kit';
import { exportTo, platesOf, tidyUp } from './tools';

/** Faces written as pictures, read by libvips, libpng and libtiff (through sharp). */
const { job, assets } = openDemo();
const press = kit.press('general-coated');
const shop = shopOf('metric-offset');
const images = (of: typeof job, asked: Partial<ImagesAsked>) =>
  faceImages(
    of,
    of.pieces[0]!,
    shop,
    { as: 'png', faces: [0], ppi: 150, trimmed: true, transparent: false, ...asked },
    { ...kit, press, picture: separatedPictures((hash) => assets[hash], kit.engine, press) },
  );

afterAll(tidyUp);

// 85 × 55 mm at 150 ppi: 501.97 × 324.8 pixels, so 502 × 325.
describe('a face as PNG', () => {
  it('has its size, its resolution and the colours of the screen', async () => {
    const [file, ...others] = images(job, {});
    expect(others).toEqual([]);
    const seen = await sharp(file!.bytes).metadata();
    expect(seen).toMatchObject({ format: 'png', width: 502, height: 325, space: 'srgb' });
    expect(seen.density).toBe(150);
  });
  it('has the bleed where it is asked for', async () => {
    const [file] = images(job, { trimmed: false });
    const seen = await sharp(file!.bytes).metadata();
    expect(Math.abs(seen.width! - (91 / 25.4) * 150)).toBeLessThanOrEqual(1);
  });
  it('without its paper looks the same over white', async () => {
    const plain = cardWith([area('a', 10, 10, 20, 20), area('b', 40, 10, 20, 20, ink('green', 0.3))]);
    const flat = async (transparent: boolean) => {
      const [file] = images(plain, { transparent });
      return sharp(file!.bytes).flatten({ background: '#fff' }).raw().toBuffer();
    };
    const [opaque, through] = [await flat(false), await flat(true)];
    const most = opaque.reduce((worst, value, i) => Math.max(worst, Math.abs(value - through[i]!)), 0);
    expect(most).toBeLessThanOrEqual(2);
    const { data, info } = await sharp(images(plain, { transparent: true })[0]!.bytes)
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(data[info.channels - 1]).toBe(0);
  });
  it('takes white out of pixels exactly', () => {
    expect([...withoutWhite(Uint8ClampedArray.of(255, 255, 255, 255, 0, 0, 0, 255))]).toEqual([
      255, 255, 255, 0, 0, 0, 0, 255,
    ]);
  });
});

describe('a face as TIFF', () => {
  const files = images(job, { as: 'tiff' });
  it('is CMYK with the profile of the press, and grey for the spot', async () => {
    expect(files).toHaveLength(2);
    const [cmyk, spot] = files;
    const seen = await sharp(cmyk!.bytes).metadata();
    expect(seen).toMatchObject({
      format: 'tiff',
      width: 502,
      height: 325,
      space: 'cmyk',
      channels: 4,
    });
    expect(seen.density).toBe(150);
    expect(Buffer.compare(Buffer.from(seen.icc!), Buffer.from(press.profile))).toBe(0);
    expect(spot!.name).toMatch(/copper\.tif$/);
    expect(await sharp(spot!.bytes).metadata()).toMatchObject({ space: 'b-w', channels: 1 });
  });
  it('has the amounts of the plates, cell for cell', async () => {
    const one = cardWith([area('a', 10, 10, 20, 20), area('s', 40, 10, 20, 20, ink('copper', 0.5))]);
    const [, spot] = images(one, { as: 'tiff' });
    const at = (x: number, y: number, width: number): number =>
      Math.round((mm(y) / 72) * 150) * width + Math.round((mm(x) / 72) * 150);
    const grey = await sharp(spot!.bytes).raw().toBuffer({ resolveWithObject: true });
    // Half of the ink leaves half of the light; paper is white.
    expect(grey.data[at(50, 20, grey.info.width) * grey.info.channels]).toBe(128);
    expect(grey.data[at(70, 40, grey.info.width) * grey.info.channels]).toBe(255);
  });
  it('has the plates that Ghostscript finds in the PDF, to a level, away from edges', async () => {
    const pdf = await exportTo('same.pdf', { job, assets }, { faces: [0], marks: false, standard: 'PDF/X-4' });
    const seen = await platesOf(pdf, 1, 150);
    const [cmyk, copper] = images(job, { as: 'tiff', trimmed: false });
    const planes = await sharp(cmyk!.bytes)
      .pipelineColourspace('cmyk')
      .toColourspace('cmyk')
      .raw()
      .toBuffer({ resolveWithObject: true });
    const spot = await sharp(copper!.bytes).raw().toBuffer({ resolveWithObject: true });
    const { width, height } = planes.info;
    const { channels } = planes.info;
    const process = (c: number) => (i: number) => planes.data[channels * i + c]!;
    const plates: [string, (i: number) => number][] = [
      ...['Cyan', 'Magenta', 'Yellow', 'Black'].map((name, c): [string, (i: number) => number] => [name, process(c)]),
      ['Copper', (i) => 255 - spot.data[i * spot.info.channels]!],
    ];
    for (const [name, ours] of plates) {
      const plate = seen.get(name)!;
      let [flat, near] = [0, 0];
      for (let y = 2; y < Math.min(height, plate.height) - 2; y++)
        for (let x = 2; x < Math.min(width, plate.width) - 2; x++) {
          const here = ours(y * width + x);
          if ([-2, -1, 1, 2].some((d) => ours((y + d) * width + x) !== here || ours(y * width + x + d) !== here))
            continue;
          flat++;
          if (Math.abs(plate.ink[y * plate.width + x]! - here) <= 1) near++;
        }
      expect(flat, name).toBeGreaterThan(100_000);
      expect(near / flat, name).toBeGreaterThan(0.999);
    }
  });
  it('has the numbers that were painted: C80 M20 Y70 K30', async () => {
    const [cmyk] = images(cardWith([area('a', 0, 0, 85, 55)]), { as: 'tiff', ppi: 40 });
    const { data } = await sharp(cmyk!.bytes)
      .pipelineColourspace('cmyk')
      .toColourspace('cmyk')
      .raw()
      .toBuffer({ resolveWithObject: true });
    const middle = 4 * Math.floor(data.length / 8);
    const wanted = [0.8, 0.2, 0.7, 0.3];
    for (const [i, share] of wanted.entries()) expect(Math.abs(data[middle + i]! - 255 * share)).toBeLessThanOrEqual(1);
  });
});

describe('pictures that cannot be written', () => {
  it('are refused with words', () => {
    expect(() => images(job, { ppi: 5 })).toThrow(ImageError);
    expect(() => images(job, { faces: [] })).toThrow(/Choose a side/);
    const poster = { ...job, pieces: [{ ...job.pieces[0]!, width: mm(1500), height: mm(1000) }] };
    expect(() => images(poster, { ppi: 600 })).toThrow(/million pixels/);
  });
});

describe('names of exported files', () => {
  const piece = job.pieces[0]!;
  it.each([
    ['{client}-{piece}-{size}', 'hollin-and-fen-business-card-iris-calloway-85x55mm'],
    ['{client}_{piece}_{face}', 'hollin-and-fen_business-card-iris-calloway'],
    ['../{date}/{piece}', `${job.changed.slice(0, 10)}-business-card-iris-calloway`],
    ['{unheard}', '{unheard}'],
    ['///', 'piece'],
  ])('by %s', (pattern, name) => {
    expect(exportName(pattern, job, piece)).toBe(name);
  });
  it('of a face of its own has the face', () => {
    expect(exportName('{piece}-{face}', job, piece, piece.faces[1])).toBe('business-card-iris-calloway-back');
  });
});
