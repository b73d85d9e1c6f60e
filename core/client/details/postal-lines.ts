import { type CountryCode, postcodeValidator, postcodeValidatorExistsForCountry } from 'postcode-validator';
import { STREET, STREET_WORD } from './words';

/** Lines of an address that hold a postcode, by how countries write them. */

export interface PostalLine {
  country: string;
  /** What stands before the town: a street, where it is all on one line. */
  before: string;
  town: string;
  region: string;
  postcode: string;
  /** What stands behind it. */
  after: string;
  /** How sure it is: 3 where no other country writes so, 2 where the text hints at the country, 1 else. */
  strength: number;
}

interface Form {
  country: string;
  pattern: RegExp;
  /** Looks like other things as well: only where the text hints at the country. */
  isPlain?: boolean;
}

const US_STATES =
  'AL|AK|AZ|AR|CA|CO|CT|DE|DC|FL|GA|HI|ID|IL|IN|IA|KS|KY|LA|ME|MD|MA|MI|MN|MS|MO|MT|NE|NV|NH|NJ|NM|NY|NC|ND|OH|OK|OR|PA|PR|RI|SC|SD|TN|TX|UT|VT|VA|WA|WV|WI|WY';
const US_NAMES =
  'Alabama|Alaska|Arizona|Arkansas|California|Colorado|Connecticut|Delaware|Florida|Georgia|Hawaii|Idaho|Illinois|Indiana|Iowa|Kansas|Kentucky|Louisiana|Maine|Maryland|Massachusetts|Michigan|Minnesota|Mississippi|Missouri|Montana|Nebraska|Nevada|New Hampshire|New Jersey|New Mexico|New York|North Carolina|North Dakota|Ohio|Oklahoma|Oregon|Pennsylvania|Rhode Island|South Carolina|South Dakota|Tennessee|Texas|Utah|Vermont|Virginia|Washington|West Virginia|Wisconsin|Wyoming';
const CA_PROVINCES =
  'AB|BC|MB|NB|NL|NS|NT|NU|ON|PE|QC|SK|YT|Alberta|British Columbia|Manitoba|New Brunswick|Newfoundland and Labrador|Nova Scotia|Northwest Territories|Nunavut|Ontario|Prince Edward Island|Québec|Quebec|Saskatchewan|Yukon';
const AU_STATES = 'ACT|NSW|NT|QLD|SA|TAS|VIC|WA';

/** Nothing more, more behind a comma, or the country: where a town goes on at once, the postcode is another country's. */
const END =
  '(?![\\p{L}\\d-])\\s*(?=$|[.,;)]|U\\.?S|United|UK|England|Scotland|Wales|Ireland|Canada|Australia|New Zealand|Japan|Vi[eệ]t)[.,;)]*\\s*(.*)$';
const last = (country: string, inside: string, more: Partial<Form> = {}): Form => ({
  country,
  pattern: new RegExp(`^${inside}${END}`, 'u'),
  ...more,
});
/** The postcode after the town, with a region between or not. */
const LAST: readonly Form[] = [
  last('US', `(.*?),?\\s+(${US_STATES}|${US_NAMES})\\.?,?\\s+(\\d{5}(?:-\\d{4})?)`),
  last('CA', `(.*?),?\\s+\\(?(${CA_PROVINCES})\\)?,?\\s+([A-Z]\\d[A-Z] ?\\d[A-Z]\\d)`),
  last('AU', `(.*?),?\\s+(${AU_STATES}),?\\s+(\\d{4})`),
  last('GB', '(?:(.*?)[,\\s]+)?()([A-Z]{1,2}\\d[A-Z\\d]? ?\\d[A-Z]{2})'),
  last('IE', '(?:(.*?)[,\\s]+)?()([A-Z]\\d[\\dW] ?[A-Z\\d]{4})'),
  last('NZ', '(.*?)()\\s+(\\d{4})', { isPlain: true }),
  last('VN', '(.*?)()\\s+(\\d{5,6})', { isPlain: true }),
  last('JP', '(.*?)()\\s+(\\d{3}-\\d{4})', { isPlain: true }),
];

/** The postcode before the town; a country's letters may stand before it. */
const FIRST =
  /^(?:(.*?)(?:,\s*|\s))?(?:([A-Z]{1,2})[- ])?(\d{3} \d{2}|\d{4} ?[A-Z]{2}|\d{2}-\d{3}|\d{4}-\d{3}|\d{4,5})\s+(\p{L}[^\d,;]*(?:\b\d{1,2})?)(?:[,;]\s*(.*))?$/u;
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

/** As Japan writes it: the postcode, the prefecture, the town with its kind, and what lies in it. */
const JAPAN = /^(.*?)〒?\s*(\d{3}-\d{4})\s*(\p{Script=Han}{2,3}[都道府県])?(\p{L}+?[市区町村])(.*)$/u;

