import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { labDifference } from '../../../core/colour/difference';
import { hueSlice, labOfLch, lchOfLab, withinReach } from '../../../core/colour/hue-slice';
import type { Cmyk } from '../../../core/colour/ink';
import { kit } from '../../kit';

const press = kit.press('general-coated');
const amount = fc.integer({ min: 0, max: 100 }).map((percent) => percent / 100);

describe('colours of a hue', () => {
  it('go from L*a*b* to hue and back', () => {
    expect(lchOfLab([50, 0, -20])).toEqual({ lightness: 50, chroma: 20, hue: 270 });
    fc.assert(
      fc.property(amount, amount, amount, (l, c, h) => {
        const lch = { lightness: 100 * l, chroma: 1 + 90 * c, hue: 359 * h };
        const back = lchOfLab(labOfLch(lch));
        expect(back.chroma).toBeCloseTo(lch.chroma, 6);
        expect(back.hue).toBeCloseTo(lch.hue, 6);
      }),
    );
  });
  it('are within reach where the press prints them: whatever some amounts measure comes back hardly different', () => {
    fc.assert(
      fc.property(fc.tuple(amount, amount, amount, fc.constant(0)), (cmyk) => {
        const lab = press.lab(cmyk as Cmyk);
        // Some pale greens come back worst, 3.7 off; of ten thousand colours all but five are within 2.5.
        expect(labDifference(lab, withinReach(press, lchOfLab(lab)).lab)).toBeLessThan(4);
      }),
      { numRuns: 60 },
    );
  });
  it('are brought back to the edge along their lightness where no ink reaches them', () => {
    const made = lchOfLab(withinReach(press, { lightness: 60, chroma: 100, hue: 250 }).lab);
    expect(made.chroma).toBeLessThan(60);
    expect(made.chroma).toBeGreaterThan(35);
    expect(Math.abs(made.lightness - 60)).toBeLessThan(4);
    expect(Math.abs(made.hue - 250)).toBeLessThan(8);
  });
  it('end at an edge without holes, about as far out as full inks are', () => {
    // ISO 12647-2:2013, premium coated: yellow has a chroma of 95 at L* 89, cyan of 59 at L* 56.
    const yellow = hueSlice(press, 93, 26, 21);
    expect(yellow.edge[2]).toBeGreaterThan(80);
    const cyan = hueSlice(press, 231, 51, 21);
    expect(Math.max(...cyan.edge.map((chroma) => chroma ?? 0))).toBeGreaterThan(54);
    // A ΔE of 2 is some 7 of chroma there.
    expect(Math.max(...cyan.edge.map((chroma) => chroma ?? 0))).toBeLessThan(70);
    yellow.edge.forEach((edge, row) => {
      const cells = yellow.cells.slice(26 * row, 26 * (row + 1));
      expect(cells.filter(Boolean)).toHaveLength(edge === undefined ? 0 : Math.round(edge / 4) + 1);
    });
  });
});

describe('the nearest amounts', () => {
  it('come nearer to greys than the profile’s own table does', () => {
    const asked = [30, 45, 60, 75].map((lightness) => labOfLch({ lightness, chroma: 6, hue: 313 }));
    const miss = (labs: readonly (readonly number[])[]): number =>
      labs.reduce((sum, lab, i) => sum + labDifference(asked[i]!, lab as never), 0) / asked.length;
    const refined = miss(press.nearest(asked).map(({ lab }) => lab));
    expect(refined).toBeLessThan(0.5);
    expect(refined).toBeLessThan(miss(asked.map((lab) => press.lab(press.separateLab(lab)))) / 2);
  });
  it('are none for none', () => {
    expect(press.nearest([])).toEqual([]);
  });
});
