import type { PointerEvent } from 'react';
import type { Point } from '../../core/geometry/box';
import { begin, type Edit, type Gesture } from '../store/session';
import { type Pulled, useHeld } from './use-held';

/**
 * Something of the job that is pulled by the pointer: letting go makes it one step. `hold` says what is held when it
 * begins, `pull` what it comes to; `by` in CSS pixels.
 */
export function usePull<T>(
  pull: (held: T, by: Point, event: PointerEvent<Element>) => Edit | undefined,
  ended?: () => void,
): (hold: (event: PointerEvent<Element>) => T | undefined, name: string) => Pulled {
  const holds = useHeld<{ gesture: Gesture; held: T }>({
    move({ gesture, held }, by, event) {
      const edit = pull(held, by, event);
      if (edit) gesture.sketch(edit);
    },
    end({ gesture }, how) {
      gesture[how]();
      ended?.();
    },
  });
  return (hold, name) =>
    holds((event) => {
      const held = hold(event);
      return held === undefined ? undefined : { gesture: begin(name), held };
    });
}
