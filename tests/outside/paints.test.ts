import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Fill, Shadow } from '../../core/colour/fill';
import { pageBoxes } from '../../core/files/pdf/asked';
import { addElement } from '../../core/job/edits/elements';
import { makePicture, makeRule, makeShape, makeWords } from '../../core/job/make';
import type { Element } from '../../core/job/schema';
import { shopOf } from '../../core/trade/shops';
import { cardWith, makePng, mm, withPicture } from '../kit';
import { exportTo, type Plate, platesOf, run, tidyUp } from './tools';

/** Paints in the exported file, as Ghostscript separates them, against amounts worked out by hand. */

const square = (id: string, column: number, row: number, paint: Fill, more: Partial<Element> = {}): Element =>
  makeShape({
    id,
    x: mm(5 + 19 * column),
    y: mm(4 + 16 * row),
    width: mm(16),
    height: mm(13),
    paint,
    ...(more as object),
  });
const at = (column: number, row: number, x: number, y: number): [number, number] => [
  mm(5 + 19 * column + 16 * x),
  mm(4 + 16 * row + 13 * y),
];

const ACROSS: [number, number, number, number, number, number] = [1, 0, 0, 1, 0, 0];
const green = { ink: 'green', tint: 1 };
const copper = { ink: 'copper', tint: 1 };
const shadow: Shadow = { ink: 'copper', tint: 0.8, x: mm(1), y: mm(1), blur: mm(1.6) };
/** Standard normal distribution, handbook table: the shares below one sigma and two. */
const BELOW_ONE_SIGMA = 0.8413;
const BELOW_TWO_SIGMAS = 0.9772;

const elements: Element[] = [
  square('linear', 0, 0, {
    kind: 'linear',
    place: ACROSS,
    stops: [
      { at: 0, ...green, tint: 0 },
      { at: 1, ...green },
    ],
  }),
  // From a process colour to a spot: neither may turn into the other's plates.
  square('mixed', 1, 0, {
    kind: 'linear',
    place: ACROSS,
    stops: [
      { at: 0, ...green },
      { at: 1, ...copper },
    ],
  }),
  square('radial', 2, 0, {
    kind: 'radial',
    place: [0.5, 0, 0, 0.5, 0.5, 0.5],
    stops: [
      { at: 0, ...copper },
      { at: 1, ...copper, tint: 0.2 },
    ],
  }),
  square('hard', 3, 0, {
    kind: 'linear',
    place: ACROSS,
    stops: [
      { at: 0, ...green },
      { at: 0.4, ...green },
      { at: 0.4, ...copper },
      { at: 1, ...copper },
    ],
  }),
  square('split', 0, 1, { kind: 'split', through: { x: 0.5, y: 0.5 }, angle: 0, first: green, second: copper }),
  square('stripes', 1, 1, {
    kind: 'pattern',
    motif: 'stripes',
    spacing: mm(4),
    weight: mm(2),
    angle: 0,
    paint: copper,
    ground: { ink: 'black', tint: 0.3 },
  }),
  square('dots', 2, 1, { kind: 'pattern', motif: 'dots', spacing: mm(4), weight: mm(2), angle: 45, paint: copper }),
  square('see-through', 3, 1, { ink: 'black', tint: 1 }, { opacity: 0.35 }),
  square('shadowed', 0, 2, { ink: 'black', tint: 0.5 }, { shadow }),
  makeWords({
    id: 'words',
    x: mm(26.5),
    y: mm(36),
    text: 'HHH',
    lettering: { typeface: 'source-sans-3/bold', size: 40, paint: green },
  }),
  makeRule({ id: 'dashes', x: mm(62), y: mm(38), width: mm(16), height: mm(1), paint: copper, dash: [mm(2), mm(2)] }),
  square('repeated', 3, 2, copper, {
    width: mm(2),
    height: mm(2),
    y: mm(44),
    repeat: {
      kind: 'grid',
      across: 4,
      down: 1,
      gapAcross: mm(2),
      gapDown: 0,
      last: { size: 1, tint: 0.25, angle: 0 },
    },
  } as Partial<Element>),
];

