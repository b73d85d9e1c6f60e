import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import { unlessTyping } from '../../parts/typing';
import { useSession } from '../../store/session';
import { panBy, type View } from './view';

/** How far an arrow key moves the table, in pixels. */
const PAN = 60;

interface ViewActions {
  showAll(): void;
  actual(): void;
  zoomBy(factor: number): void;
  setView(change: (view: View | undefined) => View | undefined): void;
}

/** Zoom by keys, and pan by arrows where nothing is selected. */
export function useViewKeys(actions: ViewActions): void {
  const latest = useRef(actions);
  latest.current = actions;
  useEffect(() => {
    const pan = (x: number, y: number) =>
      unlessTyping((event) => {
        if (useSession.getState().selected.length > 0) return;
        event.preventDefault();
        latest.current.setView((view) => view && panBy(view, { x, y }));
      });
    return tinykeys(window, {
      '+': unlessTyping(() => latest.current.zoomBy(1.25)),
      'Shift++': unlessTyping(() => latest.current.zoomBy(1.25)),
      '-': unlessTyping(() => latest.current.zoomBy(1 / 1.25)),
      '0': unlessTyping(() => latest.current.showAll()),
      '1': unlessTyping(() => latest.current.actual()),
      ArrowLeft: pan(PAN, 0),
      ArrowRight: pan(-PAN, 0),
      ArrowUp: pan(0, PAN),
      ArrowDown: pan(0, -PAN),
    });
  }, []);
}
