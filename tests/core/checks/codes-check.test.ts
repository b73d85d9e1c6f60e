import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { makeCode, makeShape, makeWords } from '../../../core/job/make';
import type { Element } from '../../../core/job/schema';
import { cardWith, checkKit, mm } from '../../kit';

const code = makeCode({ id: 'code', text: 'tea', x: mm(20), y: mm(20), width: mm(20), height: mm(20) });
const ground = (ink: string, tint: number, width = 40): Element =>
  makeShape({ id: 'g', name: 'Ground', x: mm(10), y: mm(10), width: mm(width), height: mm(40), paint: { ink, tint } });
const check = (...elements: Element[]) => {
  const job = cardWith(elements);
  return {
    job,
    found: checkPiece(job, job.pieces[0]!, checkKit).filter((f) => ['unreadable-code', 'code-small'].includes(f.check)),
  };
};

describe('a code', () => {
  it.each([
    ['on paper', [code]],
    ['on a flat, light ground that holds it', [ground('green', 0.1), code]],
    ['on a white left out of a dark ground', [ground('green', 1), { ...ground('paper', 1), id: 'w' }, code]],
  ])('%s is read', (_where, elements) => {
    expect(check(...elements).found).toEqual([]);
  });
  it.each([
    ['on a dark ground', [ground('green', 1), code]],
    ['over the edge of a light one', [ground('green', 0.1, 20), code]],
    ['over words', [makeWords({ id: 'w', text: 'tea', x: mm(22), y: mm(22) }), code]],
  ])('%s is found, and white is left under it', (_where, elements) => {
    const { job, found } = check(...elements);
    expect(found).toMatchObject([{ severity: 'stop', element: 'code' }]);
    const mended = found[0]!.fix!.apply(job);
    expect(mended.pieces[0]!.faces[0]!.elements.at(-2)).toMatchObject({ kind: 'shape', paint: { ink: 'paper' } });
    expect(checkPiece(mended, mended.pieces[0]!, checkKit).some((f) => f.check === 'unreadable-code')).toBe(false);
  });
  it('with something over it, in a light ink, or too small is found', () => {
    expect(check(code, makeWords({ id: 'w', text: 'tea', x: mm(22), y: mm(22) })).found[0]!.problem).toMatch(
      /lies over it/,
    );
    expect(check({ ...code, paint: { ink: 'green', tint: 0.2 } }).found[0]!.problem).toMatch(/too light/);
    const [small] = check({ ...code, width: mm(7), height: mm(7) }).found;
    expect(small).toMatchObject({ check: 'code-small', severity: 'warn', measured: { kind: 'length' } });
    expect(small!.measured.value).toBeCloseTo(mm(7) / 29, 6);
  });
});
