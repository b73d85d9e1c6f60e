import type { KeyboardEvent as ReactKeyboardEvent } from 'react';

/** Single keys are commands only while nobody is typing into a field, a list or an open dialog. */
export const isTyping = (): boolean =>
  document.activeElement?.matches(
    'input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable=true]',
  ) === true || document.querySelector('dialog[open]') !== null;

export const unlessTyping =
  (action: (event: KeyboardEvent) => void) =>
  (event: KeyboardEvent): void => {
    if (!isTyping()) action(event);
  };

/** Enter takes what was typed and leaves the field, with Shift it is a new line; to the room it would mean something else. */
export function blurOnEnter(event: ReactKeyboardEvent<HTMLInputElement | HTMLTextAreaElement>): void {
  if (event.key !== 'Enter') return;
  event.stopPropagation();
  if (event.shiftKey) return;
  event.currentTarget.blur();
}
