import { useEffect, useId, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { formatLength, formatNumber, parseLength, type Unit } from '../../core/units/length';

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
  const [draft, setDraft] = useState<string>();
  const [message, setMessage] = useState<string>();
  const shown = `${formatNumber(value, unit)} ${unit}`;
  const last = useRef(value);
  // A change from elsewhere (a drag, an undo) ends a draft that was refused.
  useEffect(() => {
    if (last.current !== value) {
      setDraft(undefined);
      setMessage(undefined);
    }
    last.current = value;
  }, [value]);

  /** Takes what was typed; whether it could be. */
  function commit(): boolean {
    if (draft === undefined) return true;
    const parsed = parseLength(draft, unit);
    const problem = parsed.ok ? refuse?.(parsed.points) : parsed.message;
    setMessage(problem);
    if (problem !== undefined || !parsed.ok) return false;
    flushSync(() => setDraft(undefined));
    if (Math.abs(parsed.points - value) > 1e-9) onChange(parsed.points);
    return true;
  }

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
          value={draft ?? shown}
          disabled={disabled}
          aria-invalid={message !== undefined}
          aria-describedby={`${id}-echo`}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setDraft(event.target.value)}
          onBlur={() => void commit()}
          onKeyDown={(event) => {
            if (event.key === 'Enter') {
              // A length is taken; a form around the field is not sent.
              event.preventDefault();
              // What was taken is done with: the keys are the room's again, but not this one.
              event.stopPropagation();
              const field = event.currentTarget;
              if (commit()) field.blur();
            }
            if (event.key === 'Escape') {
              // What was typed is dropped, and the keys are the room's again.
              event.stopPropagation();
              setMessage(undefined);
              flushSync(() => setDraft(undefined));
              event.currentTarget.blur();
            }
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
