import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { moveElement, removeElement, restack } from '../../../core/job/edits/elements';
import { duplicatePiece } from '../../../core/job/edits/pieces';
import { patchBetween, patched } from '../../../core/job/patch';
import type { Job } from '../../../core/job/schema';
import { openDemo } from '../../kit';

const json = fc.jsonValue({ maxDepth: 4 });
/** Lists of things with ids, as a job has them: put in, taken out, moved, changed. */
const things = fc.uniqueArray(fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'), x: fc.integer() }), {
  selector: ({ id }) => id,
});
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe('a patch', () => {
  it.each(['toString', '__proto__', 'constructor', 'hasOwnProperty'])(
    'knows a field called %s from what every object has',
    (name) => {
      const [bare, full] = [{}, JSON.parse(`{"${name}": false}`)];
      const back = patched(full, patchBetween(full, bare)) as object;
      const forth = patched(bare, patchBetween(bare, full)) as object;
      expect([Object.keys(back), Object.keys(forth)]).toEqual([[], [name]]);
      expect(JSON.stringify(forth)).toBe(JSON.stringify(full));
    },
  );
  it('turns one value into the other, and back', () => {
    fc.assert(
      fc.property(json, json, (a, b) => {
        expect(patched(a, patchBetween(a, b))).toEqual(b);
        expect(patched(b, patchBetween(b, a))).toEqual(a);
      }),
      { numRuns: 500 },
    );
  });
  it('turns lists of things with ids into one another, whatever was put in, taken out and changed', () => {
    fc.assert(
      fc.property(things, things, (a, b) => {
        const [before, after] = [
          { list: a, other: [1, 2] },
          { list: b, other: [2] },
        ];
        const patch = plain(patchBetween(before, after)) as ReturnType<typeof patchBetween>;
        expect(patched(before, patch)).toEqual(after);
      }),
      { numRuns: 1000 },
    );
  });
  it('survives being written as JSON, where a field that is undefined is one that is not there', () => {
    const [before, after] = [
      { a: 1, b: { c: 1 } },
      { a: undefined, b: { c: 1, d: [undefined] } },
    ];
    expect(plain(patched(before, plain(patchBetween(before, after)) as never))).toEqual({ b: { c: 1, d: [null] } });
  });
  it('leaves the old value alone, and shares what it does not change', () => {
    const { job } = openDemo();
    const text = JSON.stringify(job);
    const moved = moveElement(job, 'name', { x: 1, y: 2 });
    const back = patched(moved, patchBetween(moved, job));
    expect(JSON.stringify(job)).toBe(text);
    expect(JSON.stringify(back)).toBe(text);
    expect(back.pieces[1]).toBe(moved.pieces[1]);
  });
  it('is as small as the edit', () => {
    const { job } = openDemo();
    const size = (after: Job): number => JSON.stringify(patchBetween(job, after)).length;
    expect(patchBetween(job, job)).toEqual([]);
    expect(size(moveElement(job, 'name', { x: 1, y: 2 }))).toBeLessThan(300);
    expect(patchBetween(job, removeElement(job, 'name'))).toHaveLength(1);
    expect(size(restack(job, 'name', 0))).toBeLessThan(0.2 * JSON.stringify(job).length);
    const one = JSON.stringify(job.pieces[0]).length;
    let n = 0;
    expect(size(duplicatePiece(job, 'card', () => `new-${n++}`))).toBeLessThan(1.3 * one);
  });
});
