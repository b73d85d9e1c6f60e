import type { Run } from '../job/by-row';
import type { RunFinding } from './check-run';
import { rowsPrinted } from './order';
import type { Rows } from './rows';

/** What becomes of each row. */

export const ROW_STATES = ['printed', 'warning', 'error', 'left out'] as const;
export type RowState = (typeof ROW_STATES)[number];
export interface RowStatus {
  row: number;
  state: RowState;
  /** Why it is left out, or what was found; nothing where there is nothing to say. */
  why: string;
}

const FOUND: Readonly<Record<RunFinding['severity'], RowState>> = { stop: 'error', warn: 'warning', advise: 'printed' };

/** The status of every row by its number: what is printed in the order it is printed, then what is left out. */
export function rowStatuses(
  run: Run,
  rows: Rows,
  findings: readonly Pick<RunFinding, 'severity' | 'problem' | 'rows'>[],
): Map<number, RowStatus> {
  const found = new Map<number, RowStatus>();
  for (const row of rowsPrinted(run, rows)) found.set(row, { row, state: 'printed', why: '' });
  const here = new Set(rows.numbers);
  for (const { row, why } of run.leftOut) if (here.has(row)) found.set(row, { row, state: 'left out', why });
  for (const { severity, problem, rows: having } of findings) {
    const state = FOUND[severity];
    if (state === 'printed') continue;
    for (const row of having) {
      const known = found.get(row);
      if (!known || known.state === 'left out') continue;
      if (known.state !== 'error') known.state = state;
      known.why = known.why === '' ? problem : `${known.why}; ${problem}`;
    }
  }
  return found;
}

/** How many rows are in each state. */
export function statesCounted(statuses: Iterable<RowStatus>): Record<RowState, number> {
  const counts: Record<RowState, number> = { printed: 0, warning: 0, error: 0, 'left out': 0 };
  for (const { state } of statuses) counts[state]++;
  return counts;
}
