import type { ReactNode } from 'react';

/** A part of the page that scrolls by itself: named, and reached by the keyboard. */
export function Scrolls({ label, className, children }: { label: string; className: string; children: ReactNode }) {
  return (
    <section
      aria-label={label}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by the keyboard.
      tabIndex={0}
      className={`overflow-y-auto ${className}`}
    >
      {children}
    </section>
  );
}
