import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { moveBlock, setSheet } from '../../../core/job/edits/pieces';
import { migrate } from '../../../core/job/migrate';
import { NO_ORDER } from '../../../core/job/order';
import type { Job } from '../../../core/job/schema';
import { type SheetBlock, type SheetByHand, type SheetMade, TURNINGS, USUAL_SHEET } from '../../../core/job/sheet';
import { jobSchema } from '../../../core/job/whole';
import { asHand } from '../../../core/sheet/by-hand';
import { cuttingPlan } from '../../../core/sheet/cutting';
import { bleedOn, gapOf, itemsOf, type SheetPlan, sheetPlans } from '../../../core/sheet/plan';
import { SheetError } from '../../../core/sheet/sheet-error';
import { mm, openDemo } from '../../kit';
import { execute } from './guillotine';

const { job } = openDemo();
const card = job.pieces.find(({ id }) => id === 'card')!;

function plansOf(made: SheetMade, of: Job = job): { plans: SheetPlan[]; gap: number } {
  const piece = of.pieces.find(({ id }) => id === 'card')!;
  const items = itemsOf(of, piece, made);
  return { plans: sheetPlans(of, items, made), gap: gapOf(made, bleedOn(of, items, made)) };
}

const placesOf = (plan: SheetPlan): string[] =>
  plan.forms
    .flatMap(({ first, second }, n) =>
      [...first, ...second].map(
        ({ item, face, angle, trim }) =>
          `${n} ${item} ${face} ${angle} ${[trim.x, trim.y, trim.width, trim.height].map((v) => v.toFixed(3)).join(' ')}`,
      ),
    )
    .sort();

const byHand = (...blocks: Partial<SheetBlock>[]): SheetByHand => ({
  forms: [
    {
      blocks: blocks.map((block) => ({ item: 0, rows: 1, columns: 1, turned: false, x: mm(20), y: mm(20), ...block })),
    },
  ],
});

const postcard = job.pieces.find(({ kind, faces }) => kind === 'postcard' && faces.length > 1)!;
const SHARED: SheetMade = { ...USUAL_SHEET, also: [{ piece: postcard.id, quantity: 90 }] };

describe('a layout that was found, taken in hand', () => {
  it.each([...TURNINGS.map((turning) => ({ ...USUAL_SHEET, turning })), SHARED])(
    'prints the same sheets as long as nothing is changed: $turning',
    (made) => {
      const { plans, gap } = plansOf(made);
      expect(plans.length).toBeGreaterThan(0);
      for (const plan of plans) {
        const hand = asHand(plan.forms, gap);
        const [again] = plansOf({ ...made, hand }).plans;
        expect(placesOf(again!)).toEqual(placesOf(plan));
        expect(again).toMatchObject({ up: plan.up, sheets: plan.sheets, cuts: plan.cuts, waste: plan.waste });
      }
    },
  );
  it('is few blocks: a mixed one no more than it has ways, a grid one', () => {
    const { plans, gap } = plansOf(USUAL_SHEET);
    const grid = plans.find(({ says }) => says === 'turned')!;
    expect(asHand(grid.forms, gap).forms[0]!.blocks).toHaveLength(1);
    const mixed = plans.find(({ says }) => /upright, \d+ turned/.test(says));
    expect(asHand(mixed!.forms, gap).forms[0]!.blocks.length).toBeLessThanOrEqual(5);
  });
});

describe('blocks', () => {
  const one = (hand: SheetByHand, part: Partial<SheetMade> = {}) =>
    plansOf({ ...USUAL_SHEET, ...part, hand }).plans[0]!;
  it('lie where they are put, and are cut', () => {
    const plan = one(byHand({ rows: 2, columns: 2 }, { x: mm(220), turned: true }));
    expect(plan.up).toBe(5);
    expect(plan.forms[0]!.first[0]!.trim).toMatchObject({ x: mm(20), y: mm(20), width: card.width });
    expect(plan.forms[0]!.first[4]!.trim).toMatchObject({ x: mm(220), width: card.height });
    expect(plan.forms[0]!.run).toBe(Math.ceil(NO_ORDER.quantity / 5));
  });
  it.each<[string, SheetByHand, Partial<SheetMade>, RegExp]>([
    ['out of the sheet', byHand({ x: mm(300) }), {}, /runs out of what can be printed on/],
    ['past the middle', byHand({ x: mm(120) }), { turning: 'work-and-turn' }, /past the middle where the halves/],
    ['over one another', byHand({}, { x: mm(50) }), {}, /lie over one another/],
    [
      // Four round a hole: the oldest layout that no guillotine can cut.
      'a pinwheel',
      byHand(
        { x: mm(20), y: mm(20) },
        { x: mm(120), y: mm(20), turned: true },
        { x: mm(92), y: mm(118) },
        { x: mm(20), y: mm(90), turned: true },
      ),
      {},
      /guillotine cannot part these/,
    ],
    ['thousands', byHand({ rows: 100, columns: 100 }), {}, /No sheet holds so many/],
    ['one that is left out', byHand({}), { also: SHARED.also }, /is not on the sheet/],
    [
      'too few of one',
      { forms: [1, 2].map((run) => ({ run, blocks: byHand({}).forms[0]!.blocks })) },
      {},
      /These sheets give 3 of .*ordered/,
    ],
  ])('%s is refused with words', (_, hand, part, message) => {
    expect(() => one(hand, part)).toThrow(SheetError);
    expect(() => one(hand, part)).toThrow(message);
  });
});

