import { proxy } from 'comlink';
import { useMemo, useState } from 'react';
import { exportName } from '../../../core/files/file-names';
import type { Standard } from '../../../core/files/pdf/standards';
import { type Run, SHEET_WAYS } from '../../../core/job/by-row';
import { setRun } from '../../../core/job/edits/runs';
import { finishesUsed } from '../../../core/job/finishing';
import type { Job } from '../../../core/job/schema';
import { tallyOf } from '../../../core/run/order';
import type { Rows } from '../../../core/run/rows';
import type { RunOrder, WrittenRun } from '../../../workers/run-work';
import { useBench } from '../../bench/bench';
import { ExportRow } from '../../bench/gate/ExportRow';
import { useGate } from '../../bench/gate/use-gate';
import { Pick } from '../../parts/Pick';
import { saveFiles } from '../../parts/save-files';
import { Tick } from '../../parts/Tick';
import { Typed } from '../../parts/Typed';
import { useWriting } from '../../parts/use-writing';
import { WriteRow } from '../../parts/WriteRow';
import { loadAssets } from '../../store/assets';
import { act } from '../../store/session';
import { keepHandOff } from '../../store/versions';
import { LabelFields } from './LabelFields';
import { placesAsked, runOnServer, type ServerRun } from './server-run';
import type { Checked } from './use-run';

const KINDS = [
  ['pages', 'One PDF'],
  ['files', 'A PDF a row'],
  ['sheets', 'Press sheets'],
  ['labels', 'Sheets of labels'],
] as const;
type Way = 'PDF/X-4' | 'PDF/VT-1' | 'PDF/X-1a:2001' | 'PDF/X-1a:2003';
const WAYS: readonly (readonly [Way, string])[] = [
  ['PDF/X-4', 'PDF/X-4'],
  ['PDF/VT-1', 'PDF/VT-1'],
  ['PDF/X-1a:2001', 'PDF/X-1a:2001'],
  ['PDF/X-1a:2003', 'PDF/X-1a:2003'],
];

/** What the command line calls them. */
const WAYS_OF_SERVER: Readonly<Record<Way, string>> = {
  'PDF/X-4': 'pdfx4',
  'PDF/VT-1': 'pdfvt1',
  'PDF/X-1a:2001': 'pdfx1a',
  'PDF/X-1a:2003': 'pdfx1a2003',
};

