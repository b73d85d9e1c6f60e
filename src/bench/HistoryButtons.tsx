import Redo from 'lucide-react/icons/redo-2';
import Undo from 'lucide-react/icons/undo-2';
import type { ReactNode } from 'react';
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
      <StepButton name="Undo" step={back} onClick={undoStep}>
        <Undo size={15} />
      </StepButton>
      <StepButton name="Redo" step={forth} onClick={redoStep}>
        <Redo size={15} />
      </StepButton>
    </div>
  );
}

/** One way through what was done; `step` is the name of what it takes back or does again, if there is any. */
const StepButton = ({
  name,
  step,
  onClick,
  children,
}: {
  name: string;
  step: string | undefined;
  onClick(): void;
  children: ReactNode;
}) => (
  <button
    type="button"
    className="btn btn-sm join-item"
    disabled={!step}
    aria-label={name}
    title={step ? `${name}: ${step}` : `Nothing to ${name.toLowerCase()}`}
    onClick={onClick}
  >
    {children}
  </button>
);
