import * as fc from 'fast-check';
import { deflateSync, zlibSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { TooMuchPacked, unpackInParts, unpackWithin } from '../../../core/packed/inflate';

/** What comes of it; where it breaks off and is too much as well, either is said. */
const outcome = (unpack: () => Uint8Array): Uint8Array | 'refused' => {
  try {
    return unpack();
  } catch {
    return 'refused';
  }
};

describe('what is unpacked by the machine’s own hands', () => {
  const content = fc.oneof(
    fc.uint8Array({ maxLength: 3000 }),
    fc.tuple(fc.uint8Array({ minLength: 1, maxLength: 20 }), fc.integer({ min: 1, max: 4000 })).map(([unit, times]) => {
      const all = new Uint8Array(unit.length * times);
      for (let i = 0; i < times; i++) all.set(unit, i * unit.length);
      return all;
    }),
  );

  it('is what comes of it in parts, whole or damaged, of either kind, within any bound', () => {
    fc.assert(
      fc.property(
        content,
        fc.constantFrom('zlib' as const, 'deflate' as const),
        fc.integer({ min: 0, max: 9 }),
        fc.option(fc.record({ at: fc.nat(), bit: fc.nat(7), cut: fc.boolean() })),
        fc.constantFrom(0, 100, 5000, 1e6),
        (bytes, kind, level, damage, most) => {
          const whole = (kind === 'zlib' ? zlibSync : deflateSync)(bytes, { level: level as 0 });
          const packed = whole.slice(0, damage?.cut ? damage.at % (whole.length + 1) : whole.length);
          if (damage && !damage.cut) packed[damage.at % packed.length]! ^= 1 << damage.bit;
          expect(outcome(() => unpackWithin(packed, kind, most))).toEqual(
            outcome(() => unpackInParts(packed, kind, most)),
          );
        },
      ),
      { numRuns: 600 },
    );
  });

  it('has memory of its own, and nothing of what comes after its end', () => {
    const bytes = Uint8Array.from([1, 2, 3, 4]);
    const packed = zlibSync(bytes);
    const found = unpackWithin(Uint8Array.from([...packed, 9, 9, 9]), 'zlib', 100);
    expect([...found]).toEqual([...bytes]);
    expect(found.buffer.byteLength).toBe(4);
  });

  it('is stopped by its bound', () => {
    const packed = zlibSync(new Uint8Array(1e7));
    expect(() => unpackWithin(packed, 'zlib', 1e6)).toThrow(TooMuchPacked);
    expect(unpackWithin(packed, 'zlib', 1e7)).toHaveLength(1e7);
  });
});
