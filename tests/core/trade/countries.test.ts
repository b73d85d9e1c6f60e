import { describe, expect, it } from 'vitest';
import { COUNTRIES, countryOf, localeOf } from '../../../core/trade/countries';

const date = (code: string): string =>
  new Date(2026, 10, 29).toLocaleDateString(localeOf(code), { day: 'numeric', month: 'long', year: 'numeric' });

describe('countries', () => {
  it('write their dates their own way', () => {
    expect(date('GB')).toBe('29 November 2026');
    expect(date('US')).toBe('November 29, 2026');
    expect(date('DE')).toBe('29. November 2026');
    expect(date('NL')).toBe('29 november 2026');
  });
  it('have each a language to write in; none is asked of a job without a country', () => {
    for (const { code } of COUNTRIES) expect(localeOf(code)).toMatch(new RegExp(`^[a-z]{2,3}-${code}$`));
    expect(localeOf(undefined)).toBeUndefined();
    expect(countryOf('XX')).toBeUndefined();
  });
});
