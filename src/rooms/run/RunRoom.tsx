import { useEffect, useState } from 'react';
import { useBench } from '../../bench/bench';
import { PieceRoom } from '../../bench/PieceRoom';
import { Columns } from './Columns';
import { Followers } from './Followers';
import { LetterOfRun } from './LetterOfRun';
import { NoTable } from './NoTable';
import { RowStage } from './RowStage';
import { RowTable } from './RowTable';
import { RunExport } from './RunExport';
import { RunFindings } from './RunFindings';
import { TableHead } from './TableHead';
import { useChecked, useRun } from './use-run';

/** Where one piece and a table of rows become many pieces. */
export default function RunRoom() {
  return (
    <PieceRoom here="run" columns="grid-cols-[290px_minmax(0,1fr)_320px]" waiting="Fetching the rows…">
      <Here />
    </PieceRoom>
  );
}

function Here() {
  const { job, sheet } = useBench();
  const here = useRun();
  const { table, run, rows, missing, plan, printed } = here;
  const checked = useChecked(sheet.id, rows !== undefined);
  const [at, setAt] = useState(0);
  const row = printed[Math.min(at, printed.length - 1)];
  // biome-ignore lint/correctness/useExhaustiveDependencies: another table begins at its first row
  useEffect(() => setAt(0), [table?.id]);
  if (!table || !run)
    return (
      <main className="col-span-full overflow-y-auto bg-base-200">
        <NoTable />
      </main>
    );
  const show = (wanted: number): void => {
    const found = printed.indexOf(wanted);
    if (found >= 0) setAt(found);
  };
  return (
    <>
      <aside
        className="overflow-y-auto border-base-300 border-r bg-base-100 p-4"
        aria-label="The table and what follows it"
      >
        <TableHead table={table} missing={missing} />
        {rows && <Columns table={table} rows={rows} row={row} />}
        {rows && <LetterOfRun table={table} run={run} />}
        {rows && <Followers table={table} />}
      </aside>
      <main className="flex min-h-0 flex-col bg-base-200" aria-label="The rows">
        {missing && (
          <p role="alert" className="m-4 rounded border border-error bg-base-100 p-3 text-error">
            The rows of {table.name} are not here: its file is linked and stays where it was. Replace it with the file,
            on the left.
          </p>
        )}
        {rows && plan && (
          <>
            <RowStage plan={plan} printed={printed} at={Math.min(at, printed.length - 1)} onAt={setAt} />
            <RowTable key={table.id} table={table} rows={rows} run={run} shown={row} onShow={show} checked={checked} />
          </>
        )}
      </main>
      <aside className="flex min-h-0 flex-col border-base-300 border-l bg-base-100" aria-label="Checks and export">
        {rows && (
          <>
            <div className="min-h-0 flex-1 overflow-y-auto p-4">
              <RunFindings run={run} rows={rows} checked={checked} shown={row} onShow={show} />
            </div>
            <RunExport job={job} run={run} rows={rows} checked={checked} printed={printed} row={row} />
          </>
        )}
      </aside>
    </>
  );
}
