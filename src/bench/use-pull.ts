import { type PointerEvent, useEffect, useRef } from 'react';
import type { Point } from '../../core/geometry/box';
import { begin, type Edit, type Gesture } from '../store/session';

interface Pulling<T> {
  gesture: Gesture;
  held: T;
  from: Point;
}

/** The handlers of something that is pulled by the pointer. */
export interface Pulled {
  onPointerDown(event: PointerEvent<Element>): void;
  onPointerMove(event: PointerEvent<Element>): void;
  onPointerUp(event: PointerEvent<Element>): void;
  onPointerCancel(event: PointerEvent<Element>): void;
}

/**
 * Something that is pulled by the pointer, with the pointer captured. Letting go makes it one step; Escape, and a pointer
 * that is taken away, leave everything as it was. `hold` says what is held when it begins, `pull` what it comes to; `by` in
 * CSS pixels.
 */
export function usePull<T>(
  pull: (held: T, by: Point, event: PointerEvent<Element>) => Edit | undefined,
  ended?: () => void,
): (hold: (event: PointerEvent<Element>) => T | undefined, name: string) => Pulled {
  const pulling = useRef<Pulling<T>>(undefined);
  const latest = useRef({ pull, ended });
  latest.current = { pull, ended };
  const end = useRef((how: 'settle' | 'drop') => {
    const now = pulling.current;
    pulling.current = undefined;
    now?.gesture[how]();
    if (now) latest.current.ended?.();
  }).current;

  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape' || !pulling.current) return;
      event.preventDefault();
      event.stopPropagation();
      end('drop');
    };
    window.addEventListener('keydown', press, true);
    return () => {
      window.removeEventListener('keydown', press, true);
      end('settle');
    };
  }, [end]);

  return (hold, name) => ({
    onPointerDown(event) {
      if (event.button !== 0) return;
      const held = hold(event);
      if (held === undefined) return;
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      pulling.current = { gesture: begin(name), held, from: { x: event.clientX, y: event.clientY } };
    },
    onPointerMove(event) {
      const now = pulling.current;
      if (!now) return;
      const by = { x: event.clientX - now.from.x, y: event.clientY - now.from.y };
      const edit = latest.current.pull(now.held, by, event);
      if (edit) now.gesture.sketch(edit);
    },
    onPointerUp: () => end('settle'),
    onPointerCancel: () => end('drop'),
  });
}
