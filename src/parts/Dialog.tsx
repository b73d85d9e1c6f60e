import X from 'lucide-react/icons/x';
import { type ReactNode, useEffect, useId, useRef } from 'react';

/** A modal of the browser's own: it keeps the focus, and Escape closes it. */
export function Dialog({
  title,
  onClose,
  children,
  wide = false,
}: {
  title: string;
  onClose(): void;
  children: ReactNode;
  /** `full` takes as much of the window as there is. */
  wide?: boolean | 'full';
}) {
  const ref = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => {
    const dialog = ref.current;
    if (dialog && !dialog.open) dialog.showModal();
  }, []);
  return (
    <dialog ref={ref} className="modal" aria-labelledby={id} onClose={onClose}>
      <div className={`modal-box ${wide === 'full' ? 'max-h-[94vh] max-w-6xl' : wide ? 'max-w-3xl' : 'max-w-lg'}`}>
        <div className="mb-3 flex items-start justify-between gap-4">
          <h2 id={id} className="text-lg font-semibold">
            {title}
          </h2>
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label="Close"
            onClick={() => ref.current?.close()}
          >
            <X size={16} />
          </button>
        </div>
        {children}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button type="submit" tabIndex={-1} aria-label="Close" />
      </form>
    </dialog>
  );
}
