import { useLiveQuery } from 'dexie-react-hooks';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { readJob } from '../../../core/files/read-job';
import { changesBetween } from '../../../core/job/compare';
import type { Job } from '../../../core/job/schema';
import { Dialog } from '../../parts/Dialog';
import { keepBundle } from '../../store/kept-jobs';
import { act, jobIn, refuse, useSession } from '../../store/session';
import type { Version } from '../../store/shelf';
import { keepVersion, versionsOf } from '../../store/versions';
import { useBenchHere } from '../bench';
import { PiecePicture } from './PiecePicture';

const WHY: Record<Version['why'], string> = {
  named: 'Saved by name',
  'hand-off': 'Export',
  hourly: 'Saved while working',
  'before a repair': 'Before a repair',
  'before a restore': 'Before a restore',
};
const when = (iso: string): string =>
  new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
const titleOf = ({ name, why }: Version): string => (name === '' ? WHY[why] : name);

/** The job of a version, checked like any that is opened; or why it cannot be. */
function jobOf(version: Version): { job: Job } | { problem: string } {
  try {
    return { job: readJob(version.state) };
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

/** Earlier states of the job: seen, compared, opened beside it, brought back. */
export function VersionsPanel({ job, onClose }: { job: Job; onClose(): void }) {
  const versions = useLiveQuery(() => versionsOf(job.id), [job.id]);
  const [chosen, setChosen] = useState<string>();
  const [name, setName] = useState('');
  const version = versions?.find(({ id }) => id === chosen) ?? versions?.[0];
  return (
    <Dialog wide="full" title="Versions" onClose={onClose}>
      <div className="grid grid-cols-[250px_minmax(0,1fr)] gap-5">
        <div className="grid content-start gap-3">
          <form
            className="flex gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              const now = jobIn(useSession.getState());
              if (now && name.trim() !== '') void keepVersion(now, 'named', name.trim().slice(0, 120));
              setName('');
            }}
          >
            <input
              className="input input-sm min-w-0 flex-1"
              aria-label="Name of the version"
              placeholder="Name of the version"
              maxLength={120}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
            <button type="submit" className="btn btn-sm btn-primary" disabled={name.trim() === ''}>
              Save version
            </button>
          </form>
          <ul className="max-h-[62vh] overflow-y-auto" aria-label="Versions">
            {versions?.map((each) => (
              <li key={each.id}>
                <button
                  type="button"
                  aria-pressed={each.id === version?.id}
                  className={`block w-full cursor-pointer rounded border px-2.5 py-1.5 text-left ${each.id === version?.id ? 'border-base-content' : 'border-transparent hover:bg-base-200'}`}
                  onClick={() => setChosen(each.id)}
                >
                  <span className="block truncate">{titleOf(each)}</span>
                  <span className="quiet block text-[13px]">
                    {each.name === '' ? '' : `${WHY[each.why]}, `}
                    {when(each.at)}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </div>
        {version ? (
          <Comparison key={version.id} job={job} version={version} onClose={onClose} />
        ) : (
          <p className="quiet">
            No version yet. One is saved with each export and at most hourly while you work; save one by name before you
            try something.
          </p>
        )}
      </div>
    </Dialog>
  );
}

/** The piece that is worked on; where none is, the first that has changed. */
function pieceToCompare(then: Job, now: Job, here: string | undefined): string | undefined {
  if (here !== undefined) return here;
  const [a, b] = [then, now].map(({ pieces }) => new Map(pieces.map((piece) => [piece.id, JSON.stringify(piece)])));
  const all = [...now.pieces, ...then.pieces].map(({ id }) => id);
  return all.find((id) => a!.get(id) !== b!.get(id)) ?? all[0];
}

/** A version beside the job as it is. */
function Comparison({ job, version, onClose }: { job: Job; version: Version; onClose(): void }) {
  const here = useBenchHere()?.sheet.id;
  const read = useMemo(() => jobOf(version), [version]);
  if ('problem' in read)
    return (
      <p role="alert" className="text-error">
        This version cannot be opened: {read.problem}
      </p>
    );
  const then = read.job;
  const shown = pieceToCompare(then, job, here);
  const [piece, sheet] = [then, job].map(({ pieces }) => pieces.find(({ id }) => id === shown));
  const changes = changesBetween(then, job);
  function restore(): void {
    const now = jobIn(useSession.getState());
    if (!now) return;
    void keepVersion(now, 'before a restore', '');
    act('Restore version', (j) => ({ ...then, id: j.id }));
    onClose();
  }
  async function openBeside(): Promise<void> {
    const id = nanoid(12);
    const name = `${then.name} (${titleOf(version)})`.slice(0, 120);
    try {
      await keepBundle({ job: { ...then, id, name }, assets: {} });
      const at = piece ? `/layout?job=${id}&piece=${piece.id}` : `/pieces?job=${id}`;
      window.open(at, '_blank', 'noopener');
    } catch (error) {
      refuse((error as Error).message);
    }
  }
  return (
    <div className="grid content-start gap-4">
      <div className="grid grid-cols-2 gap-4 rounded bg-[var(--table)] p-4 text-[var(--table-text)]">
        <figure className="grid content-start gap-2">
          <figcaption>{when(version.at)}</figcaption>
          {piece ? (
            <PiecePicture job={then} piece={piece} />
          ) : (
            <p>{sheet?.name ?? 'No piece'} was not in the job yet.</p>
          )}
        </figure>
        <figure className="grid content-start gap-2">
          <figcaption>Now</figcaption>
          {sheet ? (
            <PiecePicture job={job} piece={sheet} />
          ) : (
            <p>{piece?.name ?? 'No piece'} is not in the job any more.</p>
          )}
        </figure>
      </div>
      <section aria-label="Changes since this version">
        <h3 className="heading mb-1">Changes since this version</h3>
        {changes.length === 0 ? (
          <p className="quiet">None.</p>
        ) : (
          <ul className="max-h-48 list-disc overflow-y-auto pl-5">
            {changes.map((change) => (
              <li key={change}>{change}</li>
            ))}
          </ul>
        )}
      </section>
      <div className="flex gap-2">
        <button type="button" className="btn btn-sm btn-primary" disabled={changes.length === 0} onClick={restore}>
          Restore this version
        </button>
        <button type="button" className="btn btn-sm" onClick={() => void openBeside()}>
          Open a copy in a new tab
        </button>
      </div>
    </div>
  );
}
