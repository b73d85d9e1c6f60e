import { produce } from 'immer';
import { type Box, outset } from '../../geometry/box';
import { ontoBox } from '../../geometry/matrix';
import { fullPathData, type Path, pathBounds, transformPath } from '../../geometry/path';
import { findElement, findFace } from '../find';
import type { Element, Job, Shape } from '../schema';
import { removeElements } from './elements';

/** Edits of drawn outlines. Paths are given as they lie on the face, in points. */

/** An outline as a shape keeps it: its frame, and the outline in a unit square. Undefined for one of no extent. */
export function framedOutline(path: Path): (Box & { outline: string }) | undefined {
  const box = pathBounds(path);
  if (!box || (box.width <= 0 && box.height <= 0)) return undefined;
  // A level or upright line has one side of no length, which is made a hair so that it can be divided by.
  const frame = { ...box, width: Math.max(box.width, 1e-6), height: Math.max(box.height, 1e-6) };
  const [sx, , , sy, x, y] = ontoBox(frame);
  const inUnits = transformPath(path, [1 / sx, 0, 0, 1 / sy, -x / sx, -y / sy]);
  return { ...frame, outline: fullPathData(inUnits) };
}

/** Gives a shape an outline of its own; it is then neither turned nor mirrored, for the path is as it is seen. */
export const setOutline = (job: Job, id: string, path: Path): Job =>
  produce(job, (draft) => {
    const element = findElement(draft, id)?.element;
    const framed = framedOutline(path);
    if (element?.kind !== 'shape' || !framed) return;
    Object.assign(element, framed);
    delete element.form;
    delete element.corners;
    delete element.turn;
    delete element.flip;
  });

/** A shape like another, of that outline. */
export function shapeLike(like: Shape, id: string, path: Path): Shape | undefined {
  const framed = framedOutline(path);
  if (!framed) return undefined;
  const { form: _form, corners: _corners, turn: _turn, flip: _flip, ...rest } = like;
  return { ...rest, ...framed, id };
}

/** Puts new shapes where the topmost of some elements lies, in place of all of them. */
export function replaceElements(job: Job, ids: readonly string[], shapes: readonly Element[]): Job {
  const top = ids
    .flatMap((id) => findElement(job, id) ?? [])
    .sort((a, b) => a.index - b.index)
    .at(-1);
  if (!top) return job;
  const added = produce(job, (draft) => {
    findFace(draft, top.face.id)?.elements.splice(top.index + 1, 0, ...shapes);
  });
  return removeElements(added, ids);
}

/** The box of a face of that size with its bleed. */
const bleedBox = (width: number, height: number, bleed: number): Box => outset({ x: 0, y: 0, width, height }, bleed);

/**
 * An outline whose points at the trim, or past it, are pushed out to the bleed; `meets` is how near counts as at it.
 * Handles go with their points.
 */
export function outlineToBleed(
  path: Path,
  size: { width: number; height: number },
  bleed: number,
  meets: number,
): Path {
  const out = bleedBox(size.width, size.height, bleed);
  const pushed = (value: number, length: number, low: number, high: number): number =>
    value <= meets && value > low ? low : value >= length - meets && value < high ? high : value;
  const x = (value: number): number => pushed(value, size.width, out.x, out.x + out.width);
  const y = (value: number): number => pushed(value, size.height, out.y, out.y + out.height);
  return path.map((segment) => {
    if (segment[0] === 'Z') return segment;
    const [op, ...n] = segment;
    return [op, ...n.map((value, i) => (i % 2 === 0 ? x(value) : y(value)))] as unknown as Path[number];
  });
}
