import { describe, expect, it } from 'vitest';
import { apply } from '../../core/geometry/matrix';
import { asSeen } from '../../src/rooms/hand-off/as-seen';

/** A page 200 wide and 100 high; its picture turns clockwise (ISO 32000-1, table 30). */
const page = (turned: number) => asSeen({ media: [10, 20, 210, 120], turned });
const upperLeft = { x: 0, y: 0 };
const upperRight = { x: 200, y: 0 };

describe('a page as a reader shows it', () => {
  it.each([
    [0, 200, 100, { x: 0, y: 0 }, { x: 200, y: 0 }],
    // Turned once its upper left corner is at the upper right, and what was its upper edge runs down.
    [90, 100, 200, { x: 100, y: 0 }, { x: 100, y: 200 }],
    [180, 200, 100, { x: 200, y: 100 }, { x: 0, y: 100 }],
    [270, 100, 200, { x: 0, y: 200 }, { x: 0, y: 0 }],
    [-90, 100, 200, { x: 0, y: 200 }, { x: 0, y: 0 }],
    [450, 100, 200, { x: 100, y: 0 }, { x: 100, y: 200 }],
  ])('turned by %i°', (turned, width, height, left, right) => {
    const seen = page(turned);
    expect([seen.width, seen.height]).toEqual([width, height]);
    const at = (point: { x: number; y: number }) => {
      const { x, y } = apply(seen.matrix, point);
      return { x: x + 0, y: y + 0 };
    };
    expect(at(upperLeft)).toEqual(left);
    expect(at(upperRight)).toEqual(right);
  });
  it('goes by its crop box, where it has one', () => {
    expect(asSeen({ media: [0, 0, 200, 100], crop: [0, 0, 50, 80], turned: 90 })).toMatchObject({
      width: 80,
      height: 50,
    });
  });
});
