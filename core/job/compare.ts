import { titleOf } from './find';
import type { Element, Face, Job, Piece } from './schema';

/** What has changed from one state of a job to another, told piece by piece. */

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Names, at most a few of them. */
function some(names: readonly string[]): string {
  const shown = names.slice(0, 4).map((name) => `“${name.slice(0, 40)}”`);
  return names.length > shown.length ? `${shown.join(', ')} and ${names.length - shown.length} more` : shown.join(', ');
}

function faceChanges(before: Face, after: Face, place: string, assets: Job['assets']): string[] {
  const was = new Map(before.elements.map((each) => [each.id, each]));
  const is = new Set(after.elements.map(({ id }) => id));
  const names = (elements: readonly Element[]): string => some(elements.map((each) => titleOf(each, assets)));
  const added = after.elements.filter(({ id }) => !was.has(id));
  const removed = before.elements.filter(({ id }) => !is.has(id));
  const changed = after.elements.filter((each) => was.has(each.id) && !same(was.get(each.id), each));
  const kept = (elements: readonly Element[], other: (id: string) => boolean): string =>
    elements.flatMap(({ id }) => (other(id) ? id : [])).join();
  const isRestacked = kept(before.elements, (id) => is.has(id)) !== kept(after.elements, (id) => was.has(id));
  return [
    ...(added.length > 0 ? [`${place}: added ${names(added)}`] : []),
    ...(removed.length > 0 ? [`${place}: deleted ${names(removed)}`] : []),
    ...(changed.length > 0 ? [`${place}: changed ${names(changed)}`] : []),
    ...(isRestacked ? [`${place}: stacking order`] : []),
  ];
}

function pieceChanges(before: Piece, after: Piece, assets: Job['assets']): string[] {
  const was = new Map(before.faces.map((face) => [face.id, face]));
  const is = new Set(after.faces.map(({ id }) => id));
  const { faces: _before, ...factsBefore } = before;
  const { faces: _after, ...factsAfter } = after;
  return [
    ...after.faces.flatMap((face) => {
      const old = was.get(face.id);
      const place = `${after.name}, ${face.name}`;
      if (!old) return [`${place}: added`];
      return same(old, face) ? [] : faceChanges(old, face, place, assets);
    }),
    ...before.faces.flatMap(({ id, name }) => (is.has(id) ? [] : [`${after.name}, ${name}: deleted`])),
    ...(same(factsBefore, factsAfter) ? [] : [`${after.name}: size, shop or other settings`]),
  ];
}

const HOUSE = [
  ['firm', 'Company details'],
  ['people', 'People'],
  ['inks', 'Inks'],
  ['styles', 'Text styles'],
  ['logos', 'Logos'],
  ['roles', 'Typefaces'],
  ['fonts', 'Added fonts'],
  ['shops', 'Print shop specs'],
  ['tables', 'Tables'],
] as const satisfies readonly (readonly [keyof Job, string])[];

/** The changes from `before` to `after`, a line each; none where the two are the same. */
export function changesBetween(before: Job, after: Job): string[] {
  const was = new Map(before.pieces.map((piece) => [piece.id, piece]));
  const is = new Set(after.pieces.map(({ id }) => id));
  const assets = { ...before.assets, ...after.assets };
  return [
    ...after.pieces.flatMap((piece) => {
      const old = was.get(piece.id);
      if (!old) return [`${piece.name}: added`];
      return same(old, piece) ? [] : pieceChanges(old, piece, assets);
    }),
    ...before.pieces.flatMap(({ id, name }) => (is.has(id) ? [] : [`${name}: deleted`])),
    ...HOUSE.flatMap(([key, name]) => (same(before[key], after[key]) ? [] : [`${name} changed`])),
  ];
}
