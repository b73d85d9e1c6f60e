import { TypedLines } from '../../parts/Typed';

/** Words that are taken when the field is left; it is as high as its lines. */
export function TextField({
  label,
  value,
  onChange,
  placeholder,
  bare = false,
}: {
  label: string;
  value: string;
  onChange(value: string): void;
  placeholder?: string;
  /** Without its label in sight, for tables. */
  bare?: boolean;
}) {
  const field = (
    <TypedLines
      rows={1}
      className="textarea textarea-sm field-sizing-content min-h-8 w-full resize-none py-1 text-[15px]"
      aria-label={label}
      placeholder={placeholder}
      maxLength={200}
      said={value}
      onTake={(typed) => onChange(typed.trim())}
    />
  );
  if (bare) return field;
  return (
    <div className="grid gap-0.5">
      <span className="quiet text-[13px]" aria-hidden="true">
        {label}
      </span>
      {field}
    </div>
  );
}
