import type { Box } from '../geometry/box';
import { type Area, areasOf } from '../job/areas';
import { requoted } from '../job/edits/house';
import { addPiece } from '../job/edits/job';
import { NEW_LETTER, NEW_POST, setEnvelope, setLetter, setPost, setTurns, turnFace } from '../job/edits/kinds';
import { pieceOf } from '../job/find';
import { makePiece, type PieceAsked } from '../job/make';
import type { Job } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { envelopeOf } from '../trade/envelopes';
import type { Kind } from '../trade/schema';
import type { FontBook } from '../type/font';
import { CARDS } from './card';
import { ENVELOPE_STARTERS } from './envelope';
import { fitPiece } from './fit';
import { LETTERHEADS } from './letterhead';
import { penFor } from './pen';
import { FLYERS, POSTCARDS } from './poster';
import type { Starter } from './starter';

export { TYPEFACES as STARTER_TYPEFACES } from './pen';
export type { Starter } from './starter';

export const STARTERS: readonly Starter[] = [...CARDS, ...LETTERHEADS, ...ENVELOPE_STARTERS, ...POSTCARDS, ...FLYERS];
export const startersOf = (kind: Kind): readonly Starter[] => STARTERS.filter((starter) => starter.kind === kind);

/** What a new piece of a kind knows of itself: envelopes how they are made, letters their layout, cards whose post. */
function withFacts(job: Job, { id, kind, width, height, unit }: PieceAsked, faces: number, newId: () => string): Job {
  const rules = unit === 'in' ? 'us' : 'international';
  if (kind === 'letterhead')
    return setLetter(job, id, { ...NEW_LETTER, layout: unit === 'in' ? 'us' : 'din-5008-b' }, newId);
  if (kind === 'postcard' && faces > 1) {
    const posted = setPost(job, id, { ...NEW_POST, rules, face: `${id}-2` }, newId);
    // An address stands along the long side: the address side of an upright card is turned.
    return height > width ? setTurns(turnFace(posted, id, `${id}-2`, 'clockwise', newId), id, 'left–right') : posted;
  }
  if (kind !== 'envelope') return job;
  const made = envelopeOf(width, height);
  const facts = made && { flap: made.flap, seams: made.seams };
  const posted = setPost(job, id, { ...NEW_POST, rules, face: `${id}-1` }, newId);
  return facts ? setEnvelope(posted, id, facts) : posted;
}

/** What the areas that are kept clear leave of a box: the part left of those to the right, above those at the foot. */
export function freeOf(inner: Box, areas: readonly Area[], across: number): Box {
  const boxes = areas.filter(({ kind }) => kind === 'clear').flatMap((area) => area.boxes);
  const gap = 8;
  const beside = boxes.filter((box) => box.x > across * 0.3).map((box) => box.x);
  const width = Math.min(inner.width, ...beside.map((x) => x - gap - inner.x));
  const below = boxes.filter((box) => box.x < inner.x + width && box.y > inner.y + inner.height * 0.4);
  const height = Math.min(inner.height, ...below.map((box) => box.y - gap - inner.y));
  return { ...inner, width, height };
}

function drawBack(job: Job, { id, shop }: PieceAsked, back: NonNullable<Starter['back']>, newId: () => string): Job {
  const piece = pieceOf(job, id)!;
  const face = piece.faces[1]!;
  const pen = penFor(job, piece, shopIn(job, shop), newId, 1);
  back(pen, freeOf(pen.inner, areasOf(piece, face), pen.sheet.width));
  return pen.job();
}

/** Adds an empty piece to a job that knows what its kind knows. */
export function beginEmpty(job: Job, asked: PieceAsked, newId: () => string, names?: readonly string[]): Job {
  const empty = makePiece(asked);
  const piece = { ...empty, faces: empty.faces.map((face, i) => ({ ...face, name: names?.[i] ?? face.name })) };
  return withFacts(addPiece(job, piece), asked, asked.faces, newId);
}

/** Adds a new piece to a job, begun by a starter or left empty. */
export function beginPiece(
  job: Job,
  asked: PieceAsked,
  starter: Starter | undefined,
  newId: () => string,
  fonts: FontBook,
): Job {
  const names = starter && asked.faces === starter.faces.length ? starter.faces : undefined;
  const added = beginEmpty(job, asked, newId, names);
  if (!starter) return added;
  const piece = added.pieces.at(-1)!;
  const pen = penFor(added, piece, shopIn(job, asked.shop), newId);
  starter.draw(pen);
  const back = starter.back && piece.faces[1] ? drawBack(pen.job(), asked, starter.back, newId) : pen.job();
  return fitPiece(requoted(back), asked.id, fonts);
}
