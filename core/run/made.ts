import { type CountryCode, parsePhoneNumberFromString } from 'libphonenumber-js/min';
import { vcard } from '../codes/contact';
import type { ALPHABETS, CASES, DATE_FORMS, Made, MadeKind } from '../job/table';
import { addressLines } from './address';
import { checkOf } from './check-digit';
import { postCodeOf } from './post-code';
import { dateIn, numberIn, writtenAs } from './values';

/** What a made column is worked out from. */
export interface MadeIn {
  /** Where the client is: how numbers and dates are written. */
  country: string | undefined;
  cell(row: number, key: string): string;
}

/** The columns named in a text, `{key}`, replaced by what they say. */
export const filledIn = (says: string, cell: (key: string) => string): string =>
  says.replace(/\{([a-z][a-z0-9-]{0,39})\}/g, (_, key: string) => cell(key));

/** Spaces where something between two others said nothing. */
const withoutGaps = (text: string): string =>
  text
    .replace(/[ \t]{2,}/g, ' ')
    .replace(/ +([,;.])/g, '$1')
    .replace(/^[\s,;]+|[\s,;]+$/g, '');

type DateForm = (typeof DATE_FORMS)[number];
const DATE_STYLES: Record<Exclude<DateForm, 'ISO 8601'>, Intl.DateTimeFormatOptions> = {
  long: { day: 'numeric', month: 'long', year: 'numeric' },
  medium: { day: 'numeric', month: 'short', year: 'numeric' },
  short: { day: 'numeric', month: 'long' },
  figures: { day: '2-digit', month: '2-digit', year: 'numeric' },
};

const formats = new Map<string, Intl.DateTimeFormat>();
function writtenDate(date: Date, form: DateForm, locale: string): string {
  if (form === 'ISO 8601') return date.toISOString().slice(0, 10);
  const key = `${locale} ${form}`;
  const format = formats.get(key) ?? new Intl.DateTimeFormat(locale, { ...DATE_STYLES[form], timeZone: 'UTC' });
  formats.set(key, format);
  return format.format(date);
}

const numbers = new Map<string, Intl.NumberFormat>();
function writtenNumber(value: number, decimals: number, grouped: boolean, locale: string): string {
  const key = `${locale} ${decimals} ${grouped}`;
  const format =
    numbers.get(key) ??
    new Intl.NumberFormat(locale, {
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
      useGrouping: grouped,
    });
  numbers.set(key, format);
  return format.format(value);
}

const FIRST_LETTER = /(^|[\s\-'’(/])(\p{L})/gu;
/** Small words inside names that stay small (common practice). */
const SMALL = new Set([
  'de',
  'der',
  'den',
  'van',
  'von',
  'zu',
  'la',
  'le',
  'du',
  'di',
  'da',
  'dos',
  'and',
  'of',
  'the',
  'y',
  'e',
]);

const CASED: Record<(typeof CASES)[number], (text: string) => string> = {
  'as typed': (text) => text,
  capitals: (text) => text.toLocaleUpperCase(),
  'lower case': (text) => text.toLocaleLowerCase(),
  'first letters': (text) =>
    text
      .toLocaleLowerCase()
      .replace(FIRST_LETTER, (_, before: string, letter: string) => before + letter.toLocaleUpperCase())
      .split(' ')
      .map((word, i) => (i > 0 && SMALL.has(word.toLocaleLowerCase()) ? word.toLocaleLowerCase() : word))
      .join(' '),
};

/** A phone number as its country writes it; what is none stays as it is. */
function writtenPhone(text: string, form: 'national' | 'international', country: string | undefined): string {
  const number = parsePhoneNumberFromString(text, country as CountryCode | undefined);
  if (!number?.isPossible()) return text;
  return form === 'national' ? number.formatNational() : number.formatInternational();
}

/** Postcodes in capitals, the parts of British, Canadian and Dutch ones apart (UPU S42, from memory). */
function writtenPostcode(text: string): string {
  const bare = text.toUpperCase().replace(/\s+/g, '');
  const [, out, inner] =
    /^([A-Z]{1,2}\d[A-Z\d]?)(\d[A-Z]{2})$/.exec(bare) ??
    /^([A-Z]\d[A-Z])(\d[A-Z]\d)$/.exec(bare) ??
    /^(\d{4})([A-Z]{2})$/.exec(bare) ??
    [];
  return out && inner ? `${out} ${inner}` : text.trim().toUpperCase();
}

const SIGNS: Record<(typeof ALPHABETS)[number], string> = {
  // Without 0 and O, 1, I and L, 5 and S, 2 and Z, 8 and B, U and V.
  clear: '34679ACDEFGHJKMNPQRTWXY',
  'letters and figures': '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ',
  figures: '0123456789',
};

/** A 32-bit mix of two numbers (the finaliser of MurmurHash3): the same seed and row give the same code, in any order. */
function mixed(seed: number, n: number): number {
  let h = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(n + 1, 0xc2b2ae35);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

function randomCode(length: number, signs: string, seed: number, row: number): string {
  let code = '';
  for (let i = 0; i < length; i++) code += signs[mixed(seed + Math.imul(i, 7919), row * 64 + i) % signs.length];
  return code;
}

type Way<K extends MadeKind> = (made: Extract<Made, { kind: K }>, row: number, context: MadeIn) => string;

const WAYS: { [K in MadeKind]: Way<K> } = {
  joined: ({ says }, row, { cell }) => withoutGaps(filledIn(says, (key) => cell(row, key))),
  number({ of, decimals, grouped, before, after }, row, { cell, country }) {
    const said = cell(row, of);
    const value = numberIn(said, country);
    if (said === '') return '';
    return value === undefined
      ? said
      : `${before}${writtenNumber(value, decimals, grouped, writtenAs(country))}${after}`;
  },
  date({ of, form }, row, { cell, country }) {
    const said = cell(row, of);
    const date = dateIn(said, country);
    return date ? writtenDate(date, form, writtenAs(country)) : said;
  },
  phone: ({ of, form }, row, { cell, country }) => writtenPhone(cell(row, of), form, country),
  postcode: ({ of }, row, { cell }) => writtenPostcode(cell(row, of)),
  case: ({ of, to }, row, { cell }) => CASED[to](cell(row, of)),
  count({ first, step, digits, before, after, check }, row) {
    const number = `${Math.max(0, first + step * row)}`.padStart(digits, '0');
    return `${before}${number}${checkOf(check, before + number)}${after}`;
  },
  random({ length, from, seed, before, check }, row) {
    const code = randomCode(length, SIGNS[from], seed, row);
    return `${before}${code}${checkOf(check, code)}`;
  },
  address: ({ parts, from }, row, { cell }) =>
    addressLines(
      Object.fromEntries(Object.entries(parts).map(([part, key]) => [part, key ? cell(row, key) : ''])),
      from,
    ).join('\n'),
  post: (made, row, { cell }) =>
    postCodeOf(made, {
      postcode: cell(row, made.postcode),
      street: made.street ? cell(row, made.street) : '',
      row,
    }),
  contact({ parts }, row, { cell }) {
    const said = (part: keyof typeof parts): string => (parts[part] ? cell(row, parts[part]) : '');
    const [name, firm, title] = [said('name'), said('firm'), said('title')];
    if (name === '' && firm === '') return '';
    return vcard({ name: name || firm, firm, title, phone: said('phone'), mail: said('mail'), web: said('web') });
  },
};

/** What a made column says in a row. */
export const madeCell = (made: Made, row: number, context: MadeIn): string =>
  (WAYS[made.kind] as Way<MadeKind>)(made as never, row, context);
