import { describe, expect, it } from 'vitest';
import { barPatches, fittingBar, LEAST_PATCH } from '../../../core/scene/marks';

describe('the patches of a colour bar', () => {
  const CMYK = ['Cyan', 'Magenta', 'Yellow', 'Black'];
  it('are solids, what prints on one another, grey, and tints of 40 and 80 % of each plate', () => {
    const patches = barPatches([...CMYK, 'Copper']);
    expect(patches.slice(0, 5)).toEqual([...CMYK, 'Copper'].map((plate) => ({ [plate]: 1 })));
    expect(patches).toContainEqual({ Cyan: 1, Magenta: 1 });
    expect(patches).toContainEqual({ Cyan: 1, Magenta: 1, Yellow: 1 });
    expect(patches).toContainEqual({ Cyan: 0.5, Magenta: 0.4, Yellow: 0.4 });
    expect(patches.slice(-10)).toEqual([0.4, 0.8].flatMap((t) => [...CMYK, 'Copper'].map((plate) => ({ [plate]: t }))));
    expect(patches).toHaveLength(5 + 4 + 1 + 10);
  });
  it('of two inks have no overprint and no grey', () => {
    expect(barPatches(['Black', 'Copper'])).toEqual([
      { Black: 1 },
      { Copper: 1 },
      { Black: 0.4 },
      { Copper: 0.4 },
      { Black: 0.8 },
      { Copper: 0.8 },
    ]);
  });
  it('are as many as fit, the first ones, none narrower than an instrument reads', () => {
    const all = barPatches(CMYK);
    expect(fittingBar(all, 1000, 14)).toEqual({ patches: all, side: 14 });
    const narrow = fittingBar(all, 50, 14);
    expect(narrow.patches).toEqual(all.slice(0, 7));
    expect(narrow.side).toBeGreaterThanOrEqual(LEAST_PATCH);
    expect(fittingBar(all, 3, 14).patches).toEqual([]);
  });
});
