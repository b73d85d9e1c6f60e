import { toPoints } from '../units/length';

/** Folded pieces: how wide each panel is, what it is called as it is read, and what is seen of it as it is opened. Points. */

export const FOLDS = {
  half: 'Half fold',
  rolled: 'Letter fold',
  zigzag: 'Z-fold',
  gate: 'Gate fold',
  double: 'Double parallel fold',
  roll: 'Roll fold, four panels',
  concertina: 'Concertina, four panels',
  cross: 'Cross fold',
} as const;
export type Fold = keyof typeof FOLDS;
type Parallel = Exclude<Fold, 'cross'>;

/** A fold as a piece has it. */
export interface FoldOf {
  kind: Fold;
  /** What a panel that is tucked in is shorter by. */
  less: number;
  /** The folds lie level, and the piece opens upwards; else they are upright, and it opens as a book. */
  level?: boolean | undefined;
}
interface Size {
  width: number;
  height: number;
}
interface At {
  x: number;
  y: number;
}
type Box = At & Size;
export type Side = 'outside' | 'inside';

/** A panel on its sheet, as the printer gets that side. */
export interface Panel extends Box {
  name: string;
}

/** Panels of the inside from left to right; `less` is what a panel that is tucked in is shorter by. */
const WIDTHS: Readonly<Record<Parallel, (flat: number, less: number) => number[]>> = {
  half: (flat) => [flat / 2, flat / 2],
  zigzag: (flat) => Array(3).fill(flat / 3),
  concertina: (flat) => Array(4).fill(flat / 4),
  rolled(flat, less) {
    // Two whole ones and one that is shorter.
    const whole = (flat + less) / 3;
    return [whole, whole, whole - less];
  },
  roll(flat, less) {
    // Each one that is rolled in lies within the one before it.
    const whole = (flat + 3 * less) / 4;
    return [whole, whole, whole - less, whole - 2 * less];
  },
  double(flat, less) {
    // Folded in half, then in half again: the two that come to lie inside are shorter.
    const outer = (flat + 2 * less) / 4;
    return [outer, outer, outer - less, outer - less];
  },
  gate(flat, less) {
    // Each wing stops short of the middle by the allowance.
    const wing = (flat - 2 * less) / 4;
    return [wing, flat - 2 * wing, wing];
  },
};

/** From left to right, and of a cross fold row by row. Numbers are those of the pages as they are read. */
const NAMES: Readonly<Record<Fold, Readonly<Record<Side, readonly string[]>>>> = {
  half: { outside: ['Back, 4', 'Cover, 1'], inside: ['Inside left, 2', 'Inside right, 3'] },
  rolled: {
    outside: ['Tucked panel, 2', 'Back, 6', 'Cover, 1'],
    inside: ['Inside left, 3', 'Inside middle, 4', 'Inside right, 5'],
  },
  zigzag: {
    outside: ['Outside left, 5', 'Outside middle, 6', 'Cover, 1'],
    inside: ['Inside left, 2', 'Inside middle, 3', 'Back, 4'],
  },
  gate: {
    outside: ['Right wing, 2', 'Back, 6', 'Left wing, 1'],
    inside: ['Inside left, 3', 'Inside middle, 4', 'Inside right, 5'],
  },
  double: {
    outside: ['Tucked left, 2', 'Tucked right, 3', 'Back, 8', 'Cover, 1'],
    inside: ['Inside far left, 4', 'Inside left, 5', 'Inside right, 6', 'Inside far right, 7'],
  },
  roll: {
    outside: ['Tucked innermost, 3', 'Tucked panel, 2', 'Back, 8', 'Cover, 1'],
    inside: ['Inside far left, 4', 'Inside left, 5', 'Inside right, 6', 'Inside far right, 7'],
  },
  concertina: {
    outside: ['Back, 6', 'Outside left, 7', 'Outside right, 8', 'Cover, 1'],
    inside: ['Inside far left, 2', 'Inside left, 3', 'Inside right, 4', 'Inside far right, 5'],
  },
  cross: {
    outside: ['Opened right, 3, head down', 'Opened left, 2, head down', 'Back, 4', 'Cover, 1'],
    inside: ['Inside top left, 5', 'Inside top right, 6', 'Inside bottom left, 7', 'Inside bottom right, 8'],
  },
};

