import { expect } from 'vitest';
import type { Box } from '../../../core/geometry/box';
import type { Cut } from '../../../core/sheet/cutting';

/** Cuts a pile as a guillotine does, and gives what is left of it: no part of the plan's own thinking is used. */
export function execute(sheet: Box, cuts: readonly Cut[], trims: readonly Box[]): Box[] {
  let piles = [sheet];
  const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.01;
  const same = (a: Box, b: Box): boolean =>
    near(a.x, b.x) && near(a.y, b.y) && near(a.width, b.width) && near(a.height, b.height);
  for (const { pile, axis, at, distance, gauge, quarter } of cuts) {
    const i = piles.findIndex((each) => same(each, pile));
    expect(i, 'a pile that is there').toBeGreaterThanOrEqual(0);
    const [box] = piles.splice(i, 1) as [Box];
    const before = axis === 'x' ? { ...box, width: at - box.x } : { ...box, height: at - box.y };
    const after =
      axis === 'x'
        ? { ...box, x: at, width: box.x + box.width - at }
        : { ...box, y: at, height: box.y + box.height - at };
    for (const part of [before, after]) {
      expect(part.width, 'a cut inside the pile').toBeGreaterThan(0);
      expect(part.height).toBeGreaterThan(0);
    }
    const kept = gauge === 'before' ? before : after;
    expect(distance).toBeCloseTo(axis === 'x' ? kept.width : kept.height, 6);
    // Turned so many quarters clockwise, the edge at the gauge is at the back: that of the head is there unturned.
    const edges = ['y before', 'x before', 'y after', 'x after'];
    expect(edges[quarter]).toBe(`${axis} ${gauge}`);
    for (const trim of trims) {
      const [from, to] = axis === 'x' ? [trim.x, trim.x + trim.width] : [trim.y, trim.y + trim.height];
      const [lo, hi] = axis === 'x' ? [trim.y, trim.y + trim.height] : [trim.x, trim.x + trim.width];
      const [pileLo, pileHi] = axis === 'x' ? [box.y, box.y + box.height] : [box.x, box.x + box.width];
      const meets = hi > pileLo + 0.01 && lo < pileHi - 0.01;
      expect(meets && at > from + 0.01 && at < to - 0.01, 'a piece cut through').toBe(false);
    }
    piles = [...piles, before, after];
  }
  return piles.filter((pile) => trims.some((trim) => same(trim, pile)));
}
