import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { profileFile } from '../../../cli/kit';
import { clustersOf } from '../../../core/colour/clusters';
import { labDifference } from '../../../core/colour/difference';
import { ProfileError } from '../../../core/colour/engine';
import type { Cmyk } from '../../../core/colour/ink';
import { nearestPaint } from '../../../core/colour/nearest-ink';
import { readPressProfile } from '../../../core/colour/profile';
import { limitPixels, totalInk, underInkLimit } from '../../../core/colour/total-ink';
import { separatePicture } from '../../../core/picture/separate';
import { registeredFor } from '../../../core/trade/registered-conditions';
import { cardWith, checkKit, kit } from '../../kit';

const { press } = checkKit;
const amount = fc.integer({ min: 0, max: 100 }).map((n) => n / 100);

const latin = (bytes: Uint8Array): string => String.fromCharCode(...bytes);
const bytesOf = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));

describe('under an ink limit', () => {
  it('a colour that is under it stays as it is', () => {
    expect(underInkLimit([0.6, 0.4, 0.4, 1], 3, press)).toEqual({ cmyk: [0.6, 0.4, 0.4, 1], deltaE: 0 });
  });
  it('no colour is over it afterwards, and none is far from what it was', () => {
    fc.assert(
      fc.property(fc.tuple(amount, amount, amount, amount), fc.constantFrom(2.4, 2.8, 3), (cmyk, limit) => {
        const { cmyk: to, deltaE } = underInkLimit(cmyk as Cmyk, limit, press);
        expect(totalInk(to)).toBeLessThanOrEqual(limit + 1e-9);
        expect(deltaE).toBeCloseTo(labDifference(press.lab(cmyk as Cmyk), press.lab(to)), 6);
        expect(deltaE).toBeLessThan(12);
      }),
      { numRuns: 60 },
    );
  });
  it('pixels: dark ones are brought under it, light ones keep their numbers', () => {
    const pixels = Uint8Array.of(255, 255, 255, 200, 10, 20, 30, 40);
    const out = limitPixels(pixels, 2.8, press);
    expect(out.subarray(0, 4).reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(2.8 * 255);
    expect([...out.subarray(4)]).toEqual([10, 20, 30, 40]);
  });
});

describe('a press’s profile', () => {
  const good = new Uint8Array(readFileSync(profileFile('general-coated.icc')));
  const changed = (at: number, text: string): Uint8Array => {
    const copy = good.slice();
    copy.set(new TextEncoder().encode(text), at);
    return copy;
  };
  /** Where a 16-bit table of a tag lies, and the parts of it (ICC.1:2022, 10.10). */
  function tableOf(tag: string) {
    const view = new DataView(good.buffer, good.byteOffset);
    for (let i = 0; i < view.getUint32(128); i++) {
      const entry = 132 + 12 * i;
      if (String.fromCharCode(...good.subarray(entry, entry + 4)) !== tag) continue;
      const at = view.getUint32(entry + 4);
      const [from, to, grid] = [good[at + 8]!, good[at + 9]!, good[at + 10]!];
      const [ins, outs] = [view.getUint16(at + 48), view.getUint16(at + 50)];
      const nodes = at + 52 + 2 * from * ins;
      return { from, to, nodes, count: grid ** from, outs, after: nodes + 2 * to * grid ** from };
    }
    throw new Error(`no ${tag}`);
  }
  /** Its grid from the last node to the first. */
  function upsideDown(): Uint8Array {
    const copy = good.slice();
    const { nodes, count, to } = tableOf('A2B1');
    for (let i = 0; i < count; i++)
      copy.set(good.subarray(nodes + 2 * to * i, nodes + 2 * to * (i + 1)), nodes + 2 * to * (count - 1 - i));
    return copy;
  }
  /** At least a tenth of cyan, whatever is asked. */
  function inked(share: number): Uint8Array {
    const copy = good.slice();
    const view = new DataView(copy.buffer);
    const { after, outs } = tableOf('B2A1');
    for (let i = 0; i < outs; i++)
      view.setUint16(after + 2 * i, Math.max(view.getUint16(after + 2 * i), Math.round(share * 65535)));
    return copy;
  }
  it('whose white lays less than a press can print is taken', () => {
    expect(readPressProfile(inked(0.01), kit.engine).version).toBe(2);
  });
  it('of CMYK for output, version 2 or 4, is taken', () => {
    const { name, version } = readPressProfile(good, kit.engine);
    expect(name.length).toBeGreaterThan(3);
    expect([2, 4]).toContain(version);
  });
  it('says what data set it was made from, where its tag names one', () => {
    expect(readPressProfile(good, kit.engine).characterisation).toBe('');
    // The copyright, a text as well, becomes the characterisation.
    const copy = good.slice();
    const view = new DataView(copy.buffer);
    const count = view.getUint32(128);
    for (let i = 0; i < count; i++) {
      const at = 132 + 12 * i;
      if (latin(copy.subarray(at, at + 4)) !== 'cprt') continue;
      copy.set(bytesOf('targ'), at);
      const from = view.getUint32(at + 4);
      copy.set(bytesOf('text\0\0\0\0FOGRA39L\0'), from);
    }
    expect(readPressProfile(copy, kit.engine).characterisation).toBe('FOGRA39L');
  });
  it.each([
    ['FOGRA39L', 'Anything', 'FOGRA39'],
    ['', 'PSO Coated v3', 'FOGRA51'],
    ['', 'PSO Uncoated v3 (FOGRA52)', 'FOGRA52'],
    ['', 'ISO Coated v2 300% (ECI)', 'FOGRA39'],
    ['', 'ISO Uncoated Yellowish', 'FOGRA30'],
    ['CGATS21-2-CRPC6', 'GRACoL2013', 'CGATS21-2-CRPC6'],
    ['CGATS TR 006', '', 'CGATS TR 006'],
    ['', 'The press in our cellar, coated', undefined],
    ['', 'FOGRA390', undefined],
  ])('of “%s” and “%s” is registered as %s', (characterisation, description, name) => {
    expect(registeredFor(characterisation, description)?.name).toBe(name);
  });
  it.each([
    ['nothing', new Uint8Array(0), /no colour profile/],
    ['something else', new TextEncoder().encode('hello '.repeat(60)), /no colour profile/],
    ['half of one', good.subarray(0, 4000), /cut short/],
    ['one of version 5', changed(8, '\u0005'), /version 5/],
    ['that of a screen', changed(12, 'mntr'), /of a screen/],
    ['a link', changed(12, 'link'), /device link/],
    ['one of RGB', changed(16, 'RGB '), /RGB inks/],
    ['one whose grid is upside down', upsideDown(), /run the wrong way/],
    ['one whose white lays ink', inked(0.1), /lays 10 % of ink on white/],
    ['one without tables', changed(128, '\0\0\0\u0001'), /tables/],
  ])('is refused with the reason: %s', (_, bytes, reason) => {
    expect(() => readPressProfile(bytes, kit.engine)).toThrow(ProfileError);
    expect(() => readPressProfile(bytes, kit.engine)).toThrow(reason);
  });
});

describe('colours drawn out of a picture', () => {
  it('are those it is made of, the commonest first', () => {
    const labs = [
      ...Array.from({ length: 60 }, () => [50, 40, 30]),
      ...Array.from({ length: 30 }, (_, i) => [80 + (i % 2), -20, 10]),
      ...Array.from({ length: 10 }, () => [20, 0, -30]),
    ];
    const found = clustersOf(Float32Array.from(labs.flat()), 6);
    expect(found.map(({ share }) => Math.round(share * 100))).toEqual([60, 30, 10]);
    expect(found[0]!.lab.map(Math.round)).toEqual([50, 40, 30]);
    expect(clustersOf(new Float32Array(0), 6)).toEqual([]);
  });
});

describe('the nearest of some inks', () => {
  const { inks } = cardWith([]);
  it('is the ink itself at its own tint', () => {
    const near = nearestPaint({ ink: 'copper', tint: 0.4 }, inks, inks, press)!;
    expect(near).toMatchObject({ paint: { ink: 'copper', tint: 0.4 } });
    expect(near.deltaE).toBeCloseTo(0, 6);
  });
});

describe('a picture in one ink or two', () => {
  const grey = (v: number) => [v, v, v];
  const pixels = {
    width: 3,
    height: 1,
    space: 'RGB' as const,
    colour: Uint8Array.from([...grey(0), ...grey(255), ...grey(119)]),
  };
  it('prints its greys at the tint of the ink: black is all of it, white none', () => {
    const { plates, amounts } = separatePicture(pixels, kit.engine, press, { inks: [{ Copper: 0.8 }] });
    expect(plates).toEqual(['Copper']);
    // sRGB 119 is L* 50 (IEC 61966-2-1 and CIE 1976).
    expect([...amounts]).toEqual([204, 0, 102]);
  });
  it('names process plates before spots, in the order a file has them', () => {
    const { plates, amounts } = separatePicture(pixels, kit.engine, press, { inks: [{ Copper: 0.5 }, { Black: 1 }] });
    expect(plates).toEqual(['Black', 'Copper']);
    expect([...amounts.subarray(0, 2)]).toEqual([255, 128]);
  });
  it('keeps CMYK numbers, or makes them anew', () => {
    const cmyk = { width: 1, height: 1, space: 'CMYK' as const, colour: Uint8Array.of(255, 255, 255, 255) };
    expect([...separatePicture(cmyk, kit.engine, press).amounts]).toEqual([255, 255, 255, 255]);
    const again = separatePicture(cmyk, kit.engine, press, { reseparate: true }).amounts;
    expect(again.reduce((a, b) => a + b, 0)).toBeLessThan(4 * 255);
  });
});
