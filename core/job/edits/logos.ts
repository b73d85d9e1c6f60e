import { produce } from 'immer';
import type { Box } from '../../geometry/box';
import { findElement, findFace } from '../find';
import { groupsAround, membersOf } from '../groups';
import type { Logo } from '../house';
import { lookOf } from '../look';
import type { Element, Job } from '../schema';
import { addArt } from './copies';
import { removeElements, restackOver } from './elements';
import { groupElements, nameGroup, scaleElements } from './groups';

/** Edits of the house's logos. A logo on a face is a group that names it; its members are ordinary elements. */

/** Elements as a logo keeps them: from its own corner, in no group, saying by themselves how they look. */
function ownParts(elements: readonly Element[], { x, y }: Box, job: Job): Element[] {
  return elements.map((element): Element => {
    const { group: _group, locked: _locked, sample: _sample, finish: _finish, ...plain } = element;
    const moved = { ...plain, x: element.x - x, y: element.y - y } as Element;
    if (moved.kind !== 'words') return moved;
    const { style: _style, next: _next, ...words } = moved;
    const paragraphs = words.paragraphs.map(({ spans, ...own }) => ({
      ...own,
      spans: spans.map(({ quote: _quote, ...span }) => span),
    }));
    return { ...words, ...lookOf(moved, job.styles), paragraphs };
  });
}

/** Space to keep around a new logo, as a share of its height, and its least width: common practice, to be changed. */
export const NEW_LOGO = { clear: 0.25, least: 36 } as const;

/** Keeps elements of a face as a logo of the house; `box` is the box around their ink, in points. */
export const keepLogo = (
  job: Job,
  elements: readonly Element[],
  box: Box,
  { id, name, use = 'full colour' }: { id: string; name: string; use?: Logo['use'] },
): Job => {
  const { width, height } = box;
  const logo: Logo = { id, name, use, width, height, elements: ownParts(elements, box, job), ...NEW_LOGO };
  return { ...job, logos: [...job.logos, { ...logo, least: Math.min(width, NEW_LOGO.least) }] };
};

export const changeLogo = (job: Job, id: string, to: Partial<Pick<Logo, 'name' | 'use' | 'clear' | 'least'>>): Job => ({
  ...job,
  logos: job.logos.map((logo) => (logo.id === id ? { ...logo, ...to } : logo)),
});

/** Takes a logo out of the house; where it lies on pieces it stays as a plain group. */
export const removeLogo = (job: Job, id: string): Job =>
  produce(job, (draft) => {
    draft.logos = draft.logos.filter((logo) => logo.id !== id);
    for (const piece of draft.pieces)
      for (const face of piece.faces) for (const group of face.groups ?? []) if (group.logo === id) delete group.logo;
  });

/** Lays a logo on a face as one group, its left edge, top and width given in points. */
export function placeLogo(
  job: Job,
  faceId: string,
  logoId: string,
  at: { x: number; y: number; width: number },
  newId: () => string,
): Job {
  const logo = job.logos.find((each) => each.id === logoId);
  if (!logo) return job;
  const group = newId();
  const { width, height } = logo;
  const elements = logo.elements.map((e): Element => ({ ...e, id: newId(), group, logo: true }));
  const laid = addArt(job, faceId, elements, [{ id: group, name: logo.name, logo: logo.id }]);
  const to = { ...at, height: (at.width * height) / width };
  return scaleElements(
    laid,
    elements.map((e) => e.id),
    { x: 0, y: 0, width, height },
    to,
    { type: true },
  );
}

/**
 * Lays another logo of the house where one lies that an element is part of, as high in the stack; its left edge, top and width
 * given in points.
 */
export function exchangeLogo(
  job: Job,
  element: string,
  logoId: string,
  at: { x: number; y: number; width: number },
): Job {
  const there = findElement(job, element);
  const { face } = there ?? {};
  const group = groupsAround(face ?? {}, there?.element.group).find((id) =>
    face?.groups?.some((each) => each.id === id && each.logo),
  );
  if (!face || !group || !job.logos.some(({ id }) => id === logoId)) return job;
  const old = membersOf(face, group).map(({ id }) => id);
  const added: string[] = [];
  const faces = job.pieces.flatMap((piece) => piece.faces);
  const taken = new Set(faces.flatMap(({ elements, groups = [] }) => [...elements, ...groups].map(({ id }) => id)));
  let n = 0;
  const laid = placeLogo(job, face.id, logoId, at, () => {
    const idOf = (number: number): string => `${logoId.slice(0, 50)}-${number}`;
    do n++;
    while (taken.has(idOf(n)));
    added.push(idOf(n));
    return idOf(n);
  });
  // The first is the group's own.
  return removeElements(restackOver(laid, added.slice(1), old), old);
}

/** Makes elements one group, even one alone, that is known as a logo of the house. */
export const groupAsLogo = (
  job: Job,
  faceId: string,
  ids: readonly string[],
  { group, logo, name }: { group: string; logo: string; name: string },
): Job => {
  const [only, ...more] = ids;
  const grouped =
    more.length > 0
      ? groupElements(job, faceId, ids, group)
      : produce(job, (draft) => {
          const face = findFace(draft, faceId);
          const element = face?.elements.find(({ id }) => id === only);
          if (!face || !element) return;
          face.groups = [...(face.groups ?? []), { id: group, ...(element.group ? { group: element.group } : {}) }];
          element.group = group;
        });
  return nameGroupLogo(nameGroup(grouped, faceId, group, name), faceId, group, logo);
};

/** Makes a group on a face known as a logo of the house, or an ordinary group again. */
export const nameGroupLogo = (job: Job, faceId: string, groupId: string, logo: string | undefined): Job =>
  produce(job, (draft) => {
    const face = findFace(draft, faceId);
    const group = face?.groups?.find((each) => each.id === groupId);
    if (!face || !group) return;
    if (logo) group.logo = logo;
    else delete group.logo;
    for (const element of face.elements)
      if (groupsAround(face, element.group).includes(groupId)) {
        if (logo) element.logo = true;
        else delete element.logo;
      }
  });
