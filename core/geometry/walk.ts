import type { Point } from './box';
import { asCubic, type Cubic, type Path } from './path';

/** A place on a line: where, which way is to the left of one who walks along it, and how far from its beginning. */
export interface Step extends Point {
  /** Unit vector to the left; with y down and a walk to the right, up. */
  left: Point;
  /** Along the line itself, in points. */
  at: number;
}

/** A line to walk along: steps near enough to each other that straight pieces between them do. */
export interface Walk {
  steps: readonly Step[];
  length: number;
  closed: boolean;
}

/** A quarter of a degree: at a radius of a metre the chord is 0.007 points off the arc. */
const CIRCLE_STEPS = 1440;
const CURVE_STEPS = 96;
/** Around an outward corner the line turns by so many radians at a time. */
const CORNER_STEP = Math.PI / 36;
const TINY = 1e-9;

const leftOf = (dx: number, dy: number): Point => {
  const length = Math.hypot(dx, dy) || 1;
  return { x: dy / length, y: -dx / length };
};

/** Clockwise from the top. */
export function walkCircle(centre: Point, radius: number): Walk {
  const steps = Array.from({ length: CIRCLE_STEPS + 1 }, (_, i): Step => {
    const turn = (2 * Math.PI * i) / CIRCLE_STEPS;
    const left = { x: Math.sin(turn), y: -Math.cos(turn) };
    return { x: centre.x + radius * left.x, y: centre.y + radius * left.y, left, at: turn * radius };
  });
  return { steps, length: 2 * Math.PI * radius, closed: true };
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

/** Each straight piece gives two steps, so that a corner has one for each way out of it. */
function stepsAlong(points: readonly Point[]): { steps: Step[]; length: number } {
  const steps: Step[] = [];
  let at = 0;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    const left = leftOf(b.x - a.x, b.y - a.y);
    steps.push({ ...a, left, at });
    at += Math.hypot(b.x - a.x, b.y - a.y);
    steps.push({ ...b, left, at });
  }
  return { steps, length: at };
}

/** The first line of a path; a closed one is walked clockwise, whichever way it was drawn. Empty for a path without length. */
export function walkPath(path: Path): Walk {
  const { points, closed } = firstLine(path);
  if (closed && turning(points) < 0) points.reverse();
  return { ...stepsAlong(points), closed };
}

/** The same line the other way. */
export const reversed = ({ steps, length, closed }: Walk): Walk => ({
  steps: steps.map((s) => ({ ...s, left: { x: -s.left.x, y: -s.left.y }, at: length - s.at })).reverse(),
  length,
  closed,
});

const angleBetween = (a: Point, b: Point): number => Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y);
const turnedBy = ({ x, y }: Point, by: number): Point => ({
  x: x * Math.cos(by) - y * Math.sin(by),
  y: x * Math.sin(by) + y * Math.cos(by),
});

/** The steps between two that stand at the same place and look different ways. */
function roundCorner(from: Step, to: Step): Step[] {
  const turn = angleBetween(from.left, to.left);
  const count = Math.floor(Math.abs(turn) / CORNER_STEP);
  return Array.from({ length: count }, (_, i) => ({
    ...from,
    left: turnedBy(from.left, (turn * (i + 1)) / (count + 1)),
  }));
}

/** A line beside a walk, with how far along it each of the walk's steps lies. */
export interface Beside {
  /** `at` is along the walk, `along` the line beside it. */
  steps: readonly (Step & { along: number })[];
  length: number;
}

/** The line `off` points to the left of a walk: corners are gone round, folds on the inner side are cut off. */
export function beside({ steps, closed }: Walk, off: number): Beside {
  const all: Step[] = [];
  for (const step of closed && steps.length > 0 ? [...steps, steps[0]!] : steps) {
    const last = all.at(-1);
    const samePlace = last && Math.hypot(last.x - step.x, last.y - step.y) < TINY;
    if (samePlace) all.push(...roundCorner(last, step));
    all.push(step);
  }
  if (closed && all.length > 0) all.pop();
  const out: (Step & { along: number })[] = [];
  let along = 0;
  for (const step of all) {
    const here = { ...step, x: step.x + off * step.left.x, y: step.y + off * step.left.y };
    const last = out.at(-1);
    const forth = { x: -step.left.y, y: step.left.x };
    const [dx, dy] = last ? [here.x - last.x, here.y - last.y] : [0, 0];
    if (dx * forth.x + dy * forth.y < -TINY) continue;
    along += Math.hypot(dx, dy);
    out.push({ ...here, along });
  }
  return { steps: out, length: along };
}

type Key = 'at' | 'along';
/** The two steps that a distance lies between, by bisection. */
function around(steps: Beside['steps'], key: Key, distance: number): number {
  let [low, high] = [0, steps.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (steps[middle]![key] <= distance) low = middle;
    else high = middle;
  }
  return low;
}

/** How far along the line beside a walk lies what is `at` points along the walk itself. */
export function alongFor({ steps }: Beside, at: number): number {
  if (steps.length < 2) return 0;
  const i = around(steps, 'at', at);
  const [a, b] = [steps[i]!, steps[i + 1]!];
  const share = b.at - a.at < TINY ? 0 : Math.min(1, Math.max(0, (at - a.at) / (b.at - a.at)));
  return a.along + share * (b.along - a.along);
}

/** The place `along` points along a line beside a walk, and the angle there in radians clockwise. Past the ends it goes straight on. */
export function placeAlong({ steps }: Beside, along: number): Point & { angle: number } {
  const i = around(steps, 'along', along);
  const [a, b] = [steps[i]!, steps[i + 1] ?? steps[i]!];
  const gap = b.along - a.along;
  const share = gap < TINY ? 0 : (along - a.along) / gap;
  const within = Math.min(1, Math.max(0, share));
  const left = turnedBy(a.left, angleBetween(a.left, b.left) * within);
  const past = (share - within) * gap;
  return {
    x: a.x + (b.x - a.x) * within - left.y * past,
    y: a.y + (b.y - a.y) * within + left.x * past,
    angle: Math.atan2(left.x, -left.y),
  };
}

/** How far along a walk its place nearest to a point is. */
export function nearestAt({ steps }: Walk, { x, y }: Point): number {
  let best = { distance: Number.POSITIVE_INFINITY, at: 0 };
  for (let i = 1; i < steps.length; i++) {
    const [a, b] = [steps[i - 1]!, steps[i]!];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const squared = dx * dx + dy * dy;
    const share = squared < TINY ? 0 : Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / squared));
    const distance = Math.hypot(a.x + share * dx - x, a.y + share * dy - y);
    if (distance < best.distance) best = { distance, at: a.at + share * (b.at - a.at) };
  }
  return best.at;
}
