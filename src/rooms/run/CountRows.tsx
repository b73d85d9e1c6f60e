import { nanoid } from 'nanoid';
import { useState } from 'react';
import { addTable } from '../../../core/job/edits/runs';
import { CHECK_DIGITS, type Column, type Table } from '../../../core/job/table';
import { rowsOf } from '../../../core/run/rows';
import { JOB_LIMITS } from '../../../core/trade/job-limits';
import { useBench } from '../../bench/bench';
import { Dialog } from '../../parts/Dialog';
import { NumberField } from '../../parts/NumberField';
import { Pick } from '../../parts/Pick';
import { Tick } from '../../parts/Tick';
import { act } from '../../store/session';

/** Rows that are counted: a number each, and a random code beside it where that is wanted. */
export function CountRows({ onClose }: { onClose(): void }) {
  const { job, sheet: piece } = useBench();
  const [rows, setRows] = useState(piece.order?.quantity ?? 100);
  const [count, setCount] = useState({
    first: 1,
    step: 1,
    digits: 4,
    before: '',
    check: 'none' as (typeof CHECK_DIGITS)[number],
  });
  const [code, setCode] = useState(false);
  const [length, setLength] = useState(8);
  const columns: Column[] = [
    { key: 'number', name: 'Number', type: 'text', made: { kind: 'count', after: '', ...count } },
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
        <div className="grid grid-cols-2 gap-3">
          <label className="input input-sm w-full">
            <span className="quiet text-[13px]">Prefix</span>
            <input
              aria-label="Prefix"
              maxLength={40}
              value={count.before}
              onChange={(event) => setCount({ ...count, before: event.target.value })}
            />
          </label>
          <NumberField
            label="Figures"
            value={count.digits}
            least={1}
            most={20}
            onChange={(digits) => setCount({ ...count, digits })}
          />
          <NumberField
            label="From"
            value={count.first}
            least={0}
            most={999_999_999_999}
            onChange={(first) => setCount({ ...count, first })}
          />
          <NumberField
            label="Step"
            value={count.step}
            least={-1_000_000}
            most={1_000_000}
            onChange={(step) => setCount({ ...count, step })}
          />
        </div>
        <Pick
          label="Check digit"
          value={count.check}
          options={CHECK_DIGITS.map((each) => [
            each,
            each === 'none' ? 'None' : `${each[0]!.toUpperCase()}${each.slice(1)}`,
          ])}
          onChange={(check) => setCount({ ...count, check: check as typeof count.check })}
        />
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
