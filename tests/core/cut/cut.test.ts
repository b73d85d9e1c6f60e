import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drifts, type FaceDrift, fromFace, onFace, worstDrifts } from '../../../core/cut/drift';
import { edgeFacts } from '../../../core/cut/edge-facts';
import { lowerRisk } from '../../../core/cut/lower';
import { colourBeyond, cutFace, EDGES, wantedColour } from '../../../core/cut/one-cut';
import { simulateCuts } from '../../../core/cut/simulate';
import { apply, turnAbout } from '../../../core/geometry/matrix';
import { turnElement } from '../../../core/job/edits/elements';
import { makeShape, makeWords } from '../../../core/job/make';
import type { Element, Job } from '../../../core/job/schema';
import { sourcesOf } from '../../../core/scene/sources';
import type { ShopSpec } from '../../../core/trade/schema';
import { shopOf } from '../../../core/trade/shops';
import { cardWith, kit, mm } from '../../kit';

const METRIC = shopOf('metric-offset');
const shopWith = (tolerance: Partial<ShopSpec['tolerance']>): ShopSpec => ({
  ...METRIC,
  tolerance: { x: mm(1), y: mm(1), twist: 0, backs: 0, ...tolerance },
});
const area = (x: number, y: number, width: number, height: number, more: Partial<Element> = {}): Element =>
  ({
    ...makeShape({
      id: 'area',
      x: mm(x),
      y: mm(y),
      width: mm(width),
      height: mm(height),
      paint: { ink: 'green', tint: 1 },
    }),
    ...more,
  }) as Element;
/** A block that is to stay whole: its edges are known to a hair, as those of letters are not. */
const block = (x: number, y: number, width = 10, height = 5): Element =>
  area(x, y, width, height, { id: 'block', logo: true });
const still: FaceDrift = { x: 0, y: 0, twist: 0 };
const factsOf = (job: Job) => {
  const { width, height, faces } = job.pieces[0]!;
  return edgeFacts(faces[0]!, { width, height }, sourcesOf(job, kit.fonts));
};
const cut = (job: Job, drift: Partial<FaceDrift>) => {
  const facts = factsOf(job);
  return cutFace(facts, wantedColour(facts, mm(3)), { ...still, ...drift });
};
const risk = (job: Job, shop: ShopSpec, cuts = 10_000) => simulateCuts(job, job.pieces[0]!, shop, kit.fonts, { cuts });

/** The standard normal distribution, from the tables of the NIST/SEMATECH e-Handbook, 1.3.6.7.1. */
const PHI = new Map([
  [0.5, 0.69146],
  [1, 0.84134],
  [1.5, 0.93319],
  [2, 0.97725],
  [2.5, 0.99379],
]);
/** A tolerance that makes the standard deviation one millimetre. */
const UNIT = mm(1.959964);
/** Four standard errors of a share of 10,000. */
const within = (p: number): number => 4 * Math.sqrt((p * (1 - p)) / 10_000) + 1e-6;

