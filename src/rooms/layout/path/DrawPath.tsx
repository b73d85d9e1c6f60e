import { type PointerEvent, useEffect, useState } from 'react';
import type { Point } from '../../../../core/geometry/box';
import { fromStretches, type PathNode } from '../../../../core/geometry/nodes';
import { pathData } from '../../../../core/geometry/path';
import type { Face } from '../../../../core/job/schema';
import { useBench } from '../../../bench/bench';
import { shapePaint } from '../add';
import { onScreen, type View } from '../view';
import { addPoint, dropPoint, finishDrawing, leaveDrawing, pullPoint, useDrawing } from './drawing';
import { snapPoint } from './snap-point';

/** A click this near the first point closes the path. Pixels. */
const NEAR = 9;

/** The sheet on which a path is drawn, point by point: click for a corner, drag for a curve. */
export function DrawPath({ face, origin, view }: { face: Face; origin: Point; view: View }) {
  const bench = useBench();
  const { drawn } = useDrawing();
  const [pointer, setPointer] = useState<Point>();
  const [pulling, setPulling] = useState(false);
  const paint = shapePaint(bench);

  useEffect(() => {
    const keys = new Map([
      ['Enter', () => finishDrawing(false, paint)],
      ['Escape', leaveDrawing],
      ['Backspace', dropPoint],
    ]);
    const press = (event: KeyboardEvent): void => {
      const does = keys.get(event.key);
      if (!does) return;
      event.preventDefault();
      event.stopPropagation();
      does();
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [paint]);

  if (drawn?.face !== face.id) return null;
  const { nodes } = drawn;
  const screen = (p: Point): Point => onScreen({ ...p, width: 0, height: 0 }, origin, view);

  function place(event: PointerEvent<SVGElement>): Point {
    const area = event.currentTarget.getBoundingClientRect();
    const p = {
      x: (event.clientX - area.x - view.x) / view.zoom - origin.x,
      y: (event.clientY - area.y - view.y) / view.zoom - origin.y,
    };
    const last = nodes.at(-1)?.at;
    // Shift keeps a line level or upright.
    if (event.shiftKey && last && !pulling) {
      const level = Math.abs(p.x - last.x) > Math.abs(p.y - last.y);
      return level ? { x: p.x, y: last.y } : { x: last.x, y: p.y };
    }
    return event.altKey || pulling ? p : snapPoint(bench, face, p, view.zoom);
  }
  const closes = (p: Point): boolean => {
    const [first] = nodes;
    return first !== undefined && nodes.length > 1 && Math.hypot(first.at.x - p.x, first.at.y - p.y) * view.zoom < NEAR;
  };

  const shown: PathNode[] = pointer && !pulling ? [...nodes, { at: pointer, in: pointer, out: pointer }] : nodes;
  const onTable = shown.map((n) => ({ at: screen(n.at), in: screen(n.in), out: screen(n.out) }));
  const [first] = onTable;
  return (
    <g className="pointer-events-auto" data-panel>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: a sheet for the pointer */}
      <rect
        width="100%"
        height="100%"
        fill="transparent"
        style={{ cursor: 'crosshair' }}
        data-sheet
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          const p = place(event);
          if (closes(p)) {
            finishDrawing(true, paint);
            return;
          }
          event.currentTarget.setPointerCapture(event.pointerId);
          addPoint(p);
          setPulling(true);
        }}
        onPointerMove={(event) => {
          const p = place(event);
          setPointer(p);
          if (pulling) pullPoint(p);
        }}
        onPointerUp={() => setPulling(false)}
        onPointerCancel={() => setPulling(false)}
        onDoubleClick={() => {
          // The second click has put the last point down once more.
          dropPoint();
          finishDrawing(false, paint);
        }}
      />
      <path
        d={pathData(fromStretches([{ nodes: onTable, closed: false }]))}
        fill="none"
        stroke="var(--edge-trim)"
        strokeWidth="1.5"
        pointerEvents="none"
      />
      {onTable.slice(0, nodes.length).map(({ at, in: before, out }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a point has no other identity
        <g key={i} pointerEvents="none">
          <path d={`M${before.x} ${before.y}L${out.x} ${out.y}`} stroke="var(--edge-trim)" strokeWidth=".8" />
          <rect x={at.x - 3} y={at.y - 3} width={6} height={6} fill="#fff" stroke="var(--edge-trim)" />
        </g>
      ))}
      {first && nodes.length > 1 && (
        <circle
          cx={first.at.x}
          cy={first.at.y}
          r={NEAR}
          fill="none"
          stroke="var(--edge-trim)"
          strokeDasharray="2 2"
          pointerEvents="none"
        />
      )}
    </g>
  );
}
