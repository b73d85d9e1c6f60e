import Papa from 'papaparse';
import type { Person } from '../job/details';
import { PeopleFileError, type PersonRead, refuseLong } from './people';
import { type Column, peopleOfRows } from './people-table';

/** People as rows of a table (RFC 4180), a header first. */

const HEADS: Readonly<Record<Column, string>> = {
  name: 'Name',
  title: 'Job title',
  direct: 'Direct line',
  mail: 'Email',
};

/** A sheet would take a cell that begins so for a formula; a space before it keeps it words. */
const FORMULA = /^[=+\-@\t\r]/;
const kept = (text: string): string => (FORMULA.test(text) && !/^\+[\d ()-]+$/.test(text) ? ` ${text}` : text);

export const writePeopleCsv = (people: readonly Person[]): string =>
  Papa.unparse({
    fields: Object.values(HEADS),
    data: people.map((person) => (Object.keys(HEADS) as Column[]).map((column) => kept(person[column]))),
  });

/** Reads people out of a table; commas, semicolons or tabs part its cells. Throws with words for the user. */
export function readPeopleCsv(text: string): PersonRead[] {
  refuseLong(text);
  // Some sheets say first what parts their cells.
  const [, said, table = ''] = /^\uFEFF?(?:"?sep=(.)"?\r?\n)?([\s\S]*)$/i.exec(text) ?? [];
  const { data, errors } = Papa.parse<string[]>(table, {
    skipEmptyLines: 'greedy',
    ...(said ? { delimiter: said } : {}),
  });
  const open = errors.find(({ code }) => code === 'MissingQuotes');
  if (open)
    throw new PeopleFileError(
      `A quotation mark in row ${(open.row ?? 0) + 1} is never closed, so that all after it is one cell. Close it, then take the file in again.`,
    );
  return peopleOfRows(data);
}
