import { useId } from 'react';
import { boundsWords, formatLength, formatNumber, parseLength, type Unit, withMinus } from '../../core/units/length';
import { useTyped } from './use-typed';

/** What a length is off by when it is read from words, in points. */
const ROUNDING = 1e-6;

interface Props {
  label: string;
  /** In points. */
  value: number;
  unit: Unit;
  /** The other unit, shown smaller. */
  echo: Unit;
  onChange(points: number): void;
  /** What it may be, in points. */
  least?: number;
  most?: number;
  /** Words for a length within them that cannot be used here; undefined when it is fine. */
  refuse?: (points: number) => string | undefined;
  disabled?: boolean;
  hint?: string;
}

/** A length typed as people type it. Nonsense gets words beside the field and changes nothing. */
export function LengthField({
  label,
  value,
  unit,
  echo,
  onChange,
  least = Number.NEGATIVE_INFINITY,
  most = Number.POSITIVE_INFINITY,
  refuse,
  disabled = false,
  hint,
}: Props) {
  const id = useId();
  const { shown, message, handlers } = useTyped({
    said: `${formatNumber(value, unit)} ${unit}`,
    refuse(typed) {
      const parsed = parseLength(typed, unit);
      if (!parsed.ok) return parsed.message;
      const isWithin = parsed.points >= least - ROUNDING && parsed.points <= most + ROUNDING;
      return isWithin ? refuse?.(parsed.points) : boundsWords(least, most, unit);
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
          {withMinus(formatLength(value, echo))}
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
