import { zipSync } from 'fflate';
import Download from 'lucide-react/icons/download';
import { useState } from 'react';
import { goTo } from '../../parts/address';
import { download, fileName } from '../../parts/download';
import { binJob } from '../../store/kept-jobs';
import { rawFile, repairJob } from '../../store/repair';

/** A job that cannot be opened as it is: why, what of it can be, and its file as it is kept. */
export function BrokenJob({
  id,
  name,
  problem,
  onProblem,
}: {
  id: string;
  name: string;
  problem: string;
  onProblem(message: string): void;
}) {
  const [busy, setBusy] = useState(false);
  async function save(): Promise<void> {
    try {
      download(zipSync(await rawFile(id)), `${fileName(name)}-as-kept.tidyedge`, 'application/zip');
    } catch (error) {
      onProblem((error as Error).message);
    }
  }
  async function repair(): Promise<void> {
    setBusy(true);
    try {
      const { aside } = await repairJob(id);
      onProblem(
        aside.length === 0
          ? `${name} can be opened again.`
          : `${name} can be opened again, without: ${aside.join('; ')}.`,
      );
    } catch (error) {
      onProblem(`${name}: ${(error as Error).message}`);
    }
    setBusy(false);
  }
  return (
    <li className="rounded border border-error bg-base-100 px-5 py-4" aria-label={name}>
      <h2 className="text-lg font-semibold">{name}</h2>
      <p role="alert" className="mt-1 max-w-3xl">
        This job cannot be opened as it is. {problem}
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm btn-primary" disabled={busy} onClick={() => void repair()}>
          Open what can be opened
        </button>
        <button type="button" className="btn btn-sm" onClick={() => void save()}>
          <Download size={14} /> Export the raw file
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          onClick={() => void binJob(id, name).then(() => goTo('/'))}
        >
          Delete
        </button>
      </div>
    </li>
  );
}