/** What lies left of upright folds lies above level ones. */
const LEVEL: Readonly<Record<string, string>> = { left: 'top', Left: 'Top', right: 'bottom', Right: 'Bottom' };
const levelName = (name: string): string => name.replace(/left|right/gi, (word) => LEVEL[word]!);

const lengthOf = ({ level }: FoldOf, { width, height }: Size): number => (level ? height : width);
const widthsOf = (fold: FoldOf & { kind: Parallel }, flat: Size): number[] =>
  WIDTHS[fold.kind](lengthOf(fold, flat), fold.less);
const isParallel = (fold: FoldOf): fold is FoldOf & { kind: Parallel } => fold.kind !== 'cross';

/** Where each of some widths begins, one after the other. */
const starts = (widths: readonly number[]): number[] =>
  widths.map((_, i) => widths.slice(0, i).reduce((a, b) => a + b, 0));

function quarters({ width, height }: Size): Box[] {
  const [w, h] = [width / 2, height / 2];
  return [0, h].flatMap((y) => [0, w].map((x) => ({ x, y, width: w, height: h })));
}

/**
 * The panels of one side of a sheet, in the order in which that side is read. The outside is the inside seen from behind; with
 * level folds the inside, which one reaches by opening upwards, stands head down on a sheet that is turned left to right.
 */
export function panelsOf(fold: FoldOf, flat: Size, side: Side): Panel[] {
  const names = NAMES[fold.kind][side];
  if (!isParallel(fold)) return quarters(flat).map((box, i) => ({ ...box, name: names[i]! }));
  const inside = widthsOf(fold, flat);
  const here = side === 'inside' ? inside : inside.toReversed();
  const whole = lengthOf(fold, flat);
  return starts(here).map((from, i) => {
    const wide = here[i]!;
    if (!fold.level) return { name: names[i]!, x: from, y: 0, width: wide, height: flat.height };
    const y = side === 'inside' ? whole - from - wide : from;
    return { name: levelName(names[i]!), x: 0, y, width: flat.width, height: wide };
  });
}

/** A fold of a sheet: an upright line `at` from its left edge, or a level one from its top. */
export interface FoldLine {
  axis: 'x' | 'y';
  at: number;
}

/** Where a side of a sheet is folded, as the printer gets it. */
export function foldLines(fold: FoldOf, flat: Size, side: Side): FoldLine[] {
  if (!isParallel(fold))
    return [
      { axis: 'x', at: flat.width / 2 },
      { axis: 'y', at: flat.height / 2 },
    ];
  const axis = fold.level ? 'y' : 'x';
  return panelsOf(fold, flat, side)
    .map((panel) => panel[axis])
    .sort((a, b) => a - b)
    .slice(1)
    .map((at) => ({ axis, at }));
}

/** How large it is once it is folded. */
export function foldedSize(fold: FoldOf, flat: Size): Size {
  if (!isParallel(fold)) return { width: flat.width / 2, height: flat.height / 2 };
  const widest = Math.max(...widthsOf(fold, flat));
  return fold.level ? { width: flat.width, height: widest } : { width: widest, height: flat.height };
}

/** Kinds of which a panel is tucked in. */
export const TUCKED: readonly Fold[] = ['rolled', 'gate', 'double', 'roll'];

/** A folder is off by so much, and paper that goes round another takes up its thickness on either side: common practice. */
const FOLDER_OFF = toPoints(0.5, 'mm');

/** The least that a tucked panel has to be shorter by on stock of that thickness; undefined where none is tucked in. */
export const leastTuck = (kind: Fold, thickness: number): number | undefined =>
  TUCKED.includes(kind) ? FOLDER_OFF + 2 * thickness : undefined;

