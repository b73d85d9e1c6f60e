import { type Box, type Point, unionOf } from './box';
import { ellipsePath } from './forms';
import { boxAround, type Matrix, turnAbout } from './matrix';
import { boxPath, type Path, type Segment, transformPath } from './path';

/** What repeats in a pattern: lengths in points, `angle` in degrees clockwise about the middle of what is covered. */
export interface MotifAsked {
  motif: 'stripes' | 'dots' | 'grid' | 'waves';
  spacing: number;
  weight: number;
  angle: number;
}

/** Steps of `spacing` from the middle outwards that reach over `half` to both sides. */
function steps(half: number, spacing: number): number[] {
  const most = Math.ceil(half / spacing) + 1;
  return Array.from({ length: 2 * most + 1 }, (_, i) => (i - most) * spacing);
}

const stripes = ({ x, y }: Point, halfWidth: number, halfHeight: number, { spacing, weight }: MotifAsked): Path =>
  steps(halfHeight, spacing).flatMap((step) =>
    boxPath({ x: x - halfWidth, y: y + step - weight / 2, width: 2 * halfWidth, height: weight }),
  );

const uprights = ({ x, y }: Point, halfWidth: number, halfHeight: number, { spacing, weight }: MotifAsked): Path =>
  steps(halfWidth, spacing).flatMap((step) =>
    boxPath({ x: x + step - weight / 2, y: y - halfHeight, width: weight, height: 2 * halfHeight }),
  );

const dots = ({ x, y }: Point, halfWidth: number, halfHeight: number, { spacing, weight }: MotifAsked): Path =>
  steps(halfHeight, spacing).flatMap((down) =>
    steps(halfWidth, spacing).flatMap((across) =>
      ellipsePath({ x: x + across - weight / 2, y: y + down - weight / 2, width: weight, height: weight }),
    ),
  );

/** The handle of a quarter circle's arc, as a share of its radius. */
const QUARTER = (4 / 3) * (Math.SQRT2 - 1);

/** A quarter of a circle from one of its diagonals to the next, as the wave goes on to the right. */
function arc(centre: Point, radius: number, over: boolean, way: 1 | -1): Segment {
  const s = radius * Math.SQRT1_2;
  const k = QUARTER * s;
  const up = over ? -1 : 1;
  const [x0, y0, x1] = [centre.x - way * s, centre.y + up * s, centre.x + way * s];
  // The tangents at the diagonals run at 45 degrees.
  return ['C', x0 + way * k, y0 + up * k, x1 - way * k, y0 + up * k, x1, y0];
}

/**
 * Lines of quarter circles, over and under by turns, so that their weight is the same all along: both edges of such a
 * line are quarter circles as well. A wave is as long as two of its spacings.
 */
function waves({ x, y }: Point, halfWidth: number, halfHeight: number, asked: MotifAsked): Path {
  const { spacing, weight } = asked;
  const radius = spacing * Math.SQRT1_2;
  const thin = Math.min(weight, 2 * radius * 0.9) / 2;
  const count = 2 * (Math.ceil(halfWidth / spacing) + 1);
  return steps(halfHeight + radius, spacing).flatMap((step): Segment[] => {
    const centres = Array.from({ length: count }, (_, i) => ({
      at: {
        x: x + (i - count / 2 + 0.5) * spacing,
        y: y + step + (i % 2 === 0 ? 1 : -1) * radius * Math.SQRT1_2,
      },
      over: i % 2 === 0,
    }));
    const first = centres[0]!;
    const outer = (over: boolean, side: 1 | -1): number => radius + (over ? side : -side) * thin;
    const s = outer(first.over, 1) * Math.SQRT1_2;
    const last = centres.at(-1)!;
    const t = outer(last.over, -1) * Math.SQRT1_2;
    return [
      ['M', first.at.x - s, first.at.y - s],
      ...centres.map(({ at, over }) => arc(at, outer(over, 1), over, 1)),
      ['L', last.at.x + t, last.at.y + (last.over ? -t : t)],
      ...[...centres].reverse().map(({ at, over }) => arc(at, outer(over, -1), over, -1)),
      ['Z'],
    ];
  });
}

const MAKERS = {
  stripes,
  dots,
  waves,
  grid: (at: Point, w: number, h: number, asked: MotifAsked): Path => [
    ...stripes(at, w, h, asked),
    ...uprights(at, w, h, asked),
  ],
};

/** A motif as areas that cover a box and stick out of it: clip them by what they fill. Same winding throughout. */
export function motifPath(box: Box, asked: MotifAsked): Path {
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const turn: Matrix = turnAbout(middle, asked.angle);
  const around = unionOf([boxAround(box, turnAbout(middle, -asked.angle))])!;
  return transformPath(MAKERS[asked.motif](middle, around.width / 2, around.height / 2, asked), turn);
}
