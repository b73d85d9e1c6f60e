import { useEffect, useRef } from 'react';
import type { Point } from '../../../core/geometry/box';
import { apply, turnAbout } from '../../../core/geometry/matrix';
import { FILLING, setView } from '../../../core/job/edits/pictures';
import type { Picture, PictureView } from '../../../core/job/schema';
import { pictureBox } from '../../../core/picture/place';
import { settle, sketch } from '../../store/session';
import { useBench } from './bench';
import { leaveDrawing } from './path/drawing';
import { onScreen, type View } from './view';

const STEP = 'Picture in its frame';
/** A wheel's turn of this many pixels makes the picture larger by e. */
const WHEEL = 600;

/** A place along one way, kept within what the fit allows: what fills its frame leaves no gap. */
const held = (at: number, fit: PictureView['fit']): number =>
  fit === 'fill' ? Math.max(0, Math.min(1, at)) : Math.max(-20, Math.min(21, at));

/** The whole picture behind its frame: drag it to show another part, turn the wheel to zoom. */
export function FramePicture({ picture, origin, view }: { picture: Picture; origin: Point; view: View }) {
  const { job } = useBench();
  const asset = job.assets[picture.asset];
  const layer = useRef<SVGGElement>(null);
  const drag = useRef<{ pointer: Point; at: Point } | undefined>(undefined);
  const now = picture.view ?? FILLING;
  const latest = useRef({ now, id: picture.id });
  latest.current = { now, id: picture.id };

  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape' && event.key !== 'Enter') return;
      event.preventDefault();
      event.stopPropagation();
      leaveDrawing();
    };
    const wheel = (event: WheelEvent): void => {
      event.preventDefault();
      event.stopPropagation();
      const { now: before, id } = latest.current;
      const least = before.fit === 'fill' ? 1 : 0.001;
      const zoom = Math.max(least, Math.min(1000, before.zoom * Math.exp(-event.deltaY / WHEEL)));
      sketch(STEP, (j) => setView(j, id, { ...before, zoom }));
      clearTimeout(rest);
      rest = setTimeout(settle, 400);
    };
    let rest: ReturnType<typeof setTimeout>;
    const here = layer.current;
    here?.addEventListener('wheel', wheel, { passive: false });
    window.addEventListener('keydown', press, true);
    return () => {
      clearTimeout(rest);
      settle();
      here?.removeEventListener('wheel', wheel);
      window.removeEventListener('keydown', press, true);
    };
  }, []);

  if (!asset) return null;
  const lies = pictureBox(picture, asset.width, asset.height);
  const shown = onScreen(lies, origin, view);
  const frame = onScreen(picture, origin, view);
  const turn = `rotate(${picture.turn ?? 0} ${frame.x + frame.width / 2} ${frame.y + frame.height / 2})`;
  const slack = { x: picture.width - lies.width, y: picture.height - lies.height };
  return (
    <g ref={layer} className="pointer-events-auto" data-panel transform={turn}>
      <rect
        {...shown}
        data-whole-picture
        fill="var(--edge-trim)"
        fillOpacity=".08"
        stroke="var(--edge-trim)"
        strokeDasharray="5 4"
        style={{ cursor: 'grab' }}
        onPointerDown={(event) => {
          event.stopPropagation();
          event.currentTarget.setPointerCapture(event.pointerId);
          drag.current = { pointer: { x: event.clientX, y: event.clientY }, at: now.at };
        }}
        onPointerMove={(event) => {
          const from = drag.current;
          if (!from) return;
          const seen = {
            x: (event.clientX - from.pointer.x) / view.zoom,
            y: (event.clientY - from.pointer.y) / view.zoom,
          };
          const by = apply(turnAbout({ x: 0, y: 0 }, -(picture.turn ?? 0)), seen);
          const at = (axis: 'x' | 'y'): number =>
            Math.abs(slack[axis]) < 0.01 ? from.at[axis] : held(from.at[axis] + by[axis] / slack[axis], now.fit);
          sketch(STEP, (j) => setView(j, picture.id, { ...now, at: { x: at('x'), y: at('y') } }));
        }}
        onPointerUp={() => {
          drag.current = undefined;
          settle();
        }}
      />
      <rect {...frame} fill="none" stroke="var(--edge-trim)" strokeWidth="2" pointerEvents="none" />
    </g>
  );
}
