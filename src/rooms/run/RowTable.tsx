import { useVirtualizer } from '@tanstack/react-virtual';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { Run } from '../../../core/job/by-row';
import { addRow, removeRows, setCell } from '../../../core/job/edits/runs';
import type { Table } from '../../../core/job/table';
import { alikeRows } from '../../../core/run/alike';
import { sortedRows } from '../../../core/run/order';
import type { Rows } from '../../../core/run/rows';
import { type RowState, rowStatuses, statesCounted } from '../../../core/run/status';
import { act } from '../../store/session';
import { CellField } from './CellField';
import { columnWidth } from './column-width';
import { shownCell } from './shown-cell';
import type { Checked } from './use-run';

const ROW_HEIGHT = 30;
/** Rows that the widths of columns go by. */
const SAMPLED = 200;

/** What is looked through when rows are filtered: all that was read of each, in small letters. Made once a table. */
function useSearched(rows: Rows): (row: number) => string {
  return useMemo(() => {
    const keys = rows.table.columns.filter(({ made }) => made === undefined).map(({ key }) => key);
    const shown = keys.length > 0 ? keys : rows.table.columns.map(({ key }) => key);
    const kept = new Map<number, string>();
    return (row) => {
      const found = kept.get(row);
      if (found !== undefined) return found;
      const text = shown
        .map((key) => rows.cell(row, key))
        .join('\n')
        .toLowerCase();
      kept.set(row, text);
      return text;
    };
  }, [rows]);
}

const STATE: Readonly<Record<RowState, { says: string; tone: string }>> = {
  printed: { says: 'Printed', tone: 'quiet' },
  warning: { says: 'Warning', tone: 'text-[var(--amber-text)]' },
  error: { says: 'Error', tone: 'font-semibold text-error' },
  'left out': { says: 'Left out', tone: 'quiet' },
};
const isOf = (only: 'left out' | 'found', state: RowState | undefined): boolean =>
  only === 'left out' ? state === 'left out' : state === 'error' || state === 'warning';

type Sort = { key: string; descending: boolean } | undefined;

