import { parsePhoneNumberFromString } from 'libphonenumber-js/min';
import { COUNTRIES } from '../../trade/countries';

/** The countries that a text hints at. */

/** What countries are called besides their names. */
const OTHER_NAMES: readonly (readonly [name: string, code: string])[] = [
  ['uk', 'GB'],
  ['england', 'GB'],
  ['scotland', 'GB'],
  ['wales', 'GB'],
  ['usa', 'US'],
  ['u.s.a.', 'US'],
  ['the netherlands', 'NL'],
];
const LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pl', 'el', 'vi', 'sv', 'da', 'pt', 'cs', 'ja'];
/** Country names as they are written in some languages, lower case. */
export const COUNTRY_NAMES: ReadonlyMap<string, string> = new Map([
  ...LANGUAGES.flatMap((language) => {
    const names = new Intl.DisplayNames([language], { type: 'region' });
    return COUNTRIES.map(({ code }): [string, string] => [names.of(code)!.toLowerCase(), code]);
  }),
  ...OTHER_NAMES,
]);
/** Those that are known within a line; shorter ones stand in too many words. */
const NAMES_WITHIN = [...COUNTRY_NAMES]
  .filter(([name]) => name.length > 3)
  .map(([name, code]) => [new RegExp(`(?<!\\p{L})${name.replace(/[.()]/g, '\\$&')}(?!\\p{L})`, 'iu'), code] as const);

const CODES: ReadonlySet<string> = new Set(COUNTRIES.map(({ code }) => code));

/** What is written so in one country and hardly in others: legal forms, registers, streets, ways of writing numbers. From memory. */
const WAYS: readonly (readonly [RegExp, string])[] = [
  [
    /\b(GmbH|UG \(haftungsbeschränkt\)|e\.\s?K\.|USt-?Id|Handelsregister|Amtsgericht)|\p{L}(straße|str\.)(?!\p{L})/u,
    'DE',
  ],
  [/\b(ATU\d|FN \d{5})/, 'AT'],
  [/\b(CHE-\d|MWST)\b/, 'CH'],
  [
    /\b(SARL|EURL|SIRET|SIREN|RCS|CEDEX|TVA FR)\b|Tél\.|(?<!\d)0[1-9](?:[ .]\d\d){4}(?!\d)|\d,? (bis |ter )?rue /u,
    'FR',
  ],
  [/\bS\.L\.(U\.)?|\b(CIF|NIF)\b|\bC\/ ?\p{Lu}|\bMóvil\b/u, 'ES'],
  [/\bS\.?r\.?l\.?(?!\p{L})|\bP\. ?IVA\b|\b(Via|Piazza|Corso|Viale) \p{Lu}/u, 'IT'],
  [/\bSp\. z o\.?\s?o|\b(NIP|REGON|KRS)\b|\bul\. /u, 'PL'],
  [/\bB\.?V\.?(?!\p{L})|\bKvK\b|\p{L}(straat|gracht|kade|laan) \d/u, 'NL'],
  [/\bs\.r\.o\.|\b(IČO|DIČ)\b/u, 'CZ'],
  [/\b(ApS|A\/S|CVR)\b/, 'DK'],
  [/\bOyj?\b|\bY-tunnus\b/, 'FI'],
  [/\bMVA\b/, 'NO'],
  [/\bOrg\.? ?nr\b|\p{L}(vägen|gatan) \d/u, 'SE'],
  [/\bLda\b|\bNIPC\b|\bRua \p{Lu}/u, 'PT'],
  // Letters that one of the countries alone writes with.
  [/\p{Script=Greek}{3}/u, 'GR'],
  [/株式会社|有限会社|〒|[\p{Script=Hiragana}\p{Script=Katakana}]{2}/u, 'JP'],
  [/[ạảấầẩẫậắằẳẵặẹẻẽếềểễệỉịọỏốồổỗộớờởỡợụủứừửữựỳỵỷỹ]/iu, 'VN'],
  [/[ąęłńśźż]\p{L}/iu, 'PL'],
  [/[ěřů]/iu, 'CZ'],
  [/S\.? ?A\.? de C\.? ?V/, 'MX'],
  [/\bPty\b|\b(ABN|ACN)\b/, 'AU'],
  [/\bLtd\b|\bLLP\b|\bVAT GB\b|\bRegistered in England\b/, 'GB'],
  [/\bLLC\b|\bInc\b|\bEIN\b/, 'US'],
];
/** A number as it is written in North America alone. */
const AMERICAN = /(?<![\d+])\(\d{3}\) ?\d{3}-\d{4}(?!\d)|(?<![\d.])\d{3}([.-])\d{3}\1\d{4}(?!\d)/;
const IN_AMERICA = ['US', 'CA'];

/** By their names, dialling codes, ways of writing and domains, the likeliest first; `told` is where the client is thought to be. */
export function likelyCountries(text: string, told: string | undefined): string[] {
  const byName = NAMES_WITHIN.flatMap(([name, code]) => (name.test(text) ? [code] : []));
  const byDial = [...text.matchAll(/\+\d[\d ()-]{6,}/g)].flatMap(([number]) => {
    const country = parsePhoneNumberFromString(number)?.country;
    return country ? [country as string] : [];
  });
  const byWay = WAYS.flatMap(([way, code]) => (way.test(text) ? [code] : []));
  const byDomain = [...text.matchAll(/\.([a-z]{2})(?![\p{L}\d.-])/giu)].flatMap(([, end]) => {
    const code = end!.toUpperCase() === 'UK' ? 'GB' : end!.toUpperCase();
    return CODES.has(code) ? [code] : [];
  });
  const american = AMERICAN.test(text) ? (IN_AMERICA.includes(told ?? '') ? [told!] : ['US']) : [];
  return [...new Set([...byName, ...byDial, ...byWay, ...american, ...(told ? [told] : []), ...byDomain])];
}
