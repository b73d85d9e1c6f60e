import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Made } from '../../../core/job/table';
import { addressFaults, addressLines } from '../../../core/run/address';
import { checkOf } from '../../../core/run/check-digit';
import { conditionSays, holds } from '../../../core/run/condition';
import { madeCell } from '../../../core/run/made';

const saying = (cells: Record<string, string>, made: Made, country = 'GB', row = 0): string =>
  madeCell(made, row, { country, cell: (_, key) => cells[key] ?? '' });

describe('check digits', () => {
  // ISO/IEC 7812-1, annex B: the worked example 7992739871 3.
  it('mod 10 is that of cards', () => expect(checkOf('mod 10', '7992739871')).toBe('3'));
  // ISBN-10, ISO 2108: 0-306-40615-2, and 0-8044-2957-X.
  it('mod 11 is that of books before 2007', () => {
    expect(checkOf('mod 11', '030640615')).toBe('2');
    expect(checkOf('mod 11', '080442957')).toBe('X');
  });
  // ISO/IEC 7064: 794 with MOD 97-10 is 79444.
  it('mod 97 leaves 1', () => {
    expect(checkOf('mod 97', '794')).toBe('44');
    fc.assert(
      fc.property(fc.bigInt({ min: 0n, max: 10n ** 15n }), (n) => {
        expect(BigInt(`${n}${checkOf('mod 97', `${n}`)}`) % 97n).toBe(1n);
      }),
    );
  });
  it('tell one figure that is read wrong, and none leave the number as it is', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^\d{6}$/), fc.nat(5), fc.integer({ min: 1, max: 9 }), (code, at, by) => {
        const wrong = [...code].map((figure, i) => (i === at ? `${(Number(figure) + by) % 10}` : figure)).join('');
        for (const kind of ['mod 10', 'mod 11', 'mod 97'] as const)
          expect(checkOf(kind, wrong)).not.toBe(checkOf(kind, code));
      }),
    );
    expect(checkOf('none', '12')).toBe('');
  });
});

describe('a made column', () => {
  it('joins columns, and closes up where one says nothing', () => {
    const made: Made = { kind: 'joined', says: '{title} {first} {last}, {town}' };
    expect(saying({ title: 'Dr', first: 'Ada', last: 'Lund', town: 'Oslo' }, made)).toBe('Dr Ada Lund, Oslo');
    expect(saying({ first: 'Ada', last: 'Lund' }, made)).toBe('Ada Lund');
  });
  it.each([
    ['1234.5', 'GB', '1,234.50'],
    ['1234,5', 'DE', '1.234,50'],
    ['many', 'GB', 'many'],
  ])('writes %s as a number in %s: %s', (n, country, says) =>
    expect(saying({ n }, { kind: 'number', of: 'n', decimals: 2, grouped: true, before: '', after: '' }, country)).toBe(
      says,
    ),
  );
  it.each([
    ['2026-03-04', 'GB', 'long', '4 March 2026'],
    ['2026-03-04', 'US', 'long', 'March 4, 2026'],
    ['2026-03-04', 'DE', 'long', '4. März 2026'],
    ['4/3/2026', 'GB', 'ISO 8601', '2026-03-04'],
    ['next week', 'GB', 'long', 'next week'],
  ] as const)('writes %s as a date in %s, %s: %s', (d, country, form, says) =>
    expect(saying({ d }, { kind: 'date', of: 'd', form }, country)).toBe(says),
  );
  it.each([
    ['02079460000', 'GB', 'international', '+44 20 7946 0000'],
    ['2025550123', 'US', 'national', '(202) 555-0123'],
    ['call me', 'GB', 'national', 'call me'],
  ] as const)('writes the phone %s in %s, %s: %s', (p, country, form, says) =>
    expect(saying({ p }, { kind: 'phone', of: 'p', form }, country)).toBe(says),
  );
  it.each([
    ['lh42qt', 'LH4 2QT'],
    ['k1a0b1', 'K1A 0B1'],
    ['1234ab', '1234 AB'],
    ['80331', '80331'],
  ])('writes the postcode %s as %s', (p, says) => expect(saying({ p }, { kind: 'postcode', of: 'p' })).toBe(says));
  it.each([
    ['WREN ASHDOWN', 'first letters', 'Wren Ashdown'],
    ['ludwig VAN beethoven-o’neill', 'first letters', 'Ludwig van Beethoven-O’Neill'],
    ['ångström', 'capitals', 'ÅNGSTRÖM'],
  ] as const)('sets %s in %s: %s', (n, to, says) => expect(saying({ n }, { kind: 'case', of: 'n', to })).toBe(says));

  it('counts from, by steps, with figures, prefix and check digit', () => {
    const made: Made = { kind: 'count', first: 7, step: 3, digits: 4, before: 'T-', after: '/x', check: 'mod 10' };
    expect([0, 1, 2].map((row) => saying({}, made, 'GB', row))).toEqual(
      ['T-00073/x', 'T-00107/x', 'T-00131/x'].map(
        (_, i) => `T-${`${7 + 3 * i}`.padStart(4, '0')}${checkOf('mod 10', `T-${`${7 + 3 * i}`.padStart(4, '0')}`)}/x`,
      ),
    );
  });
  it('gives the same random codes for the same seed, hardly ever one twice, and others for another seed', () => {
    const made = (seed: number): Made => ({
      kind: 'random',
      length: 8,
      from: 'clear',
      seed,
      before: '',
      check: 'none',
    });
    const codes = Array.from({ length: 5000 }, (_, row) => saying({}, made(5), 'GB', row));
    expect(new Set(codes).size).toBe(5000);
    expect(codes.join('')).not.toMatch(/[0O1IL5S2Z8BUV]/);
    expect(saying({}, made(5), 'GB', 77)).toBe(codes[77]);
    expect(saying({}, made(6), 'GB', 77)).not.toBe(codes[77]);
  });
  it('makes a contact card, and none of nobody', () => {
    const made: Made = { kind: 'contact', parts: { name: 'n', mail: 'm' } };
    expect(saying({ n: 'Ada Lund', m: 'ada@hollin.example' }, made)).toContain('FN:Ada Lund\r\nN:Lund;Ada;;;');
    expect(saying({}, made)).toBe('');
  });
});

