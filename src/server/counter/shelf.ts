import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import sqlite from 'node-sqlite3-wasm';

/** Where the counter keeps its orders: a database in a file, and the files that came beside it. */

export const home = (): string => process.env['TIDY_DATA'] ?? join(process.cwd(), 'data');

const TABLES = `
CREATE TABLE IF NOT EXISTS orders (
  id TEXT PRIMARY KEY,
  key TEXT NOT NULL UNIQUE,
  asked TEXT NOT NULL,
  received INTEGER NOT NULL DEFAULT 0,
  stage TEXT NOT NULL,
  verdict TEXT,
  lines TEXT NOT NULL DEFAULT '[]',
  answer TEXT,
  made INTEGER NOT NULL,
  changed INTEGER NOT NULL,
  approved INTEGER
);
CREATE INDEX IF NOT EXISTS by_age ON orders (made);
`;

let open: { at: string; db: InstanceType<typeof sqlite.Database> } | undefined;

/** The database, opened once; the one of another folder where that was changed. */
export function shelf(): InstanceType<typeof sqlite.Database> {
  const at = join(home(), 'counter.sqlite');
  if (open?.at === at) return open.db;
  open?.db.close();
  mkdirSync(join(home(), 'orders'), { recursive: true });
  // A server that was killed leaves its lock behind. There is one server to a folder: nobody else can hold it.
  rmSync(`${at}.lock`, { recursive: true, force: true });
  const db = new sqlite.Database(at);
  db.exec(TABLES);
  // A book from before faults could be switched on.
  const columns = db.all('PRAGMA table_info(orders)').map((column) => column['name']);
  if (!columns.includes('faults')) db.exec("ALTER TABLE orders ADD COLUMN faults TEXT NOT NULL DEFAULT '[]'");
  open = { at, db };
  return db;
}

/** Closes the database, as a restart does. */
export function closeShelf(): void {
  open?.db.close();
  open = undefined;
}

export const fileOf = (id: string): string => join(home(), 'orders', `${id}.pdf`);
