import type { Point } from './box';
import { asCubic, type Cubic, type Path } from './path';

/** A short straight piece of a line. */
export interface Piece {
  from: Point;
  to: Point;
  /** Unit vectors to the left of one who walks along it, at its ends; with y down and a walk to the right, up. */
  leftFrom: Point;
  leftTo: Point;
  /** Along the line, in points, where it begins and ends. */
  at: number;
  end: number;
}

/** A line to walk along: pieces near enough to its curves that straight ones do. */
export interface Walk {
  pieces: readonly Piece[];
  length: number;
  closed: boolean;
}

/** A quarter of a degree: at a radius of a metre the chord is 0.007 points off the arc. */
const CIRCLE_STEPS = 1440;
const CURVE_STEPS = 96;
/** Around an outward corner the line turns by so many radians at a time; a smaller turn is no corner but a curve. */
const CORNER_STEP = Math.PI / 36;
const TINY = 1e-9;

const leftOf = (from: Point, to: Point): Point => {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  return { x: (to.y - from.y) / length, y: -(to.x - from.x) / length };
};
const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
const between = (a: Point, b: Point, share: number): Point => ({
  x: a.x + (b.x - a.x) * share,
  y: a.y + (b.y - a.y) * share,
});
/** From one direction to another, in radians; positive is clockwise as seen. */
const angleBetween = (a: Point, b: Point): number => Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y);
const turnedBy = ({ x, y }: Point, by: number): Point => ({
  x: x * Math.cos(by) - y * Math.sin(by),
  y: x * Math.sin(by) + y * Math.cos(by),
});

/** Clockwise from the top. */
export function walkCircle(centre: Point, radius: number): Walk {
  const pieces = Array.from({ length: CIRCLE_STEPS }, (_, i): Piece => {
    const [a, b] = [i, i + 1].map((n) => (2 * Math.PI * n) / CIRCLE_STEPS) as [number, number];
    const [leftFrom, leftTo] = [a, b].map((t) => ({ x: Math.sin(t), y: -Math.cos(t) })) as [Point, Point];
    const out = (left: Point): Point => ({ x: centre.x + radius * left.x, y: centre.y + radius * left.y });
    return { from: out(leftFrom), to: out(leftTo), leftFrom, leftTo, at: a * radius, end: b * radius };
  });
  return { pieces, length: 2 * Math.PI * radius, closed: true };
}

function cubicPoints(from: Point, [, x1, y1, x2, y2, x, y]: Cubic): Point[] {
  const at = (t: number): Point => {
    const u = 1 - t;
    const [a, b, c, d] = [u ** 3, 3 * u * u * t, 3 * u * t * t, t ** 3];
    return { x: a * from.x + b * x1 + c * x2 + d * x, y: a * from.y + b * y1 + c * y2 + d * y };
  };
  return Array.from({ length: CURVE_STEPS }, (_, i) => at((i + 1) / CURVE_STEPS));
}

/** The first line of a path as points, without those that repeat. */
function firstLine(path: Path): { points: Point[]; closed: boolean } {
  const points: Point[] = [];
  let closed = false;
  const add = (...more: Point[]): void => {
    for (const p of more) {
      const last = points.at(-1);
      if (!last || Math.hypot(p.x - last.x, p.y - last.y) > TINY) points.push(p);
    }
  };
  for (const segment of path) {
    const from = points.at(-1) ?? { x: 0, y: 0 };
    if (segment[0] === 'M' && points.length > 0) break;
    if (segment[0] === 'Z') {
      closed = true;
      break;
    }
    if (segment[0] === 'Q') add(...cubicPoints(from, asCubic(from, segment)));
    else if (segment[0] === 'C') add(...cubicPoints(from, segment));
    else add({ x: segment[1], y: segment[2] });
  }
  const [first, last] = [points[0], points.at(-1)];
  if (first && last && points.length > 2) {
    const gap = Math.hypot(first.x - last.x, first.y - last.y);
    closed ||= gap < 1e-6;
    if (closed && gap > TINY) points.push(first);
  }
  return { points, closed };
}

/** Twice the area a closed line goes round; positive where it runs clockwise as seen, y down. */
const turning = (points: readonly Point[]): number =>
  points.reduce((sum, p, i) => {
    const next = points[(i + 1) % points.length]!;
    return sum + p.x * next.y - next.x * p.y;
  }, 0);

