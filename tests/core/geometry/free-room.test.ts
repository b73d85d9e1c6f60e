import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Box, contains, overlaps } from '../../../core/geometry/box';
import { freeRoom } from '../../../core/geometry/free-room';

const AREA: Box = { x: 10, y: 10, width: 100, height: 60 };

describe('free room', () => {
  it('is the upper left corner of an empty area', () => {
    expect(freeRoom(AREA, [], { width: 20, height: 10 })).toEqual({ x: 10, y: 10 });
  });
  it('is the next corner where that one is taken, and a place beside what lies there where all are', () => {
    const corner = { x: 0, y: 0, width: 30, height: 30 };
    expect(freeRoom(AREA, [corner], { width: 20, height: 10 })).toEqual({ x: 90, y: 10 });
    const strips = [
      { x: 0, y: 0, width: 200, height: 30 },
      { x: 0, y: 50, width: 200, height: 30 },
    ];
    expect(freeRoom(AREA, strips, { width: 20, height: 20 })).toEqual({ x: 10, y: 30 });
  });
  it('is nowhere where there is none', () => {
    expect(freeRoom(AREA, [], { width: 101, height: 5 })).toBeUndefined();
    expect(freeRoom(AREA, [{ x: 50, y: 0, width: 20, height: 100 }], { width: 45, height: 10 })).toBeUndefined();
  });
  it('lies in the area and on nothing; where none is found, a fine net of places has none either', () => {
    const box = fc.record({
      x: fc.integer({ min: 0, max: 110 }),
      y: fc.integer({ min: 0, max: 70 }),
      width: fc.integer({ min: 1, max: 60 }),
      height: fc.integer({ min: 1, max: 40 }),
    });
    fc.assert(
      fc.property(fc.array(box, { maxLength: 8 }), box, (taken, { width, height }) => {
        const at = freeRoom(AREA, taken, { width, height });
        const isFree = (x: number, y: number): boolean => {
          const placed = { x, y, width, height };
          return contains(AREA, placed) && taken.every((each) => !overlaps(each, placed));
        };
        if (at) return isFree(at.x, at.y);
        for (let x = 10; x <= 110; x++) for (let y = 10; y <= 70; y++) if (isFree(x, y)) return false;
        return true;
      }),
    );
  });
});
