import { nanoid } from 'nanoid';
import { create } from 'zustand';
import type { Point } from '../../../../core/geometry/box';
import { fromStretches, type NodeRef, type PathNode } from '../../../../core/geometry/nodes';
import { addElement } from '../../../../core/job/edits/elements';
import { framedOutline } from '../../../../core/job/edits/outlines';
import { makeShape } from '../../../../core/job/make';
import type { Paint } from '../../../../core/job/schema';
import { act, select } from '../../../store/session';

/** What the pointer does with paths: draws one, point by point, or changes the points of a shape's outline. */
interface Drawing {
  /** The points of the path that is being drawn, on its face. */
  drawn: { face: string; nodes: PathNode[] } | undefined;
  /** The shape whose points are being changed, and the one of them that was taken hold of last. */
  editing: { id: string; chosen: NodeRef | undefined } | undefined;
  /** The picture that is being moved inside its frame. */
  framing: string | undefined;
}

export const useDrawing = create<Drawing>(() => ({ drawn: undefined, editing: undefined, framing: undefined }));

export const beginDrawing = (face: string): void => {
  select();
  useDrawing.setState({ drawn: { face, nodes: [] }, editing: undefined });
};
export const editPoints = (id: string): void =>
  useDrawing.setState({ editing: { id, chosen: undefined }, drawn: undefined });
/** Opens a picture's frame. */
export const framePicture = (id: string): void =>
  useDrawing.setState({ framing: id, editing: undefined, drawn: undefined });
export const leaveDrawing = (): void =>
  useDrawing.setState({ drawn: undefined, editing: undefined, framing: undefined });

/** Puts down the next point; its handles are pulled out as long as the pointer is held. */
export function addPoint(at: Point): void {
  const { drawn } = useDrawing.getState();
  if (drawn) useDrawing.setState({ drawn: { ...drawn, nodes: [...drawn.nodes, { at, in: at, out: at }] } });
}

/** Pulls the handles of the point that was put down last, the same length to both sides. */
export function pullPoint(to: Point): void {
  const { drawn } = useDrawing.getState();
  const last = drawn?.nodes.at(-1);
  if (!drawn || !last) return;
  const pulled = { at: last.at, out: to, in: { x: 2 * last.at.x - to.x, y: 2 * last.at.y - to.y } };
  useDrawing.setState({ drawn: { ...drawn, nodes: [...drawn.nodes.slice(0, -1), pulled] } });
}

export function dropPoint(): void {
  const { drawn } = useDrawing.getState();
  if (drawn) useDrawing.setState({ drawn: { ...drawn, nodes: drawn.nodes.slice(0, -1) } });
}

/** A line that is left open is drawn this heavy, in points. */
const WEIGHT = 1;

/** Makes a shape of what was drawn: filled where it is closed, a line where it is open. */
export function finishDrawing(closed: boolean, paint: Paint): void {
  const { drawn } = useDrawing.getState();
  leaveDrawing();
  if (!drawn || drawn.nodes.length < 2) return;
  const framed = framedOutline(fromStretches([{ nodes: drawn.nodes, closed }]));
  if (!framed) return;
  const shape = makeShape({
    id: nanoid(10),
    ...framed,
    ...(closed ? { paint } : { paint: { kind: 'none' as const }, stroke: { weight: WEIGHT, paint } }),
  });
  act('Draw a path', (job) => addElement(job, drawn.face, shape));
  select(shape.id);
}
