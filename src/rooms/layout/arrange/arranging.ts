import { create } from 'zustand';
import { inkBounds } from '../../../../core/devices/bounds';
import { alignMoves, centreMove, type Edge, spaceMoves } from '../../../../core/geometry/arrange';
import { type Box, outset, type Point, unionOf } from '../../../../core/geometry/box';
import { flipElement, moveElements, setFrame, turnElement } from '../../../../core/job/edits/elements';
import { setWordsFrame } from '../../../../core/job/edits/words';
import type { Element, Job } from '../../../../core/job/schema';
import { elementBox, elementFrame } from '../../../../core/scene/face';
import { act } from '../../../store/session';
import type { Bench } from '../bench';

/** What things are aligned to. */
export const TOS = ['each other', 'the one selected last', 'the trim', 'the safe zone'] as const;
export type To = (typeof TOS)[number];

/** How a person arranges; kept from one selection to the next. */
export const useArranging = create<{
  to: To;
  /** Whether words count by their frame or by what is seen of their letters. */
  by: 'frame' | 'letters';
}>(() => ({ to: 'each other', by: 'frame' }));

/** The box of an element that arranging goes by. */
export function arrangedBox(element: Element, { sources }: Pick<Bench, 'sources'>): Box {
  const frame = elementBox(element, sources);
  if (element.kind !== 'words' || useArranging.getState().by === 'frame') return frame;
  return inkBounds(element, sources) ?? frame;
}

const movable = ({ selection }: Bench): Element[] => selection.filter((e) => !e.locked);

function move(name: string, elements: readonly Element[], moves: readonly Point[]): void {
  act(name, (job) => moveElements(job, new Map(elements.map((e, i) => [e.id, moves[i]!]))));
}

/** The box that the selection is aligned to. One element alone has nothing but the face to be aligned to. */
function target(bench: Bench, boxes: readonly Box[]): Box | undefined {
  const { piece, shop, selection } = bench;
  const trim = { x: 0, y: 0, width: piece.width, height: piece.height };
  const { to } = useArranging.getState();
  if (to === 'the safe zone') return outset(trim, -shop.safe[piece.kind]);
  if (to === 'the trim' || selection.length < 2) return trim;
  const last = selection.at(-1);
  return to === 'the one selected last' && last ? arrangedBox(last, bench) : unionOf(boxes);
}

export function alignSelection(bench: Bench, edge: Edge): void {
  const elements = movable(bench);
  const boxes = elements.map((e) => arrangedBox(e, bench));
  const to = target(bench, boxes);
  if (to) move('Align', elements, alignMoves(boxes, to, edge));
}

/** Equal gaps between the selected; an exact one if given, in points. */
export function spaceSelection(bench: Bench, axis: 'x' | 'y', gap?: number): void {
  const elements = movable(bench);
  const boxes = elements.map((e) => arrangedBox(e, bench));
  move(gap === undefined ? 'Equal gaps' : 'Gap', elements, spaceMoves(boxes, axis, gap));
}

/** Moves everything that is not locked as one, so that it stands in the middle of the face. */
export function centreContent(bench: Bench): void {
  const { piece, face, shop } = bench;
  const bleed = shop.bleed[piece.kind];
  // What fills the face stays: it is the ground the rest stands on.
  const elements = face.elements.filter((e) => {
    const { width, height } = elementFrame(e, bench.sources);
    return !e.locked && !e.hidden && (width < piece.width || height < piece.height);
  });
  const inside = elements.filter((e) => {
    const box = elementFrame(e, bench.sources);
    return box.x > -bleed / 2 && box.y > -bleed / 2;
  });
  const boxes = inside.map((e) => arrangedBox(e, bench));
  const by = centreMove(boxes, { x: 0, y: 0, width: piece.width, height: piece.height });
  move(
    'Centre everything',
    inside,
    inside.map(() => by),
  );
}

/** Gives an element a width or a height; words take a width as their frame's, and keep their left edge where it is. */
export function resized(
  job: Job,
  element: Element,
  to: { width?: number; height?: number },
  sources: Bench['sources'],
): Job {
  const frame = elementFrame(element, sources);
  if (element.kind !== 'words') return setFrame(job, element.id, { ...frame, ...to });
  const { behaviour } = element.frame;
  // Only a fixed box has a height of its own.
  if (to.width === undefined && behaviour !== 'fixed box') return job;
  return setWordsFrame(
    job,
    element.id,
    { behaviour: behaviour === 'grows' ? 'fixed width' : behaviour, ...to },
    { x: frame.x },
  );
}

/** Makes the others as wide, or as high, as the one selected last. */
export function sameSize(bench: Bench, side: 'width' | 'height'): void {
  const like = bench.selection.at(-1);
  if (!like) return;
  const size = elementFrame(like, bench.sources)[side];
  const others = movable(bench).filter((e) => e.id !== like.id);
  act(side === 'width' ? 'Same width' : 'Same height', (job) =>
    others.reduce((j, e) => resized(j, e, { [side]: size }, bench.sources), job),
  );
}

/** Stretches what is selected over the whole face and its bleed; words and codes stay as they are. */
export function fillFace(bench: Bench): void {
  const { piece, shop } = bench;
  const whole = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, shop.bleed[piece.kind]);
  const able = movable(bench).filter((e) => e.kind !== 'words' && e.kind !== 'code' && !e.turn);
  act('Fill the face', (job) => able.reduce((j, e) => setFrame(j, e.id, whole), job));
}

/** Turns each of the selection about its own middle. */
export function turnSelection(bench: Bench, by: number): void {
  act('Turn', (job) => movable(bench).reduce((j, e) => turnElement(j, e.id, (e.turn ?? 0) + by), job));
}

export function mirrorSelection(bench: Bench, way: 'across' | 'down'): void {
  act('Mirror', (job) => movable(bench).reduce((j, e) => flipElement(j, e.id, way), job));
}
