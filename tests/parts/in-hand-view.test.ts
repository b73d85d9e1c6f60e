import { expect, it } from 'vitest';
import { FIRST_VIEW, LIMITS, moved, PLACES, spread } from '../../src/rooms/pieces/in-hand/view';

it('a view goes round, and stays within its limits', () => {
  expect(moved({ ...FIRST_VIEW, turn: 170 }, { turn: 20 }).turn).toBe(-170);
  expect(moved({ ...FIRST_VIEW, turn: -170 }, { turn: -20 }).turn).toBe(170);
  expect(moved(FIRST_VIEW, { tilt: 500 }).tilt).toBe(90);
  expect(moved(FIRST_VIEW, { tilt: -500 }).tilt).toBe(LIMITS.tilt.least);
  expect(moved(FIRST_VIEW, { near: 1000 }).near).toBe(LIMITS.near.most);
  for (const [, place] of PLACES)
    for (const [name, value] of Object.entries(place) as [keyof typeof LIMITS, number][]) {
      expect(value).toBeGreaterThanOrEqual(LIMITS[name].least);
      expect(value).toBeLessThanOrEqual(LIMITS[name].most);
    }
});

it('places of the light fill a square evenly', () => {
  const places = Array.from({ length: 64 }, (_, n) => spread(n));
  // The first of Halton’s sequence in bases 2 and 3: 1/2 and 1/3.
  expect([places[0]!.x, places[0]!.y]).toEqual([expect.closeTo(0, 9), expect.closeTo(-1 / 3, 9)]);
  for (const x of [-1, 1])
    for (const y of [-1, 1]) {
      const here = places.filter((place) => place.x * x > 0 && place.y * y > 0).length;
      expect(Math.abs(here - 16)).toBeLessThanOrEqual(3);
    }
  expect(places.every(({ x, y }) => Math.abs(x) < 1 && Math.abs(y) < 1)).toBe(true);
});