const isPostcode = (code: string, country: string): boolean =>
  !postcodeValidatorExistsForCountry(country) || postcodeValidator(code, country as CountryCode);

/** What a county of Britain or Ireland is called, where words say so. */
export const COUNTY =
  /shire$|^(?:Co\.?|County) \p{L}|^(?:North |South |East |West )?(?:Avon|Bedford|Cornwall|Cumbria|Devon|Dorset|Durham|Essex|Fife|Glamorgan|Greater Manchester|Gwent|Gwynedd|Highland|Kent|London|Lothian|Merseyside|Middlesex|Midlands|Norfolk|Northumberland|Powys|Rutland|Shropshire|Somerset|Suffolk|Surrey|Sussex|Tyne and Wear)$/u;

/** The last part of a list is the town; what stands before it is the street. A county may stand behind a town. */
function townIn(text: string, mayHaveCounty: boolean): { before: string; town: string; county: string } {
  const parts = text
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '');
  const [above, end] = [parts.at(-2), parts.at(-1) ?? ''];
  const hasCounty =
    mayHaveCounty &&
    above !== undefined &&
    (COUNTY.test(end) || (parts.length > 2 && ![above, end].some((each) => STREET.test(each))));
  const at = hasCounty ? -2 : -1;
  return { before: parts.slice(0, at).join(', '), town: hasCounty ? above : end, county: hasCounty ? end : '' };
}

function codeLast(text: string, likely: readonly string[]): PostalLine | undefined {
  const rank = (country: string): number => (likely.includes(country) ? likely.indexOf(country) : 99);
  for (const { country, pattern, isPlain } of [...LAST].sort((a, b) => rank(a.country) - rank(b.country))) {
    if (isPlain && !likely.includes(country)) continue;
    const found = pattern.exec(text);
    const [, before = '', region = '', postcode = '', after = ''] = found ?? [];
    if (!found || !isPostcode(postcode, country)) continue;
    const { county, ...where } = townIn(before, country === 'GB' || country === 'IE');
    return { country, ...where, region: region || county, postcode, after, strength: isPlain ? 2 : 3 };
  }
  return undefined;
}

function codeFirst(text: string, likely: readonly string[]): PostalLine | undefined {
  const found = FIRST.exec(text);
  if (!found) return undefined;
  const [, before = '', letters, postcode = '', town = '', after = ''] = found;
  // A house's number and its street look the same.
  if (STREET_WORD.test(town)) return undefined;
  const told = letters && (CEPT[letters] ?? letters);
  const country = [...(told ? [told] : []), ...likely.filter((code) => FIRST_IN.includes(code)), ...FIRST_IN].find(
    (code) => isPostcode(postcode, code),
  );
  const isSure = country !== undefined && (country === told || likely.includes(country));
  // A year is no postcode where nothing else says so.
  if (!country || (!isSure && /^(?:19|20)\d\d$/.test(postcode))) return undefined;
  const province = country === 'IT' ? /^(.*?)\s+\(?([A-Z]{2})\)?$/.exec(town) : undefined;
  return {
    country,
    before: before.replace(/[\s,;–-]+$/, ''),
    town: (province?.[1] ?? town).trim(),
    region: province?.[2] ?? (country === 'MX' ? after : ''),
    postcode,
    after: country === 'MX' ? '' : after,
    strength: isSure ? 2 : 1,
  };
}

function japanese(text: string): PostalLine | undefined {
  const found = JAPAN.exec(text);
  if (!found) return undefined;
  const [, before = '', postcode = '', region = '', town = '', street = ''] = found;
  const street_ = street.trim();
  return { country: 'JP', before: street_, town, region, postcode, after: before.trim(), strength: 3 };
}

const TOWN_AND_STATE = new RegExp(`^(\\p{L}[\\p{L} .'’-]*),\\s+(${US_STATES}|${CA_PROVINCES}|${AU_STATES})$`, 'u');

/** A town with its region, without a postcode; undefined for anything else. */
export function townAndRegion(line: string): { town: string; region: string } | undefined {
  const [, town, region] = TOWN_AND_STATE.exec(line.trim()) ?? [];
  return town && region ? { town, region } : undefined;
}

/** Reads a line as the one with the postcode; the countries in `likely` are tried first, and alone where forms are alike. */
export function postalLine(line: string, likely: readonly string[]): PostalLine | undefined {
  // Regions are written with full stops as well.
  const text = line.trim().replace(/\b([A-Z])\.\s?([A-Z])\.(?:([A-Z])\.)?(?=\s)/g, '$1$2$3');
  return japanese(text) ?? codeLast(text, likely) ?? codeFirst(text, likely);
}
