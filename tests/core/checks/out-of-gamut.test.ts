import { describe, expect, it } from 'vitest';
import type { Finding } from '../../../core/checks/check';
import { layPiece, platesFound } from '../../../core/checks/on-plates';
import type { Lab } from '../../../core/colour/ink';
import { separatedPictures } from '../../../core/files/separated';
import { makePicture } from '../../../core/job/make';
import type { Picture } from '../../../core/job/schema';
import { onBlack } from '../../../core/picture/reach';
import { cardWith, checkKit, kit, makePng, withPicture } from '../../kit';

type Draw = (x: number, y: number) => [number, number, number];
const DULL: [number, number, number] = [128, 120, 110];
const NEON: [number, number, number] = [0, 255, 0];

function found(draw: Draw, more: Partial<Picture> = {}): Finding[] {
  const { job, hash, assets } = withPicture(cardWith([]), makePng(96, 48, draw));
  const face = job.pieces[0]!.faces[0]!;
  const picture = makePicture({ id: 'pic', x: 10, y: 20, width: 96, height: 48, asset: hash });
  const piece = { ...job.pieces[0]!, faces: [{ ...face, elements: [{ ...picture, ...more } as Picture] }] };
  const pictures = separatedPictures((asked) => assets[asked], kit.engine, checkKit.press);
  const laid = layPiece({ ...job, pieces: [piece] }, piece, checkKit, { ppi: 72, trimOnly: true, picture: pictures });
  return laid.flatMap(platesFound).filter(({ check }) => check === 'picture-out-of-gamut');
}

describe('parts of a picture that the press cannot reach', () => {
  it('are found where they lie, with how far they are off', () => {
    const [finding, ...more] = found((x) => (x >= 48 ? NEON : DULL));
    expect(more).toEqual([]);
    expect(finding!.problem).toMatch(/^50 % of the picture/);
    expect(finding!.measured.value).toBeGreaterThan(15);
    expect(finding!.place.x).toBeCloseTo(58, 6);
    expect(finding!.place.width).toBeCloseTo(48, 6);
  });
  it('are none in dull colours, in the black of the screen and its white', () => {
    expect(found((x, y) => (y < 16 ? DULL : x < 48 ? [0, 0, 0] : [255, 255, 255]))).toEqual([]);
  });
  it('count only where they are seen', () => {
    const cropped = { width: 24, view: { fit: 'fill' as const, zoom: 1, at: { x: 0, y: 0 } } };
    expect(found((x) => (x >= 48 ? NEON : DULL), cropped)).toEqual([]);
  });
  it('are not looked for in a picture of the piece’s own inks', () => {
    expect(found(() => NEON, { inks: [{ ink: 'green', tint: 1 }] })).toEqual([]);
  });
});

describe('black-point compensation', () => {
  // ISO 18619: a straight line in XYZ from the black of the one to that of the other, white to white.
  it('keeps white, brings black to the press’s, and a middle grey by the straight line of Y', () => {
    const near = (got: Lab, wanted: Lab): void => {
      for (const [i, v] of got.entries()) expect(v).toBeCloseTo(wanted[i]!, 6);
    };
    near(onBlack([100, 0, 0], 12), [100, 0, 0]);
    near(onBlack([0, 0, 0], 12), [12, 0, 0]);
    const y = ((50 + 16) / 116) ** 3;
    const black = ((12 + 16) / 116) ** 3;
    near(onBlack([50, 0, 0], 12), [116 * Math.cbrt(black + (1 - black) * y) - 16, 0, 0]);
  });
});
