import { create } from 'zustand';
import { type Box, bottom, outset, type Point, right, unionOf } from '../../../core/geometry/box';
import { HANDLE_AT, type Handle } from '../../../core/geometry/resize';
import {
  bleedPull,
  type SnapLine,
  type Snapped,
  type SnapTargets,
  snapEdge,
  snapMove,
} from '../../../core/geometry/snap';
import { type Handled, snapHandle } from '../../../core/geometry/snap-handle';
import type { Element, Face } from '../../../core/job/schema';
import { elementBox, elementFrame } from '../../../core/scene/face';
import type { TypeSources } from '../../../core/scene/words';
import { wordsSet } from '../../../core/scene/words';
import type { Bench } from '../../bench/bench';

/** What a drag is caught by at the moment, for the stage to show; on which face. */
export const useCaught = create<{ face: string | undefined; snapped: Snapped | undefined }>(() => ({
  face: undefined,
  snapped: undefined,
}));
export const showCaught = (face?: string, snapped?: Snapped): void => useCaught.setState({ face, snapped });

/** How near things are caught, in pixels of the window. */
export const REACH = 6;

function boxLines(box: Box, what: string): SnapLine[] {
  return [
    { axis: 'x', at: box.x, what },
    { axis: 'x', at: right(box), what },
    { axis: 'y', at: box.y, what },
    { axis: 'y', at: bottom(box), what },
  ];
}

/** Baselines of words in lines, on the face. */
function baselinesOf(element: Element, sources: TypeSources): number[] {
  if (element.kind !== 'words' || element.path || element.turn) return [];
  return wordsSet(element, sources).lines.map((line) => element.y + line.baseline);
}

/** What things on a face are caught by: its edges, centre lines and guides, and what is on it besides `moved`. */
export function snapTargets({ piece, shop, sources }: Bench, face: Face, moved: ReadonlySet<string>): SnapTargets {
  const trim = { x: 0, y: 0, width: piece.width, height: piece.height };
  const others = face.elements.filter((e) => !moved.has(e.id) && !e.hidden);
  return {
    lines: [
      ...boxLines(trim, 'trim'),
      ...boxLines(outset(trim, -shop.safe[piece.kind]), 'safe zone'),
      ...boxLines(outset(trim, shop.bleed[piece.kind]), 'bleed'),
      { axis: 'x', at: piece.width / 2, what: 'centre' },
      { axis: 'y', at: piece.height / 2, what: 'centre' },
      ...[...(piece.guides ?? []), ...(face.guides ?? [])].map((guide) => ({ ...guide, what: 'guide' })),
    ],
    boxes: others.map((e) => elementBox(e, sources)),
    baselines: others.flatMap((e) => baselinesOf(e, sources)),
  };
}

/** Art that is pulled over the trim belongs at the bleed edge: how much further it has to go, each way. */
function toBleed(box: Box, { piece, shop }: Bench, reach: number): Point {
  const bleed = shop.bleed[piece.kind];
  const pull = (from: number, to: number, length: number): number =>
    bleedPull(from, 0, -bleed, -1, reach) ?? bleedPull(to, length, length + bleed, 1, reach) ?? 0;
  return bleed > 0
    ? { x: pull(box.x, right(box), piece.width), y: pull(box.y, bottom(box), piece.height) }
    : { x: 0, y: 0 };
}

const isArt = (element: Element): boolean => element.kind !== 'words' && !element.logo;

/** A movement of some elements, caught by what is near; `targets` are found once, when it begins. `reach` in points. */
export function snapDrag(
  bench: Bench,
  targets: SnapTargets,
  moved: readonly Element[],
  by: Point,
  reach: number,
): Snapped {
  const box = unionOf(moved.map((e) => elementBox(e, bench.sources)));
  if (!box) return { by, lines: [], gaps: [] };
  const [only] = moved;
  const baselines = moved.length === 1 && only ? baselinesOf(only, bench.sources) : [];
  const snapped = snapMove({ box, baselines }, by, targets, reach);
  if (!moved.every(isArt)) return snapped;
  // Only a box that already reaches an edge on purpose is pulled on to the bleed, and never back off it.
  const more = toBleed({ ...box, x: box.x + snapped.by.x, y: box.y + snapped.by.y }, bench, reach);
  return more.x === 0 && more.y === 0
    ? snapped
    : snapMove({ box, baselines }, { x: snapped.by.x + more.x, y: snapped.by.y + more.y }, targets, 0.01);
}

/** What is pulled by a handle: an element, or several as one. */
export interface Pulled extends Handled {
  face: string;
  art: boolean;
  targets: SnapTargets;
}

/** What a handle of these pulls; what catches it is found once, when it begins. */
export function pulledOf(bench: Bench, elements: readonly Element[]): Pulled | undefined {
  const [first, ...more] = elements;
  const face = bench.shown.find((f) => f.elements.some((e) => e.id === first?.id));
  if (!first || !face) return undefined;
  const whole = unionOf(elements.map((e) => elementBox(e, bench.sources)))!;
  return {
    face: face.id,
    frame: more.length > 0 ? whole : elementFrame(first, bench.sources),
    turn: more.length > 0 ? 0 : (first.turn ?? 0),
    art: elements.every(isArt),
    targets: snapTargets(bench, face, new Set(elements.map((e) => e.id))),
  };
}

/** A pulled handle, caught by what is near; which ways were caught. */
export function snapPull(
  { piece, shop }: Bench,
  { targets, art, ...handled }: Pulled,
  handle: Handle,
  by: Point,
  reach: number,
): ReturnType<typeof snapHandle> {
  const bleed = shop.bleed[piece.kind];
  return snapHandle(handled, handle, by, targets, reach, (axis, place) => {
    const at = HANDLE_AT[handle][axis];
    const length = axis === 'x' ? piece.width : piece.height;
    // Only an upright side can lie along the bleed's edge.
    const out =
      art && bleed > 0 && handled.turn === 0
        ? at === 0
          ? bleedPull(place, 0, -bleed, -1, reach)
          : bleedPull(place, length, length + bleed, 1, reach)
        : undefined;
    if (out !== undefined) return { by: out, line: { axis, at: place + out, what: 'bleed' } };
    return snapEdge(axis, place, targets, reach);
  });
}
