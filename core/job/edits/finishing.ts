import { produce } from 'immer';
import { FINISH_KINDS, type FinishKind, finishFacts } from '../../trade/finishes';
import { type Finish, finishOf, finishPlate } from '../finishing';
import { makeShape } from '../make';
import type { Element, Face, Framed, Job, Piece, Shape } from '../schema';
import { changePiece } from './change-piece';

/** Edits of what is done to a piece besides printing it. */

const idOf = (kind: FinishKind): string => kind.replace(/ /g, '-');

/** Something that nobody has yet: the name, or the name and a number. */
function unused(name: string, taken: readonly string[], between: string): string {
  let given = name;
  for (let n = 2; taken.includes(given); n++) given = `${name}${between}${n}`;
  return given;
}

/** A finish of a kind as a piece would have it next: under an id, and where it is the second of its kind a name, of its own. */
export function newFinish(job: Pick<Job, 'inks'>, piece: Pick<Piece, 'finishing'>, kind: FinishKind): Finish {
  const here = piece.finishing ?? [];
  const { name } = finishFacts(kind);
  const plates = [...here.map(finishPlate), ...job.inks.map((ink) => ink.name)];
  const own = unused(name, plates, ' ');
  const ids = here.map(({ id }) => id);
  return { id: unused(idOf(kind), ids, '-'), kind, ...(own === name ? {} : { name: own }) };
}

export const addFinish = (job: Job, pieceId: string, finish: Finish): Job =>
  changePiece(job, pieceId, (piece) => {
    piece.finishing = [...(piece.finishing ?? []), finish];
  });

export const changeFinish = (
  job: Job,
  pieceId: string,
  id: string,
  change: Partial<Pick<Finish, 'name' | 'tone' | 'sheen'>>,
): Job =>
  changePiece(job, pieceId, (piece) => {
    const finish = piece.finishing?.find((each) => each.id === id);
    if (!finish) return;
    Object.assign(finish, change);
    for (const key of Object.keys(change) as (keyof typeof change)[]) if (!change[key]) delete finish[key];
  });

/** Whether a finish covers a side whole. */
export const coverSide = (job: Job, pieceId: string, id: string, faceId: string, isWhole: boolean): Job =>
  changePiece(job, pieceId, (piece) => {
    const finish = piece.finishing?.find((each) => each.id === id);
    if (!finish) return;
    const whole = (finish.whole ?? []).filter((each) => each !== faceId);
    if (isWhole) whole.push(faceId);
    if (whole.length > 0) finish.whole = whole;
    else delete finish.whole;
  });

/** Takes a finish off a piece, with what is drawn for it. */
export const removeFinish = (job: Job, pieceId: string, id: string): Job =>
  changePiece(job, pieceId, (piece) => {
    const left = (piece.finishing ?? []).filter((each) => each.id !== id);
    if (left.length > 0) piece.finishing = left;
    else delete piece.finishing;
    for (const face of piece.faces) face.elements = face.elements.filter((e) => e.finish !== id);
  });

const eachFace = (job: Job, change: (face: Face, piece: Piece) => void): Job =>
  produce(job, (draft) => {
    for (const piece of draft.pieces) for (const face of piece.faces) change(face as Face, piece as Piece);
  });

/** Makes elements part of a finish of their piece, or lets them print again. Pictures stay as they are: they are no solid form. */
export const setFinish = (job: Job, ids: readonly string[], finish: string | undefined): Job =>
  eachFace(job, (face, piece) => {
    const isThere = finish === undefined || (piece.finishing ?? []).some(({ id }) => id === finish);
    for (const element of face.elements) {
      if (!ids.includes(element.id) || !isThere || (element.kind === 'picture' && finish !== undefined)) continue;
      if (finish === undefined) delete element.finish;
      else element.finish = finish;
    }
  });

/** A picture's frame as a solid form. */
const frameShape = (picture: Extract<Framed, { kind: 'picture' }>, id: string): Shape => {
  const { x, y, width, height, outline, form, corners, turn, flip } = picture;
  return {
    ...makeShape({ id, x, y, width, height }),
    ...(outline ? { outline } : {}),
    ...(form ? { form } : {}),
    ...(corners ? { corners } : {}),
    ...(turn ? { turn } : {}),
    ...(flip ? { flip } : {}),
  };
};

/** The form of an element again, for a finish over it: what prints stays as it is. */
const copyFor = (element: Element, id: string, finish: string): Element => {
  if (element.kind === 'picture') return { ...frameShape(element, id), finish };
  const { group: _group, byRow: _byRow, locked: _locked, logo: _logo, ...form } = element;
  return { ...form, id, finish } as Element;
};

/** Lays a finish over elements in their own form: varnish over a picture, foil over a name. `ids` are old ids and new ones. */
export const copyToFinish = (job: Job, ids: ReadonlyMap<string, string>, finish: string): Job =>
  eachFace(job, (face) => {
    const copies = face.elements.flatMap((element) => {
      const id = ids.get(element.id);
      return id === undefined ? [] : [copyFor(element, id, finish)];
    });
    face.elements.push(...copies);
  });

/** The kind that a finish's id says, where it says one. */
const kindSaid = (id: string): FinishKind | undefined => {
  const bare = id.replace(/-\d+$/, '');
  return FINISH_KINDS.find((kind) => idOf(kind) === bare);
};

/** Gives each piece the finishes that its elements name: those that were pasted from another piece say what they are. */
export const adoptFinishes = (job: Job, faceId: string): Job => {
  const piece = job.pieces.find(({ faces }) => faces.some(({ id }) => id === faceId));
  const face = piece?.faces.find(({ id }) => id === faceId);
  if (!piece || !face) return job;
  const lost = new Set(face.elements.flatMap((e) => (e.finish && !finishOf(piece, e) ? [e.finish] : [])));
  let out = job;
  for (const id of lost) {
    const kind = kindSaid(id);
    const now = out.pieces.find((each) => each.id === piece.id)!;
    out = kind
      ? addFinish(out, piece.id, { ...newFinish(out, now, kind), id })
      : setFinish(
          out,
          face.elements.filter((e) => e.finish === id).map((e) => e.id),
          undefined,
        );
  }
  return out;
};
