import { describe, expect, it } from 'vitest';
import { canSay, PAIRINGS } from '../../../core/client/pairings';
import { takeLogo } from '../../../core/client/take-logo';
import { traceArt } from '../../../core/client/trace-logo';
import { readSvg } from '../../../core/files/svg-in/read';
import { makeJob } from '../../../core/job/make';
import { jobSchema } from '../../../core/job/whole';
import type { Pixels } from '../../../core/picture/decode';
import { housePaints } from '../../../core/starters/paints';
import { kit } from '../../kit';

const press = kit.press('general-coated');
const empty = () => makeJob('job', 'Job', '2026-03-04T05:06:07.000Z');
const ids = () => {
  let n = 0;
  return () => `id-${++n}`;
};
const take = (svg: string) =>
  takeLogo(empty(), readSvg(new TextEncoder().encode(svg), kit.fonts), 'Logo', {
    press,
    fonts: kit.fonts,
    newId: ids(),
  });

const RING =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><circle cx="50" cy="50" r="40" fill="#0b3d5c"/>';

describe('a logo that is taken in', () => {
  it('brings its colours as named inks, each with how far it is off, and its own box', () => {
    const taken = take(`${RING}<path d="M110 20h80v60h-80z" fill="#e4572e"/></svg>`)!;
    expect(taken.colours.map(({ name }) => name)).toEqual(['Brand colour', 'Second colour']);
    for (const { off } of taken.colours) expect(off).toBeLessThan(12);
    const [logo] = taken.job.logos;
    // From the ring's left edge at 10 to the panel's right one at 190; SVG units are 3/4 pt, and there is no size.
    expect(logo!.width / logo!.height).toBeCloseTo(180 / 80, 3);
    expect(housePaints(taken.job).main.ink).toBe(taken.colours[0]!.ink);
    expect(jobSchema.safeParse(taken.job).success).toBe(true);
  });

  it('is its own reversed version in one ink, and only then', () => {
    expect(take(`${RING}</svg>`)!.job.logos.map(({ use }) => use)).toEqual(['full colour', 'reversed']);
    expect(take(`${RING}<path d="M110 20h80v60h-80z" fill="#e4572e"/></svg>`)!.job.logos).toHaveLength(1);
    expect(take(`${RING}<circle cx="50" cy="50" r="8" fill="#fff"/></svg>`)!.job.logos).toHaveLength(1);
  });

  it('of nothing is none', () => {
    const invisible = `<rect width="9" height="0.01" fill="#000"/>`;
    expect(take(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${invisible}</svg>`)).toBeUndefined();
  });
});

/** A disc of one colour with a hole in it, and a bar of another, on white. */
function bitmap(): Pixels {
  const [width, height] = [160, 100];
  const colour = new Uint8Array(width * height * 3).fill(255);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const r = Math.hypot(x - 50, y - 50);
      const rgb = r < 40 && r > 15 ? [20, 60, 120] : x > 100 && x < 150 && y > 40 && y < 60 ? [220, 90, 30] : undefined;
      if (rgb) colour.set(rgb, (y * width + x) * 3);
    }
  return { width, height, space: 'RGB', colour };
}

describe('a bitmap that is traced', () => {
  it('becomes areas in its own colours, the hole left open', () => {
    const art = traceArt(bitmap(), 2, kit.fonts);
    expect(Object.values(art.inks)).toHaveLength(2);
    const taken = takeLogo(empty(), art, 'Logo', { press, fonts: kit.fonts, newId: ids() })!;
    const [logo] = taken.job.logos;
    // The disc from 10 to 90, the bar to 150: 140 by 80 pixels.
    expect(logo!.width / logo!.height).toBeCloseTo(140 / 80, 1);
    expect(taken.colours).toHaveLength(2);
  });
  it('in one ink has one', () => {
    expect(Object.values(traceArt(bitmap(), 1, kit.fonts).inks)).toHaveLength(1);
  });
  it('of bare paper is refused in words', () => {
    const white: Pixels = { width: 10, height: 10, space: 'RGB', colour: new Uint8Array(300).fill(255) };
    expect(() => traceArt(white, 1, kit.fonts)).toThrow(/Nothing but paper/);
  });
});

describe('pairings', () => {
  it('are twelve, of typefaces that ship, at most two families each', () => {
    expect(PAIRINGS).toHaveLength(12);
    for (const { roles } of PAIRINGS) {
      for (const id of Object.values(roles)) expect(kit.fonts.has(id), id).toBe(true);
      expect(new Set(Object.values(roles).map((id) => id.split('/')[0])).size).toBeLessThanOrEqual(2);
    }
  });
  it('tell which of them have a client’s letters', () => {
    const can = (text: string) => PAIRINGS.filter((pairing) => canSay(pairing, text, kit.fonts)).map(({ id }) => id);
    expect(can('Café Größe')).toHaveLength(12);
    expect(can('Ελαιώνας')).toContain('source');
    expect(can('Ελαιώνας')).not.toContain('cinzel');
  });
});
