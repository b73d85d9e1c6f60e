import type { Point } from './box';
import { asCubic, type Path, type Segment } from './path';

/** A point of an outline with the handles of the curves that come in and go out; a handle on the point is none. */
export interface PathNode {
  at: Point;
  in: Point;
  out: Point;
}

/** One stroke of an outline. */
export interface Stretch {
  nodes: PathNode[];
  closed: boolean;
}

const same = (a: Point, b: Point): boolean => Math.hypot(a.x - b.x, a.y - b.y) < 1e-9;

/** An outline as points with handles. */
export function toStretches(path: Path): Stretch[] {
  const out: Stretch[] = [];
  let nodes: PathNode[] = [];
  const push = (closed: boolean): void => {
    if (nodes.length === 0) return;
    const [first, last] = [nodes[0]!, nodes.at(-1)!];
    // A stroke that came back to its beginning before it was closed has that point once.
    if (closed && nodes.length > 1 && same(first.at, last.at)) {
      first.in = last.in;
      nodes.pop();
    }
    out.push({ nodes, closed });
    nodes = [];
  };
  for (const segment of path) {
    if (segment[0] === 'Z') {
      push(true);
      continue;
    }
    if (segment[0] === 'M') {
      push(false);
      const at = { x: segment[1], y: segment[2] };
      nodes = [{ at, in: at, out: at }];
      continue;
    }
    const from = nodes.at(-1);
    if (!from) continue;
    if (segment[0] === 'L') {
      const at = { x: segment[1], y: segment[2] };
      nodes.push({ at, in: at, out: at });
      continue;
    }
    const [, x1, y1, x2, y2, x, y] = segment[0] === 'Q' ? asCubic(from.at, segment) : segment;
    from.out = { x: x1, y: y1 };
    const at = { x, y };
    nodes.push({ at, in: { x: x2, y: y2 }, out: at });
  }
  push(false);
  return out;
}

const step = (from: PathNode, to: PathNode): Segment =>
  same(from.out, from.at) && same(to.in, to.at)
    ? ['L', to.at.x, to.at.y]
    : ['C', from.out.x, from.out.y, to.in.x, to.in.y, to.at.x, to.at.y];

/** Points with handles as an outline. */
export const fromStretches = (stretches: readonly Stretch[]): Path =>
  stretches.flatMap(({ nodes, closed }): Segment[] => {
    const [first] = nodes;
    if (!first) return [];
    const last = nodes.at(-1)!;
    const closing = closed && nodes.length > 1 ? step(last, first) : undefined;
    return [
      ['M', first.at.x, first.at.y],
      ...nodes.slice(1).map((node, i) => step(nodes[i]!, node)),
      ...(closing?.[0] === 'C' ? [closing] : []),
      ...(closed ? ([['Z']] as const) : []),
    ];
  });

/** Which point of an outline: its stroke, and its place in it. */
export interface NodeRef {
  stretch: number;
  node: number;
}

const change = (
  stretches: readonly Stretch[],
  { stretch, node }: NodeRef,
  to: (node: PathNode) => PathNode,
): Stretch[] =>
  stretches.map((s, i) => (i === stretch ? { ...s, nodes: s.nodes.map((n, k) => (k === node ? to(n) : n)) } : s));

const moved = (p: Point, by: Point): Point => ({ x: p.x + by.x, y: p.y + by.y });

/** Moves a point with its handles. */
export const moveNode = (stretches: readonly Stretch[], ref: NodeRef, by: Point): Stretch[] =>
  change(stretches, ref, (n) => ({ at: moved(n.at, by), in: moved(n.in, by), out: moved(n.out, by) }));

/** Whether the curves through a point go on without a corner: its handles lie in one line. */
export function isSmooth({ at, in: before, out: after }: PathNode): boolean {
  const [ax, ay, bx, by] = [at.x - before.x, at.y - before.y, after.x - at.x, after.y - at.y];
  const [a, b] = [Math.hypot(ax, ay), Math.hypot(bx, by)];
  if (a < 1e-9 || b < 1e-9) return false;
  return Math.abs(ax * by - ay * bx) < 0.001 * a * b && ax * bx + ay * by > 0;
}

