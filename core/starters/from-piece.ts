import { produce } from 'immer';
import { unionOf } from '../geometry/box';
import { areasOf, hits } from '../job/areas';
import { removeElements } from '../job/edits/elements';
import { copyOfFace } from '../job/edits/faces';
import { requoted } from '../job/edits/house';
import { mapElementPaints } from '../job/edits/inks';
import { placeLogo } from '../job/edits/logos';
import { findFace, pieceOf } from '../job/find';
import { factsOf, finishOf } from '../job/finishing';
import { membersOf, pruneGroups, unitsOf } from '../job/groups';
import type { PieceAsked } from '../job/make';
import type { Element, Face, Job, Paint, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { asFace } from '../job/turned';
import { elementBox } from '../scene/face';
import { sourcesOf } from '../scene/sources';
import type { Kind } from '../trade/schema';
import type { FontBook } from '../type/font';
import type { Paragraph } from '../type/style';
import { fitPiece } from './fit';
import { beginEmpty } from './index';
import { BLACK, darkness, housePaints, LIGHT } from './paints';
import { refitPiece } from './refit';
import { spreadInks } from './spread';

/** A piece begun from another piece of the job: its logo, inks, details and accents, on a sheet of another kind. */

/** Kinds on which a coloured ground is no use: one writes on them, or they are printed ready-made. */
const ON_BARE_PAPER: readonly Kind[] = ['letterhead', 'envelope'];
/** An area larger than this share of its sheet is a ground; smaller it is an accent. */
const GROUND = 0.2;

const quotes = ({ spans }: Paragraph, whose: 'firm.' | 'person.'): boolean =>
  spans.some(({ quote }) => quote?.startsWith(whose));

/** What of a face goes along: all of it to the same kind; else the logo, the firm's details, rules and plain areas. */
function goesAlong(element: Element, from: Kind, to: Kind): boolean {
  if (element.part || element.sample) return false;
  if (from === to || element.logo) return true;
  if (element.kind === 'words') return element.paragraphs.some((each) => quotes(each, 'firm.'));
  return (element.kind === 'shape' || element.kind === 'rule') && !element.hidden;
}

/** Words without what they say of a person. */
const firmOnly = (element: Element): Element =>
  element.kind === 'words' && !element.logo
    ? { ...element, paragraphs: element.paragraphs.filter((each) => !quotes(each, 'person.')) }
    : element;

const isGround = (element: Element, { width, height }: { width: number; height: number }): boolean =>
  (element.kind === 'shape' || element.kind === 'picture') && element.width * element.height > GROUND * width * height;

/** Paper and pale inks do not show on paper: what stood out of a ground is printed in the house's main ink instead. */
function offGround(face: Face, job: Job): Element[] {
  const { main: first } = housePaints(job);
  const main = darkness(job, first.ink) > LIGHT ? first : BLACK;
  const onPaper = <P extends Paint>(paint: P): P =>
    darkness(job, paint.ink) * paint.tint <= LIGHT ? { ...paint, ...main } : paint;
  return face.elements.map((element) => mapElementPaints(element, job.styles, onPaper));
}

/** The logos of a face that were made to stand out of a ground are laid again in full colour. */
function logosOnPaper(job: Job, faceId: string, fonts: FontBook, newId: () => string): Job {
  const full = job.logos.find(({ use }) => use === 'full colour');
  const face = findFace(job, faceId)!;
  const sources = sourcesOf(job, fonts);
  return (face.groups ?? []).reduce((now, group) => {
    if (!full || job.logos.find(({ id }) => id === group.logo)?.use !== 'reversed') return now;
    const members = membersOf(face, group.id);
    const box = unionOf(members.map((each) => elementBox(each, sources)));
    if (!box) return now;
    const without = removeElements(
      now,
      members.map(({ id }) => id),
    );
    return placeLogo(without, faceId, full.id, { x: box.x, y: box.y, width: box.width }, newId);
  }, job);
}

/** Takes what came to lie where nothing may be printed off again. */
function clearOf(job: Job, piece: Piece, fonts: FontBook): Job {
  const sources = sourcesOf(job, fonts);
  const gone = piece.faces.flatMap((face) => {
    const areas = areasOf(piece, face).filter(({ kind }) => kind === 'clear');
    const inArea = (each: Element): boolean => areas.some((area) => hits(area, elementBox(each, sources)));
    const units = unitsOf(
      face,
      face.elements.filter(({ part }) => !part),
    );
    return units.flatMap(({ elements }) => (elements.some(inArea) ? elements.map(({ id }) => id) : []));
  });
  return removeElements(job, gone);
}

/** Lines of tools are made for one size; foil and the like go along. */
function fitsElsewhere(element: Element, source: Piece): boolean {
  const finish = finishOf(source, element);
  return !finish || factsOf(finish).draws === 'areas';
}

/** Adds a new piece that begins with what goes along from a piece of the job, face by face. */
export function beginFrom(job: Job, asked: PieceAsked, source: Piece, newId: () => string, fonts: FontBook): Job {
  const isBare = ON_BARE_PAPER.includes(asked.kind) && source.kind !== asked.kind;
  const empty = beginEmpty(job, asked, newId);
  const carried = produce(empty, (draft) => {
    const piece = pieceOf(draft, asked.id)!;
    piece.faces.forEach((face, i) => {
      const from = source.faces[i];
      if (!from) return;
      const along = from.elements.filter(
        (each) =>
          goesAlong(each, source.kind, asked.kind) &&
          fitsElsewhere(each, source) &&
          !(isBare && isGround(each, asFace(source, from))),
      );
      const said = source.kind === asked.kind ? along : along.map(firmOnly);
      const copy = copyOfFace({ ...from, elements: said }, face.name, newId);
      face.elements.unshift(...((isBare ? offGround(copy, job) : copy.elements) as typeof face.elements));
      if (copy.groups) face.groups = copy.groups;
      const named = new Set(face.elements.map(({ finish }) => finish));
      const carriedOn = (source.finishing ?? []).filter(
        ({ id }) => named.has(id) && !piece.finishing?.some((each) => each.id === id),
      );
      if (carriedOn.length > 0)
        piece.finishing = [...(piece.finishing ?? []), ...carriedOn.map(({ whole: _whole, ...finish }) => finish)];
      if (from.turned && source.kind === asked.kind) face.turned = from.turned;
      pruneGroups(face as Face);
    });
  });
  const onPaper = isBare
    ? pieceOf(carried, asked.id)!.faces.reduce((now, { id }) => logosOnPaper(now, id, fonts, newId), carried)
    : carried;
  const margin = shopIn(job, asked.shop).safe[asked.kind] + 1;
  const placed = refitPiece(requoted(onPaper), asked.id, source, margin, fonts);
  return spreadInks(fitPiece(clearOf(placed, pieceOf(placed, asked.id)!, fonts), asked.id, fonts), asked.id, fonts);
}
