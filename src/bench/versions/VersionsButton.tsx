import History from 'lucide-react/icons/history';
import { lazy, Suspense } from 'react';
import { useBenchHere } from '../bench';
import { openPanel, useRoom } from '../room';

const VersionsPanel = lazy(async () => ({ default: (await import('./VersionsPanel')).VersionsPanel }));

/** Earlier states of the job. */
export function VersionsButton() {
  const open = useRoom((room) => room.open === 'versions');
  const isHere = useBenchHere() !== undefined;
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label="Versions"
        title="Versions"
        disabled={!isHere}
        onClick={() => openPanel('versions')}
      >
        <History size={16} />
      </button>
      {open && isHere && (
        <Suspense>
          <VersionsPanel onClose={() => openPanel(undefined)} />
        </Suspense>
      )}
    </>
  );
}
