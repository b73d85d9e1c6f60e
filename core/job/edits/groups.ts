import { produce } from 'immer';
import type { Box, Point } from '../../geometry/box';
import { apply, turnAbout } from '../../geometry/matrix';
import { findElement, findFace } from '../find';
import { unitsOf } from '../groups';
import type { Element, Job } from '../schema';
import { flipElement, turnElement } from './elements';
import { scaleWords } from './words';

/** Edits of groups, and of several elements as one. Whether they are a group makes no difference to the latter. */

/**
 * Makes a group of some elements of a face, with the groups they belong to; for one who works inside `within`. They
 * come to lie on one another, where the topmost of them is.
 */
export const groupElements = (
  job: Job,
  faceId: string,
  ids: readonly string[],
  groupId: string,
  within?: string,
): Job =>
  produce(job, (draft) => {
    const face = findFace(draft, faceId);
    if (!face) return;
    const chosen = face.elements.filter((e) => ids.includes(e.id));
    if (chosen.length < 2) return;
    const units = unitsOf(face, chosen, within).map(({ unit }) => unit);
    face.groups = [...(face.groups ?? []), { id: groupId, ...(within ? { group: within } : {}) }];
    for (const unit of units) {
      const member =
        'group' in unit
          ? face.groups.find((g) => g.id === unit.group)
          : face.elements.find((e) => e.id === unit.element);
      if (member) member.group = groupId;
    }
    const last = face.elements.indexOf(chosen.at(-1)!);
    const others = (from: number, to: number): Element[] =>
      face.elements.slice(from, to).filter((e) => !chosen.includes(e));
    face.elements = [...others(0, last), ...chosen, ...others(last, face.elements.length)];
  });

/** Undoes a group: what lay in it lies where it lay. */
export const ungroup = (job: Job, faceId: string, groupId: string): Job =>
  produce(job, (draft) => {
    const face = findFace(draft, faceId);
    const group = face?.groups?.find((g) => g.id === groupId);
    if (!face?.groups || !group) return;
    for (const member of [...face.elements, ...face.groups]) {
      if (member.group !== groupId) continue;
      if (group.group) member.group = group.group;
      else delete member.group;
    }
    face.groups = face.groups.filter((g) => g.id !== groupId);
    if (face.groups.length === 0) delete face.groups;
  });

export const nameGroup = (job: Job, faceId: string, groupId: string, name: string): Job =>
  produce(job, (draft) => {
    const group = findFace(draft, faceId)?.groups?.find((g) => g.id === groupId);
    if (!group) return;
    if (name.trim() === '') delete group.name;
    else group.name = name.trim();
  });

/** What of some elements changes with their size besides their size. */
export interface ScaleAsked {
  /** Type, the weight of lines, dashes and shadows as well. */
  type: boolean;
}

function scalePens(element: Element, by: number): void {
  if (element.shadow) {
    element.shadow.x *= by;
    element.shadow.y *= by;
    element.shadow.blur *= by;
  }
  if (element.kind === 'shape' && element.stroke) {
    element.stroke.weight *= by;
    if (element.stroke.dash) element.stroke.dash = element.stroke.dash.map((length) => length * by);
  }
  if (element.kind === 'words' && element.stroke) element.stroke.weight *= by;
  if (element.kind === 'rule' && element.dash) element.dash = [element.dash[0] * by, element.dash[1] * by];
  if (
    (element.kind === 'shape' || element.kind === 'rule') &&
    'kind' in element.paint &&
    element.paint.kind === 'pattern'
  ) {
    element.paint.spacing *= by;
    element.paint.weight *= by;
  }
}

function scaleCommon(element: Element, sx: number, sy: number, by: number): void {
  const { repeat } = element;
  if (repeat?.kind === 'grid') {
    repeat.gapAcross *= sx;
    repeat.gapDown *= sy;
  }
  if (repeat?.kind === 'ring') repeat.radius *= by;
  if (repeat?.cell)
    repeat.cell = {
      x: repeat.cell.x * sx,
      y: repeat.cell.y * sy,
      width: repeat.cell.width * sx,
      height: repeat.cell.height * sy,
    };
  if ((element.kind === 'shape' || element.kind === 'picture') && element.corners)
    for (const corner of element.corners) corner.radius *= by;
  if (element.kind === 'picture' && element.view?.fit === 'exact') element.view.zoom *= by;
}

/** Of a turned frame, how much each of its own sides grows when the face's ways grow by sx and sy. */
function sidesFor(turn: number, sx: number, sy: number): { width: number; height: number } {
  const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  return { width: Math.hypot(c * sx, s * sy), height: Math.hypot(s * sx, c * sy) };
}

/**
 * Scales some elements as one, from the box `from` to the box `to`. Frames of their own grow with it; type and weights
 * only if asked. What is turned keeps its turn and its right angles.
 */
export const scaleElements = (job: Job, ids: readonly string[], from: Box, to: Box, { type }: ScaleAsked): Job => {
  const [sx, sy] = [to.width / from.width, to.height / from.height];
  const by = Math.sqrt(sx * sy);
  const there = ({ x, y }: Point): Point => ({ x: to.x + (x - from.x) * sx, y: to.y + (y - from.y) * sy });
  const lettered = type ? ids.reduce((j, id) => scaleWords(j, id, by), job) : job;
  return produce(lettered, (draft) => {
    for (const id of ids) {
      const element = findElement(draft, id)?.element;
      if (!element) continue;
      if (element.kind === 'words') {
        Object.assign(element, there(element));
        if (!type)
          element.frame = { ...element.frame, width: element.frame.width * sx, height: element.frame.height * sy };
        else scalePens(element, by);
        continue;
      }
      scaleCommon(element, sx, sy, by);
      const middle = there({ x: element.x + element.width / 2, y: element.y + element.height / 2 });
      const sides = sidesFor(element.turn ?? 0, sx, sy);
      const keepsWeight = element.kind === 'rule' && !type;
      const isAcross = element.width >= element.height;
      if (!(keepsWeight && !isAcross)) element.width *= sides.width;
      if (!(keepsWeight && isAcross)) element.height *= sides.height;
      element.x = middle.x - element.width / 2;
      element.y = middle.y - element.height / 2;
      if (type) scalePens(element, by);
    }
  });
};

/** Turns some elements as one about a point; `middles` are those of their frames. */
export const turnElements = (job: Job, middles: ReadonlyMap<string, Point>, about: Point, degrees: number): Job =>
  [...middles].reduce((j, [id, middle]) => {
    const to = apply(turnAbout(about, degrees), middle);
    const moved = produce(j, (draft) => {
      const element = findElement(draft, id)?.element;
      if (!element) return;
      element.x += to.x - middle.x;
      element.y += to.y - middle.y;
    });
    return turnElement(moved, id, (findElement(moved, id)?.element.turn ?? 0) + degrees);
  }, job);

/** Mirrors some elements as one about a point; words change their place and their turn, and are not mirrored. */
export const mirrorElements = (
  job: Job,
  middles: ReadonlyMap<string, Point>,
  about: Point,
  way: 'across' | 'down',
): Job =>
  [...middles].reduce((j, [id, middle]) => {
    const moved = produce(j, (draft) => {
      const element = findElement(draft, id)?.element;
      if (!element) return;
      if (way === 'across') element.x += 2 * (about.x - middle.x);
      else element.y += 2 * (about.y - middle.y);
    });
    const element = findElement(moved, id)?.element;
    if (!element) return moved;
    if (element.kind === 'picture' || element.kind === 'shape') return flipElement(moved, id, way);
    return element.turn ? turnElement(moved, id, -element.turn) : moved;
  }, job);
