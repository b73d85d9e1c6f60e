import { describe, expect, it } from 'vitest';
import { CHECKS } from '../../../core/checks';
import type { Finding, Measure } from '../../../core/checks/check';
import { measuredAndWanted } from '../../../core/checks/measure-words';
import { TAGS, tagWords } from '../../../core/checks/tag-words';
import { type PieceUnit, toPoints } from '../../../core/units/length';

const finding = (check: string, measured: Measure, wanted: Measure): Finding => ({
  check,
  severity: 'warn',
  face: 'front',
  element: 'e',
  place: { x: 0, y: 0, width: 10, height: 10 },
  problem: 'Something is wrong',
  measured,
  wanted,
});
const mm = (value: number): Measure => ({ value: toPoints(value, 'mm'), kind: 'length' });
const of = (kind: Measure['kind'], value: number): Measure => ({ value, kind });
/** 600 mm². */
const SIX_CM2 = of('area', 600);

describe('what was measured, in words', () => {
  it.each<[string, Measure, Measure, PieceUnit, string | undefined, string]>([
    ['short-of-bleed', mm(1), mm(3), 'mm', '1 mm outside the trim, needs 3 mm', 'Bleed 1 of 3 mm'],
    ['outside-safe', mm(-0.4), mm(4), 'mm', '0.4 mm outside the trim, needs 4 mm', 'To trim 0.4 mm outside'],
    [
      'outside-safe',
      mm(-0.001),
      mm(4),
      'in',
      'under 0.001 in outside the trim, needs 0.1575 in',
      'To trim under 0.001 in outside',
    ],
    ['outside-safe', mm(1.5875), mm(3.175), 'in', '1/16 in inside the trim, needs 1/8 in', 'To trim 1/16 of 1/8 in'],
    ['total-ink', of('ink', 3.2), of('ink', 3), 'mm', '320 %, at most 300 %', 'Total ink 320 %, max 300 %'],
    [
      'black-areas',
      of('area', SIX_CM2.value * 2),
      SIX_CM2,
      'mm',
      '12 cm², at most 6 cm²',
      'Black area 12 cm², max 6 cm²',
    ],
    // 12 cm² are 1.86 square inches.
    [
      'black-areas',
      of('area', SIX_CM2.value * 2),
      SIX_CM2,
      'in',
      '1.86 sq in, at most 0.93 sq in',
      'Black area 1.86 sq in, max 0.93 sq in',
    ],
    [
      'tight-tracking',
      of('count', -51),
      of('count', -50),
      'mm',
      '−51 thousandths of an em, needs −50',
      'Tracking −51 of −50',
    ],
    ['jpeg-quality', of('count', 40), of('count', 75), 'mm', 'Quality 40, needs 75', 'JPEG 40 of 75'],
    [
      'stretched-picture',
      of('ratio', 1),
      of('ratio', 0.91),
      'mm',
      '1.00 to 1, should be 0.91 to 1',
      'Stretched 1.00 to 1',
    ],
    ['corner-cut', mm(-0.5), mm(0), 'mm', '0.5 mm outside the trim', 'Corner cuts 0.5 mm'],
    // Short by a hair, it does not read as enough.
    [
      'faint-logo',
      of('lightness', 14.7),
      of('lightness', 15),
      'mm',
      '14 of 100 in lightness, needs 15 of 100 in lightness',
      'Logo contrast 14 of 15',
    ],
    ['doubled', of('count', 2), of('count', 1), 'mm', undefined, 'Doubled'],
    ['rgb-picture', of('count', 1), of('count', 0), 'mm', undefined, 'Screen colours'],
  ])('%s', (check, measured, wanted, unit, numbers, tag) => {
    expect(measuredAndWanted(finding(check, measured, wanted), unit)).toBe(numbers);
    expect(tagWords(finding(check, measured, wanted), unit)).toBe(tag);
  });
  it('every check has a tag of a word or three', () => {
    expect(CHECKS.map(({ id }) => id).filter((id) => !TAGS[id])).toEqual([]);
    expect(Object.values(TAGS).filter((tag) => tag.length > 18)).toEqual([]);
  });
});
