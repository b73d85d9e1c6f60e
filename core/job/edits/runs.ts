import { produce } from 'immer';
import { JOB_LIMITS } from '../../trade/job-limits';
import type { ByRow, Condition, Run } from '../by-row';
import { findElement, findFace, pieceOf } from '../find';
import type { Asset, Element, Job, Piece } from '../schema';
import { type Column, columnQuoted, ROW_QUOTE, type Table } from '../table';
import { changePiece } from './change-piece';

/** Edits of tables and of pieces that are printed from them. */

export const tableOf = (job: Pick<Job, 'tables'>, id: string | undefined): Table | undefined =>
  job.tables.find((table) => table.id === id);
export const tableOfPiece = (job: Job, piece: Pick<Piece, 'run'>): Table | undefined => tableOf(job, piece.run?.table);

const changeTable = (job: Job, id: string, change: (table: Table) => Table): Job => ({
  ...job,
  tables: job.tables.map((table) => (table.id === id ? change(table) : table)),
});

/** How a piece is printed from a table where nothing else was said. */
export const newRun = (table: string): Run => ({
  table,
  leftOut: [],
  sheets: 'cut and stack',
  leaders: false,
  names: '{row}',
});

/** Puts a table into the job, for a piece to be printed from. */
export const addTable = (job: Job, table: Table, pieceId?: string): Job => {
  const with_ = { ...job, tables: [...job.tables.filter(({ id }) => id !== table.id), table] };
  return pieceId === undefined ? with_ : printFrom(with_, pieceId, table.id);
};

/** Prints a piece from a table of the job; rows that were left out belong to the table before. */
export const printFrom = (job: Job, pieceId: string, table: string): Job =>
  changePiece(job, pieceId, (piece) => {
    if (piece.run?.table !== table) piece.run = newRun(table);
  });

/** The piece is no longer printed from a table; what its text quotes stays as it is shown. */
export const endRun = (job: Job, pieceId: string): Job =>
  changePiece(job, pieceId, (piece) => {
    delete piece.run;
  });

/** Deletes a table that no piece is printed from any more. */
export const removeTable = (job: Job, id: string): Job => ({
  ...job,
  tables: job.tables.filter((table) => table.id !== id),
  pieces: job.pieces.map((piece) => {
    if (piece.run?.table !== id) return piece;
    const { run: _run, ...rest } = piece;
    return rest;
  }),
});

export const renameTable = (job: Job, id: string, name: string): Job =>
  changeTable(job, id, (table) =>
    name.trim() === '' ? table : { ...table, name: name.trim().slice(0, JOB_LIMITS.name) },
  );

/** A newer file in place of a table's: columns of the same name keep what was made of them; typed cells and deleted rows belong to the old rows. */
export const replaceRows = (job: Job, id: string, from: Pick<Table, 'source' | 'rows'> & { columns: Column[] }): Job =>
  changeTable(job, id, (table) => {
    const keys = new Set(from.columns.map(({ key }) => key));
    const made = table.columns.filter(({ made: way, key }) => way && !keys.has(key));
    return { ...table, ...from, columns: [...from.columns, ...made], added: 0, cells: {}, removed: [] };
  });

/** Types over a cell; the same text as before changes nothing. */
export const setCell = (job: Job, id: string, row: number, key: string, text: string): Job =>
  changeTable(job, id, (table) => {
    const cells = { ...table.cells, [`${row} ${key}`]: text.slice(0, JOB_LIMITS.cell) };
    return Object.keys(cells).length > JOB_LIMITS.cells ? table : { ...table, cells };
  });

/** Adds an empty row at the end. */
export const addRow = (job: Job, id: string): Job =>
  changeTable(job, id, (table) => ({ ...table, added: table.added + 1 }));

export const removeRows = (job: Job, id: string, rows: readonly number[]): Job =>
  changeTable(job, id, (table) => ({
    ...table,
    removed: [...new Set([...table.removed, ...rows])].sort((a, b) => a - b),
  }));

export const addColumn = (job: Job, id: string, column: Column): Job =>
  changeTable(job, id, (table) => ({ ...table, columns: [...table.columns, column] }));

export const changeColumn = (job: Job, id: string, key: string, to: Partial<Omit<Column, 'key'>>): Job =>
  changeTable(job, id, (table) => ({
    ...table,
    columns: table.columns.map((column) => (column.key === key ? { ...column, ...to } : column)),
  }));