describe('one cut', () => {
  const whole = cardWith([area(-3, -3, 91, 61)]);
  it('harms nothing where it is true', () => {
    expect(cut(cardWith([area(-3, -3, 91, 61), block(4, 4)]), {})).toEqual({ white: [], touched: [], uneven: 1 });
  });
  it.each([
    [{ x: mm(-3.1) }, ['left']],
    [{ x: mm(3.1) }, ['right']],
    [{ y: mm(-3.1) }, ['top']],
    [{ y: mm(3.1) }, ['bottom']],
    [{ x: mm(-2.9), y: mm(2.9) }, []],
  ])('past the bleed shows paper on that side: %o', (drift, edges) => {
    expect(cut(whole, drift).white).toEqual(edges);
  });
  it('is told of at the edge that it takes off', () => {
    expect(cut(cardWith([block(1, 20)]), { x: mm(1.1) }).touched).toEqual([{ edge: 'left', element: 'block' }]);
    expect(cut(cardWith([block(1, 20)]), { x: mm(0.9) }).touched).toEqual([]);
    expect(cut(cardWith([block(74, 20)]), { x: mm(-1.1) }).touched).toEqual([{ edge: 'right', element: 'block' }]);
  });
  // By hand: the card's half height is 27.5 mm, so a twist of a moves the ends of its sides by 27.5 tan a.
  it('that is twisted shows paper where its corner passes the bleed', () => {
    const degrees = (reach: number): number => (Math.atan(reach / 27.5) * 180) / Math.PI;
    const short = cardWith([area(-0.5, -3, 88.5, 61)]);
    expect(cut(short, { twist: degrees(0.49) }).white).toEqual([]);
    expect(cut(short, { twist: degrees(0.52) }).white).toContain('left');
  });
  it('goes by shapes, not by their boxes: a slanted panel whose box crosses the trim is not touched', () => {
    const slanted = turnElement(cardWith([{ ...block(2, 20, 20, 2), turn: 0 } as Element]), 'block', 45);
    const facts = factsOf(slanted);
    const box = facts.whole[0]!.hull;
    const xs = Array.from(box).filter((_, i) => i % 2 === 0);
    // The tip is a corner of the turned rectangle, by the matrix of the turn.
    const tip = Math.min(
      ...[
        [2, 20],
        [22, 20],
        [2, 22],
        [22, 22],
      ].map(([x, y]) => apply(turnAbout({ x: mm(12), y: mm(21) }, 45), { x: mm(x!), y: mm(y!) }).x),
    );
    expect(Math.min(...xs)).toBeCloseTo(tip, 6);
  });
  it('along a slanted end of colour is no white edge', () => {
    const panel = turnElement(cardWith([area(-20, -20, 50, 95)]), 'area', 10);
    expect(cut(panel, { x: mm(0.5), y: mm(0.5) }).white).toEqual([]);
  });
  it('takes paper on top of colour for paper', () => {
    const job = cardWith([
      area(-3, -3, 91, 61),
      { ...area(-3, 20, 10, 10), id: 'gap', paint: { ink: 'paper', tint: 1 } } as Element,
    ]);
    expect(wantedColour(factsOf(job), 0).left.map(([a, b]) => [a / mm(1), b / mm(1)])).toEqual([
      [0, expect.closeTo(20, 4)],
      [expect.closeTo(30, 4), expect.closeTo(55, 4)],
    ]);
  });
  it('finds how far colour lasts beyond each edge', () => {
    const job = cardWith([area(-1.5, -2, 89, 60)]);
    const facts = factsOf(job);
    const wanted = wantedColour(facts, mm(3));
    const beyond = EDGES.map((edge) => colourBeyond(facts, wanted, edge)! / mm(1));
    expect(beyond.map((v) => Math.round(v * 1000) / 1000)).toEqual([1.5, 2, 2.5, 3]);
  });
  it('compares the margins of a frame, as they were laid out', () => {
    const frame = cardWith([area(4, 4, 77, 47)]);
    expect(cut(frame, {}).uneven).toBeCloseTo(1, 9);
    // 4 mm each side, a millimetre to the right: 3 and 5.
    expect(cut(frame, { x: mm(1) }).uneven).toBeCloseTo(5 / 3, 6);
    expect(cut(cardWith([area(3, 4, 77, 47)]), {}).uneven).toBeCloseTo(1, 9);
  });
});

describe('drift', () => {
  it('is the same for one seed, and another for another', () => {
    const { tolerance } = METRIC;
    expect(drifts(tolerance, 50, 0.5)).toEqual(drifts(tolerance, 50, 0.5));
    expect(drifts(tolerance, 50, 0.5)).not.toEqual(drifts(tolerance, 50, 0.25));
  });
  it('lies within the tolerance 19 times of 20', () => {
    const all = drifts(METRIC.tolerance, 10_000, 0.5);
    const share = all.filter(({ x }) => Math.abs(x) <= METRIC.tolerance.x).length / all.length;
    expect(Math.abs(share - 0.95)).toBeLessThan(within(0.95));
  });
  it('is seen from behind on a back, and from the side on a turned face', () => {
    const piece = { faces: [{ id: 'a' }, { id: 'b' }] } as never;
    const drift = { x: 1, y: 2, twist: 3, back: { x: 0, y: 0 } };
    expect(onFace(drift, piece, { id: 'a' })).toEqual({ x: 1, y: 2, twist: 3 });
    expect(onFace(drift, piece, { id: 'b' })).toEqual({ x: -1, y: 2, twist: -3 });
    expect(onFace(drift, { ...(piece as object), turns: 'top–bottom' } as never, { id: 'b' })).toEqual({
      x: 1,
      y: -2,
      twist: -3,
    });
    expect(onFace(drift, piece, { id: 'a', turned: 'clockwise' })).toEqual({ x: 2, y: -1, twist: 3 });
  });
  it('is found again from where it lies on any face', () => {
    for (const turns of [undefined, 'top–bottom'] as const)
      for (const turned of [undefined, 'clockwise', 'anticlockwise'] as const)
        for (const id of ['a', 'b']) {
          const piece = { faces: [{ id: 'a' }, { id: 'b' }], ...(turns ? { turns } : {}) } as never;
          const face = { id, ...(turned ? { turned } : {}) };
          const seen = onFace({ x: 1, y: 2, twist: 0, back: { x: 0, y: 0 } }, piece, face);
          expect(fromFace(seen, piece, face)).toEqual({ x: 1, y: 2 });
        }
  });
  it('has eight worst cases, all corners of the tolerance', () => {
    expect(
      new Set(
        worstDrifts(METRIC.tolerance).map(({ x, y, twist }) => `${Math.sign(x)}${Math.sign(y)}${Math.sign(twist)}`),
      ).size,
    ).toBe(8);
  });
});

