import { describe, expect, it } from 'vitest';
import { drawFlat } from '../../../core/devices/flat/flat';
import { changed, type Patch, patchOf } from '../../../core/devices/flat/patch';
import type { PlateGrid } from '../../../core/devices/plates/device';
import { boxPath } from '../../../core/geometry/path';
import type { Device } from '../../../core/scene/device';
import { silhouetteDevice } from '../../../core/scene/silhouette';

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

describe('what is see-through', () => {
  const veil = (device: Device, x: number, shade: number): void => {
    device.beginElement(`veil-${x}`);
    device.beginFade({
      kind: 'linear',
      matrix: [20, 0, 0, 20, x, 0],
      stops: [
        { at: 0, amount: 1 },
        { at: 1, amount: 0 },
      ],
    });
    device.fillPath(boxPath({ x, y: 0, width: 20, height: 20 }), { Black: shade });
    device.endFade();
    device.endElement();
  };
  const patches = (draw: (device: Device) => void): Patch[] => {
    const drawn: Patch[] = [];
    const device = { ...silhouetteDevice(), drawPatch: (patch: Patch) => drawn.push(patch) };
    drawFlat(draw, device as never, {
      box: { x: 0, y: 0, width: 60, height: 20 },
      ppi: 72,
      picture: () => undefined,
    });
    return drawn;
  };
  it('is one patch where it lies on one another, since readers show seams between two', () => {
    const [only, ...more] = patches((device) => {
      veil(device, 0, 1);
      veil(device, 10, 0.5);
    });
    expect([only!.width, more.length]).toEqual([30, 0]);
  });
  it('is a patch each where it lies apart, or something solid lies between', () => {
    const apart = patches((device) => {
      veil(device, 0, 1);
      veil(device, 30, 1);
    });
    const parted = patches((device) => {
      veil(device, 0, 1);
      device.fillPath(boxPath({ x: 5, y: 5, width: 20, height: 5 }), { Cyan: 1 });
      veil(device, 10, 0.5);
    });
    expect([apart.length, parted.length]).toEqual([2, 2]);
  });
});
