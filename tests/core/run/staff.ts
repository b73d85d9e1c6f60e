import { addTable } from '../../../core/job/edits/runs';
import { makeCode, makeShape, makeWords } from '../../../core/job/make';
import type { Element, Job } from '../../../core/job/schema';
import type { Column, Table } from '../../../core/job/table';
import { rowPlan } from '../../../core/run/row-piece';
import { type Cells, type Rows, rowsOf } from '../../../core/run/rows';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, kit, mm } from '../../kit';

/** A card that follows a table, for tests. */

export const NAMES = [
  'Ana Abara',
  'Béla Montgomery',
  'Chidi O’Neill',
  'Dara van der Berg-Łukasiewicz',
  'Eun-ji Ødegård',
  '',
];

export const tableWith = (heads: readonly string[], cells: Cells, more: readonly Column[] = []): Table => ({
  id: 'people',
  name: 'People',
  source: { kind: 'file', file: '0'.repeat(64), name: 'people.csv' },
  rows: cells.length,
  added: 0,
  columns: [...heads.map((name, at): Column => ({ key: name.toLowerCase(), name, type: 'text', at })), ...more],
  cells: {},
  removed: [],
  pictures: {},
});

export const quoting = (id: string, key: string, y: number, more: Partial<Element> = {}): Element => {
  const words = makeWords({ id, text: '', x: mm(10), y: mm(y), lettering: { size: 9 } });
  return { ...words, paragraphs: [{ spans: [{ text: '', quote: `row.${key}` }] }], ...more } as Element;
};

export const readRows = (job: Job, table: Table, cells: Cells): Rows =>
  rowsOf(table, { people: job.people, firm: job.firm, country: 'GB', file: cells });

/** A card with a ground, a name and a title that follow the table, and whatever else is given. */
export function staffCard(cells: Cells, extra: readonly Element[] = [], columns: readonly Column[] = []) {
  const table = tableWith(['Name', 'Title'], cells, columns);
  const ground = makeShape({
    id: 'ground',
    x: mm(-3),
    y: mm(-3),
    width: mm(91),
    height: mm(61),
    paint: { ink: 'paper', tint: 1 },
  });
  const band = makeShape({
    id: 'band',
    x: mm(60),
    y: mm(8),
    width: mm(12),
    height: mm(12),
    paint: { ink: 'green', tint: 1 },
  });
  const job = addTable(
    cardWith([ground, band, quoting('name', 'name', 10), quoting('title', 'title', 18), ...extra]),
    table,
    'card',
  );
  const rows = readRows(job, table, cells);
  const piece = job.pieces[0]!;
  return { job, table, rows, piece, plan: rowPlan(job, piece, rows, sourcesOf(job, kit.fonts)) };
}

export const codeOf = (from: string): Element => ({
  ...makeCode({
    id: 'code',
    symbology: 'qrcode',
    text: 'x',
    x: mm(55),
    y: mm(25),
    width: mm(24),
    height: mm(24),
    paint: { ink: 'black', tint: 1 },
  }),
  byRow: { from },
});
