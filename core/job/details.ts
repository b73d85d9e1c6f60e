import * as z from 'zod';
import { countryOf } from '../trade/countries';

/** The facts of a house that words can quote: change one, and every piece that quotes it follows. */

/** A firm's own details, in the order they are asked for. */
export const FIRM_DETAILS = {
  name: 'Company',
  line: 'Tagline',
  street: 'Street',
  town: 'Town',
  region: 'Region',
  postcode: 'Postcode',
  country: 'Country',
  phone: 'Phone',
  mobile: 'Second phone',
  mail: 'Email',
  web: 'Web',
  handle: 'Social handle',
  secondHandle: 'Second social handle',
  registration: 'Registration number',
} as const;
export type FirmDetail = keyof typeof FIRM_DETAILS;

/** The details of one of its people. */
export const PERSON_DETAILS = {
  name: 'Person’s name',
  title: 'Job title',
  direct: 'Direct line',
  mail: 'Person’s email',
} as const;
export type PersonDetail = keyof typeof PERSON_DETAILS;

const keys = <K extends string>(table: Record<K, string>): K[] => Object.keys(table) as K[];
export const FIRM_KEYS = keys(FIRM_DETAILS);
export const PERSON_KEYS = keys(PERSON_DETAILS);

/** What words can quote: `firm.phone`, `person.name`. */
export const QUOTES = [
  ...FIRM_KEYS.map((detail) => `firm.${detail}` as const),
  ...PERSON_KEYS.map((detail) => `person.${detail}` as const),
];
export type Quote = (typeof QUOTES)[number];

/** What a detail of a firm is called in its country, an ISO 3166-1 code. */
export const firmDetailName = (detail: FirmDetail, country: string | undefined): string =>
  (countryOf(country)?.called as Firm | undefined)?.[detail] ?? FIRM_DETAILS[detail];

/** What a quote is called in words, in the country of the firm. */
export function quoteName(quote: Quote, country: string | undefined): string {
  const [of, detailName] = quote.split('.') as [string, string];
  return of === 'firm' ? firmDetailName(detailName as FirmDetail, country) : PERSON_DETAILS[detailName as PersonDetail];
}

const detail = z.string().trim().max(200);
export const firmSchema = z.partialRecord(z.enum(FIRM_KEYS), detail);
export type Firm = z.infer<typeof firmSchema>;

export const personSchema = z.strictObject({
  id: z.string().regex(/^[\w-]{1,64}$/),
  name: detail.min(1),
  title: detail,
  direct: detail,
  mail: detail,
  /** The hash of a picture that is kept with the job. */
  picture: z.string().optional(),
});
export type Person = z.infer<typeof personSchema>;

/** Lines of a detail stay in the paragraph that quotes it. */
const inOneParagraph = (text: string): string => text.replace(/\n/g, '\u2028');

/** What a quote says; nothing where the detail is empty, or where there is no such person. */
export function detailOf(quote: Quote, firm: Firm, person: Person | undefined): string {
  const [of, detailName] = quote.split('.') as [string, string];
  const said = of === 'firm' ? firm[detailName as FirmDetail] : person?.[detailName as PersonDetail];
  return inOneParagraph(said ?? '');
}
