/** A list to choose from, with its label above. */
export function Pick({
  label,
  value,
  options,
  onChange,
  disabled = false,
}: {
  label: string;
  value: string;
  options: readonly (readonly [value: string, says: string])[];
  onChange(value: string): void;
  disabled?: boolean;
}) {
  return (
    <label className="grid gap-0.5">
      <span className="quiet text-[13px]">{label}</span>
      <select
        className="select select-sm w-full text-[14px]"
        value={value}
        disabled={disabled}
        onChange={(event) => onChange(event.target.value)}
      >
        {options.map(([each, says]) => (
          <option key={each} value={each}>
            {says}
          </option>
        ))}
      </select>
    </label>
  );
}
