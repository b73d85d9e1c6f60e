import { produce } from 'immer';
import { type Box, bottom, right, unionOf } from '../geometry/box';
import { changePiece } from '../job/edits/change-piece';
import { scaleElements } from '../job/edits/groups';
import { setLetter, setPost } from '../job/edits/kinds';
import { findElement, pieceOf } from '../job/find';
import { unitsOf } from '../job/groups';
import { letteringsOf } from '../job/look';
import type { Element, Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { asFace } from '../job/turned';
import { elementBox } from '../scene/face';
import { sourcesOf } from '../scene/sources';
import type { FontBook } from '../type/font';
import { fitPiece } from './fit';

/** Art laid out for one sheet, placed on a sheet of another size: anchored to the edges it stands by, not stretched. */

export interface Sides {
  width: number;
  height: number;
}

/** How much larger or smaller words and drawings become at most: type is read at one distance on any sheet. */
const LEAST_SCALE = 0.7;
const MOST_SCALE = 1.6;
/** Nearer than this to an edge, points, art is taken to run over it. */
const AT_EDGE = 1;
/** Further from the middle than this share of the sheet, something stands by the nearer edge. */
const CENTRED = 0.06;

/** Drawings take at most so much more of a narrower sheet than they had: their lines are worth more than its room. */
const ROOM_MORE = 1.4;

const refitScale = (from: Sides, to: Sides): number =>
  Math.max(LEAST_SCALE, Math.min(MOST_SCALE, to.width / from.width, to.height / from.height));

/** One way of a box: where it begins and how long it is. */
interface Stretch {
  at: number;
  length: number;
}

/** Runs over the edge on that side. */
const overNear = ({ at }: Stretch): boolean => at <= AT_EDGE;
const overFar = ({ at, length }: Stretch, side: number): boolean => at + length >= side - AT_EDGE;

/** A length that grows with the sheet; what sticks out over an edge does not grow. */
function shared(own: Stretch, from: number, to: number): Stretch {
  const near = overNear(own) ? own.at : (own.at / from) * to;
  const end = own.at + own.length;
  const far = overFar(own, from) ? to + (end - from) : (end / from) * to;
  return { at: near, length: far - near };
}

/** A length scaled by itself, as far inside the margin of the edge it stands by as before, in its own scale. */
function anchored(own: Stretch, from: number, to: number, by: number, margin: number): Stretch {
  const length = own.length * by;
  const far = from - own.at - own.length;
  const off = own.at + own.length / 2 - from / 2;
  if (Math.abs(off) < from * CENTRED) return { at: to / 2 + off * by - length / 2, length };
  const gap = (was: number): number => was * by + (was > 0 ? margin * Math.max(0, 1 - by) : 0);
  if (to / from < by) {
    // What shares a narrower sheet keeps its place on it, so that it stays beside what it stood beside.
    const at = off < 0 ? (own.at / from) * to : to - (far / from) * to - length;
    return { at: Math.max(margin, Math.min(to - margin - length, at)), length };
  }
  return off < 0 ? { at: gap(own.at), length } : { at: to - gap(far) - length, length };
}

/** Plain areas and pictures that run over an edge keep their share of the sheet. */
const isGround = (elements: readonly Element[], box: Box, from: Sides): boolean => {
  const [only] = elements;
  if (elements.length !== 1 || !only || only.turn) return false;
  if (only.kind !== 'picture' && only.kind !== 'shape' && only.kind !== 'rule') return false;
  if (only.kind !== 'rule' && (only.form || only.outline)) return false;
  return (
    box.x <= AT_EDGE || box.y <= AT_EDGE || right(box) >= from.width - AT_EDGE || bottom(box) >= from.height - AT_EDGE
  );
};

/** Words so large, points, that they are looked at rather than read. */
const TITLE = 13;
const isTitle = (element: Element, job: Job): boolean =>
  element.kind === 'words' && Math.max(...letteringsOf(element, job.styles).map(({ size }) => size)) >= TITLE;

/** Words in a box of a width of their own get the share of the new sheet that they had; their size stays. */
function widenWords(job: Job, element: Element, across: Stretch, from: Sides, to: Sides, margin: number): Job {
  if (element.kind !== 'words' || element.frame.behaviour === 'grows') return job;
  const isWide = across.length > from.width * 0.6;
  return produce(job, (draft) => {
    const words = findElement(draft, element.id)!.element;
    if (words.kind !== 'words') return;
    const share = shared(across, from.width, to.width);
    // On a narrower sheet columns stay beside one another; on a wider one only those as wide as the sheet grow.
    if (!isWide && share.length > words.frame.width) return;
    const left = Math.max(margin, share.at);
    words.x = left;
    words.frame.width = Math.max(1, Math.min(share.length, to.width - margin - left));
  });
}

/**
 * Places what lies on a piece, laid out for sides of `from` (points, of the piece), on the sides that the piece has now.
 * Words stay `margin` points from the trim where they were inside it before.
 */
export function refitPiece(job: Job, pieceId: string, from: Sides, margin: number, fonts: FontBook): Job {
  const piece = pieceOf(job, pieceId)!;
  if (from.width === piece.width && from.height === piece.height) return job;
  const sources = sourcesOf(job, fonts);
  return piece.faces.reduce((now, face) => {
    const was = asFace({ ...piece, ...from }, face);
    const is = asFace(piece, face);
    const by = refitScale(was, is);
    return unitsOf(face, face.elements).reduce((laid, { elements }) => {
      const box = unionOf(elements.map((each) => elementBox(each, sources)));
      if (!box || box.width <= 0 || box.height <= 0) return laid;
      const ids = elements.map(({ id }) => id);
      const across: Stretch = { at: box.x, length: box.width };
      const down: Stretch = { at: box.y, length: box.height };
      if (isGround(elements, box, was)) {
        const [x, y] = [shared(across, was.width, is.width), shared(down, was.height, is.height)];
        return scaleElements(laid, ids, box, { x: x.at, y: y.at, width: x.length, height: y.length }, { type: false });
      }
      const isWords = elements.length === 1 && elements[0]!.kind === 'words';
      const most = Math.min((is.width - 2 * margin) / box.width, (ROOM_MORE * is.width) / was.width);
      const own = isWords && !isTitle(elements[0]!, job) ? by : Math.min(by, Math.max(most, 0.05));
      const x = anchored(across, was.width, is.width, own, margin);
      const y = anchored(down, was.height, is.height, own, margin);
      const placed = scaleElements(
        laid,
        ids,
        box,
        { x: x.at, y: y.at, width: x.length, height: y.length },
        { type: true },
      );
      return isWords ? widenWords(placed, elements[0]!, across, was, is, margin) : placed;
    }, now);
  }, job);
}

/** Makes a piece another size, for another shop: what lies on it is placed anew, what its kind draws is drawn anew. */
export function resizePiece(
  job: Job,
  pieceId: string,
  to: Pick<Piece, 'width' | 'height' | 'unit' | 'shop'>,
  newId: () => string,
  fonts: FontBook,
): Job {
  const was = pieceOf(job, pieceId);
  if (!was) return job;
  const sized = changePiece(job, pieceId, (piece) => Object.assign(piece, to));
  if (was.width === to.width && was.height === to.height) return sized;
  const bare = setLetter(setPost(sized, pieceId, undefined, newId), pieceId, undefined, newId);
  const placed = refitPiece(bare, pieceId, was, shopIn(job, to.shop).safe[was.kind] + 1, fonts);
  return fitPiece(setLetter(setPost(placed, pieceId, was.post, newId), pieceId, was.letter, newId), pieceId, fonts);
}
