import Papa from 'papaparse';
import type { Run } from '../job/by-row';
import { placesOf } from './impose';
import { type Rows, rowTitle } from './rows';
import type { RowStatus } from './status';

/** Lists of rows that go along with a run, as CSV. */

const csv = (fields: string[], data: (string | number)[][]): string =>
  `${Papa.unparse({ fields, data }, { newline: '\n', escapeFormulae: true })}\n`;

/** Where each row lies on its sheets. */
export function placesList(
  rows: Rows,
  order: readonly number[],
  up: number,
  { sheets, leaders }: Pick<Run, 'sheets' | 'leaders'>,
): string {
  const lines = placesOf(order, up, sheets, leaders).map(({ row, sheet, place, depth }) => [
    row + 1,
    rowTitle(rows, row),
    sheet,
    place,
    depth,
  ]);
  return csv(['Row', 'Name', 'Sheet', 'Pile', 'Depth'], lines);
}

/** What becomes of each row. */
export const statusList = (rows: Rows, statuses: Iterable<RowStatus>): string =>
  csv(
    ['Row', 'Name', 'Status', 'Why'],
    [...statuses].map(({ row, state, why }) => [row + 1, rowTitle(rows, row), state, why]),
  );
