import { useGesture } from '@use-gesture/react';
import { type RefObject, useEffect, useRef } from 'react';
import type { Box, Point } from '../../../core/geometry/box';
import type { Handle } from '../../../core/geometry/resize';
import { moveElement } from '../../../core/job/edits/elements';
import { findElement } from '../../../core/job/find';
import type { Element } from '../../../core/job/schema';
import { elementFrame } from '../../../core/scene/face';
import { dropSketch, select, settle, sketch, useSession } from '../../store/session';
import { useBench } from './bench';
import { pullElement } from './pull';
import { tidyStep } from './steps';
import { isTyping } from './typing';
import { panBy, type View, zoomAt } from './view';
import { editWords, stopEditing } from './words/editing';

/** What a drag does, decided when it begins. */
type Drag =
  | { kind: 'pan'; from: View }
  | { kind: 'move'; element: Element; frame: Box }
  | { kind: 'pull'; element: Element; handle: Handle }
  | undefined;

interface StageView {
  view: View | undefined;
  setView(change: View | ((view: View | undefined) => View | undefined)): void;
  origins: ReadonlyMap<string, Point>;
}

const closest = (target: EventTarget | null, selector: string): globalThis.Element | null =>
  target instanceof globalThis.Element ? target.closest(selector) : null;

/** A movement that brings a coordinate to a tidy place. */
const tidied = (start: number, by: number, step: number): number =>
  by === 0 ? 0 : Math.round((start + by) / step) * step - start;

/** Click, drag, pull, pan and zoom on the stage. */
export function useStageGestures(stage: RefObject<HTMLElement | null>, { view, setView }: StageView): void {
  const bench = useBench();
  const spaceHeld = useRef(false);
  const cancelled = useRef(false);
  const dragging = useRef(false);

  useEffect(() => {
    const down = (event: KeyboardEvent): void => {
      if (event.code === 'Space' && !isTyping()) spaceHeld.current = true;
      if (event.key === 'Escape' && dragging.current) {
        // Stops the drag and no more: what is selected stays so.
        event.stopPropagation();
        cancelled.current = true;
        dropSketch('Move');
        dropSketch('Resize');
      }
    };
    const up = (event: KeyboardEvent): void => {
      if (event.code === 'Space') spaceHeld.current = false;
    };
    window.addEventListener('keydown', down, true);
    window.addEventListener('keyup', up);
    return () => {
      window.removeEventListener('keydown', down, true);
      window.removeEventListener('keyup', up);
    };
  }, []);

  // useGesture knows double clicks by React's name only, which a plain element does not send.
  useEffect(() => {
    const area = stage.current;
    const open = (event: MouseEvent): void => {
      const id = closest(event.target, '[data-element]')?.getAttribute('data-element');
      const { history } = useSession.getState();
      if (id && history && findElement(history.job, id)?.element.kind === 'words') editWords(id);
    };
    area?.addEventListener('dblclick', open);
    return () => area?.removeEventListener('dblclick', open);
  }, [stage]);

  function begin(event: PointerEvent): Drag {
    cancelled.current = false;
    if (closest(event.target, '[data-panel]')) return undefined;
    stopEditing();
    if (view && (spaceHeld.current || event.button === 1)) return { kind: 'pan', from: view };
    const handle = closest(event.target, '[data-handle]')?.getAttribute('data-handle') as Handle | undefined;
    if (handle && bench.selected) return { kind: 'pull', element: bench.selected, handle };
    const sheet = closest(event.target, '[data-face]');
    const id = closest(event.target, '[data-element]')?.getAttribute('data-element');
    if (sheet) bench.setFace(sheet.getAttribute('data-face')!);
    select(id ?? undefined);
    const element = id ? findElement(bench.job, id)?.element : undefined;
    return element && { kind: 'move', element, frame: elementFrame(element, bench.sources) };
  }

  function carryOn(drag: NonNullable<Drag>, [mx, my]: [number, number], shift: boolean): void {
    if (drag.kind === 'pan') {
      setView(panBy(drag.from, { x: mx, y: my }));
      return;
    }
    if (!view || cancelled.current) return;
    const by = { x: mx / view.zoom, y: my / view.zoom };
    const step = tidyStep(bench.unit);
    if (drag.kind === 'pull') {
      const { element, handle } = drag;
      sketch('Resize', (job) => pullElement(job, element, handle, by, { free: shift, step, sources: bench.sources }));
      return;
    }
    // Shift keeps a move level or upright.
    if (shift) by[Math.abs(by.x) > Math.abs(by.y) ? 'y' : 'x'] = 0;
    const { element, frame } = drag;
    sketch('Move', (job) =>
      moveElement(job, element.id, { x: tidied(frame.x, by.x, step), y: tidied(frame.y, by.y, step) }),
    );
  }

  useGesture(
    {
      onDrag: ({ first, last, event, movement, memo, shiftKey, tap }) => {
        const drag: Drag = first ? begin(event as PointerEvent) : memo;
        if (drag && !tap && !first) carryOn(drag, movement, shiftKey);
        dragging.current = Boolean(drag) && !last;
        if (last && drag && drag.kind !== 'pan') settle();
        return drag;
      },
      onWheel: ({ event, last }) => {
        // The end of a gesture comes with its last event once more.
        if (last || closest(event.target, '[data-panel]')) return;
        event.preventDefault();
        const box = stage.current!.getBoundingClientRect();
        const at = { x: event.clientX - box.x, y: event.clientY - box.y };
        if (event.ctrlKey || event.metaKey) setView((v) => v && zoomAt(v, at, Math.exp(-event.deltaY / 300)));
        else if (event.shiftKey) setView((v) => v && panBy(v, { x: -event.deltaY - event.deltaX, y: 0 }));
        else setView((v) => v && panBy(v, { x: -event.deltaX, y: -event.deltaY }));
      },
    },
    {
      target: stage,
      drag: { pointer: { buttons: [1, 4], capture: false }, filterTaps: false, threshold: 0 },
      wheel: { eventOptions: { passive: false } },
      eventOptions: { passive: false },
    },
  );
}
