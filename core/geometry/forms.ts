import { type Box, bottom, right } from './box';
import type { Path, Segment } from './path';

/** How far a quarter circle's handles reach, as a share of its radius: the usual near fit, within 0.03 % of the radius. */
const QUARTER = (4 / 3) * (Math.SQRT2 - 1);

export const CORNER_FORMS = ['round', 'cut', 'scooped'] as const;
/** One corner of a rectangle: how far it reaches along both sides, and how it is shaped. */
export interface Corner {
  radius: number;
  form: (typeof CORNER_FORMS)[number];
}

type Point = readonly [number, number];

/** A corner from one side to the next: `from` and `to` lie on the sides, `tip` is where they would meet. */
function cornerSegments(form: Corner['form'], from: Point, tip: Point, to: Point): Segment[] {
  if (form === 'cut') return [['L', to[0], to[1]]];
  // Scooped, the curve bends the other way: about the tip instead of towards it.
  const middle: Point = form === 'round' ? tip : [from[0] + to[0] - tip[0], from[1] + to[1] - tip[1]];
  const pull = (p: Point): Point => [p[0] + (middle[0] - p[0]) * QUARTER, p[1] + (middle[1] - p[1]) * QUARTER];
  return [['C', ...pull(from), ...pull(to), ...to]];
}

/**
 * A rectangle with a corner of its own at the top left, top right, foot right and foot left, clockwise. Corners that
 * would overlap are all made smaller by the same share, as CSS Backgrounds 3, 5.5 does.
 */
export function corneredBoxPath(box: Box, corners: readonly [Corner, Corner, Corner, Corner]): Path {
  const [a, b, c, d] = corners.map((corner) => Math.max(0, corner.radius)) as [number, number, number, number];
  const shrink = Math.min(
    1,
    ...[
      [box.width, a + b],
      [box.height, b + c],
      [box.width, c + d],
      [box.height, d + a],
    ].map(([side, used]) => (used! > 0 ? side! / used! : 1)),
  );
  const [tl, tr, br, bl] = [a, b, c, d].map((radius) => radius * shrink) as [number, number, number, number];
  const [x0, y0, x1, y1] = [box.x, box.y, right(box), bottom(box)];
  const turn = (i: number, radius: number, from: Point, tip: Point, to: Point): Segment[] =>
    radius > 0 ? cornerSegments(corners[i]!.form, from, tip, to) : [];
  return [
    ['M', x0 + tl, y0],
    ['L', x1 - tr, y0],
    ...turn(1, tr, [x1 - tr, y0], [x1, y0], [x1, y0 + tr]),
    ['L', x1, y1 - br],
    ...turn(2, br, [x1, y1 - br], [x1, y1], [x1 - br, y1]),
    ['L', x0 + bl, y1],
    ...turn(3, bl, [x0 + bl, y1], [x0, y1], [x0, y1 - bl]),
    ['L', x0, y0 + tl],
    ...turn(0, tl, [x0, y0 + tl], [x0, y0], [x0 + tl, y0]),
    ['Z'],
  ];
}

/** The ellipse that fills a box, clockwise from its top. */
export function ellipsePath({ x, y, width, height }: Box): Path {
  const [rx, ry] = [width / 2, height / 2];
  const [cx, cy] = [x + rx, y + ry];
  const [kx, ky] = [rx * QUARTER, ry * QUARTER];
  return [
    ['M', cx, y],
    ['C', cx + kx, y, x + width, cy - ky, x + width, cy],
    ['C', x + width, cy + ky, cx + kx, y + height, cx, y + height],
    ['C', cx - kx, y + height, x, cy + ky, x, cy],
    ['C', x, cy - ky, cx - kx, y, cx, y],
    ['Z'],
  ];
}

/** Points around the middle of a box at shares of its half sides, the first at the top, clockwise. */
const ring = ({ x, y, width, height }: Box, count: number, share: (i: number) => number): Path => [
  ...Array.from({ length: count }, (_, i): Segment => {
    const turn = (2 * Math.PI * i) / count;
    const px = x + (width / 2) * (1 + share(i) * Math.sin(turn));
    const py = y + (height / 2) * (1 - share(i) * Math.cos(turn));
    return [i === 0 ? 'M' : 'L', px, py];
  }),
  ['Z'],
];

/** A polygon with its points on the ellipse that fills a box. */
export const polygonPath = (box: Box, sides: number): Path => ring(box, sides, () => 1);

/** A star: its points on the ellipse that fills a box, the notches between at a share of that. */
export const starPath = (box: Box, points: number, depth: number): Path =>
  ring(box, 2 * points, (i) => (i % 2 === 0 ? 1 : depth));
