import { finishedSize } from '../../job/folds-of';
import type { Piece } from '../../job/schema';
import { asFace } from '../../job/turned';
import { fromPoints } from '../../units/length';
import { canStand, faceUp, type Leaf, lying, type Put, standing, thicknessOf } from './leaves';

/** A set of finished pieces put on a table, so that all are seen and none hides another. Millimetres. */

export interface PutAsked {
  /** Between neighbours; below 0 they overlap. */
  gap: number;
  /** Cards and postcards lie in piles of so many. */
  pile: number;
  /** How far folded pieces are open, 0 to 1. */
  open: number;
  /** Pieces lie askew by so many degrees, to one side or the other. */
  askew: number;
  /** Folded pieces stand; else they lie flat. */
  stands: boolean;
  /** Pieces whose back is up. */
  turned: ReadonlySet<string>;
}

/** A piece where it was put, and the leaves it is made of. */
export interface PutPiece {
  piece: Piece;
  leaves: Leaf[];
}

/** The room that a piece takes on the table, and where its middle is. */
interface Spot {
  x: number;
  z: number;
  width: number;
  depth: number;
}

const PILED: ReadonlySet<Piece['kind']> = new Set(['card', 'postcard']);
/** The table is so much wider than deep. */
const WIDE = 1.5;

const isStanding = (piece: Piece, { stands }: PutAsked): boolean => stands && canStand(piece);

/** What a piece takes of the table: one that stands is less deep than it is wide. */
function roomOf(piece: Piece, asked: PutAsked): { width: number; depth: number } {
  if (!isStanding(piece, asked)) {
    const { width, height } = asFace(piece, faceUp(piece, asked.turned.has(piece.id)));
    return { width: fromPoints(width, 'mm'), depth: fromPoints(height, 'mm') };
  }
  const folded = fromPoints(finishedSize(piece).width, 'mm');
  // Opened, two panels lie beside one another.
  return { width: folded * (1 + 0.8 * asked.open), depth: folded };
}

const overlap = (a: Spot, b: Spot, gap: number): boolean =>
  Math.abs(a.x - b.x) < (a.width + b.width) / 2 + gap - 1e-6 &&
  Math.abs(a.z - b.z) < (a.depth + b.depth) / 2 + gap - 1e-6;

/** Places beside those that are taken, edge to edge and in a line with an edge or the middle of one. */
function beside({ width, depth }: { width: number; depth: number }, taken: readonly Spot[], gap: number): Spot[] {
  const along = (of: Spot): { x: number[]; z: number[] } => ({
    x: [-1, 0, 1].map((side) => of.x + (side * (of.width - width)) / 2),
    z: [-1, 0, 1].map((side) => of.z + (side * (of.depth - depth)) / 2),
  });
  return taken.flatMap((of) =>
    [-1, 1].flatMap((side) => [
      ...along(of).z.map((z) => ({ x: of.x + side * ((of.width + width) / 2 + gap), z, width, depth })),
      ...along(of).x.map((x) => ({ x, z: of.z + side * ((of.depth + depth) / 2 + gap), width, depth })),
    ]),
  );
}

/** How far spots reach to each side. */
const endsOf = (spots: readonly Spot[]) => ({
  left: Math.min(...spots.map(({ x, width }) => x - width / 2)),
  right: Math.max(...spots.map(({ x, width }) => x + width / 2)),
  behind: Math.min(...spots.map(({ z, depth }) => z - depth / 2)),
  before: Math.max(...spots.map(({ z, depth }) => z + depth / 2)),
});

/** Their numbers, the largest first. */
const largestFirst = (rooms: readonly Pick<Spot, 'width' | 'depth'>[]): number[] =>
  rooms.map((_, i) => i).sort((a, b) => rooms[b]!.width * rooms[b]!.depth - rooms[a]!.width * rooms[a]!.depth);

/** How large a table is that holds what is taken and one more. */
function spread(spots: readonly Spot[]): number {
  const { left, right, behind, before } = endsOf(spots);
  const [width, depth] = [right - left, before - behind];
  return Math.max(width / WIDE, depth) + 0.2 * (width / WIDE + depth);
}

/** Where each of the pieces goes: the largest first, each where the table stays smallest; what stands, behind. */
function spotsFor(pieces: readonly Piece[], asked: PutAsked): Spot[] {
  const rooms = pieces.map((piece) => roomOf(piece, asked));
  const spots: Spot[] = [];
  const taken: Spot[] = [];
  for (const i of largestFirst(rooms)) {
    const room = rooms[i]!;
    const free = beside(room, taken, asked.gap).filter(
      (spot) => !taken.some((other) => overlap(spot, other, asked.gap)),
    );
    const best = free.reduce<{ spot: Spot; cost: number } | undefined>((least, spot) => {
      // What stands hides what is behind it.
      const cost = spread([...taken, spot]) + (isStanding(pieces[i]!, asked) ? 0.3 : -0.1) * spot.z;
      return least && least.cost <= cost ? least : { spot, cost };
    }, undefined);
    const spot = best?.spot ?? { x: 0, z: 0, ...room };
    spots[i] = spot;
    taken.push(spot);
  }
  return spots;
}

/** The pieces on the table, round its middle. */
export function putOnTable(pieces: readonly Piece[], asked: PutAsked): PutPiece[] {
  if (pieces.length === 0) return [];
  const spots = spotsFor(pieces, asked);
  const { left, right, behind, before } = endsOf(spots);
  const middle = { x: (left + right) / 2, z: (behind + before) / 2 };
  // Where they overlap, the smaller lies on the larger.
  const heights: number[] = [];
  const byArea = largestFirst(spots);
  const done: PutPiece[] = [];
  for (const i of byArea) {
    const piece = pieces[i]!;
    const spot = spots[i]!;
    const below = byArea.filter((j) => heights[j] !== undefined && overlap(spot, spots[j]!, 0)).map((j) => heights[j]!);
    const on = Math.max(0, ...below);
    const count = PILED.has(piece.kind) ? Math.max(1, Math.round(asked.pile)) : 1;
    const put: Put = {
      x: spot.x - middle.x,
      z: spot.z - middle.z,
      on,
      turn: asked.askew * ASKEW[i % ASKEW.length]!,
      count,
      isTurned: asked.turned.has(piece.id),
      open: asked.open,
    };
    heights[i] = on + count * thicknessOf(piece);
    done[i] = {
      piece,
      leaves: isStanding(piece, asked) ? standing({ ...piece, fold: piece.fold! }, put) : lying(piece, put),
    };
  }
  return done;
}

/** To which side, and how far, each lies askew. */
const ASKEW = [1, -0.6, 0.4, -1, 0.8, -0.3];
