import { produce } from 'immer';
import { mapPaints } from '../../colour/fill';
import type { Ink } from '../../colour/ink';
import { ALL_PLATES_ALLOWED, type PrintedWith } from '../../colour/printed-with';
import type { NamedStyle } from '../../type/style';
import { findElement } from '../find';
import { lookOf } from '../look';
import { type Element, type Job, type Paint, type Picture, paintsOf } from '../schema';
import { changePiece } from './change-piece';

/** Edits of inks and of how things print. */

export const addInk = (job: Job, ink: Ink): Job => ({ ...job, inks: [...job.inks, ink] });

/** Takes a list of inks in under new ids; one whose name is there already is changed to what the list says. */
export const takeInks = (job: Job, inks: readonly Ink[], newId: () => string): Job =>
  inks.reduce((j, { id: _theirs, ...ink }) => {
    const same = j.inks.find(({ id, name }) => id !== 'paper' && name.toLowerCase() === ink.name.toLowerCase());
    return same ? changeInk(j, same.id, ink) : addInk(j, { id: newId(), ...ink });
  }, job);

/** Changes an ink everywhere it is used. */
export const changeInk = (job: Job, id: string, change: Partial<Omit<Ink, 'id'>>): Job => ({
  ...job,
  inks: job.inks.map((ink) => (ink.id === id ? { ...ink, ...change } : ink)),
});

/** Brings an ink to a place in the list, 0 first. */
export function moveInk(job: Job, id: string, to: number): Job {
  const ink = job.inks.find((each) => each.id === id);
  if (!ink) return job;
  const others = job.inks.filter((each) => each.id !== id);
  return { ...job, inks: [...others.slice(0, Math.max(0, to)), ink, ...others.slice(Math.max(0, to))] };
}

/** An element with each of its paints changed; the paint that words have from their style becomes their own. */
export function mapElementPaints(
  given: Element,
  styles: readonly NamedStyle[],
  change: (paint: Paint) => Paint,
): Element {
  const byRow = given.byRow?.ink;
  const inks = byRow?.inks.map((each) => ({ ...each, ink: change({ ink: each.ink, tint: 1 }).ink }));
  const element = byRow && inks ? { ...given, byRow: { ...given.byRow, ink: { ...byRow, inks } } } : given;
  const shadow = element.shadow ? { shadow: { ...element.shadow, ...change(element.shadow) } } : {};
  if (element.kind === 'picture')
    return { ...element, ...shadow, ...(element.inks ? { inks: element.inks.map(change) } : {}) };
  if (element.kind === 'code') return { ...element, ...shadow, paint: change(element.paint) };
  if (element.kind === 'rule') return { ...element, ...shadow, paint: mapPaints(element.paint, change) };
  if (element.kind === 'shape') {
    const { stroke } = element;
    const line = stroke ? { stroke: { ...stroke, paint: change(stroke.paint) } } : {};
    return { ...element, ...shadow, ...line, paint: mapPaints(element.paint, change) };
  }
  const shown = lookOf(element, styles).lettering.paint;
  const to = change(shown);
  const own = to.ink === shown.ink && to.tint === shown.tint ? element.lettering : { ...element.lettering, paint: to };
  const paragraphs = element.paragraphs.map((p) => ({
    ...p,
    spans: p.spans.map((span) => (span.paint ? { ...span, paint: change(span.paint) } : span)),
  }));
  const fill = element.fill ? { fill: mapPaints(element.fill, change) } : {};
  const line = element.stroke ? { stroke: { ...element.stroke, paint: change(element.stroke.paint) } } : {};
  return { ...element, ...shadow, ...fill, ...line, lettering: own, paragraphs };
}

/** Puts one ink in the place of another everywhere, styles and pieces too, each tint so much of what it was; the other is gone. */
export function replaceInk(job: Job, id: string, by: string, tint = 1): Job {
  if (id === by || !job.inks.some((ink) => ink.id === by)) return job;
  const change = <P extends Paint>(paint: P): P =>
    paint.ink === id ? { ...paint, ink: by, tint: Math.min(1, paint.tint * tint) } : paint;
  const styles = job.styles.map((style) => ({
    ...style,
    lettering: { ...style.lettering, paint: change(style.lettering.paint) },
  }));
  const pieces = job.pieces.map((piece) => ({
    ...piece,
    ...(piece.printedWith ? { printedWith: withoutInk(piece.printedWith, id, by) } : {}),
    faces: piece.faces.map((face) => ({
      ...face,
      elements: face.elements.map((element) =>
        paintsOf(element).some(({ ink }) => ink === id) ? mapElementPaints(element, styles, change) : element,
      ),
    })),
  }));
  const logos = job.logos.map((logo) => ({
    ...logo,
    elements: logo.elements.map((element) => mapElementPaints(element, styles, change)),
  }));
  return { ...job, styles, pieces, logos, inks: job.inks.filter((ink) => ink.id !== id) };
}

/** What a piece prints with once an ink is another: two that have become one are one. */
function withoutInk(with_: PrintedWith, id: string, by: string): PrintedWith {
  if (with_.plates !== 'two inks' && with_.plates !== 'one ink') return with_;
  const inks = [...new Set(with_.inks.map((ink) => (ink === id ? by : ink)))];
  if (inks.length === 1) return { plates: 'one ink', inks };
  return { plates: 'two inks', inks };
}

/** Says which plates a piece is printed from. */
export const setPrintedWith = (job: Job, pieceId: string, with_: PrintedWith): Job =>
  changePiece(job, pieceId, (piece) => {
    if (with_.plates === ALL_PLATES_ALLOWED.plates) delete piece.printedWith;
    else piece.printedWith = with_;
  });

const change = (job: Job, ids: readonly string[], recipe: (element: Element) => void): Job =>
  produce(job, (draft) => {
    for (const id of ids) {
      const found = findElement(draft, id);
      if (found) recipe(found.element);
    }
  });

/** Makes elements overprint or knock out; left out, small black words overprint and all else knocks out. */
export const setOverprint = (job: Job, ids: readonly string[], overprint: Element['overprint']): Job =>
  change(job, ids, (element) => {
    if (overprint) element.overprint = overprint;
    else delete element.overprint;
  });

/** Prints a picture's greys in one ink or two, or again in the four process inks. */
export const setPictureInks = (job: Job, id: string, inks: Picture['inks']): Job =>
  change(job, [id], (element) => {
    if (element.kind !== 'picture') return;
    if (inks) element.inks = inks;
    else delete element.inks;
  });

/** Makes the numbers of a CMYK picture anew for the press, or keeps them. */
export const setReseparate = (job: Job, id: string, on: boolean): Job =>
  change(job, [id], (element) => {
    if (element.kind !== 'picture') return;
    if (on) element.reseparate = true;
    else delete element.reseparate;
  });

/** Keeps a picture's ink under a limit, 1 to 4 for 100 to 400 %. */
export const setInkLimit = (job: Job, id: string, limit: number | undefined): Job =>
  change(job, [id], (element) => {
    if (element.kind !== 'picture') return;
    if (limit === undefined) delete element.inkLimit;
    else element.inkLimit = limit;
  });

/** Changes all paints of some elements. */
export const repaint = (job: Job, ids: readonly string[], to: (paint: Paint) => Paint): Job => ({
  ...job,
  pieces: job.pieces.map((piece) => ({
    ...piece,
    faces: piece.faces.map((face) => ({
      ...face,
      elements: face.elements.map((e) => (ids.includes(e.id) ? mapElementPaints(e, job.styles, to) : e)),
    })),
  })),
});
