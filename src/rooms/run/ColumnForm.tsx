import { useState } from 'react';
import { addColumn } from '../../../core/job/edits/runs';
import type { Made, MadeKind, Table } from '../../../core/job/table';
import { addressColumns, contactColumns } from '../../../core/run/guess-columns';
import { keyFor } from '../../../core/run/read-table';
import type { Rows } from '../../../core/run/rows';
import { useBench } from '../../bench/bench';
import { Dialog } from '../../parts/Dialog';
import { Pick } from '../../parts/Pick';
import { act } from '../../store/session';
import { MadeFields, type Options } from './MadeFields';

/** What made columns are called. */
export const MADE_NAMES: Record<MadeKind, string> = {
  joined: 'Text from columns',
  address: 'Postal address',
  contact: 'Contact card for a code',
  post: 'Postal barcode of an address',
  count: 'Serial number',
  random: 'Random code',
  number: 'Number format',
  date: 'Date format',
  phone: 'Phone format',
  postcode: 'Postcode format',
  case: 'Capitals',
};

/** What a kind begins with, the columns guessed by their names. */
function begun(kind: MadeKind, table: Table, country: string): Made {
  const of = table.columns[0]!.key;
  const typed = (type: string): string => table.columns.find((column) => column.type === type)?.key ?? of;
  switch (kind) {
    case 'joined':
      return {
        kind,
        says: table.columns
          .slice(0, 2)
          .map(({ key }) => `{${key}}`)
          .join(' '),
      };
    case 'number':
      return { kind, of: typed('number'), decimals: 2, grouped: true, before: '', after: '' };
    case 'date':
      return { kind, of: typed('date'), form: 'long' };
    case 'phone':
      return { kind, of: typed('phone'), form: 'international' };
    case 'postcode':
      return { kind, of: typed('postcode') };
    case 'case':
      return { kind, of, to: 'first letters' };
    case 'count':
      return { kind, first: 1, step: 1, digits: 4, before: '', after: '', check: 'none' };
    case 'random':
      return { kind, length: 8, from: 'clear', seed: 1, before: '', check: 'mod 10' };
    case 'address':
      return { kind, from: country, parts: addressColumns(table.columns) };
    case 'post': {
      const { street } = addressColumns(table.columns);
      const code = country === 'NL' ? 'kix' : country === 'US' ? 'imb' : 'royalmail';
      return { kind, code, postcode: typed('postcode'), ...(street ? { street } : {}), service: '', mailer: '' };
    }
    case 'contact':
      return { kind, parts: contactColumns(table.columns) };
  }
}

/** A column that is made from others, or counted. */
export function ColumnForm({ table, rows, onClose }: { table: Table; rows: Rows; onClose(): void }) {
  const { job } = useBench();
  const country = job.country ?? 'GB';
  const [name, setName] = useState('');
  const [made, setMade] = useState<Made>(() => begun('joined', table, country));
  const columns: Options = table.columns.map(({ key, name: said }) => [key, said]);
  const shownName = name.trim() || MADE_NAMES[made.kind];
  const key = keyFor(shownName, new Set(table.columns.map((column) => column.key)));
  const column = { key, name: shownName, type: 'text' as const, made };
  const example = rows.numbers.slice(0, 3).map((row) => rows.made(row, made));
  return (
    <Dialog title="Add column" wide onClose={onClose}>
      <div className="grid gap-3">
        <div className="grid grid-cols-2 gap-3">
          <Pick
            label="Kind"
            value={made.kind}
            options={Object.entries(MADE_NAMES)}
            onChange={(kind) => setMade(begun(kind as MadeKind, table, country))}
          />
          <label className="grid gap-0.5">
            <span className="quiet text-[13px]">Name</span>
            <input
              className="input input-sm w-full"
              value={name}
              placeholder={MADE_NAMES[made.kind]}
              maxLength={120}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
        </div>
        <MadeFields made={made} columns={columns} onChange={setMade} />
        <div className="rounded bg-base-200 p-2 text-[13px]" role="status" aria-label="Examples">
          {example.map((said, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: examples are known by their place
            <p key={i} className="whitespace-pre-line border-base-300 border-b py-1 last:border-0">
              {said || '(empty)'}
            </p>
          ))}
        </div>
        <div className="flex justify-end gap-2">
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Cancel
          </button>
          <button
            type="button"
            className="btn btn-sm btn-primary"
            onClick={() => {
              act('Add column', (now) => addColumn(now, table.id, column));
              onClose();
            }}
          >
            Add column
          </button>
        </div>
      </div>
    </Dialog>
  );
}
