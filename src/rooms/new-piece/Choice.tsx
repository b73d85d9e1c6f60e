import { useId } from 'react';

interface Props<T> {
  label: string;
  value: T;
  options: readonly (readonly [NoInfer<T>, string])[];
  onChange(value: NoInfer<T>): void;
}

/** One of a few, as a row of radio buttons that look like cut card. */
export function Choice<T extends string | number>({ label, value, options, onChange }: Props<T>) {
  const name = useId();
  return (
    <fieldset>
      <legend className="heading mb-1">{label}</legend>
      <div className="flex flex-wrap gap-1.5">
        {options.map(([key, text]) => (
          <label
            key={key}
            className="relative cursor-pointer rounded border border-base-300 bg-base-100 px-3 py-1.5 has-checked:border-base-content has-checked:font-semibold has-focus-visible:outline-2 has-focus-visible:outline-primary"
          >
            <input
              type="radio"
              className="sr-only"
              name={name}
              checked={key === value}
              onChange={() => onChange(key)}
            />
            {text}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
