import Redo from 'lucide-react/icons/redo-2';
import Undo from 'lucide-react/icons/undo-2';
import { redoStep, undoStep, useSession } from '../store/session';

/** One step back and forth, each with the name of the step. */
export function HistoryButtons() {
  const history = useSession((session) => session.history);
  // What is still going on is undone first.
  const going = useSession((session) =>
    session.live && session.live.job !== session.history?.job ? session.live.name : undefined,
  );
  const back = going ?? history?.past.at(-1)?.name;
  const forth = history?.future.at(-1)?.name;
  return (
    <div className="join">
      <button
        type="button"
        className="btn btn-sm join-item"
        disabled={!back}
        aria-label="Undo"
        title={back ? `Undo: ${back}` : 'Nothing to undo'}
        onClick={undoStep}
      >
        <Undo size={15} />
      </button>
      <button
        type="button"
        className="btn btn-sm join-item"
        disabled={!forth}
        aria-label="Redo"
        title={forth ? `Redo: ${forth}` : 'Nothing to redo'}
        onClick={redoStep}
      >
        <Redo size={15} />
      </button>
    </div>
  );
}
