import { describe, expect, it } from 'vitest';
import { contains, outset, overlaps } from '../../core/geometry/box';
import { clearPlace, type SideRoom } from '../../src/bench/free-place';

/** A card of 240 by 150 points, 10 of them kept free at its edges. */
const trim = { x: 0, y: 0, width: 240, height: 150 };
const card = (over: Partial<SideRoom>): SideRoom => ({
  trim,
  safe: outset(trim, -10),
  grounds: [],
  taken: [],
  ...over,
});
const size = { width: 60, height: 20 };

describe('a place with clear space', () => {
  it('lies that far from the trim where the safe zone is less', () => {
    expect(clearPlace(card({}), size, 25)).toEqual({ x: 25, y: 25 });
    expect(clearPlace(card({}), size, 4)).toEqual({ x: 10, y: 10 });
  });

  it('is wholly on a ground or wholly beside it', () => {
    // A photograph over the left two thirds, beyond the trim on three sides.
    const photo = { x: -9, y: -9, width: 169, height: 168 };
    const full = card({ grounds: [photo], taken: [{ x: 10, y: 10, width: 140, height: 130 }] });
    expect(clearPlace(full, { width: 80, height: 20 }, 8)).toBeUndefined();
    const free = clearPlace(card({ grounds: [photo] }), { width: 100, height: 20 }, 8)!;
    const zone = outset({ ...free, width: 100, height: 20 }, 8);
    expect(contains(photo, zone, 0.1) || !overlaps(photo, zone)).toBe(true);
    // Narrow enough, it stands beside the photograph once that is full.
    const beside = clearPlace(full, { width: 50, height: 20 }, 8)!;
    expect(beside.x).toBeGreaterThanOrEqual(168 - 0.1);
  });

  it('is nowhere where the clear space is larger than the piece', () => {
    expect(clearPlace(card({}), size, 80)).toBeUndefined();
  });
});
