import Papa from 'papaparse';
import { readPeopleVcards } from '../files/people-vcard';
import { type Encoding, readText } from '../files/text-in';
import { readZip, ZipDamaged, ZipTooLarge } from '../files/zip-in';
import type { Column } from '../job/table';
import { JOB_LIMITS } from '../trade/job-limits';
import type { Cells } from './rows';
import { TableError } from './table-error';
import { typeOf } from './values';

/** Tables out of files that others made: comma-separated and tabbed text, spreadsheets, contact cards. */

export type TableKind = 'text' | 'spreadsheet' | 'contact cards';
export const DELIMITERS = { ',': 'Comma', ';': 'Semicolon', '\t': 'Tab', '|': 'Bar' } as const;
export type Delimiter = keyof typeof DELIMITERS;

/** What is corrected of what a file was taken for. */
export interface TableAsked {
  encoding?: Encoding | undefined;
  delimiter?: Delimiter | undefined;
  header?: boolean | undefined;
  /** Of a spreadsheet. */
  sheet?: string | undefined;
}

export interface TableRead {
  kind: TableKind;
  heads: string[];
  cells: Cells;
  /** How it was read, so that it can be corrected. */
  header: boolean;
  encoding?: Encoding;
  isSure?: boolean;
  delimiter?: Delimiter;
  sheet?: string;
  sheets?: string[];
}

/** Bytes of a table's file, and of a spreadsheet unpacked. */
const MOST_BYTES = 200_000_000;
const MOST_UNPACKED = 500_000_000;

const isFilled = (row: readonly string[]): boolean => row.some((cell) => cell.trim() !== '');
const filledIn = (row: readonly string[]): number => row.filter((cell) => cell.trim() !== '').length;

/** The rows without those above the heads that hold a title or a date: one cell, where the rows below have several. */
function withoutTitles(rows: Cells): Cells {
  const first = rows.findIndex((row) => filledIn(row) > 1);
  // Hardly any table has them, and one may be long.
  if (first <= 0 || first >= 10) return rows;
  const below = rows.slice(first);
  return below.filter((row) => filledIn(row) > 2).length > below.length / 2 ? below : rows;
}

/** Whether a first row names the columns: every cell is filled, no two are the same, and none is a number, a date or an address. */
function looksLikeHeads(first: readonly string[]): boolean {
  const heads = first.map((cell) => cell.trim());
  if (heads.some((head) => head === '' || head.length > 60) || new Set(heads).size < heads.length) return false;
  return heads.every((head) => typeOf('', [head]) === 'text');
}

/** Heads that are filled and told apart. */
function namedHeads(heads: readonly string[], width: number): string[] {
  const taken = new Set<string>();
  return Array.from({ length: width }, (_, i) => {
    const plain =
      (heads[i] ?? '')
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, JOB_LIMITS.name - 8) || `Column ${i + 1}`;
    let name = plain;
    for (let n = 2; taken.has(name.toLowerCase()); n++) name = `${plain} ${n}`;
    taken.add(name.toLowerCase());
    return name;
  });
}

function shaped(all: Cells, header: boolean | undefined): Pick<TableRead, 'heads' | 'cells' | 'header'> {
  const filled = withoutTitles(all.filter(isFilled));
  const [first] = filled;
  if (!first) throw new TableError('There are no rows in this file. Choose another, or another sheet of it.');
  const hasHeads = header ?? looksLikeHeads(first);
  const body = hasHeads ? filled.slice(1) : filled;
  const width = Math.min(
    filled.reduce((most, row) => Math.max(most, row.length), 0),
    JOB_LIMITS.columns + 1,
  );
  if (width > JOB_LIMITS.columns)
    throw new TableError(
      `This table has more than ${JOB_LIMITS.columns} columns. Leave out those that are not needed.`,
    );
  if (body.length > JOB_LIMITS.rows)
    throw new TableError(
      `This table has ${body.length.toLocaleString('en')} rows; a table can have ${JOB_LIMITS.rows.toLocaleString('en')}. Part it.`,
    );
  const cells = body.map((row) => Array.from({ length: width }, (_, i) => (row[i] ?? '').slice(0, JOB_LIMITS.cell)));
  return { heads: namedHeads(hasHeads ? first : [], width), cells, header: hasHeads };
}