/** The order of the rows, how they lie on sheets, and the file. */
export function RunExport({
  job,
  run,
  rows,
  checked,
  printed,
  row,
}: {
  job: Job;
  run: Run;
  rows: Rows;
  checked: Checked;
  printed: readonly number[];
  row: number | undefined;
}) {
  const { sheet: piece, shop } = useBench();
  const [as, setAs] = useState<RunOrder['as']>('pages');
  const [way, setWay] = useState<Way>(shop.standard);
  const [reprint, setReprint] = useState('');
  const [sure, setSure] = useState(false);
  const [done, setDone] = useState<{ of: string; job: Job; file: WrittenRun }>();
  const [where, setWhere] = useState<'here' | 'server'>('here');
  const [served, setServed] = useState<{ of: string; job: Job; made: ServerRun }>();
  const writing = useWriting();
  const proving = useWriting();
  const going = useMemo(() => [{ job, piece }], [job, piece]);
  const gate = useGate(going);
  const { rows: count, leftOut } = tallyOf(run, rows);
  const errors = checked.result?.findings.filter(({ severity }) => severity === 'stop') ?? [];
  const chosen = rowsIn(reprint);
  // What leaves with errors is told of in a ticket, which is written here.
  const onServer = where === 'server' && as === 'pages' && errors.length === 0;
  const set = (to: Parameters<typeof setRun>[2]): void => act('Run', (now) => setRun(now, piece.id, to));
  const columns = rows.table.columns.map(({ key, name }) => [key, name] as const);
  // What was written stands until something else is asked for.
  const asIs = JSON.stringify([as, way, onServer, reprint, sure]);
  async function write(): Promise<void> {
    const assets = await loadAssets(job);
    const order: RunOrder = {
      as,
      standard: (way === 'PDF/VT-1' ? 'PDF/X-4' : way) as Standard,
      variable: way === 'PDF/VT-1' && as === 'pages',
      marks: true,
      letGo: sure ? errors.map(({ key }) => key) : [],
      ...(chosen.length > 0 ? { only: chosen } : {}),
    };
    if (onServer) {
      const rows = placesAsked(printed, chosen);
      const made = await writing.run(async (room, tell, stopped) =>
        runOnServer(
          await room.saveJob(job, proxy(tell)),
          { piece: piece.id, as: WAYS_OF_SERVER[way], ...(rows ? { rows } : {}) },
          tell,
          stopped,
        ),
      );
      if (made) setServed({ of: asIs, job, made });
      if (made) void keepHandOff(job, [piece.id]);
      return;
    }
    const file = await writing.run((room, tell) => room.writeRun(job, piece.id, order, gate.letGo, assets, tell));
    if (!file) return;
    setDone({ of: asIs, job, file });
    void keepHandOff(job, [piece.id]);
  }
  async function writeProof(): Promise<void> {
    const assets = await loadAssets(job);
    const files = await proving.run((room, tell) => room.proofOfRun(job, piece.id, assets, tell));
    if (files) saveFiles(files, files[0]!.name.replace(/\.pdf$/, '.zip'));
  }
  const file = done?.job === job && done.of === asIs ? done.file : undefined;
  const fetched = served?.job === job && served.of === asIs ? served.made : undefined;
  const isWaiting = checked.done !== undefined || !checked.result;
  return (
    <section aria-label="Export" className="grid max-h-[55%] gap-2 overflow-y-auto border-base-300 border-t p-4">
      <p className="text-[14px]" role="status" aria-label="Count of rows">
        {count.toLocaleString('en')} rows in = {printed.length.toLocaleString('en')} printed + {leftOut.length} left out
      </p>
      <WriteRow
        quiet
        writing={proving}
        says="Proof of all rows"
        disabled={isWaiting || printed.length === 0}
        onWrite={() => void writeProof()}
      />
      {finishesUsed(piece).length > 0 && (
        <p className="text-[14px]">
          Finishing is the same for all rows: its plates come with the piece, from Hand-off.
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Pick
          label="Order"
          value={run.by ?? ''}
          options={[['', 'As in the table'], ...columns]}
          onChange={(by) => set({ by: by === '' ? undefined : by })}
        />
        <Pick label="Write" value={as} options={KINDS} onChange={(kind) => setAs(kind as RunOrder['as'])} />
        <Pick
          label="Standard"
          value={way}
          options={as === 'pages' ? WAYS : WAYS.filter(([each]) => each !== 'PDF/VT-1')}
          onChange={(each) => setWay(each as Way)}
        />
        {as === 'pages' && (
          <Pick
            label="Written by"
            value={onServer ? 'server' : 'here'}
            options={[
              ['here', 'This browser'],
              ['server', 'The server'],
            ]}
            onChange={(to) => setWhere(to as typeof where)}
          />
        )}
        {as === 'sheets' && (
          <Pick
            label="Rows on sheets"
            value={run.sheets}
            options={SHEET_WAYS.map((each) => [each, each === 'across' ? 'Across sheets' : 'Cut and stack'])}
            onChange={(sheets) => set({ sheets: sheets as Run['sheets'] })}
          />
        )}
        {as === 'files' && (
          <label className="grid gap-0.5">
            <span className="quiet text-[13px]">File names</span>
            <Typed
              className="input input-sm w-full"
              said={run.names}
              placeholder={columns[0] ? `{row}-{${columns[0][0]}}` : '{row}'}
              maxLength={200}
              onTake={(typed) => typed.trim() !== '' && set({ names: typed.trim() })}
            />
          </label>
        )}
      </div>
      {as === 'labels' && (
        <LabelFields piece={piece} run={run} count={chosen.length || printed.length} onChange={set} />
      )}
      {as === 'sheets' && (
        <Tick checked={run.leaders} onChange={(leaders) => set({ leaders })}>
          A leader card on each pile
        </Tick>
      )}
      <label className="grid gap-0.5">
        <span className="quiet text-[13px]">Only rows (a reprint)</span>
        <input
          className="input input-sm w-full"
          placeholder={row === undefined ? 'all' : `all, or ${row + 1}, 12–20`}
          value={reprint}
          onChange={(event) => setReprint(event.target.value)}
        />
      </label>
      {errors.length > 0 && (
        <Tick checked={sure} onChange={setSure}>
          <span className="text-error">
            Export with {errors.length} {errors.length === 1 ? 'error' : 'errors'} of the rows
          </span>
        </Tick>
      )}
      {fetched ? (
        <>
          <p role="status" className="text-[14px] text-success">
            {fetched.said}
          </p>
          <a
            className="btn btn-primary justify-self-start"
            href={fetched.file}
            download={`${exportName('{client}-{piece}', job, piece)}-run.pdf`}
          >
            Save the file
          </a>
        </>
      ) : file ? (
        <>
          <p role="status" className="text-[14px] text-success">
            {file.rows.toLocaleString('en')} rows{file.pages > 0 ? `, ${file.pages.toLocaleString('en')} pages` : ''}
            {file.rules.length > 0 ? `; all ${file.rules.length} rules hold` : ''}.
          </p>
          <button
            type="button"
            className="btn btn-primary justify-self-start"
            onClick={() => saveFiles([file, ...file.beside], file.name.replace(/\.(pdf|zip)$/, '-all.zip'))}
          >
            Save {file.beside.length > 0 ? file.name.replace(/\.pdf$/, '-all.zip') : file.name}
          </button>
        </>
      ) : (
        <ExportRow
          gate={gate}
          writing={writing}
          says={`Export ${(chosen.length || printed.length).toLocaleString('en')} ${(chosen.length || printed.length) === 1 ? 'row' : 'rows'}`}
          disabled={
            isWaiting || printed.length === 0 || (as === 'labels' && !run.labels) || (errors.length > 0 && !sure)
          }
          onWrite={() => void write()}
        />
      )}
    </section>
  );
}

/** Rows as people count them, from 1: `3, 8, 12–20`. */
function rowsIn(text: string): number[] {
  const found = new Set<number>();
  for (const part of text.split(/[,;\s]+/)) {
    const [, from, to] = /^(\d+)(?:[-–](\d+))?$/.exec(part) ?? [];
    if (from === undefined) continue;
    for (let n = Number(from); n <= Number(to ?? from) && found.size < 1_000_000; n++) found.add(n - 1);
  }
  return [...found].sort((a, b) => a - b);
}
