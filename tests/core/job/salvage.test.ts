import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changesBetween } from '../../../core/job/compare';
import { moveElement, removeElement, restack } from '../../../core/job/edits/elements';
import { duplicatePiece, removePiece, renamePiece } from '../../../core/job/edits/pieces';
import { salvage } from '../../../core/job/salvage';
import { jobSchema } from '../../../core/job/whole';
import { openDemo } from '../../kit';

const demo = openDemo().job;
type Loose = ReturnType<typeof JSON.parse>;
const broken = (change: (job: Loose) => void): Loose => {
  const job = structuredClone(demo) as Loose;
  change(job);
  return job;
};
const front = (job: Loose): Loose => job.pieces[0].faces[0];

describe('salvaging', () => {
  it('leaves a good job as it is', () => {
    expect(salvage(demo)).toEqual({ job: demo, aside: [] });
  });
  it.each<[string, Loose, RegExp]>([
    ['an element', broken((j) => (front(j).elements[1].width = -3)), /at least 0/],
    [
      'an id that is used twice',
      broken((j) => front(j).elements.push(structuredClone(front(j).elements[0]))),
      /used twice/,
    ],
    ['an ink that is gone', broken((j) => (j.inks = j.inks.slice(1))), /black stands/],
    ['a person', broken((j) => (j.people[0].name = '')), /name|empty/i],
    ['a piece without a size', broken((j) => (j.pieces[1].width = 0)), /width/i],
    ['a style', broken((j) => (j.styles[0] = { id: j.styles[0]?.id })), /not right|name/],
    ['the list of people', broken((j) => (j.people = 'none')), /list|people/],
  ])('sets aside %s, names it, and opens the rest', (_, job, says) => {
    const found = salvage(job)!;
    expect(found.aside.join('; ')).toMatch(says);
    expect(jobSchema.safeParse(found.job).success).toBe(true);
    expect(found.job.pieces.length).toBeGreaterThanOrEqual(demo.pieces.length - 1);
  });
  it('names a part that is broken by what it says in words, whatever else stands there', () => {
    const job = structuredClone(demo) as Loose;
    (job['pieces'] as Loose[])[1]!['name'] = { toString: null };
    expect(() => salvage(job)).not.toThrow();
  });
  it('is a job that opens, or nothing, whatever was kept', () => {
    const paths: (string | number)[][] = [];
    const walk = (value: unknown, path: (string | number)[]): void => {
      paths.push(path);
      if (path.length > 6) return;
      if (Array.isArray(value)) for (const [i, v] of value.slice(0, 2).entries()) walk(v, [...path, i]);
      else if (typeof value === 'object' && value !== null)
        for (const [k, v] of Object.entries(value)) walk(v, [...path, k]);
    };
    const small = { ...demo, pieces: demo.pieces.slice(0, 2) };
    walk(small, []);
    fc.assert(
      fc.property(fc.constantFrom(...paths.slice(1)), fc.jsonValue({ maxDepth: 1 }), (path, value) => {
        const job = structuredClone(small) as Loose;
        let at = job;
        for (const key of path.slice(0, -1)) at = at[key];
        at[path.at(-1)!] = value;
        const found = salvage(job);
        if (found) expect(jobSchema.safeParse(found.job).success).toBe(true);
      }),
      { numRuns: 150 },
    );
    for (const nothing of [null, 3, 'job', [], {}]) expect(salvage(nothing)?.job.pieces ?? []).toEqual([]);
  });
});

describe('changes between two states', () => {
  let n = 0;
  it.each([
    ['nothing', demo, []],
    [
      'a thing moved',
      moveElement(demo, 'name', { x: 3, y: 0 }),
      ['Business card, Iris Calloway, Front: changed “Iris Calloway”'],
    ],
    ['a thing deleted', removeElement(demo, 'name'), ['Business card, Iris Calloway, Front: deleted “Iris Calloway”']],
    ['the stack', restack(demo, 'name', 0), ['Business card, Iris Calloway, Front: stacking order']],
    ['a piece renamed', renamePiece(demo, 'card', 'Card'), ['Card: size, shop or other settings']],
    ['a piece deleted', removePiece(demo, 'letterhead'), ['Letterhead: deleted']],
    ['a piece added', duplicatePiece(demo, 'letterhead', () => `n${n++}`), ['Letterhead, copy: added']],
    ['the inks', { ...demo, inks: demo.inks.slice(1) }, ['Inks changed']],
  ])('%s', (_, after, says) => {
    expect(changesBetween(demo, after)).toEqual(says);
  });
});
