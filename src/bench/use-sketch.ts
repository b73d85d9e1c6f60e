import { useEffect, useMemo } from 'react';
import { begin, type Edit, type Gesture, type Live } from '../store/session';

export interface Sketch {
  /** Shows an edit. A gesture is begun where none goes on; where one was ended by something else, another. */
  sketch(edit: Edit): void;
  settle(): void;
  drop(): void;
}

/** A gesture of a control that may be used again and again: a slider, a wheel, a field that is typed into. */
export function useSketch(name: string, kind: Live['kind'] = 'hand'): Sketch {
  const control = useMemo(() => {
    let gesture: Gesture | undefined;
    return {
      sketch(edit: Edit) {
        if (!gesture?.isOpen()) gesture = begin(name, kind);
        gesture.sketch(edit);
      },
      settle() {
        gesture?.settle();
        gesture = undefined;
      },
      drop() {
        gesture?.drop();
        gesture = undefined;
      },
    };
  }, [name, kind]);
  useEffect(() => control.settle, [control]);
  return control;
}
