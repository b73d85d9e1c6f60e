import { withMinus } from '../../core/units/length';
import { useTyped } from './use-typed';

/** A plain number, typed; one out of its limits is not taken, and told of. */
export function NumberField({
  label,
  value,
  least,
  most,
  step = 1,
  name,
  placeholder,
  disabled = false,
  onChange,
}: {
  label: string;
  /** None where nothing is set: then the placeholder says what holds. */
  value: number | undefined;
  least: number;
  most: number;
  step?: number;
  /** What it is called where the label alone would not do. */
  name?: string;
  placeholder?: string;
  disabled?: boolean;
  onChange(value: number): void;
}) {
  const fits = (to: number): boolean => to >= least && to <= most;
  const { shown, message, drop, handlers } = useTyped({
    said: value === undefined ? '' : String(value),
    refuse: (typed) =>
      typed === '' || fits(Number(typed))
        ? undefined
        : `Enter ${withMinus(least.toLocaleString('en'))} to ${most.toLocaleString('en')}.`,
    onTake: (typed) => typed !== '' && Number(typed) !== value && onChange(Number(typed)),
  });
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
          placeholder={placeholder}
          disabled={disabled}
          aria-invalid={message !== undefined}
          value={shown}
          {...handlers}
          onChange={(event) => {
            handlers.onChange(event);
            // The arrows of the field and of the keyboard are taken at once; typing is taken when it is done.
            if ((event.nativeEvent as InputEvent).inputType) return;
            drop();
            if (fits(event.target.valueAsNumber)) onChange(event.target.valueAsNumber);
          }}
        />
      </label>
      {message && (
        <p role="alert" className="mt-1 text-[13px] text-error">
          {message}
        </p>
      )}
    </div>
  );
}
