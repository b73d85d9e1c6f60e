import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import type { Cmyk } from '../../../core/colour/ink';
import { redReflectance } from '../../../core/colour/reflectance';
import { addInk } from '../../../core/job/edits/inks';
import { setOrder } from '../../../core/job/edits/pieces';
import { makeCode, makeShape, makeWords } from '../../../core/job/make';
import { NO_ORDER } from '../../../core/job/order';
import type { Element, Shape } from '../../../core/job/schema';
import { cardWith, checkKit, mm } from '../../kit';

const process = (id: string, cmyk: Cmyk) => ({ id, name: id, kind: 'process' as const, cmyk });
const code = makeCode({ id: 'code', text: 'tea', x: mm(20), y: mm(20), width: mm(20), height: mm(20) });
const ground = (ink: string, tint: number, width = 40): Element =>
  makeShape({ id: 'g', name: 'Ground', x: mm(10), y: mm(10), width: mm(width), height: mm(40), paint: { ink, tint } });
const check = (...elements: Element[]) => {
  const job = [process('cyan', [1, 0, 0, 0]), process('yellow', [0, 0, 1, 0]), process('red', [0, 1, 1, 0])].reduce(
    addInk,
    cardWith(elements),
  );
  return {
    job,
    found: checkPiece(job, job.pieces[0]!, checkKit).filter((f) => ['unreadable-code', 'code-small'].includes(f.check)),
  };
};

/** A white panel as large as the code, with corners of so many millimetres. */
const rounded = (radius: number): Element => {
  const corner = { radius: mm(radius), form: 'round' as const };
  const { x, y, width, height } = code;
  return { ...(ground('paper', 1) as Shape), id: 'w', x, y, width, height, corners: [corner, corner, corner, corner] };
};

describe('a code', () => {
  it.each([
    ['on paper', [code]],
    ['on a flat, light ground that holds it', [ground('green', 0.1), code]],
    [
      'on a white panel with round corners, turned',
      [
        ground('green', 1),
        {
          ...(ground('paper', 1) as Shape),
          id: 'w',
          turn: 12,
          corners: [1, 1, 1, 1].map(() => ({ radius: mm(6), form: 'round' as const })) as unknown as Shape['corners'],
        },
        code,
      ],
    ],
    // Version 1 has 21 modules and 8 of quiet zone: of 20 mm, 4 modules are 2.76 mm.
    ['on a white panel as large as it, with corners within its quiet zone', [ground('green', 1), rounded(2.5), code]],
    ['on a yellow ground', [ground('yellow', 1), code]],
    ['in cyan, which a scanner sees as black', [{ ...code, paint: { ink: 'cyan', tint: 1 } }]],
    ['on a white left out of a dark ground', [ground('green', 1), { ...ground('paper', 1), id: 'w' }, code]],
  ])('%s is read', (_where, elements) => {
    expect(check(...elements).found).toEqual([]);
  });
  it.each([
    ['on a dark ground', [ground('green', 1), code]],
    ['on a cyan ground, dark to a scanner', [ground('cyan', 0.7), code]],
    [
      'on a round panel whose corners stick out of it',
      [ground('green', 1), { ...ground('paper', 1, 22), id: 'w', form: { kind: 'ellipse' as const } }, code],
    ],
    ['on a white panel as large as it, with corners that reach the code', [ground('green', 1), rounded(5), code]],
    ['over the edge of a light one', [ground('green', 0.1, 20), code]],
    ['over words', [makeWords({ id: 'w', text: 'tea', x: mm(22), y: mm(22) }), code]],
  ])('%s is found, and white is left under it', (_where, elements) => {
    const { job, found } = check(...elements);
    expect(found).toMatchObject([{ severity: 'stop', element: 'code' }]);
    const mended = found[0]!.fix!.apply(job);
    expect(mended.pieces[0]!.faces[0]!.elements.at(-2)).toMatchObject({ kind: 'shape', paint: { ink: 'paper' } });
    expect(checkPiece(mended, mended.pieces[0]!, checkKit).some((f) => f.check === 'unreadable-code')).toBe(false);
  });
  it('on coloured stock is read where the stock is light enough to a scanner, and found where it is not', () => {
    const on = (colour: string, paint = code.paint) => {
      const { job } = check({ ...code, paint });
      const ordered = setOrder(job, 'card', { ...NO_ORDER, colour });
      return checkPiece(ordered, ordered.pieces[0]!, checkKit).filter((f) => f.check === 'unreadable-code');
    };
    // Kraft throws back 0.546 of red light, of which white paper has 0.85: 0.464 less 0.019 of black.
    expect(on('#c39a6b')).toEqual([]);
    // A red stock looks white to a scanner, a blue one of the same lightness black.
    expect(on('#e04030')).toEqual([]);
    expect(on('#24365c')[0]!.problem).toMatch(/stock is too dark/);
    expect(on('#c39a6b', { ink: 'black', tint: 0.4 })[0]!.problem).toMatch(/too light to be told from its stock/);
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

  it('in red is seen by people and not by a scanner', () => {
    expect(check({ ...code, paint: { ink: 'red', tint: 1 } }).found[0]!.problem).toMatch(/red light of a scanner/);
  });
  // 0.85 · (1 − 0.92) for cyan, 0.85 · (1 − 0.96 · 0.5) for half of black: each ink leaves what its solid does.
  it('is as dark at 660 nm as its inks are', () => {
    expect(redReflectance({ Cyan: 1 }, [])).toBeCloseTo(0.068, 6);
    expect(redReflectance({ Black: 0.5 }, [])).toBeCloseTo(0.442, 6);
    expect(redReflectance({ Magenta: 1, Yellow: 1 }, [])).toBeCloseTo(0.85 * 0.88 * 0.97, 6);
  });
  // EAN-13 at 80 % is 113 modules of 0.264 mm with its quiet zones: 29.83 mm; at 200 % 74.58 mm.
  it.each([
    ['ean13', '4006381333931', 29.5, 'small'],
    ['ean13', '4006381333931', 29.9, undefined],
    ['ean13', '4006381333931', 74.4, undefined],
    ['ean13', '4006381333931', 75, 'larger'],
    ['code128', 'TEA-12', 31, undefined],
    ['code128', 'TEA-12', 20, 'small'],
  ] as const)('%s of %s, %d mm wide', (symbology, text, width, says) => {
    const bars = makeCode({ id: 'code', symbology, text, x: mm(3), y: mm(20), width: mm(width), height: mm(20) });
    const { found } = check(bars);
    expect(found.map(({ problem }) => problem)).toEqual(says ? [expect.stringContaining(says)] : []);
  });
});
