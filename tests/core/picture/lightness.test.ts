import { expect, it } from 'vitest';
import { lightnessOf, lightnessUnder } from '../../../core/picture/lightness';

/** 100 × 50 pixels, black on the left half and white on the right. */
const half = new Uint8Array(100 * 50 * 3);
for (let i = 0; i < half.length; i += 3) half.fill((i / 3) % 100 < 50 ? 0 : 255, i, i + 3);
const light = lightnessOf(half, 100, 50);
const place = { x: 10, y: 20, width: 200, height: 100 };

it('a picture is dark where it is dark and light where it is light, wherever it is laid', () => {
  expect(lightnessUnder(light, place, { x: 20, y: 30, width: 60, height: 20 })).toBe(0);
  expect(lightnessUnder(light, place, { x: 130, y: 30, width: 60, height: 20 })).toBeCloseTo(1, 6);
  expect(lightnessUnder(light, place, place)).toBeCloseTo(0.5, 1);
});
it('nothing is said of what lies beside it', () => {
  expect(lightnessUnder(light, place, { x: 400, y: 30, width: 60, height: 20 })).toBeUndefined();
});
it('a picture smaller than the cells has one for each pixel', () => {
  expect(lightnessOf(new Uint8Array([255, 255, 255, 0, 0, 0]), 2, 1).cells).toEqual(new Float32Array([1, 0]));
});
