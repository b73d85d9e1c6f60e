import { describe, expect, it } from 'vitest';
import { changed, patchOf } from '../../../core/devices/flat/patch';
import type { PlateGrid } from '../../../core/devices/plates/device';

const grid = (width: number, height: number, set: Record<number, number> | 'all'): PlateGrid => {
  const cells = new Float32Array(width * height);
  if (set === 'all') cells.fill(0.5);
  else for (const [cell, amount] of Object.entries(set)) cells[Number(cell)] = amount;
  return { box: { x: 0, y: 0, width, height }, ppi: 72, width, height, plates: new Map([['Black', cells]]) };
};

describe('the cells that differ', () => {
  it('are told in order, and their patch is no larger than they need', () => {
    const cells = changed(grid(10, 10, {}), grid(10, 10, { 34: 1, 23: 0.5 }));
    expect([...cells]).toEqual([23, 34]);
    const { patch, place } = patchOf(grid(10, 10, { 34: 1, 23: 0.5 }), cells);
    expect([patch.width, patch.height, ...patch.here]).toEqual([2, 2, 1, 0, 0, 1]);
    expect(place.slice(4)).toEqual([3, 2]);
  });
  it('may be more than a set of numbers holds, as on an A3 sheet at 300 cells an inch', () => {
    const [width, height] = [3508, 4961];
    expect(width * height).toBeGreaterThan(2 ** 24);
    expect(changed(grid(width, height, {}), grid(width, height, 'all'))).toHaveLength(width * height);
  });
});
