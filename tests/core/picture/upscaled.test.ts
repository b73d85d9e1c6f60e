import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks';
import { decodePicture } from '../../../core/picture/decode';
import { probePicture } from '../../../core/picture/probe';
import { upscaledBy } from '../../../core/picture/upscaled';
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
      .png()
      .toBuffer(),
  );

describe('a picture that was made larger', () => {
  it.each([2, 3, 4])('%d times, its pixels copied, is told', async (by) => {
    expect(upscaledBy(decodePicture(await enlarged(by, 'nearest'))) ?? 0).toBeGreaterThanOrEqual(2);
  });
  it.each([2, 3, 4])('%d times, along straight lines, is told', async (by) => {
    expect(upscaledBy(decodePicture(await enlarged(by, 'linear'))) ?? 0).toBeGreaterThanOrEqual(2);
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
