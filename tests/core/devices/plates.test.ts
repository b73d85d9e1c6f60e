import { describe, expect, it } from 'vitest';
import { coverOf } from '../../../core/devices/plates/cover';
import type { PlateGrid } from '../../../core/devices/plates/device';
import { coverageOf, highestOf, histogramOf, totalsOf, wetPlaces } from '../../../core/devices/plates/readings';
import { boxPath, parsePath } from '../../../core/geometry/path';
import { addInk } from '../../../core/job/edits/inks';
import { makeRule, makeShape, makeWords } from '../../../core/job/make';
import type { Element, Job } from '../../../core/job/schema';
import { cardWith, mm } from '../../kit';
import { gridOf } from './plates-kit';

/** Worked by hand: amounts on the plates of small faces. */

const TRIM = { x: 0, y: 0, width: mm(85), height: mm(55) };
const square = (id: string, x: number, y: number, w: number, h: number, more: Partial<Element> = {}): Element =>
  makeShape({ id, x: mm(x), y: mm(y), width: mm(w), height: mm(h), ...(more as object) });
const at = (grid: PlateGrid, x: number, y: number): Record<string, number> => {
  const cell =
    Math.floor(((mm(y) - grid.box.y) * grid.ppi) / 72) * grid.width +
    Math.floor(((mm(x) - grid.box.x) * grid.ppi) / 72);
  const amounts = [...grid.plates].map(([plate, cells]) => [plate, Math.round(cells[cell]! * 1e5) / 1e5] as const);
  return Object.fromEntries(amounts.filter(([, amount]) => amount > 0));
};
const grid = (job: Job): PlateGrid => gridOf({ job, assets: {} }, 0, 0, 150);
const withWet = (elements: Element[]): Job =>
  addInk(cardWith(elements), { id: 'wet', name: 'Wet', kind: 'process', cmyk: [0.85, 0.75, 0.6, 0.7] });
const wet = { ink: 'wet', tint: 1 };