/** A panel as it is seen: which of `panelsOf` its side, where its upper left corner lies, and whether it stands there head down. */
export interface PanelSeen {
  side: Side;
  panel: number;
  at: At;
  isOver: boolean;
}

/** What is seen of a folded piece at one moment, the undermost panel first. */
export interface FoldedView {
  says: string;
  seen: readonly PanelSeen[];
}

interface Strip {
  side: Side;
  panel: number;
  at: number;
}

/** In the order in which one opens it, from closed to flat, and its back; by the widths of the inside. */
function stripViews(kind: Parallel, inside: readonly number[]): { says: string; strips: Strip[] }[] {
  const last = inside.length - 1;
  const from = starts(inside);
  /** Some of the inside's panels, as they lie beside one another. */
  const open = (count: number): Strip[] => from.slice(0, count).map((at, panel) => ({ side: 'inside', panel, at }));
  /** The outside of an inside panel, folded over so that its free edge lies at `at`. */
  const over = (panel: number, at: number): Strip => ({ side: 'outside', panel: last - panel, at });
  /** The same, folded over the panel before it. */
  const tucked = (panel: number): Strip => over(panel, from[panel]! - inside[panel]!);
  const closed = { says: 'Closed', strips: [over(0, 0)] };
  const whole = { says: 'Opened flat', strips: open(inside.length) };
  const back = { says: 'The back', strips: [over(1, 0)] };
  const cover = (strips: Strip[]) => ({ says: 'The cover opened', strips });
  const turned = starts(inside.toReversed()).map((at, panel): Strip => ({ side: 'outside', panel, at }));
  const around = { says: 'Turned over, flat', strips: turned };
  switch (kind) {
    case 'half':
      return [closed, whole, back];
    case 'rolled':
      return [closed, cover([...open(2), tucked(2)]), whole, back];
    case 'roll':
      return [
        closed,
        cover([...open(2), tucked(2)]),
        { says: 'Opened once more', strips: [...open(3), tucked(3)] },
        whole,
        back,
      ];
    case 'double':
      return [closed, cover([over(3, 0), over(2, inside[3]!)]), whole, back];
    case 'zigzag':
      return [
        closed,
        cover(open(2)),
        whole,
        { says: 'The back', strips: [{ side: 'inside', panel: 2, at: 0 }] },
        around,
      ];
    case 'concertina':
      return [closed, cover(open(2)), whole, { says: 'The back', strips: [over(3, 0)] }, around];
    case 'gate':
      return [
        {
          says: 'Closed',
          strips: [{ side: 'inside', panel: 1, at: 0 }, over(0, 0), over(2, inside[1]! - inside[2]!)],
        },
        whole,
        back,
      ];
  }
}

/** Folded from top to bottom, then from side to side: behind the cover the upper half of the outside stands head down. */
function crossViews(flat: Size): FoldedView[] {
  const boxes = quarters(flat);
  const seen = (side: Side, panel: number, x = 0, y = 0, isOver = false): PanelSeen => ({
    side,
    panel,
    at: { x, y },
    isOver,
  });
  return [
    { says: 'Closed', seen: [seen('outside', 3)] },
    { says: 'The cover opened', seen: [seen('outside', 1, 0, 0, true), seen('outside', 0, flat.width / 2, 0, true)] },
    { says: 'Opened flat', seen: boxes.map(({ x, y }, i) => seen('inside', i, x, y)) },
    { says: 'The back', seen: [seen('outside', 2)] },
    { says: 'Turned over, flat', seen: boxes.map(({ x, y }, i) => seen('outside', i, x, y)) },
  ];
}

export function foldedViews(fold: FoldOf, flat: Size): FoldedView[] {
  if (!isParallel(fold)) return crossViews(flat);
  const isLevel = fold.level ?? false;
  return stripViews(fold.kind, widthsOf(fold, flat)).map(({ says, strips }) => ({
    says,
    seen: strips.map(({ side, panel, at }) => ({
      side,
      panel,
      at: isLevel ? { x: 0, y: at } : { x: at, y: 0 },
      isOver: isLevel && side === 'inside',
    })),
  }));
}
