import { useState } from 'react';

/** A plain number, typed; one out of its limits is not taken, and told of. */
export function NumberField({
  label,
  value,
  least,
  most,
  step = 1,
  name,
  disabled = false,
  onChange,
}: {
  label: string;
  value: number;
  least: number;
  most: number;
  step?: number;
  /** What it is called where the label alone would not do. */
  name?: string;
  disabled?: boolean;
  onChange(value: number): void;
}) {
  const [draft, setDraft] = useState<string>();
  const [refused, setRefused] = useState(false);
  const take = (): void => {
    if (draft === undefined) return;
    const to = Number(draft.replace(',', '.'));
    setDraft(undefined);
    if (draft.trim() === '') return;
    setRefused(!(to >= least && to <= most));
    if (to >= least && to <= most && to !== value) onChange(to);
  };
  return (
    <div className="w-full min-w-0">
      <label className="input input-sm w-full min-w-0 gap-1 px-2">
        <span className="quiet text-[13px] whitespace-nowrap">{label}</span>
        <input
          type="number"
          className="min-w-0 text-right"
          aria-label={name ?? label}
          min={least}
          max={most}
          step={step}
          disabled={disabled}
          value={draft ?? value}
          onChange={(event) => {
            setDraft(event.target.value);
            setRefused(false);
            // The arrows of the field and of the keyboard are taken at once; typing is taken when it is done.
            if (!(event.nativeEvent as InputEvent).inputType) {
              const to = event.target.valueAsNumber;
              setDraft(undefined);
              if (to >= least && to <= most) onChange(to);
            }
          }}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            // The key is taken here: to the room it would mean something else.
            event.stopPropagation();
            event.currentTarget.blur();
          }}
        />
      </label>
      {refused && (
        <p role="alert" className="mt-1 text-[13px] text-error">
          From {least.toLocaleString('en')} to {most.toLocaleString('en')}; it stays as it was.
        </p>
      )}
    </div>
  );
}
