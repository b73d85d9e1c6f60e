import { nanoid } from 'nanoid';
import { useState } from 'react';
import { addTable } from '../../../core/job/edits/runs';
import type { Column, Made, Table } from '../../../core/job/table';
import { rowsOf } from '../../../core/run/rows';
import { JOB_LIMITS } from '../../../core/trade/job-limits';
import { useBench } from '../../bench/bench';
import { Dialog } from '../../parts/Dialog';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';
import { act } from '../../store/session';
import { CountFields } from './MadeFields';

type Counted = Extract<Made, { kind: 'count' }>;

/** Rows that are counted: a number each, and a random code beside it where that is wanted. */
export function CountRows({ onClose }: { onClose(): void }) {
  const { job, sheet: piece } = useBench();
  const [rows, setRows] = useState(piece.order?.quantity ?? 100);
  const [count, setCount] = useState<Counted>({
    kind: 'count',
    first: 1,
    step: 1,
    digits: 4,
    before: '',
    after: '',
    check: 'none',
  });
  const [code, setCode] = useState(false);
  const [length, setLength] = useState(8);
  const columns: Column[] = [
    { key: 'number', name: 'Number', type: 'text', made: count },
    ...(code
      ? [
          {
            key: 'code',
            name: 'Code',
            type: 'text' as const,
            made: {
              kind: 'random' as const,
              length,
              from: 'clear' as const,
              seed: 1,
              before: '',
              check: 'mod 10' as const,
            },
          },
        ]
      : []),
  ];
  const table: Table = {
    id: nanoid(8),
    name: `Rows 1 to ${rows}`,
    source: { kind: 'counted' },
    rows,
    added: 0,
    columns,
    cells: {},
    removed: [],
    pictures: {},
  };
  const read = rowsOf(table, { people: [], firm: job.firm });
  const shown = [0, 1, 2, rows - 1].filter((n, i, all) => n >= 0 && n < rows && all.indexOf(n) === i);
  return (
    <Dialog title="Count rows" onClose={onClose}>
      <div className="grid gap-3">
        <NumberField label="Rows" value={rows} least={1} most={JOB_LIMITS.rows} onChange={setRows} />
        <CountFields made={count} onChange={setCount} />
        <Tick checked={code} onChange={setCode}>
          A random code beside each number
        </Tick>
        {code && <NumberField label="Signs of a code" value={length} least={4} most={40} onChange={setLength} />}
        <p className="rounded bg-base-200 p-2 font-mono text-[13px]" role="status" aria-label="Examples">
          {shown.map((n) => columns.map(({ key }) => read.cell(n, key)).join('  ')).join(' · ')}
        </p>
        <div className="flex justify-end gap-2">
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Cancel
          </button>
          <button
            type="button"
            className="btn btn-sm btn-primary"
            onClick={() => {
              act('Count rows', (now) => addTable(now, table, piece.id));
              onClose();
            }}
          >
            Add {rows.toLocaleString('en')} rows
          </button>
        </div>
      </div>
    </Dialog>
  );
}
