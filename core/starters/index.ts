import type { Box, Sides } from '../geometry/box';
import { type Area, areasOf } from '../job/areas';
import { addPiece } from '../job/edits/job';
import { newLetter, newPost, setEnvelope, setLetter, setPost, setTurns, turnFace } from '../job/edits/kinds';
import { pieceOf } from '../job/find';
import { makePiece, type PieceAsked } from '../job/make';
import type { Job } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { countryOf } from '../trade/countries';
import { envelopeOf } from '../trade/envelopes';
import { KINDS, type Kind } from '../trade/schema';
import type { FontBook } from '../type/font';
import { type PieceUnit, toPoints } from '../units/length';
import { LOOKS } from './looks';
import { type Pen, penFor } from './pen';
import { remembered } from './remembered';
import { spreadInks } from './spread';
import type { Look, Starter } from './starter';

export { LOOKS, lookCalled } from './looks';
export { TYPEFACES as STARTER_TYPEFACES } from './paints';
export type { Look, Starter } from './starter';

const FACES: Readonly<Record<Kind, readonly string[]>> = {
  card: ['Front', 'Back'],
  letterhead: ['First sheet', 'Following sheets'],
  envelope: ['Front', 'Back'],
  postcard: ['Picture side', 'Address side'],
  flyer: ['Front', 'Back'],
};

/** A look on one kind of piece. */
export const starterOf = (look: Look, kind: Kind): Starter => ({
  id: `${kind}-${look.id}`,
  kind,
  name: look.name,
  says: look.says,
  faces: FACES[kind],
  look,
});

export const STARTERS: readonly Starter[] = KINDS.flatMap((kind) => LOOKS.map((look) => starterOf(look, kind)));
export const startersOf = (kind: Kind): readonly Starter[] => STARTERS.filter((starter) => starter.kind === kind);

/** The margins of a letter, in whole measures of its unit: common practice. */
const LETTER_MARGINS: Readonly<Record<PieceUnit, Sides>> = {
  mm: { top: toPoints(20, 'mm'), right: toPoints(20, 'mm'), bottom: toPoints(25, 'mm'), left: toPoints(25, 'mm') },
  in: { top: toPoints(1, 'in'), right: toPoints(1, 'in'), bottom: toPoints(1, 'in'), left: toPoints(1, 'in') },
};

/** What a new piece of a kind knows of itself: envelopes how they are made, letters their layout, cards whose post. */
function withFacts(job: Job, { id, kind, width, height, unit }: PieceAsked, faces: number, newId: () => string): Job {
  const country = countryOf(job.country);
  const rules = country?.post ?? (unit === 'in' ? 'us' : 'international');
  if (kind === 'letterhead') {
    const layout = country?.layout ?? (unit === 'in' ? 'us' : 'din-5008-b');
    return setLetter(job, id, { ...newLetter(unit), margins: LETTER_MARGINS[unit], layout }, newId);
  }
  if (kind === 'postcard' && faces > 1) {
    const posted = setPost(job, id, { ...newPost(unit), rules, face: `${id}-2` }, newId);
    // An address stands along the long side: the address side of an upright card is turned.
    return height > width ? setTurns(turnFace(posted, id, `${id}-2`, 'clockwise', newId), id, 'left–right') : posted;
  }
  if (kind !== 'envelope') return job;
  const made = envelopeOf(width, height);
  const facts = made && { flap: made.flap, seams: made.seams };
  const posted = setPost(job, id, { ...newPost(unit), rules, face: `${id}-1` }, newId);
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

/** The part of an envelope's front that stamp and address leave free, points. */
function cornerOf({ inner, sheet }: Pen): Box {
  return { x: inner.x, y: inner.y, width: sheet.width * 0.42, height: Math.min(64, sheet.height * 0.285 - inner.y) };
}

/** What each kind draws of a look on its front, or its first sheets. */
const FRONTS: Readonly<Record<Kind, (look: Look, pen: Pen) => void>> = {
  card: (look, pen) => look.card(pen),
  letterhead: (look, pen) => look.letterhead(pen),
  envelope: (look, pen) => look.envelope(pen, cornerOf(pen)),
  postcard: (look, pen) => look.poster(pen),
  flyer: (look, pen) => look.poster(pen),
};
/** Kinds whose other side has sides of its own. */
const HAS_BACK: readonly Kind[] = ['postcard', 'flyer'];

/** Adds an empty piece to a job that knows what its kind knows. */
export function beginEmpty(job: Job, asked: PieceAsked, newId: () => string, names?: readonly string[]): Job {
  const empty = makePiece(asked);
  const piece = {
    ...empty,
    ...remembered(job, asked.kind),
    faces: empty.faces.map((face, i) => ({ ...face, name: names?.[i] ?? face.name })),
  };
  return withFacts(addPiece(job, piece), asked, asked.faces, newId);
}

/** A letterhead with art that runs off its sheet is printed before it goes through the office's printer, whose margin is then no matter. */
function readyMade(job: Job, id: string, newId: () => string): Job {
  const piece = pieceOf(job, id)!;
  const { width, height } = piece;
  const runsOff = piece.faces.some(({ elements }) =>
    elements.some(
      (e) => e.kind === 'shape' && (e.x < 0 || e.y < 0 || e.x + e.width > width || e.y + e.height > height),
    ),
  );
  return runsOff && piece.letter ? setLetter(job, id, { ...piece.letter, unprintable: 0 }, newId) : job;
}

function drawPiece(
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
  const shop = shopIn(added, asked.shop);
  const front = penFor(added, piece, shop, fonts, newId);
  FRONTS[asked.kind](starter.look, front);
  if (asked.kind === 'letterhead') return readyMade(front.job(), asked.id, newId);
  if (!HAS_BACK.includes(asked.kind) || !piece.faces[1]) return front.job();
  const back = penFor(front.job(), piece, shop, fonts, newId, 1);
  starter.look.back(back, freeOf(back.inner, areasOf(piece, piece.faces[1]), back.sheet.width));
  return back.job();
}

/** Adds a new piece to a job, begun by a starter or left empty. */
export const beginPiece = (
  job: Job,
  asked: PieceAsked,
  starter: Starter | undefined,
  newId: () => string,
  fonts: FontBook,
): Job => spreadInks(drawPiece(job, asked, starter, newId, fonts), asked.id, fonts);
