import Download from 'lucide-react/icons/download';
import Plus from 'lucide-react/icons/plus';
import Trash from 'lucide-react/icons/trash-2';
import { useEffect } from 'react';
import type { Job } from '../../../core/job/schema';
import type { Kit } from '../../../workers/kit';
import { Boundary } from '../../parts/Boundary';
import { download, fileName } from '../../parts/download';
import { useWriting } from '../../parts/use-writing';
import { BIN_DAYS } from '../../store/bin';
import { binJob } from '../../store/kept-jobs';
import { PieceTile } from './PieceTile';

/** The job that ships, on which the tour is given. */
const DEMO_JOB = 'hollin-and-fen';

const when = (iso: string): string =>
  new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** One client's job: its pieces at a common scale, and what can be done with the whole. */
export function JobCard({ job, kit, onProblem }: { job: Job; kit: Kit | undefined; onProblem(message: string): void }) {
  const saving = useWriting();
  async function saveToFile(): Promise<void> {
    const bytes = await saving.run((room, tell) => room.saveJob(job, tell));
    if (bytes) download(bytes, `${fileName(job.name)}.tidyedge`, 'application/zip');
  }
  useEffect(() => {
    if (saving.problem) onProblem(saving.problem);
  }, [saving.problem, onProblem]);
  const longest = Math.max(...job.pieces.map((piece) => Math.max(piece.width, piece.height)), 1);
  return (
    <li className="rounded border border-base-300 bg-base-100">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 border-b border-base-300 px-5 py-3">
        <h2 className="text-lg font-semibold">{job.name}</h2>
        <span className="quiet text-[13px]">
          {job.pieces.length === 1 ? '1 piece' : `${job.pieces.length} pieces`}, changed {when(job.changed)}
        </span>
        <div className="ml-auto flex gap-2">
          {job.id === DEMO_JOB && (
            <a href={`/layout?job=${job.id}&piece=${job.pieces[0]?.id}&tour=1`} className="btn btn-sm">
              Take the tour
            </a>
          )}
          <a href={`/pieces?job=${job.id}`} className="btn btn-sm">
            Pieces
          </a>
          <a href={`/house?job=${job.id}`} className="btn btn-sm">
            House style
          </a>
          {saving.progress && (
            <span role="status" className="quiet self-center text-[13px]">
              {saving.progress.what}…
            </span>
          )}
          <button
            type="button"
            className="btn btn-sm"
            disabled={saving.progress !== undefined}
            onClick={() => void saveToFile()}
          >
            <Download size={14} /> Save to a file
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            aria-label={`Delete the job ${job.name}`}
            onClick={() => {
              if (confirm(`Delete ${job.name}? It stays in the bin for ${BIN_DAYS} days.`))
                binJob(job.id, job.name).catch((error: Error) => onProblem(error.message));
            }}
          >
            <Trash size={14} />
          </button>
        </div>
      </div>
      <div className="flex flex-wrap items-end gap-5 rounded-b bg-[var(--table)] p-5">
        {job.pieces.map((piece) => (
          <Boundary
            key={piece.id}
            instead={(error) => (
              <a href={`/layout?job=${job.id}&piece=${piece.id}`} className="max-w-48 text-[var(--table-text)]">
                <b className="block">{piece.name}</b> cannot be drawn: {error.message}
              </a>
            )}
          >
            <PieceTile job={job} piece={piece} kit={kit} longest={longest} />
          </Boundary>
        ))}
        <a
          href={`/new?job=${job.id}`}
          className="grid h-28 w-36 place-items-center rounded border-2 border-dashed border-[var(--table-text)]/50 text-[var(--table-text)] hover:border-[var(--table-text)]"
        >
          <span className="flex items-center gap-1.5">
            <Plus size={16} /> New piece
          </span>
        </a>
      </div>
    </li>
  );
}
