import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import * as elements from '../../../core/job/edits/elements';
import * as inks from '../../../core/job/edits/inks';
import * as jobs from '../../../core/job/edits/job';
import * as pieces from '../../../core/job/edits/pieces';
import * as wordsEdits from '../../../core/job/edits/words';
import { findElement, inkOf, titleOf } from '../../../core/job/find';
import { redo, startHistory, step, undo } from '../../../core/job/history';
import { lookOf, paragraphsOf } from '../../../core/job/look';
import { makeJob, makePicture, makePiece, makeRule, makeShape, makeWords } from '../../../core/job/make';
import type { Job } from '../../../core/job/schema';
import { jobSchema } from '../../../core/job/whole';
import { cardWith, mm, openDemo } from '../../kit';

const start = (): Job =>
  cardWith([
    makeShape({ id: 'panel', x: -9, y: -9, width: 100, height: 173 }),
    makeWords({ id: 'name', text: 'A name', x: 20, y: 20 }),
    makeRule({ id: 'rule', x: 20, y: 40, width: 80, height: 0.5 }),
  ]);

describe('makers', () => {
  it('make jobs that pass the schema', () => {
    expect(() => jobSchema.parse(start())).not.toThrow();
    expect(() => jobSchema.parse(openDemo().job)).not.toThrow();
  });
  it('give new shapes a fill and no outline, and new words black', () => {
    const shape = makeShape({ id: 'a', x: 0, y: 0, width: 1, height: 1 });
    expect(shape).toEqual({
      kind: 'shape',
      id: 'a',
      x: 0,
      y: 0,
      width: 1,
      height: 1,
      paint: { ink: 'black', tint: 1 },
    });
    expect(lookOf(makeWords({ id: 'b', text: '', x: 0, y: 0 }), []).lettering.paint.ink).toBe('black');
  });
  it('name faces as people do', () => {
    const names = (faces: number) =>
      makePiece({ id: 'p', name: 'P', kind: 'flyer', width: 300, height: 400, unit: 'mm', shop: 's', faces }).faces.map(
        (f) => f.name,
      );
    expect([names(1), names(2), names(4)]).toEqual([
      ['Front'],
      ['Front', 'Back'],
      ['Page 1', 'Page 2', 'Page 3', 'Page 4'],
    ]);
  });
});

describe('the schema', () => {
  const broken = (change: (job: ReturnType<typeof start>) => unknown) =>
    jobSchema.safeParse(change(structuredClone(start())));
  it.each([
    ['an extra field', (job: Job) => ({ ...job, colour: 'red' })],
    ['a missing field', ({ inks: _inks, ...job }: Job) => job],
    [
      'an ink that is not there',
      (job: Job) =>
        jobs.addPiece(job, {
          ...makePiece({ id: 'q', name: 'Q', kind: 'card', width: 200, height: 100, unit: 'mm', shop: 's', faces: 1 }),
          faces: [
            {
              id: 'f',
              name: 'F',
              elements: [makeShape({ id: 'z', x: 0, y: 0, width: 1, height: 1, paint: { ink: 'gone', tint: 1 } })],
            },
          ],
        }),
    ],
    [
      'a picture that is not there',
      (job: Job) =>
        elements.addElement(
          job,
          'card-1',
          makePicture({ id: 'pic', x: 0, y: 0, width: 9, height: 9, asset: 'f'.repeat(64) }),
        ),
    ],
    [
      'the same id twice',
      (job: Job) => elements.addElement(job, 'card-1', makeShape({ id: 'panel', x: 0, y: 0, width: 1, height: 1 })),
    ],
    [
      'a spot ink called Cyan',
      (job: Job) => inks.addInk(job, { id: 'c', name: 'Cyan', kind: 'spot', cmyk: [1, 0, 0, 0] }),
    ],
    ['a tint over 100 %', (job: Job) => elements.setPaint(job, 'panel', { ink: 'green', tint: 1.2 })],
    ['a place that is no number', (job: Job) => elements.moveElement(job, 'panel', { x: Number.NaN, y: 0 })],
    ['a place a kilometre away', (job: Job) => elements.moveElement(job, 'panel', { x: mm(1e6), y: 0 })],
    ['a side of a millimetre', (job: Job) => ({ ...job, pieces: job.pieces.map((p) => ({ ...p, width: mm(1) })) })],
  ])('refuses %s', (_what, change) => {
    expect(broken(change).success).toBe(false);
  });
});

