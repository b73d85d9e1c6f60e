import Papa from 'papaparse';
import type { Person } from '../job/details';
import { PEOPLE_LIMITS, PeopleFileError, type PersonRead, personFrom, refuseLong } from './people';

/** People as rows of a table (RFC 4180), a header first. */

type Column = 'name' | 'title' | 'direct' | 'mail';
const HEADS: Readonly<Record<Column, string>> = { name: 'Name', title: 'Title', direct: 'Direct line', mail: 'Mail' };

/** What else tables call these columns, in small letters. */
const KNOWN: Readonly<Record<string, Column | 'given' | 'family'>> = {
  name: 'name',
  'full name': 'name',
  'given name': 'given',
  'first name': 'given',
  'family name': 'family',
  'last name': 'family',
  surname: 'family',
  title: 'title',
  'job title': 'title',
  role: 'title',
  position: 'title',
  'direct line': 'direct',
  direct: 'direct',
  phone: 'direct',
  telephone: 'direct',
  mobile: 'direct',
  mail: 'mail',
  email: 'mail',
  'e-mail': 'mail',
  'email address': 'mail',
};

/** A sheet would take a cell that begins so for a formula; a space before it keeps it words. */
const FORMULA = /^[=+\-@\t\r]/;
const kept = (text: string): string => (FORMULA.test(text) && !/^\+[\d ()-]+$/.test(text) ? ` ${text}` : text);

export const writePeopleCsv = (people: readonly Person[]): string =>
  Papa.unparse({
    fields: Object.values(HEADS),
    data: people.map((person) => (Object.keys(HEADS) as Column[]).map((column) => kept(person[column]))),
  });

/** Reads people out of a table with a head; commas, semicolons or tabs part its cells. Throws with words for the user. */
export function readPeopleCsv(text: string): PersonRead[] {
  refuseLong(text);
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [head, ...rows] = data;
  const columns = (head ?? []).map((cell) => KNOWN[cell.trim().toLowerCase()]);
  if (!columns.includes('name') && !columns.includes('given'))
    throw new PeopleFileError(
      'This table has no column called Name. Give its first row the heads Name, Title, Direct line, Mail.',
    );
  if (rows.length > PEOPLE_LIMITS.people)
    throw new PeopleFileError(
      `This table has ${rows.length} rows; a house has at most ${PEOPLE_LIMITS.people} people.`,
    );
  const cell = (row: readonly string[], column: string): string => {
    const at = (columns as (string | undefined)[]).indexOf(column);
    return at < 0 ? '' : (row[at] ?? '');
  };
  return rows.flatMap((row) => {
    const name = cell(row, 'name') || [cell(row, 'given'), cell(row, 'family')].join(' ');
    return personFrom({ name, title: cell(row, 'title'), direct: cell(row, 'direct'), mail: cell(row, 'mail') });
  });
}
