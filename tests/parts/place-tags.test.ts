import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Box, overlaps } from '../../core/geometry/box';
import { placeTags } from '../../src/bench/findings/place-tags';
import { tagWidth } from '../../src/parts/tag-width';

const boxOf = ({ x, y, text }: { x: number; y: number; text: string }): Box => ({
  x: x - tagWidth(text) / 2,
  y: y - 10,
  width: tagWidth(text),
  height: 20,
});
const frame: Box = { x: 100, y: 100, width: 60, height: 30 };

describe('tags of findings', () => {
  it('stand below their frame, and above where something is kept clear there', () => {
    expect(placeTags([{ text: 'Bleed 0 of 3 mm', box: frame }], [])).toEqual([
      { text: 'Bleed 0 of 3 mm', x: 130, y: 143 },
    ]);
    const below = { x: 0, y: 131, width: 400, height: 20 };
    expect(placeTags([{ text: 'Bleed 0 of 3 mm', box: frame }], [below])[0]).toMatchObject({ x: 130, y: 87 });
  });
  it('of one frame lie apart from one another', () => {
    const placed = placeTags(
      ['Thin line', 'Low contrast', 'Too small', 'Off the grid'].map((text) => ({ text, box: frame })),
      [],
    );
    expect(placed.map(({ text }) => text)).toEqual(['Thin line', 'Low contrast', 'Too small', 'Off the grid']);
  });
  it('that find no place are counted where the nearest stands', () => {
    const many = Array.from({ length: 40 }, (_, i) => ({ text: `Fault ${i}`, box: frame }));
    const placed = placeTags(many, []);
    expect(placed.length).toBeLessThan(40);
    const counted = placed.map(({ text }) => Number(/^(\d+) findings$/.exec(text)?.[1] ?? 1));
    expect(counted.reduce((sum, each) => sum + each, 0)).toBe(40);
  });
  it('never lie over one another, and none is lost', () => {
    const tag = fc.record({
      text: fc.string({ minLength: 3, maxLength: 24 }),
      box: fc.record({
        x: fc.integer({ min: 0, max: 300 }),
        y: fc.integer({ min: 0, max: 200 }),
        width: fc.integer({ min: 1, max: 100 }),
        height: fc.integer({ min: 1, max: 60 }),
      }),
    });
    fc.assert(
      fc.property(fc.array(tag, { maxLength: 14 }), fc.array(tag, { maxLength: 3 }), (tags, kept) => {
        const placed = placeTags(
          tags.map((each) => ({ ...each, text: `x${each.text}` })),
          kept.map(({ box }) => box),
        );
        placed.forEach((a, i) => {
          for (const b of placed.slice(i + 1)) expect(overlaps(boxOf(a), boxOf(b))).toBe(false);
        });
        expect(placed.length).toBeLessThanOrEqual(tags.length);
        if (tags.length > 0) expect(placed.length).toBeGreaterThan(0);
      }),
    );
  });
});
