import { type ChangeEvent, type FocusEvent, type KeyboardEvent, useEffect, useRef, useState } from 'react';

type Field = HTMLInputElement | HTMLTextAreaElement;

export interface Typing {
  /** What the field says while nobody types. */
  said: string;
  /** Words for what cannot be taken; undefined when it is fine. */
  refuse?: ((typed: string) => string | undefined) | undefined;
  onTake(typed: string): void;
  /** Enter breaks a line instead of taking what was typed. */
  breaksLines?: boolean | undefined;
}

/** What a field shows, what became of it, and its handlers. */
export interface Typed {
  shown: string;
  /** Why what was typed is not taken. */
  message: string | undefined;
  /** What is typed and not taken; undefined where nothing is. */
  draft: string | undefined;
  drop(): void;
  handlers: {
    onChange(event: ChangeEvent<Field>): void;
    onBlur(event: FocusEvent<Field>): void;
    onFocus(event: FocusEvent<Field>): void;
    onKeyDown(event: KeyboardEvent<Field>): void;
  };
}

/**
 * A field that is typed into: what was typed counts when the field is left or Enter is pressed, and Escape drops it. What
 * is refused stays to be mended, with words, until the value changes from elsewhere; nobody else's change takes away what
 * is being typed, nor does taking away the field.
 */
export function useTyped({ said, refuse, onTake, breaksLines = false }: Typing): Typed {
  const [draft, setDraft] = useState<string>();
  const [message, setMessage] = useState<string>();
  // Leaving the field follows at once on Enter and Escape, before anything is drawn anew.
  const typed = useRef<string>(undefined);
  const isIn = useRef(false);
  const type = (to: string | undefined): void => {
    typed.current = to;
    setDraft(to);
    setMessage(undefined);
  };
  const last = useRef(said);
  useEffect(() => {
    if (last.current !== said && !isIn.current) {
      typed.current = undefined;
      setDraft(undefined);
      setMessage(undefined);
    }
    last.current = said;
  }, [said]);

  /** Takes what was typed; whether it could be. */
  function take(): boolean {
    const to = typed.current;
    if (to === undefined) return true;
    const problem = to === said ? undefined : refuse?.(to);
    if (problem !== undefined) {
      setMessage(problem);
      return false;
    }
    type(undefined);
    if (to !== said) onTake(to);
    return true;
  }

  // What was typed counts too where the field is taken away: a row scrolled out of sight, a panel that makes way.
  const latest = useRef(take);
  latest.current = take;
  useEffect(() => () => void latest.current(), []);

  return {
    shown: draft ?? said,
    message,
    draft,
    drop: () => type(undefined),
    handlers: {
      onChange: (event) => type(event.target.value),
      onFocus: () => {
        isIn.current = true;
      },
      onBlur: () => {
        isIn.current = false;
        take();
      },
      onKeyDown(event) {
        // The keys of a word that is being chosen are the input method's.
        if (event.nativeEvent.isComposing) return;
        const isTaken = event.key === 'Enter' && !breaksLines && !event.shiftKey;
        if (event.key !== 'Escape' && event.key !== 'Enter') return;
        // To the room either key would mean something else.
        event.stopPropagation();
        // A form around the field is not sent.
        if (isTaken) event.preventDefault();
        if (event.key === 'Escape') type(undefined);
        if (event.key === 'Escape' || (isTaken && take())) event.currentTarget.blur();
      },
    },
  };
}
