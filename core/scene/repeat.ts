import type { Box } from '../geometry/box';
import { apply, boxAround, type Matrix, multiply, turnAbout } from '../geometry/matrix';
import type { Element, Repeat } from '../job/schema';
import type { Placing } from './turn';

/** One of the copies of a repeat: where it lies, measured from the first, and its tint as a share of the first's. */
export interface Copy extends Placing {
  tint: number;
}

const FIRST: Copy = { matrix: [1, 0, 0, 1, 0, 0], angle: 0, scale: 1, tint: 1 };

/** What scales about a point. */
const scaleAbout = ({ x, y }: { x: number; y: number }, by: number): Matrix => [
  by,
  0,
  0,
  by,
  x * (1 - by),
  y * (1 - by),
];

/** One of so many, a share `t` of the way from the first to the last; `step` brings it to its place. */
function copyAt(cell: Box, { last }: Repeat, t: number, step: { by: Matrix; angle: number }): Copy {
  const middle = { x: cell.x + cell.width / 2, y: cell.y + cell.height / 2 };
  const scale = 1 + ((last?.size ?? 1) - 1) * t;
  const turned = (last?.angle ?? 0) * t;
  const own = multiply(turnAbout(middle, turned), scaleAbout(middle, scale));
  return {
    matrix: multiply(step.by, own),
    angle: step.angle + turned,
    scale,
    tint: 1 + ((last?.tint ?? 1) - 1) * t,
  };
}

/** The copies of a repeat whose first lies in `cell`, in the order they are drawn. */
export function copiesIn(repeat: Repeat, cell: Box): Copy[] {
  if (repeat.kind === 'grid') {
    const { across, down, gapAcross, gapDown } = repeat;
    const count = across * down;
    return Array.from({ length: count }, (_, i) => {
      const [column, row] = [i % across, Math.floor(i / across)];
      const by: Matrix = [1, 0, 0, 1, column * (cell.width + gapAcross), row * (cell.height + gapDown)];
      return copyAt(cell, repeat, count > 1 ? i / (count - 1) : 0, { by, angle: 0 });
    });
  }
  const { count, radius, sweep, turning } = repeat;
  const middle = { x: cell.x + cell.width / 2, y: cell.y + cell.height / 2 };
  const centre = { x: middle.x, y: middle.y + radius };
  // All the way round, the last does not come to lie on the first.
  const parts = Math.abs(sweep) === 360 ? count : Math.max(1, count - 1);
  return Array.from({ length: count }, (_, i) => {
    const angle = (sweep * i) / parts;
    const to = apply(turnAbout(centre, angle), middle);
    const by: Matrix = turning ? turnAbout(centre, angle) : [1, 0, 0, 1, to.x - middle.x, to.y - middle.y];
    return copyAt(cell, repeat, count > 1 ? i / (count - 1) : 0, { by, angle: turning ? angle : 0 });
  });
}

/** The copies of an element; `own` is the upright box around the first of them. */
export function copiesOf(element: Element, own: Box): readonly Copy[] {
  const { repeat } = element;
  if (!repeat) return [FIRST];
  const cell = repeat.cell ? { ...repeat.cell, x: element.x + repeat.cell.x, y: element.y + repeat.cell.y } : own;
  return copiesIn(repeat, cell);
}

/** The upright boxes around the copies of what lies in `own`. */
export const copyBoxes = (element: Element, own: Box): Box[] =>
  copiesOf(element, own).map(({ matrix }) => boxAround(own, matrix));
