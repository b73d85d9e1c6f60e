import type { PieceUnit } from '../units/length';
import type { Kind, Source } from './schema';

/** What a client's country settles: how addresses are written, and what their pieces begin with. */
export interface Country {
  /** ISO 3166-1 alpha-2. */
  code: string;
  name: string;
  unit: PieceUnit;
  /** The usual finished sizes, by their names in the table of sizes. */
  sizes: Readonly<Record<Kind, string>>;
  /** The shop spec, letter layout and postal rules that pieces begin with, by id. */
  shop: string;
  layout: string;
  post: string;
  /** What the parts of an address are called there, where that is not town, region and postcode. */
  called: Readonly<Partial<Record<'town' | 'region' | 'postcode', string>>>;
  /** Whether an address is not complete without its region. */
  needsRegion: boolean;
  /** An address below the name, a line each, with the details it quotes. */
  address: readonly string[];
  /** The dictionary its pieces are spelt by; none where there is none for its language. */
  spelling: 'en-GB' | 'en-US' | 'none';
  source: Source;
}

const MEMORY: Source = { kind: 'from memory', name: 'UPU S42, the countries’ usual sizes' };

type Sizes = Country['sizes'];
const ISO: Sizes = { card: '85 × 55', letterhead: 'A4', envelope: 'DL', postcard: 'A6', flyer: 'A5' };
const INCH: Sizes = {
  card: '3 1/2 × 2',
  letterhead: 'Letter',
  envelope: 'No. 10',
  postcard: '6 × 4',
  flyer: '5 1/2 × 8 1/2',
};

const ISO_WAY = { unit: 'mm', sizes: ISO, shop: 'metric-offset', layout: 'din-5008-b', post: 'international' } as const;
const INCH_WAY = { unit: 'in', sizes: INCH, shop: 'inch-mail-order', layout: 'us', post: 'us' } as const;

const STREET = '{firm.street}';
const CODE_FIRST = [STREET, '{firm.postcode} {firm.town}'] as const;
const CODE_LAST = [STREET, '{firm.town} {firm.region} {firm.postcode}'] as const;
const CITY_STATE = [STREET, '{firm.town}, {firm.region} {firm.postcode}'] as const;
/** British addresses have the postcode last; on one line where there is no county. */
const BRITISH = [STREET, '{firm.town}, {firm.region} {firm.postcode}'] as const;

const row = (
  code: string,
  name: string,
  way: typeof ISO_WAY | typeof INCH_WAY,
  address: readonly string[],
  more: Partial<Country> = {},
): Country => ({
  code,
  name,
  ...way,
  called: {},
  needsRegion: false,
  address,
  spelling: 'none',
  source: MEMORY,
  ...more,
});

/** Countries by name; the order of an address from memory of the postal union's templates (UPU S42). */
export const COUNTRIES: readonly Country[] = [
  row('AU', 'Australia', ISO_WAY, CODE_LAST, {
    sizes: { ...ISO, card: '90 × 55' },
    needsRegion: true,
    called: { town: 'Suburb or town', region: 'State' },
    spelling: 'en-GB',
    post: 'au',
  }),
  row('AT', 'Austria', ISO_WAY, CODE_FIRST),
  row('BE', 'Belgium', ISO_WAY, CODE_FIRST),
  row('CA', 'Canada', INCH_WAY, CODE_LAST, {
    needsRegion: true,
    called: { town: 'City', region: 'Province', postcode: 'Postal code' },
    spelling: 'en-GB',
    post: 'ca',
  }),
  row('CZ', 'Czechia', ISO_WAY, CODE_FIRST, { sizes: { ...ISO, card: '90 × 50' } }),
  row('DK', 'Denmark', ISO_WAY, CODE_FIRST),
  row('FI', 'Finland', ISO_WAY, CODE_FIRST, { sizes: { ...ISO, card: '90 × 50' } }),
  row('FR', 'France', ISO_WAY, CODE_FIRST, { post: 'fr' }),
  row('DE', 'Germany', ISO_WAY, CODE_FIRST, { post: 'de' }),
  row('GR', 'Greece', ISO_WAY, CODE_FIRST),
  row('IE', 'Ireland', ISO_WAY, BRITISH, { called: { region: 'County', postcode: 'Eircode' }, spelling: 'en-GB' }),
  row('IT', 'Italy', ISO_WAY, [STREET, '{firm.postcode} {firm.town} {firm.region}'], {
    needsRegion: true,
    called: { region: 'Province' },
  }),
  row('JP', 'Japan', ISO_WAY, [STREET, '{firm.town} {firm.region} {firm.postcode}'], {
    sizes: { ...ISO, card: '91 × 55' },
    needsRegion: true,
    called: { town: 'City', region: 'Prefecture', postcode: 'Postal code' },
  }),
  row('MX', 'Mexico', INCH_WAY, [STREET, '{firm.postcode} {firm.town}, {firm.region}'], {
    needsRegion: true,
    called: { town: 'City', region: 'State', postcode: 'Postal code' },
    post: 'international',
  }),
  row('NL', 'Netherlands', ISO_WAY, CODE_FIRST, { post: 'nl' }),
  row('NZ', 'New Zealand', ISO_WAY, CODE_LAST, { sizes: { ...ISO, card: '90 × 55' }, spelling: 'en-GB' }),
  row('NO', 'Norway', ISO_WAY, CODE_FIRST, { sizes: { ...ISO, card: '90 × 50' } }),
  row('PL', 'Poland', ISO_WAY, CODE_FIRST, { sizes: { ...ISO, card: '90 × 50' } }),
  row('PT', 'Portugal', ISO_WAY, CODE_FIRST),
  row('ES', 'Spain', ISO_WAY, CODE_FIRST, { called: { region: 'Province' } }),
  row('SE', 'Sweden', ISO_WAY, CODE_FIRST, { sizes: { ...ISO, card: '90 × 55' } }),
  row('CH', 'Switzerland', ISO_WAY, CODE_FIRST),
  row('GB', 'United Kingdom', ISO_WAY, BRITISH, { called: { region: 'County' }, spelling: 'en-GB', post: 'gb' }),
  row('US', 'United States', INCH_WAY, CITY_STATE, {
    needsRegion: true,
    called: { town: 'City', region: 'State', postcode: 'ZIP code' },
    spelling: 'en-US',
  }),
  row('VN', 'Vietnam', ISO_WAY, [STREET, '{firm.town}, {firm.region} {firm.postcode}'], {
    sizes: { ...ISO, card: '90 × 55' },
    needsRegion: true,
    called: { town: 'District or town', region: 'Province', postcode: 'Postal code' },
  }),
];

export const countryOf = (code: string | undefined): Country | undefined =>
  COUNTRIES.find((country) => country.code === code);

/** The language and region whose dates and numbers a country's letters are written with (CLDR's likely subtags); the reader's own where no country is known. */
export const localeOf = (code: string | undefined): string | undefined =>
  code ? `${new Intl.Locale(`und-${code}`).maximize().language}-${code}` : undefined;
