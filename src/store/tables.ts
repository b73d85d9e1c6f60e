import { create } from 'zustand';
import type { Job } from '../../core/job/schema';
import type { Table } from '../../core/job/table';
import { type Cells, cellsOfFile, type Rows, rowsOf } from '../../core/run/rows';
import { bytesOf } from './assets';

/** The rows of tables, read from the shelf once for each file. */

type Read = { cells: Cells } | { missing: true };
const useRead = create<Record<string, Read>>(() => ({}));
const reading = new Set<string>();

/** Files of tables are few; those of earlier jobs make room. */
const MOST_KEPT = 6;

async function read(hash: string): Promise<void> {
  if (reading.has(hash)) return;
  reading.add(hash);
  try {
    const bytes = await bytesOf(hash);
    const found: Read = bytes ? { cells: cellsOfFile(bytes) } : { missing: true };
    useRead.setState(
      (before) => Object.fromEntries([...Object.entries(before).slice(-MOST_KEPT), [hash, found]]),
      true,
    );
  } finally {
    reading.delete(hash);
  }
}

const fileOf = (table: Table): string | undefined => ('file' in table.source ? table.source.file : undefined);

function open(job: Job, table: Table, file: Read | undefined): Rows | undefined {
  if (fileOf(table) !== undefined && !(file && 'cells' in file)) return undefined;
  const { people, firm, country } = job;
  return rowsOf(table, { people, firm, country, file: file && 'cells' in file ? file.cells : undefined });
}

const kept = new WeakMap<
  Table,
  { people: Job['people']; country: Job['country']; file: Read | undefined; rows: Rows | undefined }
>();

/** The rows of a table as far as they are here: undefined while its file is read. */
export function rowsHere(
  job: Job,
  table: Table | undefined,
  all: Record<string, Read> = useRead.getState(),
): Rows | undefined {
  if (!table) return undefined;
  const hash = fileOf(table);
  const file = hash === undefined ? undefined : all[hash];
  if (hash !== undefined && !file) void read(hash);
  const found = kept.get(table);
  if (found && found.people === job.people && found.country === job.country && found.file === file) return found.rows;
  const rows = open(job, table, file);
  kept.set(table, { people: job.people, country: job.country, file, rows });
  return rows;
}

/** The rows of a table for a part of the interface: drawn again once they are here. */
export function useRows(job: Job, table: Table | undefined): { rows: Rows | undefined; missing: boolean } {
  const all = useRead();
  const hash = table && fileOf(table);
  const file = hash === undefined ? undefined : all[hash];
  return { rows: rowsHere(job, table, all), missing: file !== undefined && 'missing' in file };
}

/** Reads a file again: it has been handed in. */
export const forgetRows = (hash: string): void =>
  useRead.setState((before) => Object.fromEntries(Object.entries(before).filter(([each]) => each !== hash)), true);