describe('edits', () => {
  it('leave the job they are given as it was', () => {
    const job = start();
    const before = JSON.stringify(job);
    elements.moveElement(job, 'name', { x: 5, y: 5 });
    elements.removeElement(job, 'panel');
    inks.changeInk(job, 'green', { name: 'Moss' });
    expect(JSON.stringify(job)).toBe(before);
  });
  it('share what they leave alone', () => {
    const job = start();
    const moved = elements.moveElement(job, 'name', { x: 5, y: 0 });
    expect(moved.inks).toBe(job.inks);
    expect(findElement(moved, 'panel')!.element).toBe(findElement(job, 'panel')!.element);
  });
  it('change nothing for an id that is not there', () => {
    const job = start();
    expect(elements.moveElement(job, 'nobody', { x: 1, y: 1 })).toBe(job);
    expect(elements.restack(job, 'nobody', 0)).toBe(job);
  });
  const order = (job: Job) => job.pieces[0]!.faces[0]!.elements.map((e) => e.id);
  it('restack by place, bottom first', () => {
    expect(order(elements.restack(start(), 'panel', 2))).toEqual(['name', 'rule', 'panel']);
    expect(order(elements.restack(start(), 'rule', -5))).toEqual(['rule', 'panel', 'name']);
  });
  it('brings several over others together, in their own order', () => {
    expect(order(start())).toEqual(['panel', 'name', 'rule']);
    expect(order(elements.restackOver(start(), ['panel', 'name'], ['rule']))).toEqual(['rule', 'panel', 'name']);
    expect(order(elements.restackOver(start(), ['rule'], ['panel', 'name']))).toEqual(['rule', 'panel', 'name']);
    expect(order(elements.restackOver(start(), ['name'], ['panel']))).toEqual(['name', 'panel', 'rule']);
    expect(order(elements.restackOver(start(), ['name'], ['name']))).toEqual(['panel', 'name', 'rule']);
    expect(order(elements.restackOver(start(), ['nobody'], ['panel']))).toEqual(['panel', 'name', 'rule']);
  });
  it('change an ink everywhere', () => {
    const job = inks.changeInk(start(), 'green', { cmyk: [1, 0, 1, 0] });
    expect(inkOf(job.inks, 'green').cmyk).toEqual([1, 0, 1, 0]);
    expect(() => inkOf(job.inks, 'gone')).toThrow(/gone/);
  });
  it('name, mark and unmark', () => {
    let job = elements.nameElement(start(), 'name', '  The name ');
    job = elements.markLogo(job, 'name', true);
    const { element } = findElement(job, 'name')!;
    expect([titleOf(element, {}), element.logo]).toEqual(['The name', true]);
    job = elements.markLogo(elements.nameElement(job, 'name', ''), 'name', false);
    expect(findElement(job, 'name')!.element).toEqual(findElement(start(), 'name')!.element);
  });
  it('call words by their first line', () => {
    expect(titleOf(makeWords({ id: 'w', text: '\n  Hello \nthere', x: 0, y: 0 }), {})).toBe('Hello');
    expect(titleOf(makeWords({ id: 'w', text: '  ', x: 0, y: 0 }), {})).toBe('No words yet');
  });
});

/** Any edit a person can make, with any sense or none. */
const anyEdit = fc.oneof(
  fc
    .record({
      id: fc.constantFrom('panel', 'name', 'rule', 'new', 'gone'),
      x: fc.double({ min: -500, max: 500, noNaN: true }),
      y: fc.double({ min: -500, max: 500, noNaN: true }),
    })
    .map(
      ({ id, x, y }) =>
        (job: Job) =>
          elements.moveElement(job, id, { x, y }),
    ),
  fc.record({ id: fc.constantFrom('panel', 'name', 'rule'), to: fc.integer({ min: -2, max: 5 }) }).map(
    ({ id, to }) =>
      (job: Job) =>
        elements.restack(job, id, to),
  ),
  fc.constantFrom('panel', 'name', 'rule', 'new').map((id) => (job: Job) => elements.removeElement(job, id)),
  fc.constant((job: Job) =>
    findElement(job, 'new')
      ? job
      : elements.addElement(job, 'card-1', makeShape({ id: 'new', x: 1, y: 2, width: 3, height: 4 })),
  ),
  fc.string({ maxLength: 40 }).map((text) => (job: Job) => wordsEdits.setParagraphs(job, 'name', paragraphsOf(text))),
  fc
    .double({ min: 0, max: 1, noNaN: true })
    .map((tint) => (job: Job) => elements.setPaint(job, 'panel', { ink: 'copper', tint })),
  fc.constantFrom<'mm' | 'in'>('mm', 'in').map((unit) => (job: Job) => jobs.setUnit(job, 'card', unit)),
  fc.string({ minLength: 1, maxLength: 30 }).map((name) => (job: Job) => pieces.renamePiece(job, 'card', `P${name}`)),
);

describe('undo', () => {
  it('of everything gives the same job, byte for byte, and redo the last one; all on the way pass the schema', () => {
    fc.assert(
      fc.property(fc.array(anyEdit, { maxLength: 30 }), (edits) => {
        const first = start();
        let history = startHistory(first);
        for (const edit of edits) history = step(history, 'edit', edit(history.job), 's');
        const last = JSON.stringify(history.job);
        expect(jobSchema.safeParse(history.job).success).toBe(true);
        const steps = history.past.length;
        for (let i = 0; i < steps; i++) history = undo(history);
        expect(JSON.stringify(history.job)).toBe(JSON.stringify(first));
        expect(undo(history)).toEqual(history);
        for (let i = 0; i < steps; i++) history = redo(history);
        expect(JSON.stringify(history.job)).toBe(last);
      }),
      { numRuns: 150 },
    );
  });
  it('forgets what was undone when something new is done, and makes no step of nothing', () => {
    const first = makeJob('j', 'J', '2026-01-01T00:00:00Z');
    let history = step(startHistory(first), 'Rename', jobs.renameJob(first, 'K'), 'a');
    history = undo(history);
    history = step(history, 'Rename', jobs.renameJob(first, 'L'), 'b');
    expect(history.future).toEqual([]);
    expect(step(history, 'nothing', history.job, 'c')).toBe(history);
  });
});
