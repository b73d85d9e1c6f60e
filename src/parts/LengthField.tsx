import { useId } from 'react';
import { formatLength, formatNumber, parseLength, type Unit } from '../../core/units/length';
import { useTyped } from './use-typed';

interface Props {
  label: string;
  /** In points. */
  value: number;
  unit: Unit;
  /** The other unit, shown smaller. */
  echo: Unit;
  onChange(points: number): void;
  /** Words for a length that can be read but not used here; undefined when it is fine. */
  refuse?: (points: number) => string | undefined;
  disabled?: boolean;
  hint?: string;
}

/** A length typed as people type it. Nonsense gets words beside the field and changes nothing. */
export function LengthField({ label, value, unit, echo, onChange, refuse, disabled = false, hint }: Props) {
  const id = useId();
  const { shown, message, handlers } = useTyped({
    said: `${formatNumber(value, unit)} ${unit}`,
    refuse(typed) {
      const parsed = parseLength(typed, unit);
      return parsed.ok ? refuse?.(parsed.points) : parsed.message;
    },
    onTake(typed) {
      const parsed = parseLength(typed, unit);
      if (parsed.ok && Math.abs(parsed.points - value) > 1e-9) onChange(parsed.points);
    },
  });

  return (
    <div className="min-w-0">
      <div
        className={`grid grid-cols-[auto_1fr] items-baseline gap-x-2 rounded border px-2 py-1 focus-within:border-base-content focus-within:outline-1 focus-within:outline-base-content ${message ? 'border-error' : 'border-base-300'} ${disabled ? 'border-dashed bg-base-200' : 'bg-base-100'}`}
      >
        <label htmlFor={id} className="quiet text-[13px]" title={hint}>
          {label}
        </label>
        <input
          id={id}
          type="text"
          inputMode="text"
          autoComplete="off"
          className="bare w-full min-w-0 bg-transparent text-right outline-none"
          value={shown}
          disabled={disabled}
          aria-invalid={message !== undefined}
          aria-describedby={`${id}-echo`}
          {...handlers}
          onFocus={(event) => {
            handlers.onFocus(event);
            event.target.select();
          }}
        />
        <span id={`${id}-echo`} className="quiet col-span-2 text-right text-[12px] leading-4">
          {formatLength(value, echo).replace('-', '−')}
        </span>
      </div>
      {message && (
        <p role="alert" className="mt-1 text-[13px] text-error">
          {message}
        </p>
      )}
    </div>
  );
}
