import fc from 'fast-check';
import { expect, it } from 'vitest';
import { fileId } from '../../../core/files/pdf/write';

/** The same values with the names of objects in another order. */
function shuffled(value: unknown, way: boolean): unknown {
  if (Array.isArray(value)) return value.map((each) => shuffled(each, way));
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).map(([key, each]) => [key, shuffled(each, way)] as const);
  return Object.fromEntries(way ? entries.reverse() : entries);
}

it('a job is the same however it was put together, and another once anything of it differs', () => {
  fc.assert(
    fc.property(fc.object({ maxDepth: 3 }), (job) => {
      expect(fileId(shuffled(job, true))).toBe(fileId(job));
      expect(fileId({ ...job, more: 1 })).not.toBe(fileId({ ...job, more: 2 }));
    }),
  );
  expect(fileId([1, 2])).not.toBe(fileId([2, 1]));
});
