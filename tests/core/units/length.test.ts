import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  boundsWords,
  formatLength,
  formatNumber,
  formatSize,
  fromPoints,
  parseLength,
  toPoints,
  UNITS,
  type Unit,
} from '../../../core/units/length';

const read = (text: string, unit: 'mm' | 'in' | 'pt' = 'mm'): number => {
  const parsed = parseLength(text, unit);
  if (!parsed.ok) throw new Error(`${text}: ${parsed.message}`);
  return parsed.points;
};
const refused = (text: string, unit: 'mm' | 'in' = 'mm'): string => {
  const parsed = parseLength(text, unit);
  return parsed.ok ? `read as ${parsed.points}` : parsed.message;
};

describe('conversion', () => {
  // 1 in = 25.4 mm exactly; 1 pt = 1/72 in (ISO 32000-1, 8.3.2.3); 1 pica = 12 pt.
  it.each([
    ['1 in', 72],
    ['25.4 mm', 72],
    ['2.54 cm', 72],
    ['1 pc', 12],
    ['1/8 in', 9],
    ['3.175 mm', 9],
    ['3 mm', (3 / 25.4) * 72],
    ['0.3 cm', (3 / 25.4) * 72],
  ])('%s is %d pt, to 1e-9', (text, points) => {
    expect(Math.abs(read(text) - points)).toBeLessThan(1e-9);
  });

  it('has the printed figures of common practice: 3 mm is 8.503937 pt', () => {
    expect(read('3 mm').toFixed(6)).toBe('8.503937');
  });
});

describe('reading lengths as people type them', () => {
  it.each([
    ['3 1/2', 'in', 252],
    ['3.5in', 'mm', 252],
    ['3 1/2"', 'mm', 252],
    ['3 1/2″', 'mm', 252],
    ['3½ in', 'mm', 252],
    ['88.9 mm', 'in', 252],
    ['88,9 mm', 'in', 252],
    ['8.89cm', 'in', 252],
    ['9pt', 'mm', 9],
    ['1/8 in + 2 mm', 'mm', 9 + (2 / 25.4) * 72],
    ['2 * 3mm', 'in', (6 / 25.4) * 72],
    ['2 × 3 mm', 'in', (6 / 25.4) * 72],
    ['2 + 3mm', 'mm', (5 / 25.4) * 72],
    ['(1 + 2) * 3 mm', 'in', (9 / 25.4) * 72],
    ['10 mm / 4', 'in', (2.5 / 25.4) * 72],
    ['-3 mm', 'in', (-3 / 25.4) * 72],
    ['−3 mm', 'in', (-3 / 25.4) * 72],
    ['.5 in', 'mm', 36],
    ['2 3/4', 'in', 198],
    ['1 Inch', 'mm', 72],
    ['6 pica', 'mm', 72],
  ] as const)('%s with the field in %s', (text, unit, points) => {
    expect(Math.abs(read(text, unit) - points)).toBeLessThan(1e-9);
  });

  it.each([
    '',
    '   ',
    'abc',
    'mm',
    '3 furlongs',
    '3 mm mm',
    '1..2',
    '1.2.3',
    '1,234.5 mm',
    '3 +',
    '* 3',
    '(3 mm',
    '3 mm)',
    '2 mm * 3 mm',
    '3 mm / 2 mm',
    '1/0 in',
    '5 / 0',
    '99999 in',
    '3e5 km',
    '0x10',
    '1 2 3',
    'NaN',
    'Infinity mm',
    '<b>',
  ])('refuses %j in words', (text) => {
    expect(refused(text)).toMatch(/^[“A-Z].{10,}[.]$/);
  });

  it('never throws, whatever is typed, and what it reads is a number within 10 m', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[0-9 .,/+*()mincpt"½-]{0,24}$/)), (text) => {
        const parsed = parseLength(text, 'mm');
        if (parsed.ok) expect(Math.abs(parsed.points)).toBeLessThanOrEqual(toPoints(10_000, 'mm'));
        else expect(parsed.message.length).toBeGreaterThan(10);
      }),
      { numRuns: 2000 },
    );
  });

  it('reads what it prints, in every unit', () => {
    fc.assert(
      fc.property(fc.integer({ min: -300_000, max: 300_000 }), fc.constantFrom(...UNITS), (thousandths, unit) => {
        const points = toPoints(thousandths / 1000, unit);
        const text = formatLength(points, unit);
        expect(Math.abs(read(text) - points)).toBeLessThan(toPoints(0.00051, unit) + 1e-9);
        expect(formatLength(read(text), unit)).toBe(text);
      }),
    );
  });

  it('does sums like a pocket calculator: products first', () => {
    const few = fc.integer({ min: 0, max: 60 });
    fc.assert(
      fc.property(few, few, few, (a, b, c) => {
        expect(read(`${a} mm + ${b} * ${c} mm`)).toBeCloseTo(toPoints(a + b * c, 'mm'), 9);
        expect(read(`(${a} + ${b}) * ${c} mm`)).toBeCloseTo(toPoints((a + b) * c, 'mm'), 9);
        expect(read(`${a} mm - ${b} mm - ${c} mm`)).toBeCloseTo(toPoints(a - b - c, 'mm'), 9);
      }),
    );
  });
});

describe('printing lengths', () => {
  it.each([
    [252, 'in', '3 1/2 in'],
    [9, 'in', '1/8 in'],
    [144, 'in', '2 in'],
    [-9, 'in', '-1/8 in'],
    [0, 'in', '0 in'],
    [3.66 * 72, 'in', '3.66 in'],
    [toPoints(85, 'mm'), 'mm', '85 mm'],
    [toPoints(53.98, 'mm'), 'mm', '53.98 mm'],
    [toPoints(85, 'mm'), 'in', '3.3465 in'],
    [-1e-12, 'mm', '0 mm'],
  ] as const)('%d pt in %s is %s', (points, unit, text) => {
    expect(formatLength(points, unit)).toBe(text);
  });
  it('prints sizes with one unit', () => {
    expect(formatSize(252, 144, 'in')).toBe('3 1/2 × 2 in');
    expect(formatNumber(fromPoints(72, 'in') * 72, 'mm', 1)).toBe('25.4');
  });
});

describe('what a length may be, in words', () => {
  const mm = (value: number) => toPoints(value, 'mm');
  it.each<[number, number, Unit, string]>([
    [0, mm(105.8), 'mm', 'Enter 0 to 105.8 mm.'],
    [-72 * 6.5, 72 * 6.5, 'in', 'Enter −6 1/2 to 6 1/2 in.'],
    [0, 200, 'mm', 'Enter 0 to 70.55 mm.'],
    [0.25, Number.POSITIVE_INFINITY, 'mm', 'Enter 0.09 mm or more.'],
    [0.1, 4, 'pt', 'Enter 0.1 to 4 pt.'],
  ])('%d to %d in %s', (least, most, unit, words) => {
    expect(boundsWords(least, most, unit)).toBe(words);
  });
  it('can be entered: both ends that are said lie within', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5000, max: 5000, noNaN: true }),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.constantFrom<Unit>('mm', 'in', 'pt'),
        (least, width, unit) => {
          const said = /^Enter (.*) to (.*)\.$/.exec(boundsWords(least, least + width, unit))!;
          for (const end of said.slice(1)) {
            const parsed = parseLength(end, unit);
            expect(parsed.ok && parsed.points).toBeGreaterThanOrEqual(least - 1e-3);
            expect(parsed.ok && parsed.points).toBeLessThanOrEqual(least + width + 1e-3);
          }
        },
      ),
    );
  });
});
