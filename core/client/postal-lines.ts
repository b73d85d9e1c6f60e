import { type CountryCode, postcodeValidator, postcodeValidatorExistsForCountry } from 'postcode-validator';

/** Lines of an address that hold a postcode, by how countries write them. */

export interface PostalLine {
  country: string;
  /** What stands before the town: a street, where it is all on one line. */
  before: string;
  town: string;
  region: string;
  postcode: string;
}

type Form = readonly [country: string, pattern: RegExp];

const US_STATES =
  'AL|AK|AZ|AR|CA|CO|CT|DE|DC|FL|GA|HI|ID|IL|IN|IA|KS|KY|LA|ME|MD|MA|MI|MN|MS|MO|MT|NE|NV|NH|NJ|NM|NY|NC|ND|OH|OK|OR|PA|PR|RI|SC|SD|TN|TX|UT|VT|VA|WA|WV|WI|WY';
const US_NAMES =
  'Alabama|Alaska|Arizona|Arkansas|California|Colorado|Connecticut|Delaware|Florida|Georgia|Hawaii|Idaho|Illinois|Indiana|Iowa|Kansas|Kentucky|Louisiana|Maine|Maryland|Massachusetts|Michigan|Minnesota|Mississippi|Missouri|Montana|Nebraska|Nevada|New Hampshire|New Jersey|New Mexico|New York|North Carolina|North Dakota|Ohio|Oklahoma|Oregon|Pennsylvania|Rhode Island|South Carolina|South Dakota|Tennessee|Texas|Utah|Vermont|Virginia|Washington|West Virginia|Wisconsin|Wyoming';
const CA_PROVINCES = 'AB|BC|MB|NB|NL|NS|NT|NU|ON|PE|QC|SK|YT';
const AU_STATES = 'ACT|NSW|NT|QLD|SA|TAS|VIC|WA';

/** The postcode after the town, with a region between or not. Forms that are alike in two countries are asked by hint. */
const LAST: readonly Form[] = [
  ['US', new RegExp(`^(.*?),?\\s+(${US_STATES}|${US_NAMES})\\.?,?\\s+(\\d{5}(?:-\\d{4})?)$`)],
  ['CA', new RegExp(`^(.*?),?\\s+\\(?(${CA_PROVINCES})\\)?,?\\s+([A-Z]\\d[A-Z] ?\\d[A-Z]\\d)$`)],
  ['AU', new RegExp(`^(.*?),?\\s+(${AU_STATES})\\s+(\\d{4})$`)],
  ['GB', /^(?:(.*?)[,\s]+)?()([A-Z]{1,2}\d[A-Z\d]? ?\d[A-Z]{2})$/],
  ['IE', /^(?:(.*?)[,\s]+)?()([A-Z]\d[\dW] ?[A-Z\d]{4})$/],
  ['NZ', /^(.*?)()\s+(\d{4})$/],
  ['VN', /^(.*?)()\s+(\d{5,6})$/],
];

/** The postcode before the town; a country's letters may stand before it. */
const FIRST =
  /^(?:(.*?),\s*)?(?:([A-Z]{1,2})-)?(\d{3} \d{2}|\d{4} ?[A-Z]{2}|\d{2}-\d{3}|\d{4}-\d{3}|\d{4,5})\s+([\p{L}][^\d]*)$/u;
const FIRST_IN = ['DE', 'AT', 'CH', 'FR', 'NL', 'BE', 'DK', 'FI', 'SE', 'NO', 'IT', 'ES', 'PT', 'PL', 'CZ', 'GR', 'MX'];
/** The letters that stood before a postcode in Europe (CEPT), where they are not those of ISO 3166. */
const CEPT: Readonly<Record<string, string>> = {
  D: 'DE',
  A: 'AT',
  F: 'FR',
  B: 'BE',
  I: 'IT',
  E: 'ES',
  S: 'SE',
  N: 'NO',
  P: 'PT',
};

const isPostcode = (code: string, country: string): boolean =>
  !postcodeValidatorExistsForCountry(country) || postcodeValidator(code, country as CountryCode);

/** The last part of a list is the town; what stands before it is the street. */
function townIn(text: string): { before: string; town: string } {
  const parts = text.split(',').map((part) => part.trim());
  return { before: parts.slice(0, -1).join(', '), town: parts.at(-1) ?? '' };
}

/** Reads a line as the one with the postcode; the countries in `likely` are tried first, and alone where forms are alike. */
export function postalLine(line: string, likely: readonly string[]): PostalLine | undefined {
  const text = line.trim();
  const rank = (country: string): number => (likely.includes(country) ? likely.indexOf(country) : 99);
  const asked = (country: string): boolean => likely.includes(country);
  for (const [country, pattern] of [...LAST].sort(([a], [b]) => rank(a) - rank(b))) {
    const isPlain = country === 'NZ' || country === 'VN';
    if (isPlain && !asked(country)) continue;
    const found = pattern.exec(text);
    if (!found || !isPostcode(found[3]!, country)) continue;
    return { country, ...townIn(found[1] ?? ''), region: found[2] ?? '', postcode: found[3]! };
  }
  const found = FIRST.exec(text);
  if (!found) return undefined;
  const [, before = '', letters, postcode = '', town = ''] = found;
  const told = letters && (CEPT[letters] ?? letters);
  const country = [...(told ? [told] : []), ...likely.filter((code) => FIRST_IN.includes(code)), ...FIRST_IN].find(
    (code) => isPostcode(postcode, code),
  );
  if (!country) return undefined;
  const province = country === 'IT' ? /^(.*?)\s+\(?([A-Z]{2})\)?$/.exec(town) : undefined;
  return { country, before, town: (province?.[1] ?? town).trim(), region: province?.[2] ?? '', postcode };
}