describe('blocks of any kind, anywhere', () => {
  const millimetres = (most: number) => fc.integer({ min: 0, max: most }).map(mm);
  const block = fc.record({
    item: fc.constant(0),
    rows: fc.integer({ min: 1, max: 4 }),
    columns: fc.integer({ min: 1, max: 3 }),
    turned: fc.boolean(),
    x: millimetres(260),
    y: millimetres(400),
  });
  it('are refused with words, or printed within the sheet, none over another, and cut apart', () => {
    let printed = 0;
    fc.assert(
      fc.property(fc.array(block, { minLength: 1, maxLength: 3 }), (blocks) => {
        let plan: SheetPlan;
        try {
          [plan] = plansOf({ ...USUAL_SHEET, hand: { forms: [{ blocks }] } }).plans as [SheetPlan];
        } catch (error) {
          expect(error).toBeInstanceOf(SheetError);
          return;
        }
        printed++;
        const trims = plan.forms[0]!.first.map(({ trim }) => trim);
        expect(trims).toHaveLength(blocks.reduce((sum, { rows, columns }) => sum + rows * columns, 0));
        const sheet = { x: 0, y: 0, width: USUAL_SHEET.press.width, height: USUAL_SHEET.press.height };
        const left = execute(sheet, cuttingPlan(sheet, trims), trims);
        for (const trim of trims)
          expect(left.some((pile) => Math.hypot(pile.x - trim.x, pile.y - trim.y) < 0.01)).toBe(true);
      }),
      { numRuns: 400 },
    );
    expect(printed).toBeGreaterThan(40);
  });
  it('are moved by so much and no more, and only the one that is meant', () => {
    fc.assert(
      fc.property(fc.array(block, { minLength: 1, maxLength: 4 }), fc.nat(3), millimetres(50), (blocks, n, by) => {
        const at = n % blocks.length;
        const before = setSheet(job, 'card', { ...USUAL_SHEET, hand: { forms: [{ blocks }] } });
        const moved = moveBlock(before, 'card', 0, at, { x: by, y: -by });
        const now = moved.pieces.find(({ id }) => id === 'card')!.sheet!.hand!.forms[0]!.blocks;
        expect(now).toEqual(blocks.map((each, i) => (i === at ? { ...each, x: each.x + by, y: each.y - by } : each)));
        expect(before.pieces.find(({ id }) => id === 'card')!.sheet!.hand!.forms[0]!.blocks).toEqual(blocks);
      }),
    );
  });
});

describe('the faces of a sheet', () => {
  it('are the two that are chosen', () => {
    const made = { ...USUAL_SHEET, faces: [1] };
    expect(itemsOf(job, card, made)[0]!.faces).toEqual([1]);
    expect(plansOf(made).plans[0]!.forms[0]!.second).toEqual([]);
    expect(itemsOf(job, card, { ...USUAL_SHEET, faces: [1, 0] })[0]!.faces).toEqual([1, 0]);
    expect(itemsOf(job, card, { ...USUAL_SHEET, faces: [7] })[0]!.faces).toEqual([0, 1]);
  });
});

describe('a grid by hand of an older job', () => {
  it.each(TURNINGS)('lies where it lay: %s', (turning) => {
    for (const way of ['upright', 'turned'] as const) {
      const made: SheetMade = { ...USUAL_SHEET, turning, way };
      const { plans, gap } = plansOf(made);
      const { x, y, ...grid } = asHand(plans[0]!.forms, gap).forms[0]!.blocks[0]!;
      const { item: _, ...hand } = { ...grid, x: 5, y: -7 };
      const old = {
        ...job,
        version: 6,
        pieces: job.pieces.map((piece) => (piece.id === 'card' ? { ...piece, sheet: { ...made, hand } } : piece)),
      };
      const now = jobSchema.parse(migrate(structuredClone(old)));
      const [block] = now.pieces.find(({ id }) => id === 'card')!.sheet!.hand!.forms[0]!.blocks;
      expect(block).toMatchObject(grid);
      expect(block!.x).toBeCloseTo(x + 5, 3);
      expect(block!.y).toBeCloseTo(y - 7, 3);
    }
  });
});
