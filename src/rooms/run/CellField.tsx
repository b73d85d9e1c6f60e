import { useEffect, useRef } from 'react';
import { Typed } from '../../parts/Typed';

/** A cell that is typed over. Left by a key, the cell itself has the focus again. */
export function CellField({
  label,
  said,
  onTake,
  onLeave,
}: {
  label: string;
  said: string;
  onTake(text: string): void;
  onLeave(): void;
}) {
  // A cell that is scrolled out of sight is left too.
  const latest = useRef(onLeave);
  latest.current = onLeave;
  useEffect(() => () => latest.current(), []);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: told of its field being left
    <span
      className="contents"
      onBlur={({ currentTarget, relatedTarget }) => {
        const cell = currentTarget.parentElement;
        onLeave();
        if (!relatedTarget) requestAnimationFrame(() => cell?.querySelector('button')?.focus());
      }}
    >
      <Typed
        className="h-full w-full bg-base-100 px-2 outline-2 outline-primary"
        aria-label={label}
        autoFocus
        said={said}
        onTake={onTake}
      />
    </span>
  );
}
