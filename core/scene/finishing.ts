import type { Plates } from '../colour/ink';
import { type Box, outset } from '../geometry/box';
import { corneredBoxPath } from '../geometry/forms';
import { boxAround, IDENTITY, invert, type Matrix, multiply } from '../geometry/matrix';
import { boxPath, type Path, transformPath } from '../geometry/path';
import { type Finish, factsOf, finishOf, finishPlate } from '../job/finishing';
import type { Element, Face, Piece } from '../job/schema';
import { asFace, ontoSheet } from '../job/turned';
import type { Device } from './device';
import { drawElement } from './face';
import { lineOf } from './follow';
import { outlineOf } from './outline';
import { copiesOf } from './repeat';
import { runOutline } from './run-outline';
import { shownFaces } from './shown-faces';
import type { SceneSources } from './sources';
import { turnOf } from './turn';

/** Finishing as it is drawn: solid in its own plate, over all inks and without taking any of them away. */

/** What a finish does on one side. */
export interface FinishOnFace {
  finish: Finish;
  /** From the bottom of the stack. */
  elements: readonly Element[];
  /** It covers the side whole. */
  isWhole: boolean;
}

/** The weight of the line that a tool follows, points: one that any reader shows. */
export const TOOL_LINE = 0.5;
/** Further than any bleed: what covers a side is cut off by what it is drawn in. */
const BEYOND = 60;

/** The sides of a piece as one holds them: what prints, and finishing that is seen. */
export const heldFaces = (piece: Pick<Piece, 'faces' | 'finishing'>, sources: SceneSources): Face[] =>
  shownFaces(piece, sources).map((face) => asHeld(piece, face));

const held = new WeakMap<Face, { of: Piece['finishing']; face: Face }>();

/** A side as `shownFaces` has it without what is not seen on the finished piece: hidden things, samples, lines of tools. */
export function asHeld({ finishing }: Pick<Piece, 'finishing'>, face: Face): Face {
  const found = held.get(face);
  if (found && found.of === finishing) return found.face;
  const elements = face.elements.filter((element) => {
    const finish = finishOf({ finishing }, element);
    return !element.hidden && !element.sample && !(finish && factsOf(finish).draws === 'lines');
  });
  const made = elements.length === face.elements.length ? face : { ...face, elements };
  held.set(face, { of: finishing, face: made });
  return made;
}

/** What finishes of a piece do on a side as `shownFaces` has it, in the order that the piece lists them. */
export const finishesOn = (piece: Pick<Piece, 'finishing'>, face: Face): FinishOnFace[] =>
  (piece.finishing ?? []).flatMap((finish) => {
    const elements = face.elements.filter((e) => e.finish === finish.id && !e.hidden && !e.sample);
    const isWhole = finish.whole?.includes(face.id) ?? false;
    return elements.length > 0 || isWhole ? [{ finish, elements, isWhole }] : [];
  });

/** The sides of a piece that have finishing on them, by number. */
export const finishedFaces = (
  piece: Piece,
  sources: SceneSources,
): { face: Face; n: number; finishes: FinishOnFace[] }[] =>
  shownFaces(piece, sources).flatMap((face, n) => {
    const finishes = finishesOn(piece, face);
    return finishes.length > 0 ? [{ face, n, finishes }] : [];
  });

/** A device that draws all it is told in one plate: areas as they are, or the lines that a tool follows. */
function finishDevice(device: Device, { kind, name }: Finish): Device {
  const plates: Plates = { [finishPlate({ kind, name })]: 1 };
  const pen = { weight: TOOL_LINE };
  const isLine = factsOf({ kind }).draws === 'lines';
  return {
    ...device,
    fillPath: (path) => (isLine ? device.strokePath(path, pen, plates) : device.fillPath(path, plates)),
    strokePath: (path, own) => device.strokePath(path, isLine ? pen : own, plates),
    showGlyphs: (run) => (isLine ? device.strokePath(runOutline(run), pen, plates) : device.showGlyphs(run, plates)),
    // Nothing that is not solid can be a die or a plate of varnish.
    drawImage() {},
    drawTone() {},
    beginGroup() {},
    endGroup() {},
    beginFade() {},
    endFade() {},
  };
}

/** An element as a finish has it: its form alone. */
const formOf = ({ opacity: _opacity, shadow: _shadow, overprint: _overprint, ...form }: Element): Element =>
  form as Element;

/** The lines of an element that a tool follows: a rule's own line, or the outlines of areas. */
export function toolLines(element: Element): Path[] {
  if (element.kind === 'words') return [];
  const own = boxAround(element, turnOf(element, element));
  return copiesOf(element, own).map(({ matrix }) => transformPath(lineOf(element), matrix));
}

