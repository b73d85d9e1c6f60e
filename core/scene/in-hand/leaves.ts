import type { Point } from '../../geometry/box';
import { flatten } from '../../geometry/flatten';
import { noise } from '../../geometry/noise';
import { boxPath, type Path } from '../../geometry/path';
import type { FoldMade } from '../../job/kinds';
import type { Face, Piece } from '../../job/schema';
import { asFace } from '../../job/turned';
import { type Fold, type Panel, panelsOf } from '../../trade/folds';
import { fromPoints } from '../../units/length';
import { cutOutline, throughOn } from '../finishing';

/**
 * Finished pieces as thin leaves in space, to be looked at as they lie or stand on a table. Millimetres: x to the right, y up
 * from the table, z towards whoever looks.
 */
export interface Vector {
  x: number;
  y: number;
  z: number;
}

/** A part of a face, as shares of its width from its left edge. */
export interface FacePart {
  face: string;
  from: number;
  to: number;
  /** It stands on its head there. */
  isHeadDown?: boolean;
}

/** One flat leaf. Seen from in front of `front`, `across` leads along its top edge to the right and `down` along its left edge. */
export interface Leaf {
  corner: Vector;
  across: Vector;
  down: Vector;
  thickness: number;
  front: FacePart;
  /** What its other side shows; bare paper where it is left out. */
  back?: FacePart;
  /** What it is cut along, and its holes: millimetres from its corner, across and down. A rectangle where it is left out. */
  outline?: readonly (readonly Point[])[];
}

/** How a piece is put on the table. */
export interface Put {
  /** The middle of what it stands on. */
  x: number;
  z: number;
  /** What it lies on is so high. */
  on: number;
  /** Degrees, clockwise as seen from above. */
  turn: number;
  /** How many lie on one another. */
  count: number;
  /** The back is up. */
  isTurned: boolean;
  /** How far a folded piece is open, 0 to 1. */
  open: number;
}

/** What a leaf is as thick as where the piece does not say: a common card and a common paper; common practice. */
const THICKNESS = { card: 0.4, paper: 0.12 };
const PAPERS: ReadonlySet<Piece['kind']> = new Set(['letterhead', 'envelope', 'flyer']);

export const thicknessOf = ({ kind, thickness }: Pick<Piece, 'kind' | 'thickness'>): number =>
  thickness === undefined ? (PAPERS.has(kind) ? THICKNESS.paper : THICKNESS.card) : fromPoints(thickness, 'mm');

const mm = (points: number): number => fromPoints(points, 'mm');
const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** A direction in the plane of the table, degrees clockwise from the right as seen from above. */
const towards = (degrees: number, length: number): Vector => ({
  x: Math.cos(radians(degrees)) * length,
  y: 0,
  z: Math.sin(radians(degrees)) * length,
});
const plus = (a: Vector, b: Vector, by = 1): Vector => ({ x: a.x + b.x * by, y: a.y + b.y * by, z: a.z + b.z * by });

const WHOLE = { from: 0, to: 1 };
/** How far leaves of a stack lie from one another, at most: millimetres and degrees. */
const SLACK = { shift: 0.6, turn: 0.9 };

/** The face that is up. */
export const faceUp = ({ faces }: Pick<Piece, 'faces'>, isTurned: boolean): Face => (isTurned && faces[1]) || faces[0]!;

/** How closely outlines follow their curves, points. */
const CLOSE = 0.05;

/** The rings of a path, in millimetres. */
const ringsOf = (path: Path): Point[][] =>
  flatten(path, CLOSE)
    .filter(({ points }) => points.length > 2)
    .map(({ points }) => points.map(({ x, y }) => ({ x: mm(x), y: mm(y) })));

/** What a side is cut and punched along, where it is not just its trim. */
function outlineOf(piece: Piece, face: Face): Point[][] | undefined {
  const cut = cutOutline(piece, face);
  const holes = throughOn(piece, face, 'holes').flatMap(({ paths }) => paths);
  if (!cut && holes.length === 0) return undefined;
  const { width, height } = asFace(piece, face);
  const [outer] = ringsOf(cut ?? boxPath({ x: 0, y: 0, width, height }));
  return outer && [outer, ...holes.flatMap(ringsOf)];
}