/** Points as pieces; where the line bends only a little it is a curve, and its pieces share the direction between. */
function piecesThrough(points: readonly Point[], closed: boolean): Piece[] {
  let at = 0;
  const pieces = points.slice(1).map((to, i): Piece => {
    const from = points[i]!;
    const left = leftOf(from, to);
    const start = at;
    at += distance(from, to);
    return { from, to, leftFrom: left, leftTo: left, at: start, end: at };
  });
  return pieces.map((piece, i) => {
    const before = pieces[i - 1] ?? (closed ? pieces.at(-1) : undefined);
    const after = pieces[i + 1] ?? (closed ? pieces[0] : undefined);
    const shared = (own: Point, other: Piece | undefined): Point => {
      const turn = other ? angleBetween(own, other.leftFrom) : 0;
      return other && Math.abs(turn) < CORNER_STEP ? turnedBy(own, turn / 2) : own;
    };
    return { ...piece, leftFrom: shared(piece.leftFrom, before), leftTo: shared(piece.leftTo, after) };
  });
}

/** The first line of a path the way it was drawn. Empty for a path without length. */
export function walkAsDrawn(path: Path): Walk {
  const { points, closed } = firstLine(path);
  const pieces = piecesThrough(points, closed);
  return { pieces, length: pieces.at(-1)?.end ?? 0, closed };
}

/** The first line of a path; a closed one is walked clockwise, whichever way it was drawn. Empty for a path without length. */
export function walkPath(path: Path): Walk {
  const { points, closed } = firstLine(path);
  if (closed && turning(points) < 0) points.reverse();
  const pieces = piecesThrough(points, closed);
  return { pieces, length: pieces.at(-1)?.end ?? 0, closed };
}

const opposite = ({ x, y }: Point): Point => ({ x: -x, y: -y });
/** The same line the other way. */
export const reversed = ({ pieces, length, closed }: Walk): Walk => ({
  pieces: pieces
    .map(({ from, to, leftFrom, leftTo, at, end }) => ({
      from: to,
      to: from,
      leftFrom: opposite(leftTo),
      leftTo: opposite(leftFrom),
      at: length - end,
      end: length - at,
    }))
    .reverse(),
  length,
  closed,
});

/** The pieces round the outside of a corner. */
function roundCorner(before: Piece, after: Piece, corner: Point, off: number): Piece[] {
  const turn = angleBetween(before.leftTo, after.leftFrom);
  const count = Math.ceil(Math.abs(turn) / CORNER_STEP);
  const out = (left: Point): Point => ({ x: corner.x + off * left.x, y: corner.y + off * left.y });
  return Array.from({ length: count }, (_, i) => {
    const leftFrom = turnedBy(before.leftTo, (turn * i) / count);
    const leftTo = turnedBy(before.leftTo, (turn * (i + 1)) / count);
    return { from: out(leftFrom), to: out(leftTo), leftFrom, leftTo, at: before.end, end: before.end };
  });
}

/** A piece without what lies before or behind a share of it. */
const trimmed = (piece: Piece, from: number, to: number): Piece => ({
  from: between(piece.from, piece.to, from),
  to: between(piece.from, piece.to, to),
  leftFrom: piece.leftFrom,
  leftTo: piece.leftTo,
  at: piece.at + (piece.end - piece.at) * from,
  end: piece.at + (piece.end - piece.at) * to,
});

/** Where two pieces cross, as shares of each; undefined where they do not. */
function crossing(p: Piece, q: Piece): [number, number] | undefined {
  const [px, py] = [p.to.x - p.from.x, p.to.y - p.from.y];
  const [qx, qy] = [q.to.x - q.from.x, q.to.y - q.from.y];
  const cross = px * qy - py * qx;
  if (Math.abs(cross) < TINY) return undefined;
  const [dx, dy] = [q.from.x - p.from.x, q.from.y - p.from.y];
  const [s, t] = [(dx * qy - dy * qx) / cross, (dx * py - dy * px) / cross];
  return s >= 0 && s <= 1 && t >= 0 && t <= 1 ? [s, t] : undefined;
}

/** A line beside a walk: its pieces know where along the walk they belong, and `along` where along itself. */
export interface Beside {
  pieces: readonly (Piece & { along: number })[];
  length: number;
}

