import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { neutralDensity } from '../../../core/colour/density';
import { areaOfRings, combinedRings } from '../../../core/geometry/clipping';
import { boxPath } from '../../../core/geometry/path';
import { addInk } from '../../../core/job/edits/inks';
import { setSpread } from '../../../core/job/edits/pieces';
import { makeShape, makeWords } from '../../../core/job/make';
import type { Element, Shape } from '../../../core/job/schema';
import { printedFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import type { Meeting } from '../../../core/scene/spread';
import { meetingsOn, platedFaces } from '../../../core/scene/traps';
import { cardWith, kit, mm } from '../../kit';

const GREEN = { ink: 'green', tint: 1 };
const COPPER = { ink: 'copper', tint: 1 };
const BY = mm(0.1);

const box = (id: string, x: number, y: number, width: number, height: number, paint = GREEN): Shape =>
  makeShape({ id, x: mm(x), y: mm(y), width: mm(width), height: mm(height), paint });

function meetings(elements: Element[]): Meeting[] {
  const job = addInk(cardWith(elements), { id: 'navy', name: 'Navy', kind: 'spot', cmyk: [1, 0.8, 0.2, 0.3] });
  const sources = sourcesOf(job, kit.fonts);
  return meetingsOn(printedFaces(job.pieces[0]!, sources)[0]!, BY, sources);
}
const told = (elements: Element[]): [string, string, number][] =>
  meetings(elements).map(({ lighter, darker, length }) => [lighter.id, darker.id, Math.round(length / mm(1))]);

describe('neutral density', () => {
  const inks = [
    { id: 'grey', name: 'Grey', kind: 'spot' as const, cmyk: [0, 0, 0, 0.5] as const, lab: [50, 0, 0] as const },
  ].map((ink) => ({
    ...ink,
    cmyk: [...ink.cmyk] as [number, number, number, number],
    lab: [...ink.lab] as [number, number, number],
  }));
  it('is nothing for paper, adds up, and follows Murray and Davies in tints', () => {
    expect(neutralDensity({}, [])).toBe(0);
    expect(neutralDensity({ Black: 1 }, [])).toBeCloseTo(1.7, 6);
    expect(neutralDensity({ Cyan: 1, Yellow: 1 }, [])).toBeCloseTo(0.77, 6);
    // Half the dots of black: R = 1 − 0.5 (1 − 10^−1.7) = 0.50998, D = 0.2924.
    expect(neutralDensity({ Black: 0.5 }, [])).toBeCloseTo(0.2924, 3);
  });
  it('of a spot ink is that of its measured lightness, over paper', () => {
    // Y of L* 50 is 0.18419, of L* 95 0.87620 (CIE 15): log10 of their ratio is 0.6773.
    expect(neutralDensity({ Grey: 1 }, inks)).toBeCloseTo(0.6773, 3);
  });
});

describe('inks that meet', () => {
  it('are told with the length of their edge', () => {
    expect(told([box('a', 10, 10, 40, 30), box('b', 20, 15, 10, 10, COPPER)])).toEqual([['b', 'a', 40]]);
    expect(told([box('a', 10, 10, 20, 30), box('b', 30, 10, 10, 30, COPPER)])).toEqual([['b', 'a', 30]]);
  });
  it('spread the lighter one over the darker one, whichever lies on top', () => {
    const [above] = meetings([box('a', 10, 10, 40, 30), box('b', 20, 15, 10, 10, COPPER)]);
    // A rim of 0.1 mm around 10 × 10 mm, its corners round: 4 · 10 · 0.1 + π · 0.1².
    expect(areaOfRings(above!.rings) / mm(1) ** 2).toBeCloseTo(4 + Math.PI * 0.01, 2);
    const [below] = meetings([box('a', 10, 10, 40, 30, COPPER), box('b', 20, 15, 10, 10)]);
    // The same rim inside: 10² − 9.8².
    expect(below!.lighter.id).toBe('a');
    expect(areaOfRings(below!.rings) / mm(1) ** 2).toBeCloseTo(3.96, 2);
  });
  it.each<[string, Element[]]>([
    ['a plate in common', [box('a', 10, 10, 40, 30, COPPER), box('b', 20, 15, 10, 10, { ink: 'copper', tint: 0.4 })]],
    ['paper between', [box('a', 10, 10, 20, 30), box('b', 30.3, 10, 10, 30, COPPER)]],
    ['a tint that is nearly paper', [box('a', 10, 10, 40, 30), box('b', 20, 15, 10, 10, { ink: 'copper', tint: 0.1 })]],
    ['overprint', [box('a', 10, 10, 40, 30), { ...box('b', 20, 15, 10, 10, COPPER), overprint: 'overprints' }]],
    ['what can be seen through', [box('a', 10, 10, 40, 30), { ...box('b', 20, 15, 10, 10, COPPER), opacity: 0.5 }]],
    ['a lid over both', [box('a', 10, 10, 40, 30), box('b', 20, 15, 10, 10, COPPER), box('c', 5, 5, 70, 40)]],
    [
      'a line that prints over the edge',
      [
        box('a', 10, 10, 20, 30),
        box('b', 30, 10, 10, 30, COPPER),
        { ...box('c', 29, 5, 2, 40, { ink: 'black', tint: 1 }), overprint: 'overprints' },
      ],
    ],
  ])('are not where there is %s', (_what, elements) => {
    expect(told(elements)).toEqual([]);
  });
  it('are told of letters, by their outlines', () => {
    const words = makeWords({
      id: 'w',
      text: 'Fen',
      x: mm(20),
      y: mm(15),
      lettering: { typeface: 'source-sans-3/bold', size: 40, paint: COPPER },
    });
    const [found] = meetings([box('a', 10, 10, 60, 40), words]);
    expect([found?.lighter.id, found?.darker.id]).toEqual(['w', 'a']);
    expect(found!.length).toBeGreaterThan(mm(60));
  });
  it('are spread within the darker ink, and no further than was asked', () => {
    const place = fc.record({
      x: fc.integer({ min: 5, max: 50 }),
      y: fc.integer({ min: 5, max: 30 }),
      width: fc.integer({ min: 2, max: 25 }),
      height: fc.integer({ min: 2, max: 20 }),
      paint: fc.constantFrom(GREEN, COPPER, { ink: 'navy', tint: 1 }, { ink: 'paper', tint: 1 }),
      turn: fc.constantFrom(0, 0, 30),
    });
    fc.assert(
      fc.property(fc.array(place, { minLength: 2, maxLength: 5 }), (places) => {
        const elements = places.map(({ x, y, width, height, paint, turn }, i) => ({
          ...box(`e${i}`, x, y, width, height, paint),
          ...(turn ? { turn } : {}),
        }));
        for (const { rings, darker, length } of meetings(elements)) {
          const { x, y, width, height } = darker as Shape;
          if (darker.turn) continue;
          const room = boxPath({ x: x - 0.01, y: y - 0.01, width: width + 0.02, height: height + 0.02 });
          const frame = room.flatMap((s) => (s[0] === 'Z' ? [] : [{ x: Number(s[1]), y: Number(s[2]) }]));
          expect(areaOfRings(combinedRings('difference', rings, [frame as never]))).toBeLessThan(0.01);
          expect(areaOfRings(rings)).toBeLessThanOrEqual(length * BY * 1.001);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('a piece that is spread', () => {
  it('carries it to the plates, and not to what is worked on', () => {
    const job = setSpread(cardWith([box('a', 10, 10, 40, 30), box('b', 20, 15, 10, 10, COPPER)]), 'card', BY);
    const sources = sourcesOf(job, kit.fonts);
    expect(platedFaces(job.pieces[0]!, sources)[0]?.spread).toHaveLength(1);
    expect(printedFaces(job.pieces[0]!, sources)[0]).not.toHaveProperty('spread');
    const plain = setSpread(job, 'card', undefined);
    expect(platedFaces(plain.pieces[0]!, sources)[0]).not.toHaveProperty('spread');
  });
});
