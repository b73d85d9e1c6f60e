import { describe, expect, it } from 'vitest';
import { corneredBoxPath } from '../../../core/geometry/forms';
import { boxPath, linePath, parsePath } from '../../../core/geometry/path';
import { alongFor, beside, nearestAt, placeAlong, reversed, walkCircle, walkPath } from '../../../core/geometry/walk';

const square = walkPath(boxPath({ x: 0, y: 0, width: 100, height: 100 }));

describe('walking along a line', () => {
  it('is as long as the line', () => {
    expect(square.length).toBe(400);
    expect(walkCircle({ x: 0, y: 0 }, 50).length).toBeCloseTo(100 * Math.PI, 9);
    const corner = { radius: 20, form: 'round' } as const;
    const round = walkPath(corneredBoxPath({ x: 0, y: 0, width: 100, height: 60 }, [corner, corner, corner, corner]));
    expect(round.length).toBeCloseTo(2 * 60 + 2 * 20 + 40 * Math.PI, 1);
  });
  it('goes clockwise round what was drawn either way', () => {
    const other = walkPath(parsePath('M0 0V100H100V0Z'));
    expect(other.closed).toBe(true);
    // To the left of a clockwise walk along the top is up.
    const top = other.pieces.find((p) => p.from.y === 0 && p.to.y === 0 && p.leftFrom.y === -1);
    expect(top).toBeDefined();
  });
  it('keeps an open line the way it was drawn, and turns it over when asked', () => {
    const line = walkPath(linePath({ x: 100, y: 5 }, { x: 0, y: 5 }));
    expect(line.closed).toBe(false);
    expect(line.pieces[0]).toMatchObject({ from: { x: 100 }, leftFrom: { y: 1 } });
    expect(reversed(line).pieces[0]).toMatchObject({ from: { x: 0 }, leftFrom: { y: -1 } });
  });
  it('takes only the first line of a path, and nothing from a point', () => {
    expect(walkPath(parsePath('M0 0H10M50 50H90')).length).toBe(10);
    expect(walkPath(parsePath('M3 3Z')).pieces).toEqual([]);
  });
});

describe('a line beside a walk', () => {
  it('is a circle of another radius beside a circle', () => {
    const circle = walkCircle({ x: 0, y: 0 }, 50);
    expect(beside(circle, 10).length).toBeCloseTo(120 * Math.PI, 2);
    expect(beside(circle, -10).length).toBeCloseTo(80 * Math.PI, 2);
    const place = placeAlong(beside(circle, 10), 30 * Math.PI);
    expect(place.x).toBeCloseTo(60, 3);
    expect(place.y).toBeCloseTo(0, 3);
    expect(place.angle).toBeCloseTo(Math.PI / 2, 4);
  });
  it('goes round the corners outside and cuts them off inside', () => {
    expect(beside(square, 10).length).toBeGreaterThan(400 + 3 * 14);
    expect(beside(square, 10).length).toBeLessThan(400 + 20 * Math.PI + 0.1);
    for (const { from } of beside(square, 10).pieces) {
      const d = Math.hypot(Math.max(0, -from.x, from.x - 100), Math.max(0, -from.y, from.y - 100));
      expect(d).toBeCloseTo(10, 9);
    }
    const inner = beside(square, -10);
    expect(inner.length).toBeCloseTo(320, 9);
    for (let along = 1; along < 320; along += 3.7) {
      const { x, y, angle } = placeAlong(inner, along);
      expect(Math.min(x, y, 100 - x, 100 - y)).toBeCloseTo(10, 9);
      // Square to its side all along it.
      expect(Math.abs(Math.sin(2 * angle))).toBeLessThan(1e-9);
    }
  });
  it('knows what lies where along both', () => {
    const out = beside(square, 10);
    const place = placeAlong(out, alongFor(out, 50));
    expect(place).toMatchObject({ x: 50, y: -10 });
    expect(placeAlong(out, alongFor(out, 150)).x).toBeCloseTo(110, 9);
  });
  it('goes straight on past the ends of an open line', () => {
    const line = beside(walkPath(linePath({ x: 0, y: 0 }, { x: 10, y: 0 })), 2);
    expect(placeAlong(line, 15)).toMatchObject({ x: 15, y: -2, angle: 0 });
    expect(placeAlong(line, -5)).toMatchObject({ x: -5, y: -2 });
  });
});

it('the nearest place on a line is found on its pieces, not only at its corners', () => {
  expect(nearestAt(square, { x: 30, y: -40 })).toBeCloseTo(30, 9);
  expect(nearestAt(square, { x: 140, y: 70 })).toBeCloseTo(170, 9);
});
