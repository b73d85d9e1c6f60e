import { useGesture } from '@use-gesture/react';
import { type RefObject, useEffect, useRef } from 'react';
import { create } from 'zustand';
import { type Box, bottom, boxBetween, type Point, right, unionOf } from '../../../core/geometry/box';
import { type Handle, isCorner, resizeBox } from '../../../core/geometry/resize';
import type { Snapped, SnapTargets } from '../../../core/geometry/snap';
import { moveElements } from '../../../core/job/edits/elements';
import { scaleElements } from '../../../core/job/edits/groups';
import { findElement } from '../../../core/job/find';
import { groupsAround, membersOf, pickedWith, unitOf, unitsOf } from '../../../core/job/groups';
import type { Element } from '../../../core/job/schema';
import { elementBox } from '../../../core/scene/face';
import { useBench } from '../../bench/bench';
import { isTyping } from '../../parts/typing';
import {
  begin as beginGesture,
  type Edit,
  type Gesture,
  goWithin,
  select,
  toggleSelected,
  useSession,
} from '../../store/session';
import { useScaling } from './arrange/scaling';
import { editPoints, framePicture, leaveDrawing } from './path/drawing';
import { pullElement } from './pull';
import { type Pulled, pulledOf, REACH, showCaught, snapDrag, snapPull, snapTargets } from './snapping';
import { tidyStep } from './steps';
import { onScreen, panBy, type View, zoomAt } from './view';
import { editWords, stopEditing } from './words/editing';

/** What a drag does, decided when it begins. */
type Drag =
  | { kind: 'pan'; from: View }
  | {
      kind: 'move';
      elements: readonly Element[];
      face: string;
      targets: SnapTargets;
      frame: Box;
      clicked: readonly string[];
      added: boolean;
    }
  | { kind: 'box'; from: Point; had: readonly string[] }
  | { kind: 'pull'; element: Element; handle: Handle; pulled: Pulled }
  | { kind: 'scale'; ids: readonly string[]; handle: Handle; pulled: Pulled }
  | undefined;

/** The box that is being dragged open to select what is in it, in pixels of the window. */
export const useSelectionBox = create<{ box: Box | undefined }>(() => ({ box: undefined }));

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

/** The movement along an axis that something caught, or the plain one where nothing did. */
const caughtOr = ({ by, lines, gaps }: Snapped, axis: 'x' | 'y', plain: number): number =>
  [...lines, ...gaps].some((each) => each.axis === axis) ? by[axis] : plain;

/** The element under the one that is selected, where the pointer is; the top one where none of those here is selected. */
function underneath({ clientX, clientY }: PointerEvent, selected: string | undefined): string | undefined {
  const here = document
    .elementsFromPoint(clientX, clientY)
    .flatMap((each) => closest(each, '[data-element]')?.getAttribute('data-element') ?? []);
  const stack = [...new Set(here)];
  const at = selected ? stack.indexOf(selected) : -1;
  return stack[(at + 1) % Math.max(1, stack.length)];
}

