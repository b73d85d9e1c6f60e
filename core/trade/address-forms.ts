import type { Source } from './schema';

/** How countries write postal addresses, as data: the order of their lines, what is in capitals, where the postcode stands. */
export interface AddressForm {
  /** ISO 3166-1 alpha-2. */
  code: string;
  /** In the language of the country that sends, for letters from abroad: English and French are known to all posts (UPU). */
  name: string;
  /** Below the name and company: `{town}` stands for a part. Lines that come out empty are dropped. */
  lines: readonly string[];
  /** Parts that are written in capitals. */
  capitals: readonly ('town' | 'region' | 'postcode' | 'street')[];
  source: Source;
}

const S42: Source = { kind: 'from memory', name: 'UPU S42 and the posts’ own leaflets' };
const CODE_TOWN = ['{street}', '{more}', '{postcode} {town}'] as const;
const TOWN_CODE = ['{street}', '{more}', '{town}', '{region}', '{postcode}'] as const;
const TOWN_STATE_CODE = ['{street}', '{more}', '{town} {region} {postcode}'] as const;

const form = (
  code: string,
  name: string,
  lines: readonly string[],
  capitals: AddressForm['capitals'] = [],
): AddressForm => ({ code, name, lines, capitals, source: S42 });

export const ADDRESS_FORMS: readonly AddressForm[] = [
  form('AR', 'Argentina', CODE_TOWN, ['town']),
  form('AT', 'Austria', CODE_TOWN),
  form('AU', 'Australia', TOWN_STATE_CODE, ['town', 'region']),
  form('BE', 'Belgium', CODE_TOWN, ['town']),
  form('BR', 'Brazil', ['{street}', '{more}', '{town}-{region}', '{postcode}'], ['town', 'region']),
  form('CA', 'Canada', ['{street}', '{more}', '{town} {region}  {postcode}'], ['town', 'region', 'postcode']),
  form('CH', 'Switzerland', CODE_TOWN),
  form('CZ', 'Czechia', CODE_TOWN),
  form('DE', 'Germany', CODE_TOWN),
  form('DK', 'Denmark', CODE_TOWN),
  form('ES', 'Spain', ['{street}', '{more}', '{postcode} {town}', '{region}'], ['town']),
  form('FI', 'Finland', CODE_TOWN, ['town']),
  form('FR', 'France', ['{more}', '{street}', '{postcode} {town}'], ['town']),
  form('GB', 'United Kingdom', TOWN_CODE, ['town', 'postcode']),
  form('GR', 'Greece', CODE_TOWN, ['town']),
  form('IE', 'Ireland', ['{street}', '{more}', '{town}', '{region}', '{postcode}'], ['postcode']),
  form('IN', 'India', ['{street}', '{more}', '{town} {postcode}', '{region}'], ['town']),
  form('IT', 'Italy', ['{street}', '{more}', '{postcode} {town} {region}'], ['town', 'region']),
  form('JP', 'Japan', ['{street}', '{more}', '{town}, {region} {postcode}']),
  form('LU', 'Luxembourg', CODE_TOWN, ['town']),
  form('MX', 'Mexico', ['{street}', '{more}', '{postcode} {town}, {region}']),
  form('NL', 'Netherlands', ['{street}', '{more}', '{postcode}  {town}'], ['town', 'postcode']),
  form('NO', 'Norway', CODE_TOWN, ['town']),
  form('NZ', 'New Zealand', ['{street}', '{more}', '{town} {postcode}']),
  form('PL', 'Poland', CODE_TOWN, ['town']),
  form('PT', 'Portugal', CODE_TOWN, ['town']),
  form('SE', 'Sweden', CODE_TOWN, ['town']),
  form('US', 'United States', TOWN_STATE_CODE, ['street', 'town', 'region']),
  form('VN', 'Vietnam', ['{street}', '{more}', '{town}, {region} {postcode}']),
];

/** For countries that are not in the table: postcode before the town, as most have it. */
export const OTHER_FORM: Pick<AddressForm, 'lines' | 'capitals'> = { lines: CODE_TOWN, capitals: [] };

/** What countries are called in tables besides their codes and English names. */
const ALSO: Readonly<Record<string, string>> = {
  uk: 'GB',
  'great britain': 'GB',
  england: 'GB',
  scotland: 'GB',
  wales: 'GB',
  'northern ireland': 'GB',
  usa: 'US',
  'united states of america': 'US',
  america: 'US',
  deutschland: 'DE',
  österreich: 'AT',
  schweiz: 'CH',
  suisse: 'CH',
  nederland: 'NL',
  holland: 'NL',
  'the netherlands': 'NL',
  españa: 'ES',
  italia: 'IT',
  sverige: 'SE',
  norge: 'NO',
  danmark: 'DK',
  suomi: 'FI',
  polska: 'PL',
  éire: 'IE',
  'republic of ireland': 'IE',
  'czech republic': 'CZ',
  belgique: 'BE',
  belgië: 'BE',
  brasil: 'BR',
  méxico: 'MX',
  日本: 'JP',
};
const BY_NAME: ReadonlyMap<string, string> = new Map([
  ...ADDRESS_FORMS.flatMap(({ code, name }) => [
    [name.toLowerCase(), code] as const,
    [code.toLowerCase(), code] as const,
  ]),
  ...Object.entries(ALSO),
]);

/** The code of a country as a table names it; undefined for one that is not known. */
export const countryNamed = (said: string): string | undefined =>
  BY_NAME.get(said.trim().toLowerCase().replace(/\.$/, ''));

export const addressForm = (code: string | undefined): AddressForm | undefined =>
  ADDRESS_FORMS.find((each) => each.code === code);
