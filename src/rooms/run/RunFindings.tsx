import { useState } from 'react';
import type { Run } from '../../../core/job/by-row';
import { bringBack, leaveOut } from '../../../core/job/edits/runs';
import type { RunFinding } from '../../../core/run/check-run';
import { type Rows, rowTitle } from '../../../core/run/rows';
import { useBench } from '../../bench/bench';
import { act } from '../../store/session';
import type { Checked } from './use-run';

const GRAVITY = { stop: 'Error', warn: 'Warning', advise: 'Advice' } as const;
const TONE = { stop: 'text-error', warn: 'text-[var(--amber-text)]', advise: 'quiet' } as const;

/** What all rows were found to have, by cause, and the rows to look at first. */
export function RunFindings({
  run,
  rows,
  checked: { result, done, problem },
  shown,
  onShow,
}: {
  run: Run;
  rows: Rows;
  checked: Checked;
  shown: number | undefined;
  onShow(row: number): void;
}) {
  const out = shown === undefined ? undefined : run.leftOut.find(({ row }) => row === shown);
  return (
    <>
      <section aria-label="Rows to look at first" className="mb-5 grid gap-1">
        <h2 className="heading">Look at first</h2>
        {problem && (
          <p role="alert" className="text-error text-[14px]">
            {problem}
          </p>
        )}
        {done !== undefined && (
          <p role="status" className="flex items-center gap-2 text-[13px]">
            <progress className="progress progress-primary w-24" value={done} max={1} aria-label="Checking the rows" />
            Checking {rows.numbers.length.toLocaleString('en')} rows…
          </p>
        )}
        {result?.hard.map(({ row, why }) => (
          <button
            key={row}
            type="button"
            aria-pressed={row === shown}
            className={`rounded px-2 py-1 text-left ${row === shown ? 'bg-base-300' : 'hover:bg-base-200'}`}
            onClick={() => onShow(row)}
          >
            <span className="block truncate text-[14px]">
              <span className="figures quiet">{row + 1}</span> {rowTitle(rows, row)}
            </span>
            <span className="quiet block text-[12.5px]">{why.join(', ')}</span>
          </button>
        ))}
      </section>
      <section aria-label="Findings of the rows" className="mb-5 grid gap-1.5">
        <h2 className="heading">
          {result
            ? result.findings.length === 0
              ? 'No findings in any row'
              : `${result.findings.length} ${result.findings.length === 1 ? 'cause' : 'causes'}`
            : 'Findings'}
        </h2>
        {result?.findings.map((finding) => (
          <Cause key={finding.key} finding={finding} rows={rows} shown={shown} onShow={onShow} />
        ))}
        {result && result.hard.length > 0 && (
          <p className="quiet text-[13px]">
            Total ink and how text stands out were looked at in the {result.hard.length} rows above.
          </p>
        )}
        {result && result.unread.length > 0 && (
          <p className="text-[13px] text-error">
            {result.unread.length} rows in which two texts may meet were not looked at one by one. Look at the widest of
            them.
          </p>
        )}
      </section>
      <LeftOut run={run} rows={rows} shown={out ? undefined : shown} />
    </>
  );
}

const MOST_LISTED = 6;

function Cause({
  finding,
  rows,
  shown,
  onShow,
}: {
  finding: RunFinding;
  rows: Rows;
  shown: number | undefined;
  onShow(row: number): void;
}) {
  const [all, setAll] = useState(false);
  const { severity, problem, rows: found } = finding;
  const listed = all ? found.slice(0, 300) : found.slice(0, MOST_LISTED);
  return (
    <article className="rounded border border-base-300 p-2">
      <p className="text-[14px]">
        <b className={`font-semibold ${TONE[severity]}`}>{GRAVITY[severity]}</b> {problem}
      </p>
      <p className="quiet text-[13px]">
        {found.length === rows.numbers.length
          ? 'In every row'
          : `In ${found.length.toLocaleString('en')} ${found.length === 1 ? 'row' : 'rows'}`}
      </p>
      {found.length < rows.numbers.length && (
        <div className="mt-1 flex flex-wrap gap-1">
          {listed.map((row) => (
            <button
              key={row}
              type="button"
              className={`btn btn-xs max-w-full ${row === shown ? 'btn-neutral' : ''}`}
              title={rowTitle(rows, row)}
              onClick={() => onShow(row)}
            >
              <span className="truncate">
                {row + 1} {rowTitle(rows, row)}
              </span>
            </button>
          ))}
          {found.length > MOST_LISTED && (
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAll(!all)}>
              {all ? 'Fewer' : `All ${found.length.toLocaleString('en')}`}
            </button>
          )}
        </div>
      )}
    </article>
  );
}

/** Rows that are not printed, each with its reason. */
function LeftOut({ run, rows, shown }: { run: Run; rows: Rows; shown: number | undefined }) {
  const { sheet: piece } = useBench();
  const [why, setWhy] = useState('');
  const here = new Set(rows.numbers);
  const out = run.leftOut.filter(({ row }) => here.has(row));
  return (
    <section aria-label="Left out" className="grid gap-1.5">
      <h2 className="heading">Left out: {out.length}</h2>
      {out.slice(0, 100).map(({ row, why: reason }) => (
        <div key={row} className="flex items-center gap-2 text-[14px]">
          <span className="min-w-0 flex-1 truncate" title={reason}>
            {row + 1} {rowTitle(rows, row)}: {reason}
          </span>
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => act('Print row again', (job) => bringBack(job, piece.id, [row]))}
          >
            Print again
          </button>
        </div>
      ))}
      {shown !== undefined && (
        <form
          className="flex gap-1.5"
          onSubmit={(event) => {
            event.preventDefault();
            act('Leave row out', (job) => leaveOut(job, piece.id, [shown], why.trim()));
            setWhy('');
          }}
        >
          <input
            className="input input-sm min-w-0 flex-1"
            aria-label={`Why row ${shown + 1} is left out`}
            placeholder={`Reason for row ${shown + 1}`}
            required
            maxLength={200}
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
          <button type="submit" className="btn btn-sm">
            Leave out
          </button>
        </form>
      )}
    </section>
  );
}
