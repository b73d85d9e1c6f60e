import { useEffect, useState } from 'react';

/** How wide an element is, in CSS pixels; the first value is its ref. */
export function useWidth() {
  const [element, setElement] = useState<HTMLElement | null>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    watch.observe(element);
    return () => watch.disconnect();
  }, [element]);
  return [setElement, width] as const;
}
