import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shifted } from '../../../core/devices/plates/shifted';
import { cameBack, FAULTS, type Fault, measured, REGISTER } from '../../../core/files/counter/came-back';
import { shopOf } from '../../../core/trade/shops';

/** What a simulated shop sends back, and how it measures up. */

const { tolerance } = shopOf('metric-offset');
const seeds = fc.double({ min: 0, max: 1, noNaN: true, maxExcluded: true });
const wrong = (faults: readonly Fault[], seed: number): string[] =>
  measured(cameBack(seed, faults, tolerance), tolerance, 5, 'mm').flatMap(({ isRight, says }) =>
    isRight ? [] : [says.split(':')[0]!],
  );

describe('what comes back', () => {
  it('is within what was agreed where nothing is switched on', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        expect(wrong([], seed)).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });
  it.each([
    ['cutting', /^Cut/],
    ['register', /^Register/],
    ['condition', /^Colour/],
    ['late', /^It came 3 working days late/],
  ] as const)('is wrong by the fault that was switched on alone: %s', (fault, line) => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const said = wrong([fault], seed);
        expect(said).toHaveLength(1);
        expect(said[0]).toMatch(line);
      }),
      { numRuns: 200 },
    );
  });
  it('is wrong by each of several, and the same each time', () => {
    const all = Object.keys(FAULTS) as Fault[];
    expect(wrong(all, 0.25)).toHaveLength(all.length);
    expect(cameBack(0.25, all, tolerance)).toEqual(cameBack(0.25, all, tolerance));
  });
  it('is not out of register with one plate', () => {
    const batch = cameBack(0.5, ['register'], tolerance);
    expect(measured(batch, tolerance, 1, 'mm').every(({ isRight }) => isRight)).toBe(true);
  });
  it('is told with its measures', () => {
    const copy = {
      cut: { x: 4, y: 0, twist: 0.1, back: { x: 0, y: 0 } },
      plates: [
        { x: 0, y: 0 },
        { x: REGISTER * 2, y: 0 },
      ],
    };
    const lines = measured(
      { copies: [copy], isOtherCondition: false, late: 0 },
      { x: 2, y: 2, twist: 0.5, backs: 1 },
      2,
      'mm',
    ).map(({ says }) => says);
    // 4 points are 1.41 mm, 2 are 0.71.
    expect(lines.slice(0, 3)).toEqual([
      'Cut: up to 1.41 mm off, 0.71 mm agreed; 1 of 1 are outside it.',
      'Square: up to 0.10° off, 0.5° agreed.',
      'Register: plates up to 0.2 mm apart, 0.1 mm is usual.',
    ]);
  });
});

describe('a plate that is moved', () => {
  const cells = Float32Array.from([0, 0, 0, 0, 0, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0]);
  it('goes by whole cells as it is, and by parts of them between two', () => {
    expect([...shifted(cells, 4, 4, 1, 1)].indexOf(1)).toBe(10);
    expect([...shifted(cells, 4, 4, -1, 0)].indexOf(1)).toBe(4);
    const half = shifted(cells, 4, 4, 0.5, 0);
    expect([half[5], half[6]]).toEqual([0.5, 0.5]);
    const back = shifted(cells, 4, 4, -0.25, 0);
    expect([back[4], back[5]]).toEqual([0.25, 0.75]);
  });
  it('keeps its ink as long as it stays on the sheet', () => {
    const way = fc.double({ min: -1, max: 2, noNaN: true });
    fc.assert(
      fc.property(way, way, (x, y) => {
        expect(shifted(cells, 4, 4, x, y).reduce((sum, cell) => sum + cell, 0)).toBeCloseTo(1, 5);
      }),
    );
  });
});
