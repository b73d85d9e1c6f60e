import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { unlessTyping } from '../parts/typing';
import { redoStep, undoStep } from '../store/session';

/** Back and forth by the keys every program has. */
export function useUndoKeys(): void {
  useEffect(() => {
    const press = (step: () => void) =>
      unlessTyping((event) => {
        event.preventDefault();
        step();
      });
    return tinykeys(window, {
      '$mod+z': press(undoStep),
      '$mod+Shift+Z': press(redoStep),
      '$mod+Shift+z': press(redoStep),
      '$mod+y': press(redoStep),
    });
  }, []);
}
