import { useEffect, useRef } from 'react';
import type { Point } from '../../../core/geometry/box';
import { apply, turnAbout } from '../../../core/geometry/matrix';
import { FILLING, setView } from '../../../core/job/edits/pictures';
import type { Picture, PictureView } from '../../../core/job/schema';
import { pictureBox } from '../../../core/picture/place';
import { useBench } from '../../bench/bench';
import { usePull } from '../../bench/use-pull';
import { useSketch } from '../../bench/use-sketch';
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
  const now = picture.view ?? FILLING;
  const latest = useRef({ now, id: picture.id });
  latest.current = { now, id: picture.id };
  const wheeled = useSketch(STEP);
  const pull = usePull<Point>((from, by) => {
    if (!asset) return undefined;
    const lies = pictureBox(picture, asset.width, asset.height);
    const slack = { x: picture.width - lies.width, y: picture.height - lies.height };
    const seen = apply(turnAbout({ x: 0, y: 0 }, -(picture.turn ?? 0)), { x: by.x / view.zoom, y: by.y / view.zoom });
    const at = (axis: 'x' | 'y'): number =>
      Math.abs(slack[axis]) < 0.01 ? from[axis] : held(from[axis] + seen[axis] / slack[axis], now.fit);
    return (j) => setView(j, picture.id, { ...now, at: { x: at('x'), y: at('y') } });
  });

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
      wheeled.sketch((j) => setView(j, id, { ...before, zoom }));
      clearTimeout(rest);
      rest = setTimeout(wheeled.settle, 400);
    };
    let rest: ReturnType<typeof setTimeout>;
    const here = layer.current;
    here?.addEventListener('wheel', wheel, { passive: false });
    window.addEventListener('keydown', press, true);
    return () => {
      clearTimeout(rest);
      here?.removeEventListener('wheel', wheel);
      window.removeEventListener('keydown', press, true);
    };
  }, [wheeled]);

  if (!asset) return null;
  const lies = pictureBox(picture, asset.width, asset.height);
  const shown = onScreen(lies, origin, view);
  const frame = onScreen(picture, origin, view);
  const turn = `rotate(${picture.turn ?? 0} ${frame.x + frame.width / 2} ${frame.y + frame.height / 2})`;
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
        {...pull(() => now.at, STEP)}
      />
      <rect {...frame} fill="none" stroke="var(--edge-trim)" strokeWidth="2" pointerEvents="none" />
    </g>
  );
}
