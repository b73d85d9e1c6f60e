import { keepAfterAll, useSaving } from '../store/saving';
import { dismissRefusal, useSession } from '../store/session';
import { MissingFiles } from './MissingFiles';

const MB = 1e6;

/** Whether what was done is on the shelf: a quiet line while all is well. */
export function SaveState() {
  const { state, why, room } = useSaving();
  if (state === 'failed')
    return (
      <span role="alert" className="max-w-72 truncate text-[13px] text-error" title={why}>
        Not saved: {why}
      </span>
    );
  return (
    <span role="status" className="quiet w-14 text-right text-[13px]" aria-live="off">
      {state === 'saving' ? 'Saving…' : 'Saved'}
      {room !== undefined && <span className="sr-only">{` ${Math.round(room / MB)} MB of storage left`}</span>}
    </span>
  );
}

/** What stands in the way of the work, over any room: an edit that was refused, a job that was deleted elsewhere, little room. */
export function WorkNotices() {
  const refused = useSession((session) => session.refused);
  const { gone, room } = useSaving();
  return (
    <div className="pointer-events-none fixed top-15 right-0 left-0 z-40 grid justify-items-center gap-2 px-4">
      {gone && (
        <p role="alert" className="notice">
          This job was deleted in another tab or window.
          <button type="button" className="btn btn-xs btn-primary" onClick={() => void keepAfterAll()}>
            Keep this job
          </button>
          <a href="/" className="btn btn-xs">
            Jobs
          </a>
        </p>
      )}
      {refused && (
        <p role="alert" className="notice">
          {refused}
          <button type="button" className="btn btn-xs" onClick={dismissRefusal}>
            Dismiss
          </button>
        </p>
      )}
      <MissingFiles />
      {room !== undefined && (
        <p role="status" className="notice">
          {Math.round(room / MB)} MB of this browser’s storage are left. Delete jobs that are not needed, or export them
          to files.
        </p>
      )}
    </div>
  );
}
