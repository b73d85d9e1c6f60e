import { describe, expect, it } from 'vitest';
import { lightnessOn, onStock, redOf } from '../../../core/colour/stock';
import { kit } from '../../kit';

const press = kit.press('general-coated');
const seen = (rgb: number[], stock: string | undefined): number[] =>
  [...onStock(Uint8ClampedArray.from([...rgb, 255]), stock)].slice(0, 3);

describe('print on coloured stock', () => {
  it.each([
    // Bare, it is the stock itself; solid black stays black; what is white in the stock leaves the ink as it is.
    ['bare kraft', [255, 255, 255], '#c39a6b', [195, 154, 107]],
    ['black on kraft', [0, 0, 0], '#c39a6b', [0, 0, 0]],
    ['a red on white', [200, 30, 40], '#ffffff', [200, 30, 40]],
    // Half of the light is byte 188 (0.5 in sRGB's curve is 187.5): half of a half is a quarter, byte 137.
    ['half the light on half the light', [188, 188, 188], '#bcbcbc', [137, 137, 137]],
    ['yellow on blue', [255, 255, 0], '#0000ff', [0, 0, 0]],
  ])('%s', (_what, rgb, stock, wanted) => {
    for (const [i, byte] of seen(rgb, stock).entries()) expect(Math.abs(byte - wanted[i]!)).toBeLessThanOrEqual(1);
  });
  it('of no colour is left as it is', () => {
    expect(seen([12, 200, 90], undefined)).toEqual([12, 200, 90]);
    expect(lightnessOn(undefined, press, [0.2, 0.4, 0, 0.1])).toBe(press.lab([0.2, 0.4, 0, 0.1])[0]);
  });
  it('is as light as CIE says of the stock, and darker by any ink', () => {
    // The L* of sRGB #808080 is 53.59, of #c39a6b 66.6 (both by CIE 15 from IEC 61966-2-1, worked out by hand).
    expect(lightnessOn('#808080', press, [0, 0, 0, 0])).toBeCloseTo(53.59, 1);
    expect(lightnessOn('#c39a6b', press, [0, 0, 0, 0])).toBeCloseTo(66.0, 0);
    expect(lightnessOn('#c39a6b', press, [0, 0, 0, 1])).toBeLessThan(15);
    expect(lightnessOn('#c39a6b', press, [0, 0, 1, 0])).toBeLessThan(lightnessOn('#c39a6b', press, [0, 0, 0, 0]));
  });
  it('throws back red light as its red is: all of it white, a half of byte 188, none black', () => {
    expect([redOf(undefined), redOf('#ffffff'), redOf('#000000')]).toEqual([1, 1, 0]);
    expect(redOf('#bc0000')).toBeCloseTo(0.5, 2);
  });
});