/** Deletes a column; the last one stays. */
export const removeColumn = (job: Job, id: string, key: string): Job =>
  changeTable(job, id, (table) =>
    table.columns.length < 2 ? table : { ...table, columns: table.columns.filter((column) => column.key !== key) },
  );

/** Keeps pictures that cells name, by the names of their files. */
export const addRowPictures = (
  job: Job,
  id: string,
  pictures: readonly { file: string; hash: string; asset: Asset }[],
): Job => ({
  ...changeTable(job, id, (table) => ({
    ...table,
    pictures: {
      ...table.pictures,
      ...Object.fromEntries(pictures.map(({ file, hash }) => [file.toLowerCase().slice(0, 255), hash])),
    },
  })),
  assets: { ...job.assets, ...Object.fromEntries(pictures.map(({ hash, asset }) => [hash, asset])) },
});

const changeRun = (job: Job, pieceId: string, change: (run: Run) => Run): Job =>
  changePiece(job, pieceId, (piece) => {
    if (piece.run) piece.run = change(piece.run);
  });

/** Says how a piece is printed for its rows; what is undefined is taken back. */
export const setRun = (
  job: Job,
  pieceId: string,
  to: { [K in Exclude<keyof Run, 'table'>]?: Run[K] | undefined },
): Job =>
  changeRun(job, pieceId, (run) => {
    const { by: _by, descending: _descending, ...rest } = run;
    const next = Object.entries({ ...('by' in to ? rest : run), ...to }).filter(([, value]) => value !== undefined);
    return Object.fromEntries(next) as Run;
  });

/** Leaves rows out of a run, for a reason that stands in its list. */
export const leaveOut = (job: Job, pieceId: string, rows: readonly number[], why: string): Job =>
  changeRun(job, pieceId, (run) => {
    const going = new Set(rows);
    const kept = run.leftOut.filter(({ row }) => !going.has(row));
    return { ...run, leftOut: [...kept, ...rows.map((row) => ({ row, why }))].sort((a, b) => a.row - b.row) };
  });

/** Prints rows again that were left out. */
export const bringBack = (job: Job, pieceId: string, rows: readonly number[]): Job =>
  changeRun(job, pieceId, (run) => ({ ...run, leftOut: run.leftOut.filter(({ row }) => !rows.includes(row)) }));

/** Says what of an element follows the row; what is undefined is taken back. */
export const setByRow = (job: Job, elementId: string, to: { [K in keyof ByRow]?: ByRow[K] | undefined }): Job =>
  produce(job, (draft) => {
    const found = findElement(draft, elementId);
    if (!found) return;
    const next = Object.fromEntries(
      Object.entries({ ...found.element.byRow, ...to }).filter(([, value]) => value !== undefined),
    ) as ByRow;
    if (Object.keys(next).length > 0) found.element.byRow = next;
    else delete found.element.byRow;
  });

/** The rows that a side is printed for; all of them where nothing is said. */
export const setFaceShown = (job: Job, faceId: string, shown: Condition | undefined): Job =>
  produce(job, (draft) => {
    const face = findFace(draft, faceId);
    if (!face) return;
    if (shown) face.byRow = { shown };
    else delete face.byRow;
  });

/** Where a column is asked, by the ids of elements. */
export function askingColumn(piece: Piece, key: string): string[] {
  const asks = (element: Element): boolean => {
    const { shown, from, ink } = element.byRow ?? {};
    if (from === key || ink?.of === key || shown?.tests.some(({ of }) => of === key)) return true;
    return (
      element.kind === 'words' &&
      element.paragraphs.some(({ spans }) => spans.some(({ quote }) => columnQuoted(quote) === key))
    );
  };
  return piece.faces.flatMap(({ elements }) => elements.filter(asks).map(({ id }) => id));
}

/** Quotes of columns as they read for one row: what is seen while the piece is laid out. */
export const showCells = (job: Job, pieceId: string, cell: (key: string) => string): Job => {
  const piece = pieceOf(job, pieceId);
  if (!piece) return job;
  return produce(job, (draft) => {
    for (const face of pieceOf(draft, pieceId)!.faces)
      for (const element of face.elements) {
        if (element.kind !== 'words') continue;
        for (const { spans } of element.paragraphs)
          for (const span of spans) {
            const key = columnQuoted(span.quote);
            if (key !== undefined) span.text = cell(key).replace(/\r?\n/g, '\u2028');
          }
      }
  });
};

/** The quote of a column, as text has it. */
export const quoteOfColumn = (key: string): string => `${ROW_QUOTE}${key}`;
