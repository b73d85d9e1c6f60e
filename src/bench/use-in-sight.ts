import { type RefObject, useEffect, useRef, useState } from 'react';

/** How far outside the window something is made ready, in CSS pixels. */
const NEAR = 400;

// What comes into sight is drawn one after another, a frame each: scrolling goes on meanwhile.
const waiting: (() => void)[] = [];
let going = false;
function next(): void {
  const draw = waiting.shift();
  going = draw !== undefined;
  if (!draw) return;
  draw();
  requestAnimationFrame(() => setTimeout(next));
}
function inTurn(draw: () => void): () => void {
  waiting.push(draw);
  if (!going) {
    going = true;
    requestAnimationFrame(next);
  }
  return () => {
    const at = waiting.indexOf(draw);
    if (at >= 0) waiting.splice(at, 1);
  };
}

/** Whether something has come into sight: it stays drawn from then on. */
export function useInSight<T extends Element>(): [RefObject<T | null>, boolean] {
  const ref = useRef<T>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const here = ref.current;
    if (!here || seen) return;
    let cancel: (() => void) | undefined;
    const watch = new IntersectionObserver(
      ([entry]) => {
        cancel?.();
        cancel = entry?.isIntersecting ? inTurn(() => setSeen(true)) : undefined;
      },
      { rootMargin: `${NEAR}px` },
    );
    watch.observe(here);
    return () => {
      watch.disconnect();
      cancel?.();
    };
  }, [seen]);
  return [ref, seen];
}
