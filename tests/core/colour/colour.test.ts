import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { profileFile } from '../../../cli/kit';
import { hexOf, ProfileError, parseHex } from '../../../core/colour/engine';
import { cmykText, isSpotName, platesOf, processStandIn, shortPlate, splitPlates } from '../../../core/colour/ink';
import { isDeep } from '../../deep';
import { kit } from '../../kit';

const green = { id: 'g', name: 'Green', kind: 'process', cmyk: [0.8, 0, 0.6, 0.2] } as const;
const copper = { id: 'c', name: 'Copper', kind: 'spot', cmyk: [0.2, 0.6, 0.8, 0.1] } as const;
const inks = [green, copper].map((ink) => ({ ...ink, cmyk: [...ink.cmyk] as [number, number, number, number] }));

describe('inks on plates', () => {
  it('puts a process ink on the plates it needs, a spot ink on its own', () => {
    expect(platesOf(inks[0]!, 0.5)).toEqual({ Cyan: 0.4, Yellow: 0.3, Black: 0.1 });
    expect(platesOf(inks[1]!, 0.4)).toEqual({ Copper: 0.4 });
  });
  it('prints nothing for paper', () => {
    expect(platesOf({ id: 'paper', name: 'Paper', kind: 'process', cmyk: [0, 0, 0, 0] })).toEqual({});
  });
  it('parts process from spot, and shows a spot by what it looks like', () => {
    expect(splitPlates({ Cyan: 0.5, Copper: 1 })).toEqual({ cmyk: [0.5, 0, 0, 0], spots: [['Copper', 1]] });
    expect(processStandIn({ Copper: 0.5 }, inks)[1]).toBeCloseTo(0.3, 12);
    expect(processStandIn({ All: 1 }, inks)).toEqual([1, 1, 1, 1]);
  });
  it('keeps the names of process plates for them', () => {
    expect(isSpotName('Cyan')).toBe(false);
    expect(isSpotName('All')).toBe(false);
    expect(isSpotName(' ')).toBe(false);
    expect(isSpotName('Copper')).toBe(true);
    expect(['Cyan', 'Black', 'Copper'].map(shortPlate)).toEqual(['C', 'K', 'Copper']);
    expect(cmykText([0.85, 0.75, 0.6, 0.7])).toBe('C85 M75 Y60 K70');
  });
});

describe('screen colours', () => {
  it.each([
    ['#1e4d3c', [30, 77, 60]],
    ['1E4D3C', [30, 77, 60]],
    ['#abc', [170, 187, 204]],
  ] as const)('reads %s', (text, rgb) => {
    expect(parseHex(text)).toEqual(rgb);
  });
  it.each(['', '#12', '#12345', 'green', '#12345g'])('does not read %j', (text) => {
    expect(parseHex(text)).toBeUndefined();
  });
  it('writes what it reads', () => {
    expect(hexOf(parseHex('#0a0b0c')!)).toBe('#0a0b0c');
  });
});

describe('the press', () => {
  const press = kit.press('general-coated');
  it('shows no ink as the paper, and full black as dark', () => {
    expect(press.screen([0, 0, 0, 0])).toEqual([255, 255, 255]);
    expect(Math.max(...press.screen([0, 0, 0, 1]))).toBeLessThan(60);
  });
  it('separates white to no ink at all', () => {
    expect(press.separate([255, 255, 255])).toEqual([0, 0, 0, 0]);
  });
  it('separates a colour it can print to inks that look like it', () => {
    const asked = [120, 90, 70] as const;
    const seen = press.screen(press.separate([...asked]));
    seen.forEach((b, i) => {
      expect(Math.abs(b - asked[i]!)).toBeLessThan(6);
    });
  });
  it('converts in strips as it does at once', () => {
    const convert = kit.engine.converter('sRGB', press.profile, press.condition);
    const pixel = [12, 200, 99];
    const many = Uint8Array.from({ length: 3 * ((1 << 20) + 5) }, (_, i) => pixel[i % 3]!);
    const out = convert(many);
    expect([...out.subarray(-4)]).toEqual([...out.subarray(0, 4)]);
  });
  it('refuses what is no profile, with words', () => {
    expect(() => kit.engine.describe(new Uint8Array(200))).toThrow(ProfileError);
    expect(() => kit.engine.converter(new Uint8Array(200), 'sRGB', press.condition)).toThrow(/damaged/);
  });
  it('reads one of many megabytes, and after damaged ones the next good one', () => {
    const { profile } = press;
    const large = new Uint8Array(24_000_000);
    large.set(profile);
    new DataView(large.buffer).setUint32(0, large.length);
    expect(kit.engine.describe(large)).toEqual(kit.engine.describe(profile));
    for (let i = 0; i < (isDeep ? 200 : 20); i++) {
      const damaged = Uint8Array.from(profile, (byte, at) =>
        at > 128 && (at * 31 + i) % 97 === 0 ? byte ^ 255 : byte,
      );
      try {
        kit.engine.describe(damaged);
      } catch (error) {
        expect(error).toBeInstanceOf(ProfileError);
      }
    }
    expect(kit.engine.describe(profile).space).toBe('CMYK');
  });
  it('knows its shipped profiles by honest names', () => {
    const { space, name } = kit.engine.describe(readFileSync(profileFile('general-coated.icc')));
    expect(space).toBe('CMYK');
    expect(name).not.toMatch(/FOGRA|SWOP|GRACoL/i);
  });
});
