/** One of several, chosen from a list. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  className = '',
}: {
  label: string;
  value: T;
  options: readonly (T | readonly [value: T, says: string])[];
  onChange(value: T): void;
  className?: string;
}) {
  return (
    <select
      className={`select select-sm w-full text-[14px] ${className}`}
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value as T)}
    >
      {options.map((option) => {
        const [id, says] = typeof option === 'string' ? [option, option] : option;
        return (
          <option key={id} value={id}>
            {says}
          </option>
        );
      })}
    </select>
  );
}
