import * as z from 'zod';
import { JOB_LIMITS } from '../trade/job-limits';

/** Tables of a job: a row for each person, address or number that a piece is printed for. */

const key = z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, 'a column is known by up to 40 small letters, figures and -');
const text = z.string().max(JOB_LIMITS.cell);

export const COLUMN_TYPES = ['text', 'number', 'date', 'phone', 'postcode', 'email', 'picture'] as const;
export type ColumnType = (typeof COLUMN_TYPES)[number];

export const CASES = ['capitals', 'lower case', 'first letters', 'as typed'] as const;
export const DATE_FORMS = ['long', 'medium', 'short', 'figures', 'ISO 8601'] as const;
export const CHECK_DIGITS = ['none', 'mod 10', 'mod 11', 'mod 97'] as const;
/** What random codes are made of: without signs that are mistaken for one another, or as named. */
export const ALPHABETS = ['clear', 'letters and figures', 'figures'] as const;

/** The parts of a postal address, each fed by a column. */
export const ADDRESS_PARTS = {
  name: 'Name',
  company: 'Company',
  street: 'Street',
  more: 'Second street line',
  town: 'Town',
  region: 'Region',
  postcode: 'Postcode',
  country: 'Country',
} as const;
export type AddressPart = keyof typeof ADDRESS_PARTS;

/** The fields of a contact card, each fed by a column. */
export const CONTACT_PARTS = {
  name: 'Name',
  firm: 'Company',
  title: 'Job title',
  phone: 'Phone',
  mail: 'Email',
  web: 'Web address',
} as const;
export type ContactPart = keyof typeof CONTACT_PARTS;

const country = z.string().regex(/^[A-Z]{2}$/);

/** How a column is made from others, or counted, instead of being read. */
/** The posts' own codes whose content an address tells. */
export const POST_CODES = ['royalmail', 'kix', 'imb'] as const;

export const madeSchema = z.discriminatedUnion('kind', [
  /** A text in which `{key}` stands for what a column says. */
  z.strictObject({ kind: z.literal('joined'), says: z.string().max(2000) }),
  z.strictObject({
    kind: z.literal('number'),
    of: key,
    decimals: z.int().min(0).max(6),
    grouped: z.boolean(),
    before: z.string().max(20),
    after: z.string().max(20),
  }),
  z.strictObject({ kind: z.literal('date'), of: key, form: z.enum(DATE_FORMS) }),
  z.strictObject({ kind: z.literal('phone'), of: key, form: z.enum(['national', 'international']) }),
  z.strictObject({ kind: z.literal('postcode'), of: key }),
  z.strictObject({ kind: z.literal('case'), of: key, to: z.enum(CASES) }),
  z.strictObject({
    kind: z.literal('count'),
    first: z.int().min(0).max(999_999_999_999),
    step: z.int().min(-1_000_000).max(1_000_000),
    digits: z.int().min(1).max(20),
    before: z.string().max(40),
    after: z.string().max(40),
    check: z.enum(CHECK_DIGITS),
  }),
  z.strictObject({
    kind: z.literal('random'),
    length: z.int().min(4).max(40),
    from: z.enum(ALPHABETS),
    seed: z.int().min(0).max(999_999_999),
    before: z.string().max(40),
    check: z.enum(CHECK_DIGITS),
  }),
  /** A postal address, a line each, as the country it goes to writes it. */
  z.strictObject({
    kind: z.literal('address'),
    parts: z.partialRecord(z.enum(Object.keys(ADDRESS_PARTS) as AddressPart[]), key),
    /** Where it is posted: letters to that country do not name it. */
    from: country,
  }),
  /** What the post's own code of an address holds. */
  z.strictObject({
    kind: z.literal('post'),
    code: z.enum(POST_CODES),
    postcode: key,
    /** Where the house number is, for those that hold it. */
    street: key.optional(),
    /** Figures that the post gave the sender, for USPS Intelligent Mail: its service, and its mailer's number. */
    service: z.string().regex(/^\d{0,3}$/),
    mailer: z.string().regex(/^\d{0,9}$/),
  }),
  /** A contact card for a code (RFC 6350). */
  z.strictObject({
    kind: z.literal('contact'),
    parts: z.partialRecord(z.enum(Object.keys(CONTACT_PARTS) as ContactPart[]), key),
  }),
]);
export type Made = z.infer<typeof madeSchema>;
export type MadeKind = Made['kind'];

export const columnSchema = z.strictObject({
  key,
  name: z.string().trim().min(1).max(JOB_LIMITS.name),
  type: z.enum(COLUMN_TYPES),
  /** Which column of the file it is, 0 first; left out of one that is made. */
  at: z.int().min(0).max(JOB_LIMITS.columns).optional(),
  made: madeSchema.optional(),
  /** What it says where a row says nothing. */
  fallback: text.optional(),
});
export type Column = z.infer<typeof columnSchema>;

/** Where the rows come from: a file that is kept with the job, one that is only linked, the house's people, or counting. */
const sourceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('file'), file: z.string().regex(/^[0-9a-f]{64}$/), name: z.string().max(255) }),
  z.strictObject({ kind: z.literal('linked'), file: z.string().regex(/^[0-9a-f]{64}$/), name: z.string().max(255) }),
  z.strictObject({ kind: z.literal('people') }),
  z.strictObject({ kind: z.literal('counted') }),
]);

const row = z.int().min(0).max(JOB_LIMITS.rows);

export const tableSchema = z.strictObject({
  id: z.string().regex(/^[\w-]{1,64}$/),
  name: z.string().trim().min(1).max(JOB_LIMITS.name),
  source: sourceSchema,
  /** Rows of the source, and rows that were typed in after them. Those of people are as many as there are. */
  rows: row,
  added: row,
  columns: z.array(columnSchema).min(1).max(JOB_LIMITS.columns),
  /** Cells that were typed over, by row and column: `12 name`. */
  cells: z.record(z.string().regex(/^\d{1,7} [a-z][a-z0-9-]{0,39}$/), text),
  /** Rows that were deleted, by number. */
  removed: z.array(row).max(JOB_LIMITS.rows),
  /** Pictures that cells name, by file name in small letters: the hashes of files kept with the job. */
  pictures: z.record(z.string().min(1).max(255), z.string().regex(/^[0-9a-f]{64}$/)),
});
export type Table = z.infer<typeof tableSchema>;

export const ROW_QUOTE = 'row.';
/** The column that a quote of words asks, if it asks one. */
export const columnQuoted = (quote: string | undefined): string | undefined =>
  quote?.startsWith(ROW_QUOTE) ? quote.slice(ROW_QUOTE.length) : undefined;
