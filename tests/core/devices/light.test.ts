import { describe, expect, it } from 'vitest';
import { layPiece } from '../../../core/checks/on-plates';
import { type Lamp, shade } from '../../../core/devices/light/shade';
import { sideSurface } from '../../../core/devices/light/side';
import { type FinishPlate, type Surface, surfaceOf } from '../../../core/devices/light/surface';
import type { Finish } from '../../../core/job/finishing';
import { shownFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { finishedCard } from '../../finished';
import { checkKit, kit } from '../../kit';

const SIDE = 60;
const SIZE = { width: SIDE, height: SIDE, ppi: 300 };
const paper = (grey: number) =>
  new Uint8ClampedArray(4 * SIDE * SIDE).fill(grey).map((v, i) => (i % 4 === 3 ? 255 : v));
const amounts = (of: (x: number, y: number) => number): Float32Array =>
  Float32Array.from({ length: SIDE * SIDE }, (_, i) => of(i % SIDE, Math.floor(i / SIDE)));
const plate = (finish: Omit<Finish, 'id'>, of: (x: number, y: number) => number): FinishPlate => ({
  finish: { id: 'f', ...finish },
  amounts: amounts(of),
});
const lit = (surface: Surface, lamp: Lamp) => {
  const cells = new Uint32Array(surface.cover.length);
  shade(surface, lamp, cells);
  const out = new Uint8Array(cells.buffer);
  return (x: number, y: number) => [...out.subarray(4 * (y * SIDE + x), 4 * (y * SIDE + x) + 4)];
};
const mean = (at: (x: number, y: number) => number[], x0: number, x1: number): number => {
  let sum = 0;
  for (let y = 20; y < 40; y++) for (let x = x0; x < x1; x++) sum += at(x, y)[0]!;
  return sum / (20 * (x1 - x0));
};
const LAMP: Lamp = { x: 0.5, y: 0.5, height: 0.5 };

describe('light on a finished side', () => {
  it('shines in foil where the lamp is, and leaves it darker than paper far from there', () => {
    const whole = surfaceOf(SIZE, paper(128), [plate({ kind: 'foil' }, () => 1)]);
    const [near, far] = [lit(whole, LAMP), lit(whole, { ...LAMP, x: 6 })];
    expect(mean(near, 28, 32)).toBeGreaterThan(mean(far, 28, 32) + 60);
    // Gold is gold: its blue is the least.
    const [r, , b] = far(30, 30);
    expect(r! / b!).toBeGreaterThan(1.8);
  });

  it('follows Lambert: a side lit from straight above is brighter than one lit aslant', () => {
    const bare = surfaceOf(SIZE, paper(128), []);
    const ratio = mean(lit(bare, { ...LAMP, x: 0.5 }), 29, 31) / mean(lit(bare, { ...LAMP, x: 0.5 + 0.5 }), 29, 31);
    // The lamp half as far to the side as it is high would be at 45°: cos 45° of its share of the light.
    expect(ratio).toBeCloseTo((0.62 + 0.4) / (0.62 + 0.4 * Math.SQRT1_2), 1);
  });

  it('casts embossing: the edge towards the lamp is bright, the other dark; debossing the other way round', () => {
    const bar = (x: number): number => (x >= 25 && x < 35 ? 1 : 0);
    const edges = (kind: 'embossing' | 'debossing') => {
      const at = lit(surfaceOf(SIZE, paper(128), [plate({ kind }, bar)]), { ...LAMP, x: -1 });
      return [mean(at, 23, 27), mean(at, 33, 37)] as const;
    };
    const [toLamp, away] = edges('embossing');
    expect(toLamp).toBeGreaterThan(away + 10);
    const [sunk, rim] = edges('debossing');
    expect(rim).toBeGreaterThan(sunk + 10);
  });

  it.each([
    ['gloss', 1],
    ['satin', 1],
    ['matt', 1],
  ] as const)('%s varnish glints more than bare paper under the lamp', (sheen, least) => {
    const half = surfaceOf(SIZE, paper(90), [plate({ kind: 'varnish', sheen }, (x) => (x < 30 ? 1 : 0))]);
    const at = lit(half, LAMP);
    expect(mean(at, 27, 30)).toBeGreaterThan(mean(at, 31, 34) + least);
  });

  it('leaves nothing where the die has cut, or a hole is', () => {
    const { job, piece, assets } = finishedCard();
    expect(Object.keys(assets).length).toBeGreaterThan(0);
    const sources = sourcesOf(job, kit.fonts);
    const [front] = layPiece(job, piece, checkKit, { picture: () => undefined, ppi: 72, trimOnly: true });
    const [face] = shownFaces(piece, sources);
    const { engine } = kit;
    const toScreen = engine.converter(front!.press.profile, 'sRGB', front!.press.condition, 'quick');
    const surface = sideSurface(piece, face!, front!.grid(), sources, toScreen);
    const alpha = (x: number, y: number): number =>
      surface.rgba[4 * (Math.round(y) * surface.width + Math.round(x)) + 3]!;
    const mm = 72 / 25.4;
    expect(alpha(0, 0)).toBe(0);
    expect(alpha(7.5 * mm, 7.5 * mm)).toBe(0);
    expect(alpha(40 * mm, 30 * mm)).toBe(255);
    expect(surface.coats.map(({ kind }) => kind)).toContain('foil');
    expect(surface.cover.some((amount) => amount === 255)).toBe(true);
  });
});
