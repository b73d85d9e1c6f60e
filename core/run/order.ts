import type { Run } from '../job/by-row';
import { countryNamed } from '../trade/address-forms';
import type { Rows } from './rows';
import { numberIn } from './values';

/** The rows that are printed, in order. */

const words = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** Rows by what a column says: numbers by size, postcodes within their countries, other text by its letters; stable. */
export function sortedRows(rows: Rows, numbers: readonly number[], by: string, descending = false): number[] {
  const column = rows.table.columns.find(({ key }) => key === by);
  const country = rows.table.columns.find(({ name }) => /^(country|land|pays)$/i.test(name));
  const asNumber = column?.type === 'number';
  const keyed = numbers.map((row) => {
    const said = rows.cell(row, by);
    const place = column?.type === 'postcode' && country ? (countryNamed(rows.cell(row, country.key)) ?? '') : '';
    const plain = column?.type === 'postcode' ? said.toUpperCase().replace(/[\s-]+/g, '') : said;
    return { row, place, plain, value: asNumber ? (numberIn(said) ?? Number.POSITIVE_INFINITY) : 0 };
  });
  const way = descending ? -1 : 1;
  keyed.sort(
    (a, b) =>
      way * (a.value - b.value || words.compare(a.place, b.place) || words.compare(a.plain, b.plain)) || a.row - b.row,
  );
  return keyed.map(({ row }) => row);
}

/** The numbers of the rows that a run prints, in the order it prints them. */
export function rowsPrinted(run: Run, rows: Rows): number[] {
  const out = new Set(run.leftOut.map(({ row }) => row));
  const going = rows.numbers.filter((row) => !out.has(row));
  return run.by === undefined ? going : sortedRows(rows, going, run.by, run.descending);
}

/** How rows in and pieces out tie: what goes in is printed or left out with a reason. */
export interface Tally {
  rows: number;
  printed: number;
  leftOut: { row: number; why: string }[];
}
export function tallyOf(run: Run, rows: Rows): Tally {
  const here = new Set(rows.numbers);
  const leftOut = run.leftOut.filter(({ row }) => here.has(row));
  return { rows: rows.numbers.length, printed: rowsPrinted(run, rows).length, leftOut };
}
