import { nanoid } from 'nanoid';
import { create } from 'zustand';
import { inkBounds } from '../../../../core/devices/bounds';
import { alignMoves, centreMove, type Edge, spaceMoves } from '../../../../core/geometry/arrange';
import { type Box, middleOf, outset, type Point, unionOf } from '../../../../core/geometry/box';
import { moveElements, setFrame } from '../../../../core/job/edits/elements';
import { groupElements, mirrorElements, scaleElements, turnElements, ungroup } from '../../../../core/job/edits/groups';
import { setWordsFrame } from '../../../../core/job/edits/words';
import { unitsOf } from '../../../../core/job/groups';
import type { Element, Job } from '../../../../core/job/schema';
import { elementBox, elementFrame } from '../../../../core/scene/face';
import type { Bench } from '../../../bench/bench';
import { act, useSession } from '../../../store/session';
import { useScaling } from './scaling';

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

/** What is selected and can move, by what is picked up together: a group counts as one thing. */
function movableUnits(bench: Bench): Element[][] {
  const { within } = useSession.getState();
  const free = movable(bench);
  return bench.shown.flatMap((face) =>
    unitsOf(
      face,
      free.filter((e) => face.elements.includes(e)),
      within,
    ).map(({ elements }) => elements),
  );
}

const unitBox = (unit: readonly Element[], bench: Bench): Box => unionOf(unit.map((e) => arrangedBox(e, bench)))!;

function moveUnits(name: string, units: readonly Element[][], moves: readonly Point[]): void {
  const each = units.flatMap((unit, i) => unit.map((e) => [e, moves[i]!] as const));
  move(
    name,
    each.map(([e]) => e),
    each.map(([, by]) => by),
  );
}

function move(name: string, elements: readonly Element[], moves: readonly Point[]): void {
  act(name, (job) => moveElements(job, new Map(elements.map((e, i) => [e.id, moves[i]!]))));
}

/** The box that the selection is aligned to. One element alone has nothing but the face to be aligned to. */
function target(bench: Bench, boxes: readonly Box[]): Box | undefined {
  const { piece, shop } = bench;
  const trim = { x: 0, y: 0, width: piece.width, height: piece.height };
  const { to } = useArranging.getState();
  if (to === 'the safe zone') return outset(trim, -shop.safe[piece.kind]);
  if (to === 'the trim' || boxes.length < 2) return trim;
  const last = bench.selection.at(-1);
  const unit = last && movableUnits(bench).find((each) => each.includes(last));
  return to === 'the one selected last' && unit ? unitBox(unit, bench) : unionOf(boxes);
}

export function alignSelection(bench: Bench, edge: Edge): void {
  const units = movableUnits(bench);
  const boxes = units.map((unit) => unitBox(unit, bench));
  const to = target(bench, boxes);
  if (to) moveUnits('Align', units, alignMoves(boxes, to, edge));
}

/** Equal gaps between the selected; an exact one if given, in points. */
export function spaceSelection(bench: Bench, axis: 'x' | 'y', gap?: number): void {
  const units = movableUnits(bench);
  const boxes = units.map((unit) => unitBox(unit, bench));
  moveUnits(gap === undefined ? 'Equal gaps' : 'Gap', units, spaceMoves(boxes, axis, gap));
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
  const units = movableUnits(bench);
  const model = units.find((unit) => unit.includes(like)) ?? [like];
  const sizeOf = (unit: readonly Element[]): Box =>
    unit.length === 1 ? elementFrame(unit[0]!, bench.sources) : unitBox(unit, bench);
  const size = sizeOf(model)[side];
  const { type } = useScaling.getState();
  // A group keeps its proportions.
  const sized = (job: Job, unit: readonly Element[]): Job => {
    const [only] = unit;
    if (unit.length === 1 && only) return resized(job, only, { [side]: size }, bench.sources);
    const from = sizeOf(unit);
    const by = size / from[side];
    const to = { ...from, width: from.width * by, height: from.height * by };
    return scaleElements(
      job,
      unit.map((e) => e.id),
      from,
      to,
      { type },
    );
  };
  act(side === 'width' ? 'Same width' : 'Same height', (job) =>
    units.filter((unit) => unit !== model).reduce(sized, job),
  );
}

/** Stretches what is selected over the whole face and its bleed; words and codes stay as they are. */
export function fillFace(bench: Bench): void {
  const { piece, shop } = bench;
  const whole = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, shop.bleed[piece.kind]);
  const able = movable(bench).filter((e) => e.kind !== 'words' && e.kind !== 'code' && !e.turn);
  act('Fill the side', (job) => able.reduce((j, e) => setFrame(j, e.id, whole), job));
}

/** The middles of the frames of what is selected and can move, and the middle of all of it. */
function middles(bench: Bench): { each: Map<string, Point>; all: Point } | undefined {
  const elements = movable(bench);
  const whole = unionOf(elements.map((e) => elementBox(e, bench.sources)));
  const each = new Map(elements.map((e) => [e.id, middleOf(elementFrame(e, bench.sources))] as const));
  const [only] = each.values();
  return whole && { each, all: each.size === 1 ? only! : middleOf(whole) };
}

/** Turns the selection as one about its middle. */
export function turnSelection(bench: Bench, by: number): void {
  const found = middles(bench);
  if (found) act('Rotate', (job) => turnElements(job, found.each, found.all, by));
}

export function mirrorSelection(bench: Bench, way: 'across' | 'down'): void {
  const found = middles(bench);
  if (found) act('Flip', (job) => mirrorElements(job, found.each, found.all, way));
}

/** Scales the selection as one, from the box around it to another. */
export function scaleSelection(bench: Bench, to: Box): void {
  const elements = movable(bench);
  const from = unionOf(elements.map((e) => elementBox(e, bench.sources)));
  if (!from) return;
  const ids = elements.map((e) => e.id);
  const { type } = useScaling.getState();
  act('Resize', (job) => scaleElements(job, ids, from, to, { type }));
}

export function moveSelection(bench: Bench, by: Point): void {
  const elements = movable(bench);
  move(
    'Move',
    elements,
    elements.map(() => by),
  );
}

/** Makes a group of what is selected, and selects it. */
export function groupSelection(bench: Bench): void {
  const face = bench.shown.find((f) => bench.selection.every((e) => f.elements.includes(e)));
  if (!face) return;
  const { within } = useSession.getState();
  const ids = bench.selection.map((e) => e.id);
  act('Group', (job) => groupElements(job, face.id, ids, nanoid(10), within));
}

/** The groups that are selected, each as a whole. */
export function selectedGroups({ shown, selection }: Bench): { face: string; group: string }[] {
  const { within } = useSession.getState();
  return shown.flatMap((face) =>
    unitsOf(
      face,
      selection.filter((e) => face.elements.includes(e)),
      within,
    ).flatMap(({ unit }) => ('group' in unit ? [{ face: face.id, group: unit.group }] : [])),
  );
}

export function ungroupSelection(bench: Bench): void {
  const groups = selectedGroups(bench);
  act('Ungroup', (job) => groups.reduce((j, { face, group }) => ungroup(j, face, group), job));
}
