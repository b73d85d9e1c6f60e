import { nanoid } from 'nanoid';
import { useState } from 'react';
import { addTable, printFrom } from '../../../core/job/edits/runs';
import type { Table } from '../../../core/job/table';
import { PEOPLE_COLUMNS } from '../../../core/run/rows';
import { useBench } from '../../bench/bench';
import { act } from '../../store/session';
import { CountRows } from './CountRows';
import { ImportTable } from './ImportTable';

/** A table of the house's people, with a contact card for a code. */
export const peopleTable = (id: string, count: number): Table => ({
  id,
  name: 'The house’s people',
  source: { kind: 'people' },
  rows: count,
  added: 0,
  columns: [
    ...PEOPLE_COLUMNS,
    {
      key: 'contact',
      name: 'Contact card',
      type: 'text',
      made: { kind: 'contact', parts: { name: 'name', title: 'title', phone: 'phone', mail: 'email' } },
    },
  ],
  cells: {},
  removed: [],
  pictures: {},
});

/** Where the rows of a piece come from, while it has none. */
export function NoTable() {
  const { job, sheet: piece } = useBench();
  const [open, setOpen] = useState<'file' | 'paste' | 'count'>();
  return (
    <div className="mx-auto grid max-w-3xl gap-6 px-8 py-14">
      <div>
        <h2 className="font-semibold text-xl">Print {piece.name} for many</h2>
        <p className="mt-1 text-[15px]">
          A table has a row for each card, letter or voucher. Text, codes, pictures and inks follow its columns; every
          row is checked before it is written.
        </p>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <Way title="Import table…" onClick={() => setOpen('file')}>
          CSV, XLSX, ODS or contact cards (.vcf)
        </Way>
        <Way title="Paste cells…" onClick={() => setOpen('paste')}>
          Copied from a spreadsheet or a web page
        </Way>
        <Way
          title={`Use the house’s people (${job.people.length})`}
          disabled={job.people.length === 0}
          onClick={() => act('Use people', (now) => addTable(now, peopleTable(nanoid(8), job.people.length), piece.id))}
        >
          {job.people.length === 0
            ? 'Add people in House style first'
            : 'A card for each; changes in House style follow'}
        </Way>
        <Way title="Count rows…" onClick={() => setOpen('count')}>
          Serial numbers and random codes, with check digits
        </Way>
      </div>
      {job.tables.length > 0 && (
        <section aria-label="Tables of this job" className="grid gap-1.5">
          <h3 className="heading">Tables of this job</h3>
          {job.tables.map(({ id, name }) => (
            <button
              key={id}
              type="button"
              className="btn btn-sm justify-self-start"
              onClick={() => act('Use table', (now) => printFrom(now, piece.id, id))}
            >
              Use {name}
            </button>
          ))}
        </section>
      )}
      {(open === 'file' || open === 'paste') && <ImportTable from={open} onClose={() => setOpen(undefined)} />}
      {open === 'count' && <CountRows onClose={() => setOpen(undefined)} />}
    </div>
  );
}

function Way({
  title,
  children,
  disabled = false,
  onClick,
}: {
  title: string;
  children: string;
  disabled?: boolean;
  onClick(): void;
}) {
  return (
    <button
      type="button"
      className="grid gap-1 rounded border border-base-300 bg-base-100 p-4 text-left hover:border-neutral disabled:opacity-60"
      disabled={disabled}
      onClick={onClick}
    >
      <b className="font-semibold">{title}</b>
      <span className="quiet text-[14px]">{children}</span>
    </button>
  );
}