describe('an address', () => {
  const ADA = {
    name: 'Ada Lund',
    street: '4 Mill Street',
    town: 'Little Hollin',
    region: 'Fenshire',
    postcode: 'LH4 2QT',
  };
  // The order and capitals as the posts ask, from memory of UPU S42.
  it.each([
    ['GB', { ...ADA }, ['Ada Lund', '4 Mill Street', 'LITTLE HOLLIN', 'Fenshire', 'LH4 2QT']],
    ['US', { ...ADA, region: 'vt', postcode: '05401' }, ['Ada Lund', '4 MILL STREET', 'LITTLE HOLLIN VT 05401']],
    ['DE', { ...ADA, region: '', postcode: '80331' }, ['Ada Lund', '4 Mill Street', '80331 Little Hollin']],
    [
      'FR',
      { ...ADA, more: 'Bâtiment C', postcode: '75001' },
      ['Ada Lund', 'Bâtiment C', '4 Mill Street', '75001 LITTLE HOLLIN'],
    ],
    ['AU', { ...ADA, region: 'nsw', postcode: '2000' }, ['Ada Lund', '4 Mill Street', 'LITTLE HOLLIN NSW 2000']],
  ])('in %s', (country, address, lines) => expect(addressLines(address, country)).toEqual(lines));

  it('abroad names the country in capitals, at home does not', () => {
    expect(addressLines({ ...ADA, postcode: '80331', country: 'Deutschland' }, 'GB').at(-1)).toBe('GERMANY');
    expect(addressLines({ ...ADA, country: 'UK' }, 'GB').at(-1)).toBe('LH4 2QT');
  });
  it('drops what is empty, signs and all', () => {
    expect(addressLines({ company: 'The Potting Shed', town: 'Oslo' }, 'NO')).toEqual(['The Potting Shed', 'OSLO']);
    expect(addressLines({ name: 'Bo', town: 'Rio', postcode: '20000' }, 'BR')).toEqual(['Bo', 'RIO', '20000']);
    expect(addressLines({}, 'GB')).toEqual([]);
  });
  it('is told what it lacks', () => {
    expect(addressFaults(ADA, 'GB')).toEqual([]);
    expect(addressFaults({ ...ADA, postcode: '99' }, 'GB')).toEqual(['“99” is not a postcode of United Kingdom']);
    expect(addressFaults({ name: 'Bo', country: 'Atlantis' }, 'GB')).toEqual([
      'The address has no street',
      'The address has no town',
      'The country “Atlantis” is not known',
    ]);
  });
});

describe('a condition', () => {
  const cell = (key: string): string => ({ town: 'Oslo', paid: '1,200' })[key] ?? '';
  const one = (of: string, test: never, to = '') => ({ every: true, tests: [{ of, test, to }] });
  it.each([
    ['town', 'is', 'oslo', true],
    ['town', 'is not', 'Oslo', false],
    ['town', 'contains', 'SL', true],
    ['town', 'begins with', 'B', false],
    ['town', 'is empty', '', false],
    ['none', 'is empty', '', true],
    ['paid', 'is more than', '999', true],
    ['paid', 'is less than', '999', false],
    ['town', 'is more than', '9', false],
  ])('%s %s %s: %s', (of, test, to, is) => expect(holds(one(of, test as never, to), cell)).toBe(is));
  it('holds where every test does, or where one is enough, and reads as a sentence', () => {
    const tests = [
      { of: 'town', test: 'is' as const, to: 'Oslo' },
      { of: 'paid', test: 'is empty' as const, to: '' },
    ];
    expect(holds({ every: true, tests }, cell)).toBe(false);
    expect(holds({ every: false, tests }, cell)).toBe(true);
    expect(conditionSays({ every: false, tests }, (key) => key.toUpperCase())).toBe(
      'Shown if TOWN is “Oslo” or PAID is empty.',
    );
  });
});
