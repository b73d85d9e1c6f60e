import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { dieFacts } from '../../../core/checks/die-facts';
import { dieCut, dieRoom } from '../../../core/cut/die';
import { NO_DRIFT } from '../../../core/cut/drift';
import { simulateCuts } from '../../../core/cut/simulate';
import { contourOf } from '../../../core/geometry/contour';
import { parsePath, pathBounds } from '../../../core/geometry/path';
import { DIE_SHAPES, type DieShape, dieShape } from '../../../core/job/edits/die-shapes';
import { addElement } from '../../../core/job/edits/elements';
import { addFinish } from '../../../core/job/edits/finishing';
import { makeShape, makeWords } from '../../../core/job/make';
import type { Element, Job } from '../../../core/job/schema';
import { jobFault } from '../../../core/job/whole';
import { dieOf } from '../../../core/scene/finishing';
import { sourcesOf } from '../../../core/scene/sources';
import { shopOf } from '../../../core/trade/shops';
import { PLAIN } from '../../../core/type/style';
import { cardWith, checkKit, kit, mm } from '../../kit';

const shop = shopOf('metric-offset');
const ground = (past: number): Element =>
  makeShape({ id: 'ground', x: mm(-past), y: mm(-past), width: mm(85 + 2 * past), height: mm(55 + 2 * past) });
const name = (x: number): Element =>
  makeWords({
    id: 'name',
    text: 'Iris',
    x: mm(x),
    y: mm(20),
    lettering: { size: 12, paint: { ink: 'paper', tint: 1 } },
  });
const withDie = (job: Job, die: Element): Job => {
  const { id, faces } = job.pieces[0]!;
  return addElement(addFinish(job, id, { id: 'die-line', kind: 'die line' }), faces[0]!.id, {
    ...die,
    finish: 'die-line',
  });
};
const risk = (job: Job) => simulateCuts(job, job.pieces[0]!, shop, kit.fonts, { cuts: 4000 }).faces[0]!;

describe('a die that drifts', () => {
  const rectangle = makeShape({ id: 'die', x: 0, y: 0, width: mm(85), height: mm(55) });

  it.each([
    ['colour a millimetre past the edge', [ground(1)], 'white'],
    ['colour that ends at the edge', [ground(0)], 'white'],
    ['a word near the edge', [ground(3), name(0.2)], 'touched'],
  ] as const)('along a rectangle does what a guillotine does: %s', (_, elements, what) => {
    const job = cardWith([...elements]);
    const guillotine = risk(job)[what].any;
    const die = risk(withDie(job, rectangle))[what].any;
    expect(guillotine).toBeGreaterThan(0.03);
    expect(Math.abs(die - guillotine)).toBeLessThan(0.12);
  });

  it('does nothing where colour goes on and words stand far inside', () => {
    const job = withDie(cardWith([ground(3), name(30)]), rectangle);
    const { white, touched } = risk(job);
    expect([white.any, touched.any]).toEqual([0, 0]);
  });

  it('says how much room there is towards each edge', () => {
    const job = withDie(cardWith([ground(2), name(6)]), rectangle);
    const piece = job.pieces[0]!;
    const [face] = piece.faces;
    const facts = dieFacts(
      { elements: face!.elements.filter(({ finish }) => !finish) },
      dieOf(piece, face!)!,
      0,
      sourcesOf(job, kit.fonts),
    );
    for (const edge of ['left', 'right', 'top', 'bottom'] as const)
      expect(dieRoom(facts, edge).colour! / mm(1)).toBeCloseTo(2, 0);
    expect(dieRoom(facts, 'left').words! / mm(1)).toBeGreaterThan(5.5);
    expect(dieCut(facts, NO_DRIFT)).toEqual({ white: [], touched: [], uneven: 1 });
    expect(dieCut(facts, { x: -mm(2.6), y: 0, twist: 0 }).white).toEqual(['left']);
    expect(dieCut(facts, { x: mm(7), y: 0, twist: 0 }).touched).toEqual([{ edge: 'left', element: 'name' }]);
  });

  it('is mirrored on the back', () => {
    const two = cardWith([ground(3)], { faces: 2 } as never);
    const faces = [two.pieces[0]!.faces[0]!, { id: 'back', name: 'Back', elements: [] }];
    const job = withDie(
      { ...two, pieces: [{ ...two.pieces[0]!, faces }] },
      makeShape({ id: 'die', x: 0, y: 0, width: mm(60), height: mm(55) }),
    );
    const piece = job.pieces[0]!;
    const [front, back] = piece.faces.map((face) => pathBounds(dieOf(piece, face)!)!);
    expect([front!.x, back!.x].map(Math.round)).toEqual([0, Math.round(mm(25))]);
  });
});

describe('what is found at a die line', () => {
  it('goes by the style that words have now, and by the shop that is asked', () => {
    const style = (size: number) => ({
      id: 's',
      name: 'Names',
      lettering: { ...PLAIN.lettering, size, paint: { ink: 'black', tint: 1 } },
      setting: PLAIN.setting,
    });
    const words = { ...makeWords({ id: 'w', text: 'Iris', x: mm(76), y: mm(20) }), lettering: {}, style: 's' };
    const rectangle = makeShape({ id: 'die', x: 0, y: 0, width: mm(85), height: mm(55) });
    const job = { ...withDie(cardWith([words]), rectangle), styles: [style(4)] };
    const piece = job.pieces[0]!;
    const found = (now: Job, at = shop) =>
      checkPiece(now, piece, checkKit, at).filter(({ check }) => check === 'die-cuts').length;
    expect(found(job)).toBe(0);
    // The same piece, the same words: only the style is another.
    expect(found({ ...job, styles: [style(30)] })).toBe(1);
    expect(found(job)).toBe(0);
  });
});

describe('shapes of dies', () => {
  it.each(Object.keys(DIE_SHAPES) as DieShape[])('%s fills its piece and goes no further', (shape) => {
    for (const [width, height] of [
      [mm(85), mm(55)],
      [mm(55), mm(85)],
      [mm(20), mm(20)],
      [mm(210), mm(99)],
    ] as const) {
      const made = dieShape(shape, { width, height, unit: 'mm' }, 'die', 'die-line');
      const box = pathBounds(parsePath(made.outline!))!;
      for (const [at, wanted] of [
        [box.x, 0],
        [box.y, 0],
        [box.width, 1],
        [box.height, 1],
      ] as const)
        expect(at, `${width} ${height}`).toBeCloseTo(wanted, 1);
      expect(contourOf(parsePath(made.outline!)).length).toBeGreaterThan(3);
    }
    const job = withDie(
      cardWith([ground(3)]),
      dieShape(shape, { width: mm(85), height: mm(55), unit: 'mm' }, 'die', 'die-line'),
    );
    expect(jobFault(job)).toBeUndefined();
  });
});