/** Click, drag, pull, pan and zoom on the stage. */
export function useStageGestures(stage: RefObject<HTMLElement | null>, { view, setView, origins }: StageView): void {
  const bench = useBench();
  const spaceHeld = useRef(false);
  const cancelled = useRef(false);
  const dragging = useRef(false);
  /** Two fingers on the stage move the view, and nothing on it until all have left. */
  const pinching = useRef(false);
  const gesture = useRef<Gesture>(undefined);

  useEffect(() => {
    const down = (event: KeyboardEvent): void => {
      if (event.code === 'Space' && !isTyping()) spaceHeld.current = true;
      if (event.key === 'Escape' && dragging.current) {
        // Stops the drag and no more: what is selected stays so.
        event.stopPropagation();
        cancelled.current = true;
        gesture.current?.drop();
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
      const { history, within } = useSession.getState();
      const found = id && history && findElement(history.job, id);
      if (!found) return;
      const unit = unitOf(found.face, found.element, within);
      if ('group' in unit) {
        goWithin(unit.group);
        select(...pickedWith(found.face, found.element, unit.group));
      } else if (found.element.kind === 'words') editWords(id);
      else if (found.element.kind === 'shape') editPoints(id);
      else if (found.element.kind === 'picture') framePicture(id);
    };
    area?.addEventListener('dblclick', open);
    return () => area?.removeEventListener('dblclick', open);
  }, [stage]);

  /** A drag that moves nothing is no gesture: it begins with the first change. */
  function sketch(name: string, edit: Edit): void {
    gesture.current ??= beginGesture(name);
    gesture.current.sketch(edit);
  }

  function begin(event: PointerEvent): Drag {
    cancelled.current = false;
    gesture.current?.settle();
    gesture.current = undefined;
    if (closest(event.target, '[data-panel], [data-bar]')) return undefined;
    stopEditing();
    leaveDrawing();
    if (view && (spaceHeld.current || event.button === 1)) return { kind: 'pan', from: view };
    if (closest(event.target, '[data-ruler]')) return undefined;
    const handle = closest(event.target, '[data-handle]')?.getAttribute('data-handle') as Handle | undefined;
    if (handle) {
      const free = bench.selected ? [bench.selected] : bench.selection.filter((e) => !e.locked);
      const pulled = pulledOf(bench, free);
      if (pulled && bench.selected) return { kind: 'pull', element: bench.selected, handle, pulled };
      if (pulled) return { kind: 'scale', ids: free.map((e) => e.id), handle, pulled };
    }
    const sheet = closest(event.target, '[data-face]');
    const hit = closest(event.target, '[data-element]');
    const id = event.altKey ? underneath(event, bench.selected?.id) : hit?.getAttribute('data-element');
    if (sheet) bench.setFace(sheet.getAttribute('data-face')!);
    const face = bench.shown.find((f) => f.elements.some((e) => e.id === id));
    if (!id || !face || event.ctrlKey || event.metaKey || (hit?.hasAttribute('data-locked') && !event.altKey)) {
      const had = event.shiftKey ? bench.selection.map((e) => e.id) : [];
      select(...had);
      if (!event.shiftKey) goWithin(undefined);
      return { kind: 'box', from: { x: event.clientX, y: event.clientY }, had };
    }
    const clickedElement = face.elements.find((e) => e.id === id)!;
    const { within } = useSession.getState();
    // What lies outside the group that was entered is picked up from outside all groups.
    const inside = within === undefined || groupsAround(face, clickedElement.group).includes(within);
    if (!inside) goWithin(undefined);
    const clicked = pickedWith(face, clickedElement, inside ? within : undefined);
    const already = bench.selection.some((e) => e.id === id);
    const added = event.shiftKey && !already;
    if (added) select(...bench.selection.map((e) => e.id), ...clicked);
    else if (!already) select(...clicked);
    const chosen = new Set(already || added ? [...bench.selection.map((e) => e.id), ...clicked] : clicked);
    const elements = face.elements.filter((e) => chosen.has(e.id) && !e.locked);
    const frame = unionOf(elements.map((e) => elementBox(e, bench.sources)));
    const targets = snapTargets(bench, face, new Set(elements.map((e) => e.id)));
    return frame && { kind: 'move', elements, face: face.id, targets, frame, clicked, added };
  }

  /** A press that did not become a drag: it takes out of the selection, or leaves just what was clicked. */
  function tapped(drag: NonNullable<Drag>, shift: boolean): void {
    if (drag.kind !== 'move' || drag.added) return;
    if (shift) toggleSelected(...drag.clicked);
    else select(...drag.clicked);
  }

  /** Selects what lies wholly in the box that is dragged open, besides what was selected before. */
  function openBox({ from, had }: { from: Point; had: readonly string[] }, by: Point): void {
    const area = stage.current!.getBoundingClientRect();
    const box = boxBetween(from, { x: from.x + by.x, y: from.y + by.y });
    const local = { ...box, x: box.x - area.x, y: box.y - area.y };
    useSelectionBox.setState({ box: local });
    if (!view) return;
    const inside = bench.shown.flatMap((face) =>
      face.elements.filter((e) => {
        if (e.locked || e.hidden) return false;
        const on = onScreen(elementBox(e, bench.sources), origins.get(face.id)!, view);
        return on.x >= local.x && on.y >= local.y && right(on) <= right(local) && bottom(on) <= bottom(local);
      }),
    );
    select(...new Set([...had, ...wholeUnits(inside)]));
  }

  /** The ids of elements whose whole group, as it is picked up now, is among them. */
  function wholeUnits(elements: readonly Element[]): string[] {
    const { within } = useSession.getState();
    const here = new Set(elements.map((e) => e.id));
    return bench.shown.flatMap((face) =>
      unitsOf(
        face,
        face.elements.filter((e) => here.has(e.id)),
        within,
      ).flatMap(({ unit, elements: found }) => {
        const whole = 'group' in unit ? membersOf(face, unit.group).length : 1;
        return found.length === whole ? found.map((e) => e.id) : [];
      }),
    );
  }

  function carryOn(drag: NonNullable<Drag>, [mx, my]: [number, number], shift: boolean, free: boolean): void {
    if (drag.kind === 'pan') {
      setView(panBy(drag.from, { x: mx, y: my }));
      return;
    }
    if (!view || cancelled.current) return;
    if (drag.kind === 'box') {
      openBox(drag, { x: mx, y: my });
      return;
    }
    const by = { x: mx / view.zoom, y: my / view.zoom };
    const step = tidyStep(bench.unit);
    if (drag.kind === 'pull' || drag.kind === 'scale') {
      const { handle, pulled } = drag;
      const caught = free ? undefined : snapPull(bench, pulled, handle, by, REACH / view.zoom);
      const to = caught?.snapped.by ?? by;
      showCaught(pulled.face, caught?.snapped);
      if (drag.kind === 'pull') {
        const how = { free: shift, step, sources: bench.sources, caught: caught?.edges };
        sketch('Resize', (job) => pullElement(job, drag.element, handle, to, how));
      } else {
        // A corner keeps the proportions, unless Shift is held; a side changes just its own way.
        const box = resizeBox(pulled.frame, handle, to, isCorner(handle) && !shift);
        const { type } = useScaling.getState();
        sketch('Resize', (job) => scaleElements(job, drag.ids, pulled.frame, box, { type }));
      }
      return;
    }
    // Shift keeps a move level or upright.
    if (shift) by[Math.abs(by.x) > Math.abs(by.y) ? 'y' : 'x'] = 0;
    const { elements, face, targets, frame } = drag;
    const plain = { x: tidied(frame.x, by.x, step), y: tidied(frame.y, by.y, step) };
    const snapped = free ? undefined : snapDrag(bench, targets, elements, by, REACH / view.zoom);
    // What catches nothing lands on a tidy number.
    const to = snapped ? { x: caughtOr(snapped, 'x', plain.x), y: caughtOr(snapped, 'y', plain.y) } : plain;
    if (shift) to[Math.abs(mx) > Math.abs(my) ? 'y' : 'x'] = 0;
    showCaught(face, snapped);
    sketch('Move', (job) => moveElements(job, new Map(elements.map((e) => [e.id, to]))));
  }

  useGesture(
    {
      onDrag: ({ first, last, event, movement, memo, shiftKey, altKey, tap }) => {
        const drag: Drag = first ? begin(event as PointerEvent) : memo;
        if (pinching.current) {
          if (last) pinching.current = false;
          return undefined;
        }
        if (drag && !tap && !first) carryOn(drag, movement, shiftKey, altKey);
        dragging.current = Boolean(drag) && !last;
        if (!last || !drag) return drag;
        showCaught();
        useSelectionBox.setState({ box: undefined });
        if (tap) tapped(drag, shiftKey);
        gesture.current?.settle();
        gesture.current = undefined;
        return drag;
      },
      onPinch: ({ event, first, origin: [x, y], movement: [scale], memo }) => {
        // The wheel with a key is dealt with as a wheel.
        if (event.type === 'wheel' || closest(event.target, '[data-panel]')) return memo;
        if (first) {
          pinching.current = true;
          gesture.current?.drop();
          gesture.current = undefined;
          showCaught();
          useSelectionBox.setState({ box: undefined });
        }
        const before = first ? { x, y, scale } : memo;
        const box = stage.current!.getBoundingClientRect();
        setView(
          (v) =>
            v &&
            panBy(zoomAt(v, { x: x - box.x, y: y - box.y }, scale / before.scale), {
              x: x - before.x,
              y: y - before.y,
            }),
        );
        return { x, y, scale };
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
