import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import { moveElement, removeElement, restack } from '../../../core/job/edits/elements';
import { findElement } from '../../../core/job/find';
import { act, redoStep, select, undoStep } from '../../store/session';
import type { Bench } from './bench';
import { nudgeStep } from './steps';
import { unlessTyping } from './typing';
import { editWords, stopEditing, useEditing } from './words/editing';

interface RoomActions {
  toggleAsCut(): void;
  toggleBoth(): void;
  showKeys(): void;
}

/** What each key does in the Layout room, as the key help lists it. */
export const KEYS: readonly (readonly [keys: string, does: string])[] = [
  ['Arrows', 'Nudge the selection; with Shift, ten times as far. Nothing selected: move the table'],
  ['Enter, double click', 'Edit the selected words; Esc closes them'],
  ['Delete', 'Delete the selection'],
  ['Esc', 'Select nothing; stop a drag'],
  ['Page Up, Page Down', 'One up or down in the stack'],
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z, Ctrl Y', 'Redo'],
  ['.', 'As cut, and back'],
  ['b', 'Both faces, or one'],
  ['+, −', 'Zoom in, zoom out; also Ctrl and wheel'],
  ['0', 'Fit the piece'],
  ['1', 'Actual size'],
  ['Space and drag', 'Move the table; also the wheel'],
  ['Shift while dragging', 'Level or upright; on a handle, free proportions'],
  ['?', 'This list'],
];

export function useEditKeys(bench: Bench | undefined, actions: RoomActions): void {
  const latest = useRef({ bench, actions });
  latest.current = { bench, actions };
  useEffect(() => {
    const withSelected = (action: (id: string, bench: Bench, event: KeyboardEvent) => void) =>
      unlessTyping((event) => {
        const { bench: now } = latest.current;
        if (!now?.selected) return;
        event.preventDefault();
        action(now.selected.id, now, event);
      });
    const nudge = (x: number, y: number) =>
      withSelected((id, { unit }, { shiftKey }) => {
        const step = nudgeStep(unit, shiftKey);
        act('Nudge', (job) => moveElement(job, id, { x: x * step, y: y * step }));
      });
    const lift = (by: number) =>
      withSelected((id, { job }) => act('Restack', (j) => restack(j, id, (findElement(job, id)?.index ?? 0) + by)));
    const remove = withSelected((id) => {
      act('Delete', (job) => removeElement(job, id));
      select(undefined);
    });
    const plainly = (action: () => void) =>
      unlessTyping((event) => {
        event.preventDefault();
        action();
      });
    const arrows = { ArrowLeft: nudge(-1, 0), ArrowRight: nudge(1, 0), ArrowUp: nudge(0, -1), ArrowDown: nudge(0, 1) };
    return tinykeys(window, {
      ...arrows,
      ...Object.fromEntries(Object.entries(arrows).map(([key, action]) => [`Shift+${key}`, action])),
      Delete: remove,
      Backspace: remove,
      Escape: unlessTyping(() => (useEditing.getState().id ? stopEditing() : select(undefined))),
      Enter: withSelected((id, { selected }) => selected?.kind === 'words' && editWords(id)),
      PageUp: lift(1),
      PageDown: lift(-1),
      '$mod+z': plainly(undoStep),
      '$mod+Shift+z': plainly(redoStep),
      '$mod+Shift+Z': plainly(redoStep),
      '$mod+y': plainly(redoStep),
      '.': plainly(() => latest.current.actions.toggleAsCut()),
      b: plainly(() => latest.current.actions.toggleBoth()),
      '?': plainly(() => latest.current.actions.showKeys()),
      'Shift+?': plainly(() => latest.current.actions.showKeys()),
    });
  }, []);
}