let plates: Map<string, Plate>;
let margin = 0;
let pdf = '';
const RESOLUTION = 600;
beforeAll(async () => {
  const made = withPicture(
    cardWith([], { faces: 2 }),
    makePng(20, 20, () => [0, 0, 0]),
  );
  const job = cardWith(
    elements.map((e) =>
      e.id === 'words'
        ? {
            ...e,
            fill: {
              kind: 'split',
              through: { x: 0, y: 0.5 },
              angle: 0,
              first: copper,
              second: { ink: 'black', tint: 1 },
            },
          }
        : e,
    ) as Element[],
    { faces: 2 },
  );
  const picture = makePicture({
    id: 'faded',
    x: mm(5),
    y: mm(5),
    width: mm(40),
    height: mm(20),
    asset: made.hash,
    fade: { kind: 'linear', place: ACROSS },
  });
  const whole = addElement({ ...job, assets: made.job.assets }, 'card-2', picture);
  pdf = await exportTo('paints.pdf', { job: whole, assets: made.assets });
  margin = -pageBoxes(job.pieces[0]!, shopOf('metric-offset'), true).media.x;
  plates = await platesOf(pdf, 1, RESOLUTION);
}, 120_000);
afterAll(tidyUp);

const ink = (plate: string, [x, y]: [number, number], from = plates): number =>
  from.get(plate)?.at(margin + x, margin + y) ?? 0;

