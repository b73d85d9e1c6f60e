import { useLiveQuery } from 'dexie-react-hooks';
import FolderOpen from 'lucide-react/icons/folder-open';
import Plus from 'lucide-react/icons/plus';
import { useEffect, useState } from 'react';
import { intake } from '../../../workers/intake';
import { useKit } from '../../bench/use-kit';
import { FileChooser } from '../../parts/FileChooser';
import { Lesson } from '../../parts/Lesson';
import { TopBar } from '../../parts/TopBar';
import { layOutDemo, layOutDemoOnce } from '../../store/demo';
import { keepBundle, listJobs } from '../../store/kept-jobs';
import { db } from '../../store/shelf';
import { BinCard } from './BinCard';
import { BrokenJob } from './BrokenJob';
import { JobCard } from './JobCard';

/** All jobs of this browser. */
export default function Jobs() {
  const { kit, failure } = useKit();
  const jobs = useLiveQuery(listJobs);
  const [message, setMessage] = useState<string>();
  const [opening, setOpening] = useState<string>();

  useEffect(() => {
    layOutDemoOnce().catch((error: Error) => setMessage(`The demo job could not be opened: ${error.message}`));
  }, []);

  async function open(file: File): Promise<void> {
    setOpening(file.name);
    try {
      const bundle = await intake().openJobFile(new Uint8Array(await file.arrayBuffer()));
      const known = await db.jobs.get(bundle.job.id);
      if (known && !confirm(`${bundle.job.name} is here already. Replace it with the one in the file?`)) return;
      await keepBundle(bundle);
      setMessage(undefined);
    } catch (error) {
      setMessage(`${file.name}: ${(error as Error).message}`);
    } finally {
      setOpening(undefined);
    }
  }

  return (
    <div className="flex min-h-screen flex-col">
      <TopBar crumb={<h1 className="font-semibold text-base-content">Jobs</h1>}>
        {opening && (
          <span role="status" className="quiet">
            Opening {opening}…
          </span>
        )}
        <FileChooser label="Job file" accept=".tidyedge" onFile={(file) => void open(file)}>
          <FolderOpen size={15} /> Open a job file
        </FileChooser>
        <a href="/new-job" className="btn btn-primary btn-sm">
          <Plus size={15} /> New job
        </a>
      </TopBar>
      <Lesson of="jobs" />
      <main className="mx-auto w-full max-w-6xl flex-1 px-6 py-8">
        {(message ?? failure) && (
          <p
            role="alert"
            className="mb-6 flex items-start justify-between gap-4 rounded border border-error bg-base-100 p-3 text-error"
          >
            {message ?? failure}
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => setMessage(undefined)}>
              Dismiss
            </button>
          </p>
        )}
        <ul className="grid gap-6">
          {jobs?.map((listed) =>
            'job' in listed ? (
              <JobCard key={listed.id} job={listed.job} kit={kit} onProblem={setMessage} />
            ) : (
              <BrokenJob key={listed.id} {...listed} onProblem={setMessage} />
            ),
          )}
        </ul>
        {jobs?.length === 0 && (
          <div className="rounded border border-dashed border-base-300 p-10 text-center">
            <p className="mb-4">No job is here. Start one, open a job file, or look at the demo.</p>
            <button type="button" className="btn" onClick={() => void layOutDemo()}>
              Lay out the demo job
            </button>
          </div>
        )}
        <BinCard onProblem={setMessage} />
      </main>
    </div>
  );
}
