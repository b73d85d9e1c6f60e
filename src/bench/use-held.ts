import { type PointerEvent, useEffect, useRef } from 'react';
import type { Point } from '../../core/geometry/box';

/** The handlers of something that is pulled by the pointer. */
export interface Pulled {
  onPointerDown(event: PointerEvent<Element>): void;
  onPointerMove(event: PointerEvent<Element>): void;
  onPointerUp(event: PointerEvent<Element>): void;
  onPointerCancel(event: PointerEvent<Element>): void;
}

export interface Holding<T> {
  /** It was moved by so much since it was taken hold of, in CSS pixels. */
  move(held: T, by: Point, event: PointerEvent<Element>): void;
  /** It was let go of, or is to be as it was before. */
  end(held: T, how: 'settle' | 'drop'): void;
}

/**
 * Something that is held by the pointer, with the pointer captured. Letting go settles it; Escape, and a pointer that is
 * taken away, drop it. `hold` says what is held when it begins; undefined where that is nothing.
 */
export function useHeld<T>(holding: Holding<T>): (hold: (event: PointerEvent<Element>) => T | undefined) => Pulled {
  const held = useRef<{ what: T; from: Point }>(undefined);
  const latest = useRef(holding);
  latest.current = holding;
  const end = useRef((how: 'settle' | 'drop') => {
    const now = held.current;
    held.current = undefined;
    if (now) latest.current.end(now.what, how);
  }).current;

  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape' || !held.current) return;
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

  return (hold) => ({
    onPointerDown(event) {
      if (event.button !== 0) return;
      const what = hold(event);
      if (what === undefined) return;
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      held.current = { what, from: { x: event.clientX, y: event.clientY } };
    },
    onPointerMove(event) {
      const now = held.current;
      if (now) latest.current.move(now.what, { x: event.clientX - now.from.x, y: event.clientY - now.from.y }, event);
    },
    onPointerUp: () => end('settle'),
    onPointerCancel: () => end('drop'),
  });
}
