import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Ink } from '../../../core/colour/ink';
import { allowsInk, allowsPlate, offeredInks, plateOfInk } from '../../../core/colour/printed-with';
import * as edits from '../../../core/job/edits/inks';
import * as press from '../../../core/job/edits/press';
import { startHistory, step, undo } from '../../../core/job/history';
import { makeShape, makeWords } from '../../../core/job/make';
import { usesInk } from '../../../core/job/paints-shown';
import { conditionsOf, pressConditionOf } from '../../../core/job/press-of';
import type { Job } from '../../../core/job/schema';
import { jobSchema } from '../../../core/job/whole';
import { shopOf } from '../../../core/trade/shops';
import { cardWith, mm } from '../../kit';

const elements = [
  makeShape({ id: 'flat', x: 0, y: 0, width: mm(9), height: mm(9), paint: { ink: 'copper', tint: 0.5 } }),
  makeShape({
    id: 'runs',
    x: 0,
    y: 0,
    width: mm(9),
    height: mm(9),
    paint: {
      kind: 'linear',
      place: [1, 0, 0, 1, 0, 0],
      stops: [
        { at: 0, ink: 'copper', tint: 1 },
        { at: 1, ink: 'green', tint: 1 },
      ],
    },
    stroke: { weight: 1, paint: { ink: 'copper', tint: 1 } },
    shadow: { ink: 'copper', tint: 0.4, x: 1, y: 1, blur: 2 },
  }),
  makeWords({ id: 'words', text: 'Tea', x: 0, y: 0, lettering: { paint: { ink: 'copper', tint: 1 } } }),
];
const job = cardWith(elements);
const uses = (of: Job, ink: string): string[] =>
  of.pieces[0]!.faces[0]!.elements.filter((e) => usesInk(e, ink, of.styles)).map(({ id }) => id);

describe('inks', () => {
  it('one in the place of another everywhere: fills, stops, lines, shadows and words', () => {
    const after = edits.replaceInk(job, 'copper', 'green');
    expect(uses(job, 'copper')).toEqual(['flat', 'runs', 'words']);
    expect(uses(after, 'copper')).toEqual([]);
    expect(uses(after, 'green')).toEqual(['flat', 'runs', 'words']);
    expect(after.inks.map(({ id }) => id)).not.toContain('copper');
    expect(jobSchema.safeParse(after).success).toBe(true);
    expect(JSON.stringify(after)).not.toContain('copper');
  });
  it('by itself, or by one that is not there, changes nothing', () => {
    expect(edits.replaceInk(job, 'copper', 'copper')).toBe(job);
    expect(edits.replaceInk(job, 'copper', 'gone')).toBe(job);
  });
  it('two inks that become one leave a piece printed with one', () => {
    const two = edits.setPrintedWith(job, 'card', { plates: 'two inks', inks: ['copper', 'black'] });
    expect(edits.replaceInk(two, 'copper', 'black').pieces[0]!.printedWith).toEqual({
      plates: 'one ink',
      inks: ['black'],
    });
  });
  it('are put in order', () => {
    const ids = job.inks.map(({ id }) => id);
    expect(edits.moveInk(job, 'copper', 0).inks.map(({ id }) => id)).toEqual([
      'copper',
      ...ids.filter((id) => id !== 'copper'),
    ]);
    expect(edits.moveInk(job, 'gone', 0)).toBe(job);
  });
  it('of a list: those of a known name are changed, others added', () => {
    const list: Ink[] = [
      { id: 'x', name: 'COPPER', kind: 'spot', cmyk: [0, 0.5, 0.9, 0] },
      { id: 'y', name: 'Slate', kind: 'process', cmyk: [0.4, 0.2, 0.2, 0.5] },
    ];
    const after = edits.takeInks(job, list, () => 'new');
    expect(after.inks.find(({ id }) => id === 'copper')!.cmyk).toEqual([0, 0.5, 0.9, 0]);
    expect(after.inks.find(({ id }) => id === 'new')!.name).toBe('Slate');
    expect(after.inks).toHaveLength(job.inks.length + 1);
  });
  it('any of these edits, undone, is the job as it was, byte for byte', () => {
    const ids = fc.constantFrom('copper', 'green', 'black');
    const edit = fc.oneof(
      fc.tuple(ids, ids).map(
        ([a, b]) =>
          (j: Job) =>
            edits.replaceInk(j, a, b),
      ),
      fc.tuple(ids, fc.nat(5)).map(
        ([a, n]) =>
          (j: Job) =>
            edits.moveInk(j, a, n),
      ),
      fc.tuple(ids, fc.double({ min: 0, max: 1, noNaN: true })).map(
        ([a, t]) =>
          (j: Job) =>
            edits.repaint(j, ['flat', 'runs', 'words'], (paint) => (paint.ink === a ? { ...paint, tint: t } : paint)),
      ),
      fc
        .constantFrom('overprints' as const, 'knocks out' as const, undefined)
        .map((o) => (j: Job) => edits.setOverprint(j, ['flat'], o)),
      fc.constant((j: Job) => edits.setPrintedWith(j, 'card', { plates: 'four-colour' })),
    );
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (all) => {
        let history = startHistory(job);
        for (const each of all) {
          const next = each(history.job);
          expect(jobSchema.safeParse(next).success).toBe(true);
          history = step(history, 'edit', next, 's');
        }
        while (history.past.length > 0) history = undo(history);
        expect(JSON.stringify(history.job)).toBe(JSON.stringify(job));
      }),
      { numRuns: 60 },
    );
  });
});

