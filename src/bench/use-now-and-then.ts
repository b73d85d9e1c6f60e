import { startTransition, useEffect, useRef, useState } from 'react';

/** In the middle of a gesture, what is beside the stage is brought up to date this often, in milliseconds. */
const EVERY = 150;

/**
 * A value that follows at once; in the middle of a gesture only now and then, so that the stage has the time, or with
 * `waits` not before its end.
 */
export function useNowAndThen<T>(value: T, live: boolean, waits = false): T {
  const latest = useRef(value);
  const before = useRef(value);
  const gesture = useRef({ number: 0, live: false });
  const [held, setHeld] = useState<{ gesture: number; value: T }>();
  latest.current = value;
  if (live && !gesture.current.live) gesture.current.number++;
  gesture.current.live = live;
  if (!live) before.current = value;
  useEffect(() => {
    if (!live || waits) return;
    const timer = setInterval(
      () => startTransition(() => setHeld({ gesture: gesture.current.number, value: latest.current })),
      EVERY,
    );
    return () => clearInterval(timer);
  }, [live, waits]);
  if (!live) return value;
  return held?.gesture === gesture.current.number ? held.value : before.current;
}
