import type { ReactNode } from 'react';

/** Something that is so or not. */
export function Tick({
  checked,
  onChange,
  children,
}: {
  checked: boolean;
  onChange(on: boolean): void;
  children: ReactNode;
}) {
  return (
    <label className="flex cursor-pointer items-center gap-2 text-[14px]">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}
