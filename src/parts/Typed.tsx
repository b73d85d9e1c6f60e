import type { ComponentProps } from 'react';
import { type Typing, useTyped } from './use-typed';

type Props<T extends 'input' | 'textarea'> = Typing &
  Omit<ComponentProps<T>, 'value' | 'defaultValue' | 'onChange' | 'onBlur' | 'onFocus' | 'onKeyDown'>;

const Refused = ({ message }: { message: string | undefined }) =>
  message === undefined ? null : (
    <p role="alert" className="mt-1 text-[13px] text-error">
      {message}
    </p>
  );

/** A line of words that is taken when it is left. */
export function Typed({ said, refuse, onTake, breaksLines, ...rest }: Props<'input'>) {
  const { shown, message, handlers } = useTyped({ said, refuse, onTake, breaksLines });
  return (
    <>
      <input {...rest} {...handlers} value={shown} aria-invalid={message !== undefined} />
      <Refused message={message} />
    </>
  );
}

/** Several lines of words that are taken when they are left. */
export function TypedLines({ said, refuse, onTake, breaksLines, ...rest }: Props<'textarea'>) {
  const { shown, message, handlers } = useTyped({ said, refuse, onTake, breaksLines });
  return (
    <>
      <textarea {...rest} {...handlers} value={shown} aria-invalid={message !== undefined} />
      <Refused message={message} />
    </>
  );
}