/** The line `off` points to the left of a walk: corners are gone round, folds on the inner side are cut off. */
export function beside({ pieces, closed }: Walk, off: number): Beside {
  const moved = pieces.map((piece): Piece => {
    const move = (p: Point, left: Point): Point => ({ x: p.x + off * left.x, y: p.y + off * left.y });
    return { ...piece, from: move(piece.from, piece.leftFrom), to: move(piece.to, piece.leftTo) };
  });
  // A curve tighter than its distance turns its pieces round: those are folded away.
  const isFolded = (i: number): boolean => {
    const [a, b] = [moved[i]!, pieces[i]!];
    return (a.to.x - a.from.x) * (b.to.x - b.from.x) + (a.to.y - a.from.y) * (b.to.y - b.from.y) < 0;
  };
  const out: Piece[] = [];
  moved.forEach((piece, i) => {
    if (isFolded(i)) return;
    const last = out.at(-1);
    const turn = last ? angleBetween(last.leftTo, piece.leftFrom) : 0;
    const cross = last && Math.abs(turn) >= CORNER_STEP / 2 ? crossing(last, piece) : undefined;
    if (last && turn * off > 0 && Math.abs(turn) >= CORNER_STEP / 2)
      out.push(...roundCorner(last, piece, pieces[i]!.from, off), piece);
    else if (last && cross) {
      out[out.length - 1] = trimmed(last, 0, cross[0]);
      out.push(trimmed(piece, cross[1], 1));
    } else out.push(piece);
  });
  const [first, last] = [out[0], out.at(-1)];
  if (closed && first && last && out.length > 1) {
    const turn = angleBetween(last.leftTo, first.leftFrom);
    const cross = Math.abs(turn) >= CORNER_STEP / 2 ? crossing(last, first) : undefined;
    if (turn * off > 0 && Math.abs(turn) >= CORNER_STEP / 2)
      out.push(...roundCorner(last, first, pieces[0]!.from, off));
    else if (cross) {
      out[out.length - 1] = trimmed(last, 0, cross[0]);
      out[0] = trimmed(first, cross[1], 1);
    }
  }
  let along = 0;
  const placed = out.map((piece) => {
    const start = along;
    along += distance(piece.from, piece.to);
    return { ...piece, along: start };
  });
  return { pieces: placed, length: along };
}

/** The last piece that begins at or before a distance, by bisection. */
function pieceAt(pieces: Beside['pieces'], key: 'at' | 'along', where: number): Beside['pieces'][number] {
  let [low, high] = [0, pieces.length];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (pieces[middle]![key] <= where) low = middle;
    else high = middle;
  }
  return pieces[low]!;
}

/** How far along the line beside a walk lies what is `at` points along the walk itself. */
export function alongFor({ pieces }: Beside, at: number): number {
  if (pieces.length === 0) return 0;
  const piece = pieceAt(pieces, 'at', at);
  const share = piece.end - piece.at < TINY ? 0 : Math.min(1, Math.max(0, (at - piece.at) / (piece.end - piece.at)));
  return piece.along + share * distance(piece.from, piece.to);
}

/** The place `along` points along a line beside a walk, and the angle there in radians clockwise. Past the ends it goes straight on. */
export function placeAlong({ pieces }: Beside, along: number): Point & { angle: number } {
  const piece = pieceAt(pieces, 'along', along);
  const length = distance(piece.from, piece.to);
  const share = length < TINY ? 0 : (along - piece.along) / length;
  const left = turnedBy(piece.leftFrom, angleBetween(piece.leftFrom, piece.leftTo) * Math.min(1, Math.max(0, share)));
  return { ...between(piece.from, piece.to, share), angle: Math.atan2(left.x, -left.y) };
}

/** How far along a walk its place nearest to a point is. */
export function nearestAt({ pieces }: Walk, { x, y }: Point): number {
  let best = { away: Number.POSITIVE_INFINITY, at: 0 };
  for (const { from, to, at, end } of pieces) {
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const squared = dx * dx + dy * dy;
    const share = squared < TINY ? 0 : Math.min(1, Math.max(0, ((x - from.x) * dx + (y - from.y) * dy) / squared));
    const away = distance(between(from, to, share), { x, y });
    if (away < best.away) best = { away, at: at + share * (end - at) };
  }
  return best.at;
}
