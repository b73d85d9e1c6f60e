import { useState } from 'react';
import { addRowPictures, endRun, renameTable } from '../../../core/job/edits/runs';
import type { Table } from '../../../core/job/table';
import { intake } from '../../../workers/intake';
import { useBench } from '../../bench/bench';
import { Typed } from '../../parts/Typed';
import { act } from '../../store/session';
import { ImportTable } from './ImportTable';

const SOURCES: Record<Table['source']['kind'], (table: Table) => string> = {
  file: ({ source }) => `${'name' in source ? source.name : ''}, kept with the job`,
  linked: ({ source }) => `${'name' in source ? source.name : ''}, linked: not in the job file`,
  people: () => 'The people of House style',
  counted: () => 'Counted rows',
};

/** Which table it is, where its rows come from, and what can be done with it as a whole. */
export function TableHead({ table, missing }: { table: Table; missing: boolean }) {
  const { sheet: piece } = useBench();
  const [open, setOpen] = useState<'file' | 'paste'>();
  const [told, setTold] = useState<string[]>([]);
  const hasFile = 'file' in table.source;
  async function takePictures(files: FileList | null): Promise<void> {
    if (!files || files.length === 0) return;
    const { pictures, told: faults } = await intake().takeRowPictures([...files]);
    if (pictures.length > 0) act('Add pictures', (job) => addRowPictures(job, table.id, pictures));
    setTold([`${pictures.length} ${pictures.length === 1 ? 'picture' : 'pictures'} added.`, ...faults]);
  }
  return (
    <section aria-label="Table" className="mb-5 grid gap-1.5">
      <Typed
        className="input input-sm w-full font-semibold"
        aria-label="Name of the table"
        said={table.name}
        maxLength={120}
        onTake={(name) => act('Rename table', (job) => renameTable(job, table.id, name))}
      />
      <p className={`text-[13px] ${missing ? 'text-error' : 'quiet'}`}>{SOURCES[table.source.kind](table)}</p>
      <div className="flex flex-wrap gap-1.5">
        {hasFile && (
          <button type="button" className="btn btn-xs" onClick={() => setOpen('file')}>
            Replace rows…
          </button>
        )}
        {table.columns.some(({ type }) => type === 'picture') && (
          <label className="btn btn-xs">
            Add pictures…
            <input
              type="file"
              className="sr-only"
              multiple
              accept=".jpg,.jpeg,.png,.tif,.tiff,.webp,.zip"
              onChange={(event) => {
                void takePictures(event.target.files);
                event.target.value = '';
              }}
            />
          </label>
        )}
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => act('Remove table from piece', (job) => endRun(job, piece.id))}
        >
          Other table…
        </button>
      </div>
      {told.length > 0 && (
        <div role="status" className="text-[13px]">
          {told.slice(0, 5).map((line) => (
            <p key={line}>{line}</p>
          ))}
          {told.length > 5 && <p>and {told.length - 5} more.</p>}
        </div>
      )}
      {open && <ImportTable from={open} replaces={table} onClose={() => setOpen(undefined)} />}
    </section>
  );
}