/** Rows of text; `sep=;` in a first line says what parts them. Throws TableError. */
export function readTextTable(text: string, asked: TableAsked = {}): Omit<TableRead, 'encoding' | 'isSure'> {
  const [, said, rest = ''] = /^\uFEFF?(?:"?sep=(.)"?\r?\n)?([\s\S]*)$/i.exec(text) ?? [];
  const { data, errors, meta } = Papa.parse<string[]>(rest, {
    delimiter: asked.delimiter ?? said ?? '',
    delimitersToGuess: Object.keys(DELIMITERS),
    // An empty line at the end would count against two columns.
    skipEmptyLines: 'greedy',
  });
  const open = errors.find(({ code }) => code === 'MissingQuotes');
  if (open)
    throw new TableError(
      `A quotation mark in row ${(open.row ?? 0) + 1} is never closed, so that all after it is one cell. Close it, then import the file again.`,
    );
  const delimiter = (Object.keys(DELIMITERS) as Delimiter[]).find((each) => each === meta.delimiter) ?? ',';
  return { kind: 'text', delimiter, ...shaped(data, asked.header) };
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
/** The compound files of older spreadsheets. */
const isCompound = (bytes: Uint8Array): boolean => bytes[0] === 0xd0 && bytes[1] === 0xcf;
export const isSpreadsheet = (bytes: Uint8Array): boolean => isZip(bytes) || isCompound(bytes);

/** Refuses a zip that unpacks to more than a spreadsheet could need, before anything is unpacked. */
function refuseBomb(bytes: Uint8Array): void {
  try {
    readZip(bytes, () => false, { entries: 20_000, total: MOST_UNPACKED, most: () => MOST_UNPACKED });
  } catch (error) {
    if (error instanceof ZipTooLarge)
      throw new TableError('This spreadsheet unpacks to far more than a table can hold, so it was not opened.');
    if (error instanceof ZipDamaged)
      throw new TableError('This spreadsheet is damaged or locked with a password. Save it again, or as CSV.');
    throw error;
  }
}

/** A day as it stands in the sheet: the package gives it in the reader's own time, now and then some seconds early. */
function isoDay(date: Date): string {
  const safe = new Date(date.getTime() + 60_000);
  const two = (n: number): string => `${n}`.padStart(2, '0');
  return `${safe.getFullYear()}-${two(safe.getMonth() + 1)}-${two(safe.getDate())}`;
}

/** The day that a cell holds, as a date or as a number that is shown as one; undefined for any other cell. */
function dayIn(
  cell: { t?: string; v?: unknown; z?: unknown } | undefined,
  ssf: { is_date(format: string): boolean; parse_date_code(value: number): { y: number; m: number; d: number } },
): string | undefined {
  if (cell?.t === 'd') {
    const day = isoDay(new Date(cell.v as Date | string));
    return day.includes('NaN') ? undefined : day;
  }
  if (cell?.t !== 'n' || typeof cell.z !== 'string' || !ssf.is_date(cell.z)) return undefined;
  const { y, m, d } = ssf.parse_date_code(cell.v as number);
  return y > 0 ? isoDay(new Date(y, m - 1, d)) : undefined;
}

async function readSpreadsheet(bytes: Uint8Array, asked: TableAsked): Promise<TableRead> {
  if (isZip(bytes)) refuseBomb(bytes);
  // It is large, and few open one.
  const { read, utils, SSF } = await import('xlsx');
  let book: ReturnType<typeof read>;
  try {
    book = read(bytes, { type: 'array', cellDates: true, dateNF: 'yyyy-mm-dd', cellFormula: false, cellHTML: false });
  } catch {
    throw new TableError('This spreadsheet cannot be read. Save it again as XLSX, ODS or CSV.');
  }
  const sheets = book.SheetNames;
  const sheet = sheets.find((name) => name === asked.sheet) ?? sheets[0];
  const found = sheet === undefined ? undefined : book.Sheets[sheet];
  if (sheet === undefined || !found) throw new TableError('There is no sheet in this spreadsheet.');
  for (const cell of Object.values(found)) {
    const day = dayIn(cell, SSF);
    if (day !== undefined) Object.assign(cell, { t: 's', v: day, w: day });
  }
  const rows = utils.sheet_to_json<unknown[]>(found, { header: 1, raw: false, defval: '', blankrows: false });
  const cells = rows.map((row) => Array.from(row, (cell) => String(cell ?? '')));
  return { kind: 'spreadsheet', sheet, sheets, ...shaped(cells, asked.header) };
}

function readContacts(text: string): Omit<TableRead, 'encoding' | 'isSure'> {
  const people = readPeopleVcards(text);
  return {
    kind: 'contact cards',
    heads: ['Name', 'Job title', 'Direct line', 'Email'],
    cells: people.map(({ name, title, direct, mail }) => [name, title, direct, mail]),
    header: true,
  };
}

/** Reads a table out of a file of any of its kinds, as it looks or as it is asked. Throws TableError. */
export async function readTable(bytes: Uint8Array, asked: TableAsked = {}): Promise<TableRead> {
  if (bytes.length === 0) throw new TableError('This file is empty. Choose another.');
  if (bytes.length > MOST_BYTES)
    throw new TableError('This file is larger than a table of a million rows. Save only the columns that are needed.');
  if (isSpreadsheet(bytes)) return readSpreadsheet(bytes, asked);
  const { text, encoding, isSure } = readText(bytes, asked.encoding);
  if (/^[\s\uFEFF]*BEGIN:VCARD/i.test(text)) return { ...readContacts(text), encoding, isSure };
  if (text.includes('\u0000'))
    throw new TableError('This is no table. Choose a CSV, XLSX or ODS file, or contact cards (.vcf).');
  return { ...readTextTable(text, asked), encoding, isSure };
}

const slug = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 30);

/** A key for a column of that name which none of the taken ones has. */
export function keyFor(name: string, taken: ReadonlySet<string>): string {
  const base = slug(name) || 'column';
  let key = base;
  for (let n = 2; taken.has(key); n++) key = `${base}-${n}`;
  return key;
}

/** The columns of a table that was read, by their heads; those that were there under the same name keep their keys. */
export function columnsFor(
  { heads, cells }: Pick<TableRead, 'heads' | 'cells'>,
  before: readonly Column[] = [],
): Column[] {
  const taken = new Set<string>();
  const sample = cells.slice(0, 400);
  return heads.map((name, at) => {
    const was = before.find((column) => column.at !== undefined && column.name.toLowerCase() === name.toLowerCase());
    const key = was && !taken.has(was.key) ? was.key : keyFor(name, taken);
    taken.add(key);
    return {
      key,
      name,
      type:
        was?.type ??
        typeOf(
          name,
          sample.map((row) => row[at] ?? ''),
        ),
      at,
      ...(was?.fallback === undefined ? {} : { fallback: was.fallback }),
    };
  });
}
