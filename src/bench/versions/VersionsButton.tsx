import History from 'lucide-react/icons/history';
import { lazy, Suspense } from 'react';
import { useJob } from '../../store/session';
import { openPanel, useRoom } from '../room';

const VersionsPanel = lazy(async () => ({ default: (await import('./VersionsPanel')).VersionsPanel }));

/** Earlier states of the job. */
export function VersionsButton() {
  const open = useRoom((room) => room.open === 'versions');
  const job = useJob();
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label="Versions"
        title="Versions"
        disabled={!job}
        onClick={() => openPanel('versions')}
      >
        <History size={16} />
      </button>
      {open && job && (
        <Suspense>
          <VersionsPanel job={job} onClose={() => openPanel(undefined)} />
        </Suspense>
      )}
    </>
  );
}
