import fc from 'fast-check';
import { expect, it } from 'vitest';
import { layPicture, type Samples } from '../../../core/devices/plates/picture';
import { apply, invert, type Matrix, multiply } from '../../../core/geometry/matrix';

/** Cells of a picture that is upright or on its side, against the plain rule: the mean of the pixels at the middles of a cell's parts. */

const PARTS = [2, 4];
const WINDOW = { x: 0, y: 0, width: 24, height: 20 };

/** By the rule, a cell at a time. */
function plainly({ width, height, channels, amounts, alpha }: Samples, place: Matrix, parts: number) {
  const back = invert(place)!;
  return Array.from({ length: WINDOW.width * WINDOW.height }, (_, cell) => {
    const sums = new Array<number>(channels).fill(0);
    let covered = 0;
    for (let part = 0; part < parts * parts; part++) {
      const x = (cell % WINDOW.width) + ((part % parts) + 0.5) / parts;
      const y = Math.floor(cell / WINDOW.width) + (Math.floor(part / parts) + 0.5) / parts;
      const at = apply(back, { x, y });
      const [px, py] = [Math.floor(at.x * width), Math.floor(at.y * height)];
      if (px < 0 || py < 0 || px >= width || py >= height) continue;
      const weight = (alpha?.[py * width + px] ?? 255) / 255;
      covered += weight;
      for (let k = 0; k < channels; k++) sums[k]! += amounts[(py * width + px) * channels + k]! * weight;
    }
    return { share: covered / parts ** 2, amounts: sums.map((sum) => (covered > 0 ? sum / (255 * covered) : 0)) };
  });
}

/** Turned by quarters about the middle of a picture laid 13 × 9 cells, as matrices of turned elements have it: not quite exactly. */
function quarterTurned(quarters: number, x: number, y: number): Matrix {
  const angle = (quarters * Math.PI) / 2;
  const turn: Matrix = [Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle), x, y];
  return multiply(turn, [13, 0, 0, 9, -6.5, -4.5]);
}

it('are the means by the rule, however often it is turned by quarters', () => {
  fc.assert(
    fc.property(
      fc.record({
        quarters: fc.integer({ min: 0, max: 3 }),
        width: fc.integer({ min: 1, max: 40 }),
        height: fc.integer({ min: 1, max: 40 }),
        channels: fc.constantFrom(0, 1, 4, 5),
        // Where no middle of a part lies on the border of two pixels: such a one may be taken for either.
        x: fc.integer({ min: 0, max: 900 }).map((n) => 4.01234 + n / 70.7),
        y: fc.integer({ min: 0, max: 900 }).map((n) => 4.04321 + n / 90.9),
        seed: fc.integer({ min: 1, max: 1e6 }),
        isSoft: fc.boolean(),
      }),
      ({ quarters, width, height, channels, x, y, seed, isSoft }) => {
        const noise = (count: number, by: number): Uint8Array =>
          Uint8Array.from({ length: count }, (_, i) => ((seed + by) * 2_654_435_761 * (i + 1)) >>> 24);
        const picture: Samples = {
          width,
          height,
          channels,
          amounts: noise(width * height * channels, 0),
          ...(isSoft ? { alpha: noise(width * height, 7) } : {}),
        };
        const place = quarterTurned(quarters, x, y);
        const laid = layPicture(picture, place, WINDOW)!;
        const { cover } = laid;
        const right = PARTS.map((parts) => plainly(picture, place, parts));
        let off = [0, 0];
        for (let i = 0; i < cover.shares.length; i++) {
          const cell = (cover.y + Math.floor(i / cover.width)) * WINDOW.width + cover.x + (i % cover.width);
          off = off.map((count, n) => {
            const { share, amounts } = right[n]![cell]!;
            const isSame =
              Math.abs(share - cover.shares[i]!) < 1e-5 &&
              amounts.every((amount, k) => Math.abs(amount - laid.amounts[k]![i]!) < 1e-5);
            return count + (isSame ? 0 : 1);
          });
        }
        expect(Math.min(...off)).toBe(0);
      },
    ),
    { numRuns: 150 },
  );
});
