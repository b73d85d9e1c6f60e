/**
 * Keys that are pressed after words were opened and before their editor is there. They are meant for the words: none of
 * them is a command, and none is lost.
 */

let pressed: string[] = [];
let leave: (() => void) | undefined;

function catchKey(event: KeyboardEvent): void {
  if (event.isComposing) return;
  event.stopPropagation();
  event.preventDefault();
  const isCommand = event.ctrlKey || event.metaKey;
  if (event.key === 'Escape' || (event.key === 'Enter' && isCommand)) leave?.();
  else if (!isCommand && (event.key.length === 1 || event.key === 'Enter' || event.key === 'Backspace'))
    pressed.push(event.key);
}

/** Begins to catch keys; `onLeave` is for Escape. Nothing ends it, and what was caught is forgotten. */
export function waitForEditor(onLeave: (() => void) | undefined): void {
  window.removeEventListener('keydown', catchKey, true);
  pressed = [];
  leave = onLeave;
  if (onLeave) window.addEventListener('keydown', catchKey, true);
}

/** The keys that were caught; the editor has them from now on. */
export function takeEarlyKeys(): string[] {
  const keys = pressed;
  waitForEditor(undefined);
  return keys;
}
