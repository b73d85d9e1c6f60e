import ChevronDown from 'lucide-react/icons/chevron-down';
import { useState } from 'react';
import { askingColumn, changeColumn, removeColumn } from '../../../core/job/edits/runs';
import type { Column, Table } from '../../../core/job/table';
import type { Rows } from '../../../core/run/rows';
import { useBench } from '../../bench/bench';
import { Typed } from '../../parts/Typed';
import { act } from '../../store/session';
import { ColumnForm, MADE_NAMES } from './ColumnForm';
import { placeColumn } from './place-column';
import { shownCell } from './shown-cell';

/** The columns, and how each comes onto the side. */
export function Columns({ table, rows, row }: { table: Table; rows: Rows; row: number | undefined }) {
  const [adding, setAdding] = useState(false);
  return (
    <section aria-label="Columns" className="mb-5 grid grid-cols-[minmax(0,1fr)] gap-1">
      <h2 className="heading">Columns</h2>
      {table.columns.map((column) => (
        <ColumnRow
          key={column.key}
          column={column}
          table={table}
          rows={rows}
          said={row === undefined ? '' : rows.cell(row, column.key)}
        />
      ))}
      <button type="button" className="btn btn-xs justify-self-start" onClick={() => setAdding(true)}>
        Add column…
      </button>
      {adding && <ColumnForm table={table} rows={rows} onClose={() => setAdding(false)} />}
    </section>
  );
}

function ColumnRow({ column, table, rows, said }: { column: Column; table: Table; rows: Rows; said: string }) {
  const bench = useBench();
  const [open, setOpen] = useState(false);
  const uses = askingColumn(bench.sheet, column.key).length;
  return (
    <div className="min-w-0 rounded border border-base-300">
      <button
        type="button"
        className="flex w-full items-center gap-2 px-2 py-1 text-left text-[14px]"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <span className="min-w-0 flex-1">
          <span className="block truncate">{column.name}</span>
          <span className="quiet block truncate text-[12.5px]">{shownCell(column, said) || 'empty in this row'}</span>
        </span>
        {uses > 0 && (
          <span className="badge badge-sm" title={`${uses} elements follow it`}>
            {uses}
          </span>
        )}
        <ChevronDown size={14} className={open ? 'rotate-180' : ''} />
      </button>
      {open && (
        <div className="grid gap-1.5 border-base-300 border-t p-2">
          <p className="quiet text-[13px]">
            {column.made ? `Made: ${MADE_NAMES[column.made.kind].toLowerCase()}` : 'Read from the table'}
          </p>
          <div className="flex flex-wrap gap-1.5">
            <button
              type="button"
              className="btn btn-xs"
              onClick={() => placeColumn(bench, rows, column, 'words', said)}
            >
              Place as text
            </button>
            <button type="button" className="btn btn-xs" onClick={() => placeColumn(bench, rows, column, 'code', said)}>
              {column.made?.kind === 'post' ? 'Place as postal barcode' : 'Place as QR code'}
            </button>
          </div>
          <label className="input input-sm w-full">
            <span className="quiet text-[13px]">Where empty</span>
            <Typed
              aria-label={`What ${column.name} says where it is empty`}
              said={column.fallback ?? ''}
              placeholder="nothing"
              maxLength={400}
              onTake={(fallback) => act('Column', (job) => changeColumn(job, table.id, column.key, { fallback }))}
            />
          </label>
          {uses === 0 && table.columns.length > 1 && (
            <button
              type="button"
              className="btn btn-xs justify-self-start"
              onClick={() => act('Delete column', (job) => removeColumn(job, table.id, column.key))}
            >
              Delete {column.name}
            </button>
          )}
        </div>
      )}
    </div>
  );
}
