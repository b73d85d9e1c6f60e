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