/** A piece that lies flat, or a stack of it: the undermost leaf first. */
export function lying(piece: Piece, put: Put): Leaf[] {
  const up = faceUp(piece, put.isTurned);
  const side = asFace(piece, up);
  const outline = outlineOf(piece, up);
  const [width, height, thickness] = [mm(side.width), mm(side.height), thicknessOf(piece)];
  return Array.from({ length: put.count }, (_, i): Leaf => {
    // The topmost lies as it was put.
    const isTop = i === put.count - 1;
    const slack = (n: number): number => (isTop ? 0 : 2 * noise(i, n) - 1);
    const turn = put.turn + SLACK.turn * slack(0);
    const across = towards(turn, width);
    const down = towards(turn + 90, height);
    const middle = {
      x: put.x + SLACK.shift * slack(1),
      y: put.on + (i + 1) * thickness,
      z: put.z + SLACK.shift * slack(2),
    };
    return {
      corner: plus(plus(middle, across, -0.5), down, -0.5),
      across,
      down,
      thickness,
      front: { face: up.id, ...WHOLE },
      ...(outline ? { outline } : {}),
    };
  });
}

/**
 * How a fold stands: whether the inside closes (1) or the outside (−1) at each fold of the outside from left to right, and
 * which of its panels looks at the viewer, or away from him.
 */
const STANDS = {
  half: { closes: [1], looks: 1, way: 'here' },
  rolled: { closes: [1, 1], looks: 2, way: 'here' },
  zigzag: { closes: [-1, 1], looks: 2, way: 'here' },
  gate: { closes: [1, 1], looks: 1, way: 'away' },
  double: { closes: [-1, 1, 1], looks: 3, way: 'here' },
  roll: { closes: [1, 1, 1], looks: 3, way: 'here' },
  concertina: { closes: [1, -1, 1], looks: 3, way: 'here' },
} as const satisfies Partial<Record<Fold, { closes: readonly number[]; looks: number; way: 'here' | 'away' }>>;
type Standing = keyof typeof STANDS;

/** Only what opens as a book stands on its lower edges. */
export const canStand = ({ fold }: Pick<Piece, 'fold'>): boolean =>
  fold !== undefined && !fold.level && fold.kind in STANDS;

/** A fold that stands is never quite closed nor quite flat: by how much a panel is turned against the one before it, degrees. */
const BENDS = { closed: 150, open: 25 };
/** By their number, panels that are closed further than this would run through one another. */
const OF_PANELS: Readonly<Record<number, number>> = { 2: 1, 3: 0.72, 4: 0.5 };
/** The panel that looks at the viewer does so a little sideways, degrees. */
const ASKANCE = 16;

/** A folded piece standing on its lower edges, its cover to the viewer. */
export function standing(piece: Piece & { fold: FoldMade }, put: Put): Leaf[] {
  const outside = panelsOf(piece.fold, piece, 'outside');
  const inside = panelsOf(piece.fold, piece, 'inside');
  const { closes, looks, way } = STANDS[piece.fold.kind as Standing];
  const bend = (BENDS.open + (BENDS.closed - BENDS.open) * (1 - put.open)) * OF_PANELS[outside.length]!;
  // Where the outside closes, the next panel comes towards the viewer.
  const angles = outside.map((_, i) => -bend * closes.slice(0, i).reduce<number>((sum, closing) => sum + closing, 0));
  const base = put.turn - angles[looks]! + (way === 'away' ? 180 + ASKANCE : ASKANCE);
  const alongs = outside.map(({ width }, i) => towards(base + angles[i]!, mm(width)));
  const ends: Vector[] = [{ x: 0, y: 0, z: 0 }];
  for (const along of alongs) ends.push(plus(ends.at(-1)!, along));
  const mean = (of: 'x' | 'z'): number => ends.reduce((sum, end) => sum + end[of], 0) / ends.length;
  const height = mm(piece.height);
  const corner = { x: put.x - mean('x'), y: put.on + height, z: put.z - mean('z') };
  const share = ({ x, width }: Panel): { from: number; to: number } => ({
    from: x / piece.width,
    to: (x + width) / piece.width,
  });
  const [out, within] = piece.faces;
  // Turned top to bottom the inside has its panels in the outside's order, head down.
  const over = piece.turns === 'top–bottom';
  const insideOf = (i: number): Omit<FacePart, 'face'> =>
    over ? { ...share(outside[i]!), isHeadDown: true } : share(inside[inside.length - 1 - i]!);
  return outside.map(
    (panel, i): Leaf => ({
      corner: plus(corner, ends[i]!),
      across: alongs[i]!,
      down: { x: 0, y: -height, z: 0 },
      thickness: thicknessOf(piece),
      front: { face: out!.id, ...share(panel) },
      ...(within ? { back: { face: within.id, ...insideOf(i) } } : {}),
    }),
  );
}