describe('the cover of a path', () => {
  it('is each cell’s share of it', () => {
    const cover = coverOf(boxPath({ x: 1.25, y: 1, width: 2, height: 1 }), 10, 10);
    expect(cover).toMatchObject({ x: 1, y: 1, width: 3, height: 1 });
    expect([...cover.shares]).toEqual([0.75, 1, 0.25]);
  });
  it('counts what lies over itself once, and leaves holes of the other way', () => {
    const twice = coverOf(
      [...boxPath({ x: 0, y: 0, width: 4, height: 4 }), ...boxPath({ x: 1, y: 1, width: 2, height: 2 })],
      9,
      9,
    );
    expect(Math.max(...twice.shares)).toBe(1);
    const hole = coverOf(parsePath('M0 0H4V4H0Z M1 1V3H3V1Z'), 9, 9);
    expect(hole.shares[5]).toBe(0);
  });
  it('has the area of what it covers, and nothing outside the grid', () => {
    const circle = coverOf(parsePath('M20 10 A10 10 0 1 1 0 10 A10 10 0 1 1 20 10Z'), 30, 30);
    expect(circle.shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(Math.PI * 100, 0);
    expect(coverOf(boxPath({ x: -9, y: -9, width: 5, height: 5 }), 4, 4).shares).toHaveLength(0);
  });
});

describe('what lies on the plates', () => {
  it('a 40 % tint of a spot reads 40.0 on its plate, and on no other', () => {
    const job = cardWith([square('tint', 10, 10, 20, 20, { paint: { ink: 'copper', tint: 0.4 } } as Partial<Element>)]);
    expect(at(grid(job), 20, 20)).toEqual({ Copper: 0.4 });
  });
  it('black that overprints a spot leaves the spot’s plate whole; black that knocks out does not', () => {
    const spot = square('spot', 10, 10, 30, 20, { paint: { ink: 'copper', tint: 1 } } as Partial<Element>);
    const black = { ink: 'black', tint: 1 };
    const job = cardWith([
      spot,
      square('over', 12, 12, 8, 8, { paint: black, overprint: 'overprints' } as Partial<Element>),
      square('out', 24, 12, 8, 8, { paint: black } as Partial<Element>),
    ]);
    expect(at(grid(job), 16, 16)).toEqual({ Copper: 1, Black: 1 });
    expect(at(grid(job), 28, 16)).toEqual({ Black: 1 });
  });
  it('small black words overprint of themselves, larger ones and coloured ones do not', () => {
    const ground = square('ground', -3, -3, 91, 61, { paint: { ink: 'copper', tint: 1 } } as Partial<Element>);
    const covered = (size: number, ink: string): number => {
      const words = makeWords({
        id: 'w',
        text: 'HHHH',
        x: mm(10),
        y: mm(20),
        lettering: { size, paint: { ink, tint: 1 } },
      });
      return coverageOf(grid(cardWith([ground, words])), TRIM).get('Copper')!;
    };
    expect(covered(11.5, 'black')).toBeCloseTo(1, 6);
    expect(covered(12, 'black')).toBeLessThan(0.999);
    expect(covered(11.5, 'green')).toBeLessThan(0.999);
  });
  it('white that knocks out is paper, and that overprints is not there', () => {
    const ground = square('ground', -3, -3, 91, 61, { paint: { ink: 'green', tint: 1 } } as Partial<Element>);
    const white = (overprint?: 'overprints') =>
      square('white', 10, 10, 20, 20, {
        paint: { ink: 'paper', tint: 1 },
        ...(overprint ? { overprint } : {}),
      } as Partial<Element>);
    expect(at(grid(cardWith([ground, white()])), 20, 20)).toEqual({});
    expect(at(grid(cardWith([ground, white('overprints')])), 20, 20)).toMatchObject({ Cyan: 0.8, Black: 0.3 });
  });
  it('half covering prints half of both', () => {
    const ground = square('ground', -3, -3, 91, 61, { paint: { ink: 'copper', tint: 1 } } as Partial<Element>);
    const half = square('half', 10, 10, 20, 20, { paint: { ink: 'black', tint: 1 }, opacity: 0.5 } as Partial<Element>);
    expect(at(grid(cardWith([ground, half])), 20, 20)).toEqual({ Copper: 0.5, Black: 0.5 });
  });
  it('a rule with a weight covers its area', () => {
    const rule = makeRule({ id: 'r', x: mm(10), y: mm(10), width: mm(50), height: mm(1) });
    expect(coverageOf(grid(cardWith([rule])), TRIM).get('Black')).toBeCloseTo(50 / (85 * 55), 3);
  });
});

describe('total ink', () => {
  it('C85 M75 Y60 K70 is 290 %, fine under 300 % and too wet over 280 %', () => {
    const on = grid(withWet([square('wet', 10, 10, 20, 10, { paint: wet } as Partial<Element>)]));
    const totals = totalsOf(on);
    expect(highestOf(on, totals, TRIM).total).toBeCloseTo(2.9, 5);
    expect(wetPlaces(on, totals, TRIM, 3)).toEqual([]);
    const [place, ...others] = wetPlaces(on, totals, TRIM, 2.8);
    expect(others).toEqual([]);
    // Cells that it covers in part are not over the limit: its rim, a cell wide, is left out.
    expect(place!.area).toBeGreaterThan(192);
    expect(place!.area).toBeLessThan(201);
    expect(place!.total).toBeCloseTo(2.9, 5);
  });
  it('tells places apart, the largest first, and leaves out what will be cut away', () => {
    const on = grid(
      withWet([
        square('small', 10, 10, 5, 5, { paint: wet } as Partial<Element>),
        square('large', 30, 10, 10, 10, { paint: wet } as Partial<Element>),
        square('bleed', -3, 30, 2.5, 10, { paint: wet } as Partial<Element>),
      ]),
    );
    const places = wetPlaces(on, totalsOf(on), TRIM, 2.8);
    expect(places.map(({ area }) => Math.round(area / 25) * 25)).toEqual([100, 25]);
    expect(places[0]!.box.x).toBeCloseTo(mm(30), -1);
  });
  it('has all of the area in its histogram', () => {
    const on = grid(withWet([square('wet', 0, 0, 42.5, 55, { paint: wet } as Partial<Element>)]));
    const bins = histogramOf(on, totalsOf(on), TRIM, 0.1, 4);
    expect(bins).toHaveLength(40);
    expect(bins.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(bins[0]).toBeCloseTo(0.5, 1);
    expect(bins[28]).toBeCloseTo(0.5, 1);
  });
});
