/**
 * Keys that are pressed after words were opened and before their editor is there. They are meant for the words: none of
 * them is a command, and none is lost.
 */

export interface EarlyKey {
  /** A character, or one of the keys that write, delete and move. */
  key: string;
  /** By words rather than by letters. */
  byWord: boolean;
  /** What is passed is selected. */
  selects: boolean;
}

const WRITING = new Set(['Enter', 'Backspace', 'Delete']);
const MOVING = new Set(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End']);
export const SELECT_ALL = 'select all';

let pressed: EarlyKey[] = [];
let leave: (() => void) | undefined;

function keyOf({ key, ctrlKey, metaKey, altKey, shiftKey }: KeyboardEvent): EarlyKey | undefined {
  const isCommand = ctrlKey || metaKey;
  const found = { key, byWord: isCommand || altKey, selects: shiftKey };
  if (MOVING.has(key) || WRITING.has(key)) return found;
  if (isCommand) return key.toLowerCase() === 'a' ? { ...found, key: SELECT_ALL } : undefined;
  return key.length === 1 ? found : undefined;
}

function catchKey(event: KeyboardEvent): void {
  if (event.isComposing) return;
  event.stopPropagation();
  event.preventDefault();
  const key = keyOf(event);
  if (event.key === 'Escape' || (event.key === 'Enter' && (event.ctrlKey || event.metaKey))) leave?.();
  else if (key) pressed.push(key);
}

/** Begins to catch keys; `onLeave` is for Escape. Nothing ends it, and what was caught is forgotten. */
export function waitForEditor(onLeave: (() => void) | undefined): void {
  window.removeEventListener('keydown', catchKey, true);
  pressed = [];
  leave = onLeave;
  if (onLeave) window.addEventListener('keydown', catchKey, true);
}

/** The keys that were caught; the editor has them from now on. */
export function takeEarlyKeys(): EarlyKey[] {
  const keys = pressed;
  waitForEditor(undefined);
  return keys;
}

/** What is typed by keys over words that are all selected; undefined where nothing is. */
export function typedBy(keys: readonly EarlyKey[]): string | undefined {
  const writing = keys.filter(({ key }) => !MOVING.has(key) && key !== SELECT_ALL);
  if (writing.length === 0) return undefined;
  return writing.reduce((text, { key }) => {
    if (key === 'Backspace') return text.slice(0, -1);
    if (key === 'Delete') return text;
    return text + (key === 'Enter' ? '\n' : key);
  }, '');
}
