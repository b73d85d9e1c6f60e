import { plainName, unlike } from '../files/file-names';
import { filledIn } from './made';
import type { Rows } from './rows';

/** The name of a row's own file by a pattern; one that another has already gets a number. */
export function rowFileName(pattern: string, rows: Rows, row: number, taken: Set<string>): string {
  const said = filledIn(pattern.replaceAll('{row}', `${row + 1}`), (key) => rows.cell(row, key));
  return unlike(`${plainName(said) || `${row + 1}`}.pdf`, taken);
}
