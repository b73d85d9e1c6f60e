import { produce } from 'immer';
import type { Point } from '../../geometry/box';
import { findFace } from '../find';
import { type Element, type Group, type Job, paintsOf } from '../schema';
import { adoptFinishes } from './finishing';

/** Elements taken from a face, with what they need to live elsewhere in the same job. */
export type Copied = readonly Element[];

/** Ids of copies by those of their originals. */
export type NewIds = ReadonlyMap<string, string>;

/** A copy under a new id, moved; what it follows or goes on in is its copy, where that was copied too. */
export function copyOf(element: Element, ids: NewIds, by: Point, onSameFace: boolean): Element {
  const copy = { ...element, id: ids.get(element.id)!, x: element.x + by.x, y: element.y + by.y } as Element;
  const group = copy.group && (ids.get(copy.group) ?? (onSameFace ? copy.group : undefined));
  delete copy.group;
  if (group) copy.group = group;
  if (copy.kind !== 'words') return copy;
  const next = copy.next && ids.get(copy.next);
  delete copy.next;
  if (next) copy.next = next;
  if (copy.path?.along.kind === 'element') {
    const followed = ids.get(copy.path.along.id);
    if (followed) copy.path = { ...copy.path, along: { kind: 'element', id: followed } };
    else if (!onSameFace) delete copy.path;
  }
  return copy;
}

/**
 * Lays copies on top of a face's stack, in the order they had, each `by` points from its original; and copies of those
 * of their groups that have a new id.
 */
export const pasteElements = (
  job: Job,
  faceId: string,
  copied: Copied,
  ids: NewIds,
  by: Point,
  groups: readonly Group[] = [],
): Job => {
  const pasted = produce(job, (draft) => {
    const face = findFace(draft, faceId);
    if (!face) return;
    const here = new Set(face.elements.map((e) => e.id));
    const onSameFace = copied.every((e) => here.has(e.id));
    for (const element of copied) face.elements.push(copyOf(element, ids, by, onSameFace));
    for (const { group, ...own } of groups) {
      const copy = ids.get(own.id);
      if (!copy) continue;
      const outer = group && (ids.get(group) ?? (onSameFace ? group : undefined));
      face.groups = [...(face.groups ?? []), { ...own, id: copy, ...(outer ? { group: outer } : {}) }];
    }
  });
  return adoptFinishes(pasted, faceId);
};

/** Lays new elements on top of a face's stack, with the groups that they lie in. */
export const addArt = (job: Job, faceId: string, elements: readonly Element[], groups: readonly Group[]): Job =>
  produce(job, (draft) => {
    const face = findFace(draft, faceId);
    if (!face) return;
    face.elements.push(...elements);
    if (groups.length > 0) face.groups = [...(face.groups ?? []), ...groups];
  });

/** What may be pasted into a job: pictures it has not, and inks it has not, are left behind. */
export function pastable(job: Job, copied: Copied): Copied {
  const inks = new Set(job.inks.map((ink) => ink.id));
  return copied.filter((element) => {
    if (element.kind === 'picture') return job.assets[element.asset] !== undefined;
    return paintsOf(element).every((paint) => inks.has(paint.ink));
  });
}