describe('many cuts, against the normal distribution', () => {
  it.each([...PHI])('colour that ends %d standard deviations out is missed as often as the table says', (z, phi) => {
    const job = cardWith([area(-z, -3, 91, 61)]);
    const { white } = risk(job, shopWith({ x: UNIT, y: 0 })).faces[0]!;
    expect(Math.abs(white.left - (1 - phi))).toBeLessThan(within(1 - phi));
    expect(white.top).toBe(0);
  });
  it.each([...PHI])('a block %d standard deviations inside is cut as often as the table says', (z, phi) => {
    const { touched } = risk(cardWith([block(30, z)]), shopWith({ x: 0, y: UNIT })).faces[0]!;
    expect(Math.abs(touched.top - (1 - phi))).toBeLessThan(within(1 - phi));
    expect(touched.left).toBe(0);
  });
  it('a frame of margin m is uneven where the drift is over m (r - 1) / (r + 1)', () => {
    // 5 mm and a ratio of 1.5: one millimetre, which is one standard deviation, either way.
    const { uneven } = risk(cardWith([area(5, 5, 75, 45)]), shopWith({ x: UNIT, y: 0 })).faces[0]!;
    const wanted = 2 * (1 - PHI.get(1)!);
    expect(Math.abs(uneven! - wanted)).toBeLessThan(within(wanted));
  });
  it('a back that lies off is another normal: variances add', () => {
    const job = cardWith([], { faces: 2 });
    const back: Job = {
      ...job,
      pieces: job.pieces.map((p) => ({
        ...p,
        faces: p.faces.map((f, i) => (i === 1 ? { ...f, elements: [block(Math.SQRT2, 20)] } : f)),
      })),
    };
    const { touched } = risk(back, shopWith({ x: UNIT, y: 0, backs: UNIT })).faces[1]!;
    // The square root of two millimetres is one standard deviation of the sum.
    expect(Math.abs(touched.left - (1 - PHI.get(1)!))).toBeLessThan(within(0.16));
  });
  it('tells where each edge of the cut fell', () => {
    const { edges } = risk(cardWith([area(-3, -3, 91, 61)]), shopWith({ x: UNIT, y: 0 })).faces[0]!;
    expect(edges.left.bins.reduce((a, b) => a + b, 0)).toBeGreaterThan(0.99);
    expect(edges.left.colour! / mm(1)).toBeCloseTo(3, 4);
  });
  it('is worse the nearer words stand to the trim, whatever else', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 4, noNaN: true }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        (at, more) => {
          const chance = (x: number): number =>
            risk(cardWith([block(x, 20)]), shopWith({ twist: 0.3 }), 400).faces[0]!.touched.any;
          expect(chance(at)).toBeGreaterThanOrEqual(chance(at + more));
        },
      ),
      { numRuns: 20 },
    );
  });
});

describe('the change that helps most', () => {
  it('is to extend what is short, and to move in what is near', () => {
    const job = cardWith([
      area(-0.5, -3, 91, 61),
      block(2.2, 20),
      makeWords({ id: 'w', text: 'Tea', x: mm(40), y: mm(30) }),
    ]);
    const shop = shopWith({});
    const piece = job.pieces[0]!;
    const before = risk(job, shop);
    const [best, ...others] = lowerRisk(job, piece, shop, kit.fonts, before);
    expect(best!.label).toMatch(/^Extend .* to the bleed$/);
    expect(best!.after).toBeLessThan(best!.before);
    const after = best!.apply(job);
    expect(risk(after, shop).faces[0]!.white.any).toBe(0);
    expect(others.every((each) => each.after >= best!.after)).toBe(true);
  });
  it('is none where nothing goes wrong', () => {
    const job = cardWith([block(20, 20)]);
    expect(lowerRisk(job, job.pieces[0]!, METRIC, kit.fonts, risk(job, METRIC, 500))).toEqual([]);
  });
});
