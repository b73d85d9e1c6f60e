import type { Writing } from './use-writing';

/** The button that writes, or how far it is, and what went wrong. */
export function WriteRow({
  writing: { progress, problem, stop },
  says,
  disabled = false,
  quiet = false,
  onWrite,
}: {
  writing: Writing;
  says: string;
  disabled?: boolean;
  /** Whether it is not what the room is for. */
  quiet?: boolean;
  onWrite(): void;
}) {
  return (
    <div className="grid gap-3">
      {problem && (
        <p role="alert" className="rounded border border-error p-3 text-error">
          {problem}
        </p>
      )}
      {progress ? (
        <div className="grid gap-2">
          <span className="truncate text-[14px]">{progress.what}</span>
          <div className="flex items-center gap-4">
            <progress className="progress progress-primary flex-1" value={progress.done} max={1} aria-label="Writing" />
            <button type="button" className="btn btn-sm" onClick={stop}>
              Cancel
            </button>
          </div>
        </div>
      ) : (
        <button
          type="button"
          className={`btn justify-self-start ${quiet ? 'btn-sm' : 'btn-primary'}`}
          disabled={disabled}
          onClick={onWrite}
        >
          {says}
        </button>
      )}
    </div>
  );
}
