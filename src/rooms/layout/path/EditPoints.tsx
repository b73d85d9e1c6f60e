import { useEffect, useRef } from 'react';
import type { Point } from '../../../../core/geometry/box';
import {
  addNode,
  fromStretches,
  isSmooth,
  makeCorner,
  makeSmooth,
  moveHandle,
  moveNode,
  type NodeRef,
  nearestPlace,
  type PathNode,
  removeNode,
  type Stretch,
  toStretches,
} from '../../../../core/geometry/nodes';
import { pathData, transformPath } from '../../../../core/geometry/path';
import { setOutline } from '../../../../core/job/edits/outlines';
import type { Face, Shape } from '../../../../core/job/schema';
import { outlineOf } from '../../../../core/scene/outline';
import { turnOf } from '../../../../core/scene/turn';
import { useBench } from '../../../bench/bench';
import { usePull } from '../../../bench/use-pull';
import { act } from '../../../store/session';
import { onScreen, type View } from '../view';
import { leaveDrawing, useDrawing } from './drawing';
import { snapPoint } from './snap-point';

const isRef = (a: NodeRef | undefined, b: NodeRef): boolean => a?.stretch === b.stretch && a.node === b.node;

/** The points of a shape's outline, to be dragged, added, smoothed, made corners and taken away. */
export function EditPoints({ shape, face, origin, view }: { shape: Shape; face: Face; origin: Point; view: View }) {
  const bench = useBench();
  const { editing } = useDrawing();
  const chosen = editing?.chosen;
  const stretches = toStretches(transformPath(outlineOf(shape), turnOf(shape, shape)));
  const choose = (ref: NodeRef | undefined): void => useDrawing.setState({ editing: { id: shape.id, chosen: ref } });
  const put = (name: string, to: readonly Stretch[]): void =>
    act(name, (job) => setOutline(job, shape.id, fromStretches(to)));
  const screen = (p: Point): Point => onScreen({ ...p, width: 0, height: 0 }, origin, view);

  const latest = useRef({ stretches, chosen, put, choose });
  latest.current = { stretches, chosen, put, choose };
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      const now = latest.current;
      const isDelete = event.key === 'Delete' || event.key === 'Backspace';
      if (event.key !== 'Escape' && event.key !== 'Enter' && !(isDelete && now.chosen)) return;
      event.preventDefault();
      event.stopPropagation();
      if (!isDelete) leaveDrawing();
      else if (now.chosen) {
        now.put('Delete point', removeNode(now.stretches, now.chosen));
        now.choose(undefined);
      }
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, []);

  const pull = usePull<{ from: readonly Stretch[]; ref: NodeRef; part: 'at' | 'in' | 'out'; start: Point }>(
    ({ from, ref, part, start }, by, event) => {
      const to = { x: start.x + by.x / view.zoom, y: start.y + by.y / view.zoom };
      if (part !== 'at') return (job) => setOutline(job, shape.id, fromStretches(moveHandle(from, ref, part, to)));
      const caught = event.altKey ? to : snapPoint(bench, face, to, view.zoom, [shape.id]);
      const moved = { x: caught.x - start.x, y: caught.y - start.y };
      return (job) => setOutline(job, shape.id, fromStretches(moveNode(from, ref, moved)));
    },
  );
  const grip = (ref: NodeRef, part: 'at' | 'in' | 'out', start: Point) =>
    pull(
      () => {
        choose(ref);
        return { from: stretches, ref, part, start };
      },
      part === 'at' ? 'Move a point' : 'Pull a handle',
    );
  const turnOver = (ref: NodeRef, node: PathNode): void =>
    isSmooth(node) ? put('Make a corner', makeCorner(stretches, ref)) : put('Make smooth', makeSmooth(stretches, ref));

  return (
    <g className="pointer-events-auto" data-panel>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: an outline for the pointer; the keys work on its points */}
      <path
        d={pathData(
          transformPath(fromStretches(stretches), [
            view.zoom,
            0,
            0,
            view.zoom,
            view.x + origin.x * view.zoom,
            view.y + origin.y * view.zoom,
          ]),
        )}
        fill="none"
        stroke="transparent"
        strokeWidth="9"
        style={{ cursor: 'copy' }}
        onDoubleClick={(event) => {
          const area = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
          const at = {
            x: (event.clientX - area.x - view.x) / view.zoom - origin.x,
            y: (event.clientY - area.y - view.y) / view.zoom - origin.y,
          };
          const found = nearestPlace(stretches, at);
          if (!found) return;
          put('Add a point', addNode(stretches, found.ref, found.t));
          choose({ stretch: found.ref.stretch, node: found.ref.node + 1 });
        }}
      >
        <title>Double click to add a point</title>
      </path>
      {stretches.flatMap(({ nodes }, stretch) =>
        nodes.map((node, i) => {
          const ref = { stretch, node: i };
          const at = screen(node.at);
          const on = isRef(chosen, ref);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a point has no other identity
            <g key={`${stretch}-${i}`}>
              {on &&
                (['in', 'out'] as const).map((part) => {
                  const p = screen(node[part]);
                  if (Math.hypot(p.x - at.x, p.y - at.y) < 1) return null;
                  return (
                    <g key={part} data-point-handle={part} style={{ cursor: 'move' }} {...grip(ref, part, node[part])}>
                      <path d={`M${at.x} ${at.y}L${p.x} ${p.y}`} stroke="var(--edge-trim)" />
                      <circle cx={p.x} cy={p.y} r={9} fill="transparent" />
                      <circle cx={p.x} cy={p.y} r={3.5} fill="var(--edge-trim)" />
                    </g>
                  );
                })}
              {/* biome-ignore lint/a11y/noStaticElementInteractions: a point for the pointer; Delete works on it */}
              <g
                data-point={`${stretch + 1}.${i + 1}`}
                style={{ cursor: 'move' }}
                {...grip(ref, 'at', node.at)}
                onDoubleClick={() => turnOver(ref, node)}
              >
                <title>Drag; double click for smooth or corner; Delete takes it away</title>
                <circle cx={at.x} cy={at.y} r={9} fill="transparent" />
                {isSmooth(node) ? (
                  <circle
                    cx={at.x}
                    cy={at.y}
                    r={4}
                    fill={on ? 'var(--edge-trim)' : '#fff'}
                    stroke="var(--edge-trim)"
                    strokeWidth="1.3"
                  />
                ) : (
                  <rect
                    x={at.x - 3.5}
                    y={at.y - 3.5}
                    width={7}
                    height={7}
                    fill={on ? 'var(--edge-trim)' : '#fff'}
                    stroke="var(--edge-trim)"
                    strokeWidth="1.3"
                  />
                )}
              </g>
            </g>
          );
        }),
      )}
    </g>
  );
}