/** Pulls a handle; at a smooth point the other one stays in line with it. */
export const moveHandle = (stretches: readonly Stretch[], ref: NodeRef, which: 'in' | 'out', to: Point): Stretch[] =>
  change(stretches, ref, (n) => {
    const other = which === 'in' ? 'out' : 'in';
    if (!isSmooth(n)) return { ...n, [which]: to };
    const length = Math.hypot(n[other].x - n.at.x, n[other].y - n.at.y);
    const [dx, dy] = [n.at.x - to.x, n.at.y - to.y];
    const far = Math.hypot(dx, dy);
    if (far < 1e-9) return { ...n, [which]: to };
    return { ...n, [which]: to, [other]: { x: n.at.x + (dx / far) * length, y: n.at.y + (dy / far) * length } };
  });

/** Makes a corner of a point: it loses its handles. */
export const makeCorner = (stretches: readonly Stretch[], ref: NodeRef): Stretch[] =>
  change(stretches, ref, (n) => ({ at: n.at, in: n.at, out: n.at }));

/** Makes a point smooth: handles along the line between its neighbours, a third of the way to each. */
export function makeSmooth(stretches: readonly Stretch[], ref: NodeRef): Stretch[] {
  const { nodes, closed } = stretches[ref.stretch]!;
  const n = nodes.length;
  const neighbour = (by: 1 | -1): PathNode | undefined =>
    closed ? nodes[(ref.node + by + n) % n] : nodes[ref.node + by];
  const [before, after] = [neighbour(-1) ?? nodes[ref.node]!, neighbour(1) ?? nodes[ref.node]!];
  const [dx, dy] = [after.at.x - before.at.x, after.at.y - before.at.y];
  const length = Math.hypot(dx, dy) || 1;
  return change(stretches, ref, ({ at }) => {
    const back = Math.hypot(at.x - before.at.x, at.y - before.at.y) / 3 / length;
    const on = Math.hypot(after.at.x - at.x, after.at.y - at.y) / 3 / length;
    return {
      at,
      in: { x: at.x - dx * back, y: at.y - dy * back },
      out: { x: at.x + dx * on, y: at.y + dy * on },
    };
  });
}

/** Takes a point away; a stroke of fewer than two is none. */
export const removeNode = (stretches: readonly Stretch[], { stretch, node }: NodeRef): Stretch[] =>
  stretches
    .map((s, i) => (i === stretch ? { ...s, nodes: s.nodes.filter((_, k) => k !== node) } : s))
    .filter((s) => s.nodes.length > 1);

const between = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });

/** Adds a point after another, `t` (0 to 1) of the way along what follows it; the outline stays as it is. */
export function addNode(stretches: readonly Stretch[], { stretch, node }: NodeRef, t: number): Stretch[] {
  return stretches.map((s, i) => {
    const [a, b] = [s.nodes[node], s.nodes[(node + 1) % s.nodes.length]];
    if (i !== stretch || !a || !b || (!s.closed && node === s.nodes.length - 1)) return s;
    // De Casteljau's construction.
    const [p, q, r] = [between(a.at, a.out, t), between(a.out, b.in, t), between(b.in, b.at, t)];
    const [u, v] = [between(p, q, t), between(q, r, t)];
    const straight = same(a.out, a.at) && same(b.in, b.at);
    const at = straight ? between(a.at, b.at, t) : between(u, v, t);
    const nodes = [...s.nodes];
    nodes[node] = straight ? a : { ...a, out: p };
    nodes[(node + 1) % s.nodes.length] = straight ? b : { ...b, in: r };
    nodes.splice(node + 1, 0, straight ? { at, in: at, out: at } : { at, in: u, out: v });
    return { ...s, nodes };
  });
}

/** The place on an outline that is nearest to a point: after which of its points, how far on, and how far away. */
export function nearestPlace(
  stretches: readonly Stretch[],
  to: Point,
): { ref: NodeRef; t: number; distance: number } | undefined {
  const STEPS = 40;
  let best: { ref: NodeRef; t: number; distance: number } | undefined;
  stretches.forEach(({ nodes, closed }, stretch) => {
    for (let node = 0; node < nodes.length - (closed ? 0 : 1); node++) {
      const [a, b] = [nodes[node]!, nodes[(node + 1) % nodes.length]!];
      for (let k = 1; k < STEPS; k++) {
        const t = k / STEPS;
        const [p, q, r] = [between(a.at, a.out, t), between(a.out, b.in, t), between(b.in, b.at, t)];
        const at =
          same(a.out, a.at) && same(b.in, b.at)
            ? between(a.at, b.at, t)
            : between(between(p, q, t), between(q, r, t), t);
        const distance = Math.hypot(at.x - to.x, at.y - to.y);
        if (!best || distance < best.distance) best = { ref: { stretch, node }, t, distance };
      }
    }
  });
  return best;
}
