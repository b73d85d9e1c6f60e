import type { ReactNode } from 'react';

/** The side that a tile's faces fit in, in CSS pixels. */
const SIDE = 128;

/** A face in a tile. */
export function Sheet({ width, height, children }: { width: number; height: number; children?: ReactNode }) {
  const scale = SIDE / Math.max(width, height);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width * scale}
      height={height * scale}
      className="shrink-0 bg-white shadow-md"
      aria-hidden="true"
    >
      {children}
    </svg>
  );
}

/** One beginning to choose from. */
export function Tile({
  name,
  says,
  chosen,
  onChoose,
  children,
}: {
  name: string;
  says: string;
  chosen: boolean;
  onChoose(): void;
  children: ReactNode;
}) {
  return (
    <label className="relative grid shrink-0 cursor-pointer content-end gap-1.5 rounded border-2 border-transparent p-2 text-[var(--table-text)] has-checked:border-[var(--table-text)] has-focus-visible:outline-2 has-focus-visible:outline-primary">
      <input type="radio" name="starter" className="sr-only" checked={chosen} onChange={onChoose} aria-label={name} />
      <span className="flex items-end gap-1.5">{children}</span>
      <span className="font-semibold leading-4">{name}</span>
      <span className="w-0 min-w-full text-[13px] leading-4">{says}</span>
    </label>
  );
}