describe('what a piece is printed with', () => {
  const two = { plates: 'two inks' as const, inks: ['copper', 'black'] };
  it('allows its own plates and no other', () => {
    expect(allowsPlate(two, 'Copper', job.inks)).toBe(true);
    expect(allowsPlate(two, 'Black', job.inks)).toBe(true);
    expect(allowsPlate(two, 'Cyan', job.inks)).toBe(false);
    expect(allowsPlate({ plates: 'four-colour' }, 'Copper', job.inks)).toBe(false);
  });
  it('offers its inks, paper, and what is used already', () => {
    expect(offeredInks(two, job.inks).map(({ id }) => id)).toEqual(['black', 'paper', 'copper']);
    expect(offeredInks(two, job.inks, 'green').map(({ id }) => id)).toContain('green');
    expect(job.inks.filter((ink) => allowsInk(two, ink, job.inks)).map(({ id }) => id)).toEqual([
      'black',
      'paper',
      'copper',
    ]);
  });
  it('an ink is one plate if it is a spot, or of one process ink', () => {
    expect(job.inks.map(plateOfInk)).toEqual(['Black', undefined, undefined, 'Copper']);
  });
});

describe('the press of a shop', () => {
  const shop = shopOf('metric-offset');
  const hash = 'a'.repeat(64);
  const own = { name: 'Our press', intent: 'perceptual', blackPointCompensation: false, totalInk: 2.6 } as const;
  it('is that of its spec, until the job says another', () => {
    expect(pressConditionOf(job, shop).id).toBe(shop.condition);
    expect(pressConditionOf(press.setPressOf(job, shop.id, 'estimated-uncoated'), shop).id).toBe('estimated-uncoated');
    expect(pressConditionOf(press.setPressOf(job, shop.id, 'gone'), shop).id).toBe(shop.condition);
  });
  it('can be a profile of one’s own, changed and taken away again', () => {
    const with_ = press.setPressOf(press.addCondition(job, hash, own), shop.id, hash);
    expect(pressConditionOf(with_, shop)).toMatchObject({ id: hash, name: 'Our press', totalInk: 2.6 });
    expect(conditionsOf(with_)).toHaveLength(3);
    expect(pressConditionOf(press.changeCondition(with_, hash, { totalInk: 3.2 }), shop).totalInk).toBe(3.2);
    const without = press.removeCondition(with_, hash);
    expect(pressConditionOf(without, shop).id).toBe(shop.condition);
    expect(without).toEqual(job);
  });
});
