import { nanoid } from 'nanoid';
import { useEffect, useRef, useState } from 'react';
import { ENCODINGS, type Encoding } from '../../../core/files/text-in';
import { addTable, replaceRows } from '../../../core/job/edits/runs';
import { COLUMN_TYPES, type Column, type ColumnType, type Table } from '../../../core/job/table';
import { DELIMITERS, type Delimiter, type TableAsked } from '../../../core/run/read-table';
import { intake } from '../../../workers/intake';
import type { TableTaken } from '../../../workers/intake-work';
import { useBench } from '../../bench/bench';
import { Dialog } from '../../parts/Dialog';
import { Pick } from '../../parts/Pick';
import { Tick } from '../../parts/Tick';
import { act } from '../../store/session';

/** What a column can hold, as it is called. */
const TYPE_NAMES: Record<ColumnType, string> = {
  text: 'Text',
  number: 'Number',
  date: 'Date',
  phone: 'Phone',
  postcode: 'Postcode',
  email: 'Email',
  picture: 'Picture file',
};

/** A table looked at before it is imported: how it was read can be corrected. */
export function ImportTable({
  from,
  replaces,
  onClose,
}: {
  from: 'file' | 'paste';
  /** The table whose rows it takes the place of. */
  replaces?: Table;
  onClose(): void;
}) {
  const { sheet: piece } = useBench();
  const [file, setFile] = useState<File>();
  const [asked, setAsked] = useState<TableAsked>({});
  const [read, setRead] = useState<TableTaken>();
  const [columns, setColumns] = useState<Column[]>([]);
  const [problem, setProblem] = useState<string>();
  const [isLinked, setLinked] = useState(replaces?.source.kind === 'linked');
  const latest = useRef(0);
  useEffect(() => {
    if (!file) return;
    const mine = ++latest.current;
    intake()
      .takeTable(file, asked, replaces?.columns ?? [])
      .then(
        (taken) => {
          if (mine !== latest.current) return;
          setRead(taken);
          setColumns(taken.columns);
          setProblem(undefined);
        },
        (error: Error) => {
          if (mine !== latest.current) return;
          setRead(undefined);
          setProblem(error.message);
        },
      );
  }, [file, asked, replaces]);
  function take(): void {
    if (!read || !file) return;
    const source = {
      kind: isLinked ? ('linked' as const) : ('file' as const),
      file: read.hash,
      name: file.name.slice(0, 255),
    };
    if (replaces) act('Replace rows', (job) => replaceRows(job, replaces.id, { source, rows: read.rows, columns }));
    else {
      const name = file.name.replace(/\.[a-z0-9]+$/i, '').slice(0, 120) || 'Table';
      const table: Table = {
        id: nanoid(8),
        name,
        source,
        rows: read.rows,
        added: 0,
        columns,
        cells: {},
        removed: [],
        pictures: {},
      };
      act('Import table', (job) => addTable(job, table, piece.id));
    }
    onClose();
  }
  return (
    <Dialog title={replaces ? `Replace the rows of ${replaces.name}` : 'Import table'} wide onClose={onClose}>
      <div className="grid gap-3">
        {from === 'file' ? (
          <input
            type="file"
            className="file-input file-input-sm w-full"
            aria-label="Table file"
            accept=".csv,.tsv,.txt,.xlsx,.xls,.ods,.vcf,.vcard"
            onChange={(event) => {
              setAsked({});
              setFile(event.target.files?.[0]);
            }}
          />
        ) : (
          <textarea
            className="textarea min-h-28 w-full font-mono text-[13px]"
            aria-label="Cells"
            placeholder="Paste the cells here, heads first if there are any"
            onChange={(event) => {
              const text = event.target.value;
              setRead(undefined);
              setFile(text.trim() === '' ? undefined : new File([text], 'Pasted cells.txt', { type: 'text/plain' }));
            }}
          />
        )}
        {problem && (
          <p role="alert" className="text-error">
            {problem}
          </p>
        )}
        {read && (
          <>
            <div className="grid grid-cols-3 gap-3">
              {read.encoding && from === 'file' && (
                <Pick
                  label={read.isSure ? 'Letters as in' : 'Letters as in (a guess)'}
                  value={read.encoding}
                  options={ENCODINGS}
                  onChange={(encoding) => setAsked({ ...asked, encoding: encoding as Encoding })}
                />
              )}
              {read.delimiter && (
                <Pick
                  label="Cells are parted by"
                  value={read.delimiter}
                  options={Object.entries(DELIMITERS)}
                  onChange={(delimiter) => setAsked({ ...asked, delimiter: delimiter as Delimiter })}
                />
              )}
              {read.sheets && read.sheets.length > 1 && (
                <Pick
                  label="Sheet"
                  value={read.sheet ?? ''}
                  options={read.sheets.map((name) => [name, name])}
                  onChange={(sheet) => setAsked({ ...asked, sheet })}
                />
              )}
            </div>
            {read.kind !== 'contact cards' && (
              <Tick checked={read.header} onChange={(header) => setAsked({ ...asked, header })}>
                The first row names the columns
              </Tick>
            )}
            <div className="overflow-x-auto rounded border border-base-300">
              <table className="table table-xs">
                <thead>
                  <tr>
                    {columns.map((column) => (
                      <th key={column.key} className="min-w-32">
                        <div>{column.name}</div>
                        <select
                          className="select select-xs mt-1 w-full"
                          aria-label={`What ${column.name} holds`}
                          value={column.type}
                          onChange={(event) =>
                            setColumns(
                              columns.map((each) =>
                                each.key === column.key ? { ...each, type: event.target.value as ColumnType } : each,
                              ),
                            )
                          }
                        >
                          {COLUMN_TYPES.map((type) => (
                            <option key={type} value={type}>
                              {TYPE_NAMES[type]}
                            </option>
                          ))}
                        </select>
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {read.sample.map((row, i) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: rows of a sample have no other name
                    <tr key={i}>
                      {columns.map(({ key, at }) => (
                        <td key={key} className="max-w-56 truncate">
                          {row[at ?? 0]}
                        </td>
                      ))}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            <Tick checked={isLinked} onChange={setLinked}>
              Linked: leave the rows out of the job file
            </Tick>
          </>
        )}
        <div className="flex items-center justify-end gap-2">
          {file && !read && !problem && <span role="status">Reading…</span>}
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Cancel
          </button>
          <button type="button" className="btn btn-sm btn-primary" disabled={!read} onClick={take}>
            {read ? `${replaces ? 'Replace with' : 'Import'} ${read.rows.toLocaleString('en')} rows` : 'Import'}
          </button>
        </div>
      </div>
    </Dialog>
  );
}
