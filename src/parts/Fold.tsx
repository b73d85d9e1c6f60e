import type { ReactNode } from 'react';

/** A card that is folded up until it is wanted; one that is in use begins open. */
export function Fold({ title, inUse, children }: { title: string; inUse: boolean; children: ReactNode }) {
  return (
    <details open={inUse} className="group/fold border-t border-base-300 pt-2">
      <summary className="heading cursor-pointer list-none">
        <span aria-hidden="true" className="mr-1.5 inline-block w-3 group-open/fold:rotate-90">
          ›
        </span>
        {title}
      </summary>
      <section aria-label={title} className="mt-1.5 grid gap-1.5">
        {children}
      </section>
    </details>
  );
}
