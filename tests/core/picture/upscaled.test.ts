import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { decodePicture } from '../../../core/picture/decode';
import { probePicture } from '../../../core/picture/probe';
import { upscaledBy } from '../../../core/picture/upscaled';
import { someOf } from '../../deep';
import { checkKit, makePng, openDemo } from '../../kit';

/** Grain, as photographs have it; the same each time. */
const grain = (x: number, y: number): number => {
  const n = Math.sin(x * 12.9898 + y * 78.233) * 43758.5453;
  return Math.floor((n - Math.floor(n)) * 160) + 40;
};
const photograph = (side: number): Uint8Array =>
  makePng(side, side, (x, y) => [grain(x, y), grain(y, x), grain(x + 7, y)]);
const enlarged = async (by: number, kernel: 'nearest' | 'linear'): Promise<Uint8Array> =>
  new Uint8Array(
    await sharp(photograph(60))
      .resize(60 * by, 60 * by, { kernel })
      .png({ compressionLevel: 1 })
      .toBuffer(),
  );

/** The demo's smaller photographs, in screen colours. */
const photographs = await Promise.all(
  Object.values(openDemo().assets)
    .filter((bytes) => probePicture(bytes).channels === 3 && probePicture(bytes).width < 2000)
    .map((bytes) => sharp(bytes).removeAlpha().png({ compressionLevel: 1 }).toBuffer()),
);

describe('a picture that was made larger', () => {
  it.each([2, 3, 4])('%d times, its pixels copied, is told', async (by) => {
    expect(upscaledBy(decodePicture(await enlarged(by, 'nearest'))) ?? 0).toBeGreaterThanOrEqual(2);
  });
  it.each([2, 3, 4])('%d times, along straight lines, is told', async (by) => {
    expect(upscaledBy(decodePicture(await enlarged(by, 'linear'))) ?? 0).toBeGreaterThanOrEqual(2);
  });
  const curves = [
    ['png', 1.5, 1.5],
    ['png', 2, 2],
    ['png', 3, 3],
    ['png', 4, 2],
    ['jpeg', 2, 2],
    ['jpeg', 3, 3],
  ] as const;
  it.each(someOf(curves, ([format, by]) => by === (format === 'png' ? 1.5 : 2)))(
    'is told by a %s, %d times by curves',
    async (format, by, told) => {
      for (const photo of photographs) {
        const { data, info } = await sharp(photo).removeAlpha().raw().toBuffer({ resolveWithObject: true });
        const size = [Math.round(info.width / by), Math.round(info.height / by)] as const;
        const small = await sharp(data, { raw: info })
          .resize(...size)
          .png({ compressionLevel: 1 })
          .toBuffer();
        const large = sharp(small).resize(Math.round(size[0] * by), Math.round(size[1] * by), { kernel: 'cubic' });
        const bytes = await (format === 'png'
          ? large.png({ compressionLevel: 1 })
          : large.jpeg({ quality: 85 })
        ).toBuffer();
        expect(upscaledBy(decodePicture(new Uint8Array(bytes)))).toBe(told);
      }
    },
  );
  it('is told where it is all grain', async () => {
    const small = await sharp(makePng(300, 240, (x, y) => [grain(x, y), grain(y, x), grain(x + 7, y)]))
      .png({ compressionLevel: 1 })
      .toBuffer();
    const large = await sharp(small).resize(600, 480, { kernel: 'cubic' }).jpeg({ quality: 88 }).toBuffer();
    expect(upscaledBy(decodePicture(new Uint8Array(large)))).toBe(2);
  });
  it.each(someOf([95, 85, 60], (quality) => quality === 85))(
    'is none that was only saved again as a JPEG of %d',
    async (quality) => {
      for (const photo of photographs) {
        const again = await sharp(photo).removeAlpha().jpeg({ quality }).toBuffer();
        expect(upscaledBy(decodePicture(new Uint8Array(again)))).toBeUndefined();
      }
    },
  );
  it('is none of dots', () => {
    const patterns: ((x: number, y: number) => number)[] = [
      (x, y) => 255 * ((x + y) % 2),
      (x, y) => (grain(x, y) > 40 + x / 2 ? 255 : 0),
    ];
    for (const at of patterns)
      expect(upscaledBy(decodePicture(makePng(240, 200, (x, y) => [at(x, y), at(x, y), at(x, y)])))).toBeUndefined();
  });
  it('is none that has its own pixels, is flat, or runs evenly', () => {
    expect(upscaledBy(decodePicture(photograph(120)))).toBeUndefined();
    expect(upscaledBy(decodePicture(makePng(80, 80, () => [90, 90, 90])))).toBeUndefined();
    expect(upscaledBy(decodePicture(makePng(80, 80, (x) => [2 * x, 2 * x, 2 * x])))).toBeUndefined();
  });
  it('is none of the demo’s', () => {
    for (const bytes of Object.values(openDemo().assets)) expect(upscaledBy(decodePicture(bytes))).toBeUndefined();
  });
});

// The scale that most writers use: tables of annex K times a factor of the quality (ITU-T T.81, annex K).
describe('how well a JPEG was saved', () => {
  it.each([30, 50, 75, 90, 95])('at %d is read from its tables', async (quality) => {
    const bytes = new Uint8Array(await sharp(photograph(64)).jpeg({ quality, mozjpeg: false }).toBuffer());
    expect(Math.abs(probePicture(bytes).quality! - quality)).toBeLessThanOrEqual(2);
  });
  it('is not told of a PNG, which says its bits', () => {
    expect(probePicture(photograph(20))).toMatchObject({ bits: 8 });
    expect(probePicture(photograph(20)).quality).toBeUndefined();
  });
});

describe('a picture whose file is not here', () => {
  it('stops the piece', () => {
    const { job } = openDemo();
    const piece = job.pieces[0]!;
    const found = checkPiece(job, piece, { ...checkKit, filesHere: new Set() });
    expect(found.map(({ check }) => check)).toEqual(['missing-picture']);
    expect(checkPiece(job, piece, { ...checkKit, filesHere: new Set(Object.keys(job.assets)) })).toEqual([]);
  });
});