describe('paints on the plates (Ghostscript tiffsep)', () => {
  it.each([0.1, 0.25, 0.5, 0.9])('a gradient has its share of the ink at %d', (t) => {
    // Green is C80 M20 Y70 K30.
    expect(ink('Cyan', at(0, 0, t, 0.5))).toBeCloseTo(0.8 * t, 1.99);
    expect(ink('Yellow', at(0, 0, t, 0.3))).toBeCloseTo(0.7 * t, 1.99);
  });
  it.each([0.2, 0.5, 0.7])('between a process colour and a spot each plate runs by itself, at %d', (t) => {
    expect(Math.abs(ink('Cyan', at(1, 0, t, 0.5)) - 0.8 * (1 - t))).toBeLessThan(0.01);
    expect(Math.abs(ink('Copper', at(1, 0, t, 0.5)) - t)).toBeLessThan(0.01);
    // Copper stands for C20 M60 Y80 K10 on a screen; none of that may print.
    expect(Math.abs(ink('Magenta', at(1, 0, t, 0.5)) - 0.2 * (1 - t))).toBeLessThan(0.01);
  });
  it('a radial gradient runs from its middle to its edge', () => {
    expect(Math.abs(ink('Copper', at(2, 0, 0.5, 0.5)) - 1)).toBeLessThan(0.015);
    expect(Math.abs(ink('Copper', at(2, 0, 0.75, 0.5)) - 0.6)).toBeLessThan(0.01);
    expect(Math.abs(ink('Copper', at(2, 0, 0.5, 0.25)) - 0.6)).toBeLessThan(0.01);
    expect(Math.abs(ink('Copper', at(2, 0, 0.03, 0.03)) - 0.2)).toBeLessThan(0.01);
  });
  it('two stops at one place are a hard edge', () => {
    expect([ink('Cyan', at(3, 0, 0.38, 0.5)), ink('Copper', at(3, 0, 0.38, 0.5))].map((v) => v.toFixed(2))).toEqual([
      '0.80',
      '0.00',
    ]);
    expect([ink('Cyan', at(3, 0, 0.42, 0.5)), ink('Copper', at(3, 0, 0.42, 0.5))].map((v) => v.toFixed(2))).toEqual([
      '0.00',
      '1.00',
    ]);
  });
  it('a split knocks its halves out of each other', () => {
    expect(ink('Cyan', at(0, 1, 0.5, 0.45))).toBeCloseTo(0.8, 2);
    expect(ink('Copper', at(0, 1, 0.5, 0.45))).toBe(0);
    expect(ink('Copper', at(0, 1, 0.5, 0.55))).toBe(1);
    expect(ink('Cyan', at(0, 1, 0.5, 0.55))).toBe(0);
  });
  it('stripes lie where they should, their ground between', () => {
    const middle = mm(4 + 16 + 6.5);
    const x = mm(5 + 19 + 8);
    for (const step of [-1, 0, 1]) {
      expect(ink('Copper', [x, middle + step * mm(4) + mm(0.9)])).toBe(1);
      expect(ink('Black', [x, middle + step * mm(4) + mm(0.9)])).toBe(0);
      expect(ink('Copper', [x, middle + step * mm(4) + mm(1.1)])).toBe(0);
      expect(Math.abs(ink('Black', [x, middle + step * mm(4) + mm(1.1)]) - 0.3)).toBeLessThan(0.01);
    }
  });
  it('dots lie on a turned square', () => {
    const [x, y] = at(2, 1, 0.5, 0.5);
    const step = mm(4) * Math.SQRT1_2;
    for (const [dx, dy] of [
      [0, 0],
      [step, step],
      [-step, step],
    ] as const)
      expect(ink('Copper', [x + dx, y + dy])).toBe(1);
    expect(ink('Copper', [x + mm(2.9), y])).toBe(0);
  });
  it('what is seen through prints its share', () => {
    expect(Math.abs(ink('Black', at(3, 1, 0.5, 0.5)) - 0.35)).toBeLessThan(0.01);
  });
  it('a shadow is whole inside, half at its outline and a tail beyond, and lies under its element', () => {
    const right = mm(5 + 16 + 1);
    const y = mm(4 + 32 + 8);
    const sigma = mm(0.8);
    // A shadow has cells: what is asked of a point is the mean over a cell or so to either side of it.
    const about = (x: number): number => {
      const samples = Array.from({ length: 64 }, (_, i) => ink('Copper', [x + ((i + 0.5) / 32 - 1) * 0.24, y]));
      return samples.reduce((sum, each) => sum + each, 0) / samples.length;
    };
    expect(Math.abs(about(right - sigma) - 0.8 * BELOW_ONE_SIGMA)).toBeLessThan(0.01);
    expect(Math.abs(about(right) - 0.4)).toBeLessThan(0.01);
    expect(Math.abs(about(right + sigma) - 0.8 * (1 - BELOW_ONE_SIGMA))).toBeLessThan(0.01);
    expect(Math.abs(about(right + 2 * sigma) - 0.8 * (1 - BELOW_TWO_SIGMAS))).toBeLessThan(0.01);
    // Under the element it is knocked out.
    expect(ink('Copper', at(0, 2, 0.5, 0.5))).toBe(0);
  });
  it('words are split in two, and stay words', () => {
    const [upper, lower] = [mm(36) + 20, mm(36) + 34];
    const row = (plate: string, y: number) =>
      Array.from({ length: 80 }, (_, i) => ink(plate, [mm(26.5) + i, y])).filter((v) => v > 0.99).length;
    expect(row('Copper', upper)).toBeGreaterThan(20);
    expect(row('Black', upper)).toBe(0);
    expect(row('Black', lower)).toBeGreaterThan(20);
    expect(row('Copper', lower)).toBe(0);
    expect(run('pdftotext', [pdf, '-'])).toContain('HHH');
  });
  it('dashes are as long as their gaps', () => {
    const across = Array.from({ length: 16 }, (_, i) => ink('Copper', [mm(62 + i + 0.5), mm(38.5)]));
    expect(across).toEqual([1, 1, 0, 0, 1, 1, 0, 0, 1, 1, 0, 0, 1, 1, 0, 0]);
  });
  it('the copies of a repeat grow lighter to the last', () => {
    const tints = [0, 1, 2, 3].map((i) => ink('Copper', [mm(5 + 57 + 4 * i + 1), mm(45)]));
    for (const [i, tint] of tints.entries()) expect(Math.abs(tint - (1 - 0.25 * i))).toBeLessThan(0.01);
  });
  it('a picture fades to paper along a line', async () => {
    const back = await platesOf(pdf, 2, 300);
    const full = ink('Black', [mm(5.1), mm(15)], back);
    for (const t of [0.25, 0.5, 0.75])
      expect(Math.abs(ink('Black', [mm(5 + 40 * t), mm(15)], back) - full * (1 - t))).toBeLessThan(0.01);
  });
  it('is a sound file for qpdf and poppler', () => {
    expect(run('qpdf', ['--check', pdf])).toMatch(/No syntax or stream encoding errors/);
    expect(run('pdffonts', [pdf])).toMatch(/SourceSans3-Bold/);
  });
});
