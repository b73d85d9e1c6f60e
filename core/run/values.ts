import type { ColumnType } from '../job/table';
import { localeOf } from '../trade/countries';

/** What cells hold, told by how they are written. */

/** Where no country is known, numbers and dates are written as in Britain: a file is the same wherever it is made. */
export const writtenAs = (country: string | undefined): string => localeOf(country) ?? 'en-GB';

const marks = new Map<string, string>();
/** The mark between whole figures and fractions in a country (CLDR). */
function decimalMark(country: string | undefined): string {
  const locale = writtenAs(country);
  const found =
    marks.get(locale) ??
    new Intl.NumberFormat(locale).formatToParts(1.5).find(({ type }) => type === 'decimal')?.value ??
    '.';
  marks.set(locale, found);
  return found;
}

/** A number as people write it: with spaces, signs of money, and marks between thousands; undefined for other text. */
export function numberIn(text: string, country?: string): number | undefined {
  const bare = text
    .replace(/[\s\u00a0\u202f'’]/g, '')
    .replace(/^[£$€¥]|[£$€¥%]$/g, '')
    .replace(/^\u2212/, '-');
  if (!/^[+-]?[\d.,]*\d[\d.,]*$/.test(bare)) return undefined;
  const dots = bare.split('.').length - 1;
  const commas = bare.split(',').length - 1;
  const last = Math.max(bare.lastIndexOf('.'), bare.lastIndexOf(','));
  const tail = last < 0 ? 0 : bare.length - last - 1;
  // One mark with three figures behind it parts thousands, unless the country reads it as a fraction.
  const isFraction =
    last >= 0 &&
    (dots + commas === 1 ? tail !== 3 || bare[last] === decimalMark(country) : bare[last] !== bare.match(/[.,]/)?.[0]);
  const whole = (isFraction ? bare.slice(0, last) : bare).replace(/[.,]/g, '');
  const value = Number(isFraction ? `${whole}.${bare.slice(last + 1)}` : whole);
  return Number.isFinite(value) ? value : undefined;
}

/** Countries whose short dates have the month first (CLDR). */
const MONTH_FIRST = new Set(['US', 'PH', 'FM', 'MH', 'PW']);

const dateOf = (year: number, month: number, day: number): Date | undefined => {
  const date = new Date(Date.UTC(year < 70 ? 2000 + year : year < 100 ? 1900 + year : year, month - 1, day));
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day ? date : undefined;
};

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/** A date as tables have it: ISO 8601, figures in the country's order, or with the month in English; undefined for other text. */
export function dateIn(text: string, country?: string): Date | undefined {
  const said = text.trim();
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ].*)?$/.exec(said);
  if (iso) return dateOf(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const figures = /^(\d{1,2})[./-](\d{1,2})[./-](\d{2}|\d{4})$/.exec(said);
  if (figures) {
    const [a, b, year] = figures.slice(1).map(Number) as [number, number, number];
    const [month, day] = MONTH_FIRST.has(country ?? '') ? [a, b] : [b, a];
    // Only one order may give a date.
    return dateOf(year, month, day) ?? dateOf(year, day, month);
  }
  const named =
    /^(?:(\d{1,2})(?:st|nd|rd|th)?\.? +([a-z]{3,9})\.?|([a-z]{3,9})\.? +(\d{1,2})(?:st|nd|rd|th)?),? +(\d{4})$/i.exec(
      said,
    );
  if (!named) return undefined;
  const month = MONTHS.indexOf((named[2] ?? named[3])!.slice(0, 3).toLowerCase()) + 1;
  return month === 0 ? undefined : dateOf(Number(named[5]), month, Number(named[1] ?? named[4]));
}

const LOOKS: readonly [ColumnType, RegExp | ((text: string) => boolean)][] = [
  ['email', /^[^\s@]+@[^\s@]+\.[^\s@]+$/],
  ['picture', /\.(jpe?g|png|tiff?|webp|gif)$/i],
  ['date', (text) => dateIn(text) !== undefined],
  ['phone', /^\+?[\d\s()./–-]{8,22}$/],
  ['number', (text) => numberIn(text) !== undefined && !/^0\d/.test(text)],
];
/** By what a column is called, where its cells could be several things. */
const CALLED: readonly [ColumnType, RegExp][] = [
  ['postcode', /^(post ?code|zip|zip ?code|postal ?code|plz|postleitzahl|code postal|cp|cap|postnummer|postcode)$/i],
  ['phone', /(phone|tel|mobile|fax|handy|telefon|téléphone|direct line|durchwahl)/i],
  ['email', /^e-?mail/i],
  ['picture', /(photo|picture|portrait|image|foto|bild)/i],
];

/** What a column holds: by its head, else what nine in ten of its filled cells look like. */
export function typeOf(head: string, cells: readonly string[]): ColumnType {
  const filled = cells.filter((cell) => cell.trim() !== '').map((cell) => cell.trim());
  const called = CALLED.find(([, pattern]) => pattern.test(head.trim()))?.[0];
  if (called) return called;
  if (filled.length === 0) return 'text';
  const enough = filled.length * 0.9;
  const found = LOOKS.find(
    ([, look]) => filled.filter((cell) => (look instanceof RegExp ? look.test(cell) : look(cell))).length >= enough,
  );
  return found?.[0] ?? 'text';
}
