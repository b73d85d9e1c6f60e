import Papa from 'papaparse';
import type { Firm, Person } from '../job/details';
import type { Column, Made, Table } from '../job/table';
import { JOB_LIMITS } from '../trade/job-limits';
import { type MadeIn, madeCell } from './made';

/** The rows of a table as they are read: numbers of rows, and what each cell says. */

/** The cells of a source by row and column, as they came. */
export type Cells = readonly (readonly string[])[];

export interface Rows {
  table: Table;
  /** The numbers of the rows that are there, in the table's own order. */
  numbers: readonly number[];
  /** What a cell says, made columns and fallbacks included; nothing for a row or column that is not there. */
  cell(row: number, key: string): string;
  /** What was read or typed, before any fallback. */
  raw(row: number, key: string): string;
  /** What a column that is made in a way would say. */
  made(row: number, way: Made): string;
}

/** What a row is called where it is told of: the first line of what its first column says. */
export function rowTitle({ table, cell }: Rows, row: number): string {
  const [column] = table.columns;
  return column ? cell(row, column.key).split('\n')[0]! : '';
}

/** The rows of a kept file: comma-separated UTF-8 with one head, as `tableFile` writes it. */
export function cellsOfFile(bytes: Uint8Array): Cells {
  const { data } = Papa.parse<string[]>(new TextDecoder().decode(bytes), { delimiter: ',', skipEmptyLines: false });
  // A line end at the end is no row.
  const last = data.at(-1);
  const rows = last?.length === 1 && last[0] === '' ? data.slice(0, -1) : data;
  return rows.slice(1);
}

/** A file to be kept: the same rows give the same bytes. */
export const tableFile = (heads: readonly string[], cells: Cells): Uint8Array =>
  new TextEncoder().encode(
    `${Papa.unparse({ fields: [...heads], data: cells as string[][] }, { newline: '\n', header: true })}\n`,
  );

/** The columns of a table of the house's people. */
export const PEOPLE_COLUMNS: readonly Column[] = [
  { key: 'name', name: 'Name', type: 'text', at: 0 },
  { key: 'title', name: 'Job title', type: 'text', at: 1 },
  { key: 'phone', name: 'Direct line', type: 'phone', at: 2 },
  { key: 'email', name: 'Email', type: 'email', at: 3 },
];
export const peopleCells = (people: readonly Person[]): Cells =>
  people.map(({ name, title, direct, mail }) => [name, title, direct, mail]);

/** What a table's rows are read with: the house's people, its country, and the cells of its file. */
export interface RowsFrom {
  people: readonly Person[];
  firm: Firm;
  country?: string | undefined;
  file?: Cells | undefined;
}

const cellsOf = (table: Table, { people, file }: RowsFrom): Cells =>
  table.source.kind === 'people' ? peopleCells(people) : table.source.kind === 'counted' ? [] : (file ?? []);

/** Opens a table. Cells are worked out when they are asked for, so that a hundred thousand rows cost nothing by themselves. */
export function rowsOf(table: Table, from: RowsFrom): Rows {
  const cells = cellsOf(table, from);
  const count = table.source.kind === 'people' ? cells.length : table.rows;
  const removed = new Set(table.removed);
  const numbers: number[] = [];
  for (let n = 0; n < count + table.added; n++) if (!removed.has(n)) numbers.push(n);
  const columns = new Map(table.columns.map((column) => [column.key, column]));
  const hasTyped = Object.keys(table.cells).length > 0;
  const raw = (row: number, key: string): string => {
    const typed = hasTyped ? table.cells[`${row} ${key}`] : undefined;
    if (typed !== undefined) return typed;
    const at = columns.get(key)?.at;
    return at === undefined || row >= count ? '' : (cells[row]?.[at] ?? '');
  };
  const context: MadeIn = { country: from.country, cell: (row, key) => cell(row, key) };
  // A column that is made of itself by a detour says nothing.
  const open = new Set<string>();
  function cell(row: number, key: string): string {
    const column = columns.get(key);
    if (!column || open.has(key)) return '';
    const typed = column.made ? (hasTyped ? table.cells[`${row} ${key}`] : undefined) : raw(row, key);
    let said = typed ?? '';
    if (column.made && typed === undefined) {
      open.add(key);
      try {
        said = madeCell(column.made, row, context);
      } finally {
        open.delete(key);
      }
    }
    const plain = said.trim();
    return (plain === '' ? (column.fallback ?? '') : plain).slice(0, JOB_LIMITS.cell);
  }
  return { table, numbers, cell, raw, made: (row, way) => madeCell(way, row, context) };
}
