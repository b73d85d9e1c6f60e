import { useEffect, useState } from 'react';

/** Whether what is here has been painted: a hidden page paints nothing, and waits for nothing either. */
export function usePainted(isHere: boolean): boolean {
  const [isPainted, setPainted] = useState(false);
  useEffect(() => {
    if (!isHere || isPainted) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const after = (): void => {
      timer = setTimeout(() => setPainted(true));
    };
    // The frame that is asked for draws what was just put on the page; the task after it comes when that is painted.
    const frame = document.hidden ? after() : requestAnimationFrame(after);
    return () => {
      if (frame !== undefined) cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [isHere, isPainted]);
  return isPainted;
}
