import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { byDistinctColours } from '../../../core/colour/distinct-colours';
import { keepAtMost } from '../../../core/colour/kept-transforms';
import { kit } from '../../kit';

/** Two bytes of each colour that no two colours share by chance. */
const marked = (rgb: Uint8Array): Uint8Array =>
  Uint8Array.from({ length: (rgb.length / 3) * 2 }, (_, i) =>
    i % 2 === 0 ? rgb[(i >> 1) * 3]! ^ rgb[(i >> 1) * 3 + 1]! : rgb[(i >> 1) * 3 + 2]!,
  );

describe('a picture converted by its distinct colours', () => {
  it('is as it is pixel by pixel, whatever its colours', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255)), { maxLength: 200 }), (pixels) => {
        const rgb = Uint8Array.from([...pixels, ...pixels].flat());
        expect(byDistinctColours(rgb, 2, marked)).toEqual(marked(rgb));
      }),
      { numRuns: 40 },
    );
  });
  it('asks for each colour once', () => {
    const asked: number[] = [];
    byDistinctColours(Uint8Array.from([9, 9, 9, 0, 0, 0, 9, 9, 9, 255, 255, 255, 0, 0, 31]), 3, (rgb) => {
      asked.push(...rgb);
      return rgb;
    });
    expect(asked).toEqual([0, 0, 0, 0, 0, 31, 9, 9, 9, 255, 255, 255]);
  });
});

describe('what is kept', () => {
  it('is the last few, and what must go is freed once', () => {
    const freed: string[] = [];
    let made = 0;
    const keep = keepAtMost<string>(2, (old) => freed.push(old));
    const ask = (key: string): string => keep(key, () => `${key}${++made}`);
    expect(['a', 'b', 'a', 'c', 'a', 'b'].map(ask)).toEqual(['a1', 'b2', 'a1', 'c3', 'a1', 'b4']);
    expect(freed).toEqual(['b2', 'c3']);
  });
  it('may be freed under a converter that is still held', () => {
    const how = { intent: 'relative colorimetric', blackPointCompensation: true } as const;
    const held = kit.engine.converter('sRGB', kit.press('general-coated').profile, how);
    const before = held(Uint8Array.of(200, 30, 60));
    // Each copy of the bytes is a profile of its own.
    for (let i = 0; i < 40; i++)
      kit.engine.converter('sRGB', kit.press('general-coated').profile.slice(), how)(Uint8Array.of(1, 2, 3));
    expect(held(Uint8Array.of(200, 30, 60))).toEqual(before);
  });
});
