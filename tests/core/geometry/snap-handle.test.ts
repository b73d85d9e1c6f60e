import { describe, expect, it } from 'vitest';
import type { SnapLine } from '../../../core/geometry/snap';
import { snapHandle } from '../../../core/geometry/snap-handle';

const upright = (at: number): SnapLine => ({ axis: 'x', at, what: 'guide' });
const targets = (...lines: SnapLine[]) => ({ lines, boxes: [], baselines: [] });
const frame = { x: 100, y: 100, width: 40, height: 20 };

describe('a handle that is pulled', () => {
  it('brings a side to a line, and stays on its own way', () => {
    const { snapped, edges } = snapHandle({ frame, turn: 0 }, 'e', { x: 8, y: 5 }, targets(upright(150)), 3);
    expect(snapped.by).toEqual({ x: 10, y: 0 });
    expect(edges).toEqual({ x: true, y: false });
    expect(snapped.lines[0]).toMatchObject({ at: 150, from: 100, to: 120 });
  });

  it('brings a corner to lines both ways', () => {
    const level: SnapLine = { axis: 'y', at: 130, what: 'guide' };
    const { snapped } = snapHandle({ frame, turn: 0 }, 'se', { x: 11, y: 9 }, targets(upright(150), level), 3);
    expect(snapped.by).toEqual({ x: 10, y: 10 });
  });

  it('leaves alone what is out of reach', () => {
    const { snapped, edges } = snapHandle({ frame, turn: 0 }, 'e', { x: 2, y: 0 }, targets(upright(150)), 3);
    expect(snapped.by).toEqual({ x: 2, y: 0 });
    expect(edges).toEqual({ x: false, y: false });
  });

  it('brings the side of a turned frame along its own way to a line', () => {
    // Turned by 60°, the right side's middle lies at 120 + 20 cos 60° = 130 and goes half a point across for each point.
    const { snapped } = snapHandle({ frame, turn: 60 }, 'e', { x: 4.5, y: 8 }, targets(upright(136)), 3);
    expect(snapped.by.x).toBeCloseTo(6, 9);
    expect(snapped.by.y).toBeCloseTo(6 * Math.tan(Math.PI / 3), 9);
  });

  it('brings the corner of a turned frame to a line', () => {
    // Turned by 90° about (120, 110), the foot right corner lies at (110, 130).
    const { snapped, edges } = snapHandle({ frame, turn: 90 }, 'se', { x: -1, y: 4 }, targets(upright(108)), 3);
    expect(snapped.by.x).toBeCloseTo(-2, 9);
    expect(snapped.by.y).toBe(4);
    expect(edges).toEqual({ x: true, y: true });
  });

  it('does not send a side far along a line that it hardly comes nearer to', () => {
    const { snapped } = snapHandle({ frame, turn: 85 }, 'e', { x: 0, y: 10 }, targets(upright(124)), 3);
    expect(Math.hypot(snapped.by.x, snapped.by.y)).toBeCloseTo(10 * Math.sin((85 * Math.PI) / 180), 6);
  });
});