/** Draws what a finish does on a side; `sheet` is the side's own size. */
export function drawFinish(
  { finish, elements, isWhole }: FinishOnFace,
  sheet: Pick<Box, 'width' | 'height'>,
  sources: SceneSources,
  device: Device,
): void {
  const on = finishDevice(device, finish);
  const isLine = factsOf(finish).draws === 'lines';
  device.beginOverprint();
  if (isWhole) on.fillPath(boxPath(outset({ x: 0, y: 0, ...sheet }, BEYOND)), {});
  for (const element of elements)
    if (isLine && element.kind !== 'words') {
      device.beginElement(element.id);
      for (const path of toolLines(element)) on.strokePath(path, { weight: TOOL_LINE }, {});
      device.endElement();
    } else drawElement(formOf(element), sources, on);
  device.endOverprint();
}

const dressed = new WeakMap<SceneSources, SceneSources[]>();

/** Sources that show the finishing and the stock of a piece as well; the same ones for the same two. */
export function showingMade(
  sources: SceneSources,
  { finishing, order }: Pick<Piece, 'finishing' | 'order'>,
): SceneSources {
  const stock = order?.colour;
  const isThis = (each: SceneSources): boolean => each.finishing === finishing && each.stock === stock;
  if (isThis(sources)) return sources;
  const here = dressed.get(sources) ?? [];
  dressed.set(sources, here);
  const found = here.find(isThis);
  if (found) return found;
  const made = { ...sources, finishing, stock };
  here.push(made);
  return made;
}

/** What brings one side of a piece onto another as they lie back to back: a back is mirrored on its front. */
export function throughSheet(piece: Piece, from: Face, to: Face): Matrix {
  if (from.id === to.id) return IDENTITY;
  const isBack = (face: Face): boolean => piece.faces.findIndex(({ id }) => id === face.id) % 2 === 1;
  const mirror: Matrix = isBack(from) === isBack(to) ? IDENTITY : [-1, 0, 0, 1, piece.width, 0];
  const onto = ontoSheet(piece, from)?.matrix ?? IDENTITY;
  const back = invert(ontoSheet(piece, to)?.matrix ?? IDENTITY)!;
  return multiply(back, multiply(mirror, onto));
}

/** What the tools of a kind that go through the sheet do on one of its sides: outlines of elements of any side. */
export function throughOn(piece: Piece, face: Face, kind: Finish['kind']): { element: Element; paths: Path[] }[] {
  if (!piece.finishing?.some((finish) => finish.kind === kind)) return [];
  const sheetOf = (n: number): number => Math.floor(n / 2);
  const here = piece.faces.findIndex(({ id }) => id === face.id);
  return piece.faces.flatMap((other, n) =>
    sheetOf(n) !== sheetOf(here)
      ? []
      : other.elements.flatMap((element) => {
          if (element.hidden || element.kind === 'words' || finishOf(piece, element)?.kind !== kind) return [];
          const matrix = throughSheet(piece, other, face);
          return [{ element, paths: toolLines(element).map((path) => transformPath(path, matrix)) }];
        }),
  );
}

/** The outline that a die cuts a side along, in points from the trim's corner; undefined where the guillotine cuts it. */
export function dieOf(piece: Piece, face: Face): Path | undefined {
  const found = throughOn(piece, face, 'die line').flatMap(({ element, paths }) =>
    element.kind === 'shape' || element.kind === 'picture' ? paths : [],
  );
  return found[0];
}

/** The outline that a side has in the end, where it is not its trim: of a die line, or with rounded corners. */
export function cutOutline(piece: Piece, face: Face): Path | undefined {
  const die = dieOf(piece, face);
  if (die || !piece.corner) return die;
  const corner = { radius: piece.corner, form: 'round' } as const;
  return corneredBoxPath(sideBox(piece, face), [corner, corner, corner, corner]);
}

/** Whether a die cuts a piece, and not the guillotine: its shadow is not that of a rectangle. */
export const hasDie = ({ finishing, corner }: Pick<Piece, 'finishing' | 'corner'>): boolean =>
  corner !== undefined || (finishing?.some(({ kind }) => kind === 'die line') ?? false);

/** The outline of a framed element as it is turned. */
export const outlineThere = (element: Exclude<Element, { kind: 'words' }>): Path =>
  transformPath(outlineOf(element), turnOf(element, element));

/** The box of a side. */
export const sideBox = (piece: Piece, face: Face): Box => {
  const { width, height } = asFace(piece, face);
  return { x: 0, y: 0, width, height };
};
