import { type ReactNode, useRef } from 'react';

/** A button that asks for a file; the same file can be chosen again. */
export function FileChooser({
  label,
  accept,
  onFile,
  className = 'btn btn-sm',
  children,
}: {
  /** What the file is, for those who hear the field. */
  label: string;
  accept: string;
  onFile(file: File): void;
  className?: string;
  children: ReactNode;
}) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className={className} onClick={() => field.current?.click()}>
        {children}
      </button>
      <input
        ref={field}
        type="file"
        accept={accept}
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </>
  );
}