/** The table itself: found in, put in order, typed over. Only the rows in sight are drawn. */
export function RowTable({
  table,
  rows,
  run,
  shown,
  onShow,
  checked,
}: {
  table: Table;
  rows: Rows;
  run: Run;
  shown: number | undefined;
  onShow(row: number): void;
  checked: Checked;
}) {
  const [query, setQuery] = useState('');
  const [sort, setSort] = useState<Sort>();
  const [only, setOnly] = useState<'all' | 'alike' | 'left out' | 'found'>('all');
  const [editing, setEditing] = useState<{ row: number; key: string }>();
  const scroller = useRef<HTMLDivElement>(null);
  const searched = useSearched(rows);
  const wanted = useDeferredValue(query.trim().toLowerCase());
  const alike = useMemo(() => {
    if (only !== 'alike') return undefined;
    const keys = table.columns.filter(({ made, type }) => made === undefined && type !== 'picture').slice(0, 6);
    return alikeRows(
      rows,
      keys.map(({ key }) => key),
    );
  }, [only, rows, table.columns]);
  const statuses = useMemo(
    () => rowStatuses(run, rows, checked.result?.findings ?? []),
    [run, rows, checked.result?.findings],
  );
  const numbers = useMemo(() => {
    const chosen =
      only === 'alike'
        ? (alike ?? []).flatMap((group) => group.rows)
        : only === 'all'
          ? rows.numbers
          : rows.numbers.filter((row) => isOf(only, statuses.get(row)?.state));
    const found = wanted === '' ? chosen : chosen.filter((row) => searched(row).includes(wanted));
    return sort ? sortedRows(rows, found, sort.key, sort.descending) : found;
  }, [rows, wanted, sort, searched, only, alike, statuses]);
  const virtual = useVirtualizer({
    count: numbers.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
  });
  const counts = useMemo(() => statesCounted(statuses.values()), [statuses]);
  const at = shown === undefined ? -1 : numbers.indexOf(shown);
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: 'center' });
  }, [at, virtual]);
  const { columns } = table;
  const isFixed = table.source.kind === 'people';
  const widths = useMemo(
    () =>
      columns.map((column) =>
        columnWidth(
          column.name,
          rows.numbers.slice(0, SAMPLED).map((row) => shownCell(column, rows.cell(row, column.key))),
        ),
      ),
    [columns, rows],
  );
  const grid = `56px 84px ${widths.map((width) => `minmax(${width}px, ${width}fr)`).join(' ')}`;
  const wide = widths.reduce((sum, width) => sum + width, 140);
  return (
    <section aria-label="Rows" className="flex min-h-0 flex-1 flex-col border-base-300 border-t bg-base-100">
      <div className="flex flex-wrap items-center gap-2 px-3 py-2">
        <input
          type="search"
          className="input input-sm w-56"
          aria-label="Find rows"
          placeholder="Find rows"
          value={query}
          onChange={(event) => setQuery(event.target.value)}
        />
        <select
          className="select select-sm w-auto text-[14px]"
          aria-label="Rows shown"
          value={only}
          onChange={(event) => setOnly(event.target.value as typeof only)}
        >
          <option value="all">All rows</option>
          <option value="alike">Rows that look alike</option>
          <option value="found">With errors or warnings ({counts.error + counts.warning})</option>
          <option value="left out">Left out ({counts['left out']})</option>
        </select>
        <span role="status" className="quiet text-[13px]">
          {numbers.length === rows.numbers.length
            ? `${numbers.length.toLocaleString('en')} rows`
            : `${numbers.length.toLocaleString('en')} of ${rows.numbers.length.toLocaleString('en')} rows`}
        </span>
        {isFixed ? (
          <span className="quiet ml-auto text-[13px]">Change people in House style</span>
        ) : (
          <span className="ml-auto flex gap-1.5">
            <button type="button" className="btn btn-xs" onClick={() => act('Add row', (job) => addRow(job, table.id))}>
              Add row
            </button>
            <button
              type="button"
              className="btn btn-xs"
              disabled={shown === undefined}
              onClick={() => shown !== undefined && act('Delete row', (job) => removeRows(job, table.id, [shown]))}
            >
              Delete row
            </button>
          </span>
        )}
      </div>
      {/* biome-ignore lint/a11y/useSemanticElements: a table of fifty thousand rows draws only those in sight */}
      <div
        ref={scroller}
        role="grid"
        aria-label={table.name}
        aria-rowcount={numbers.length + 1}
        aria-colcount={columns.length + 2}
        className="min-h-0 flex-1 overflow-auto text-[13.5px]"
        tabIndex={0}
      >
        <div style={{ minWidth: wide }}>
          {/* biome-ignore lint/a11y/useSemanticElements: as above */}
          <div
            role="row"
            aria-rowindex={1}
            tabIndex={-1}
            className="sticky top-0 z-10 grid border-base-300 border-b bg-base-200"
            style={{ gridTemplateColumns: grid }}
          >
            {/* biome-ignore lint/a11y/useSemanticElements: as above */}
            <span role="columnheader" tabIndex={-1} className="px-2 py-1 text-right">
              Row
            </span>
            {/* biome-ignore lint/a11y/useSemanticElements: as above */}
            <span role="columnheader" tabIndex={-1} className="px-2 py-1">
              Status
            </span>
            {columns.map(({ key, name }) => (
              // biome-ignore lint/a11y/useSemanticElements: as above
              <span
                key={key}
                role="columnheader"
                tabIndex={-1}
                aria-sort={sort?.key === key ? (sort.descending ? 'descending' : 'ascending') : 'none'}
                className="min-w-0"
              >
                <button
                  type="button"
                  className="w-full truncate px-2 py-1 text-left font-semibold"
                  title={`Sort by ${name}`}
                  onClick={() =>
                    setSort(
                      sort?.key !== key
                        ? { key, descending: false }
                        : sort.descending
                          ? undefined
                          : { key, descending: true },
                    )
                  }
                >
                  {name}
                  {sort?.key === key ? (sort.descending ? ' ↓' : ' ↑') : ''}
                </button>
              </span>
            ))}
          </div>
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map(({ index, start }) => {
              const row = numbers[index]!;
              const { state = 'printed', why = '' } = statuses.get(row) ?? {};
              return (
                // biome-ignore lint/a11y/useSemanticElements: as above
                <div
                  key={row}
                  role="row"
                  tabIndex={-1}
                  aria-rowindex={index + 2}
                  aria-selected={row === shown}
                  className={`absolute inset-x-0 grid border-base-300 border-b ${row === shown ? 'bg-base-300' : 'hover:bg-base-200'} ${state === 'left out' ? 'line-through opacity-70' : ''}`}
                  style={{ gridTemplateColumns: grid, height: ROW_HEIGHT, transform: `translateY(${start}px)` }}
                  title={why === '' ? undefined : `${STATE[state].says}: ${why}`}
                >
                  {/* biome-ignore lint/a11y/useSemanticElements: as above */}
                  <span role="rowheader" tabIndex={-1} className="figures">
                    <button
                      type="button"
                      className="h-full w-full px-2 text-right"
                      aria-label={`Show row ${row + 1}`}
                      onClick={() => onShow(row)}
                    >
                      {row + 1}
                    </button>
                  </span>
                  {/* biome-ignore lint/a11y/useSemanticElements: as above */}
                  <span role="gridcell" tabIndex={-1} className={`truncate px-2 leading-[30px] ${STATE[state].tone}`}>
                    {STATE[state].says}
                  </span>
                  {columns.map((column) => {
                    const said = rows.cell(row, column.key);
                    const isEdited = editing?.row === row && editing.key === column.key;
                    const canEdit = !isFixed && column.made === undefined;
                    return (
                      // biome-ignore lint/a11y/useSemanticElements: as above
                      <span key={column.key} role="gridcell" tabIndex={-1} className="min-w-0">
                        {isEdited ? (
                          <CellField
                            label={`${column.name}, row ${row + 1}`}
                            said={rows.raw(row, column.key)}
                            onTake={(text) => act('Edit cell', (job) => setCell(job, table.id, row, column.key, text))}
                            onLeave={() =>
                              setEditing((now) => (now?.row === row && now.key === column.key ? undefined : now))
                            }
                          />
                        ) : (
                          <button
                            type="button"
                            className="h-full w-full truncate px-2 text-left"
                            aria-label={`${column.name}, row ${row + 1}: ${said || 'empty'}`}
                            onClick={() => onShow(row)}
                            onDoubleClick={() => canEdit && setEditing({ row, key: column.key })}
                            onKeyDown={(event) => {
                              if (event.key !== 'F2' || !canEdit) return;
                              event.preventDefault();
                              setEditing({ row, key: column.key });
                            }}
                          >
                            {shownCell(column, said)}
                          </button>
                        )}
                      </span>
                    );
                  })}
                </div>
              );
            })}
          </div>
        </div>
      </div>
    </section>
  );
}
