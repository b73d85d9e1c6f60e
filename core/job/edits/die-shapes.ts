import { corneredBoxPath, ellipsePath } from '../../geometry/forms';
import { fullPathData, type Path, type Segment, transformPath } from '../../geometry/path';
import { type PieceUnit, roundIn } from '../../units/length';
import { makeShape } from '../make';
import type { Piece, Shape } from '../schema';

/** Outlines that dies are often made for, each in the size of its piece. Points from the trim's corner. */

interface Side {
  width: number;
  height: number;
  /** Corners and bites are round figures of it. */
  unit: PieceUnit;
}

const boxOf = ({ width, height }: Side) => ({ x: 0, y: 0, width, height });
const cornered =
  (form: 'round' | 'cut' | 'scooped', mm: number, inches: number) =>
  (side: Side): Path => {
    const radius = Math.min(roundIn(side.unit, mm, inches), side.width / 3, side.height / 3);
    const corner = { radius, form };
    return corneredBoxPath(boxOf(side), [corner, corner, corner, corner]);
  };

/** How far a quarter circle's handles reach, as a share of its radius. */
const QUARTER = (4 / 3) * (Math.SQRT2 - 1);

/** Round at its head, square at its foot. */
function arch({ width, height }: Side): Path {
  const rx = width / 2;
  const ry = Math.min(rx, height * 0.6);
  return [
    ['M', 0, height],
    ['L', 0, ry],
    ['C', 0, ry - ry * QUARTER, rx - rx * QUARTER, 0, rx, 0],
    ['C', rx + rx * QUARTER, 0, width, ry - ry * QUARTER, width, ry],
    ['L', width, height],
    ['Z'],
  ];
}

/** A label to hang up: two corners cut at its left. */
function tag({ width, height }: Side): Path {
  const cut = Math.min(width, height) / 3;
  return [
    ['M', cut, 0],
    ['L', width, 0],
    ['L', width, height],
    ['L', cut, height],
    ['L', 0, height - cut],
    ['L', 0, cut],
    ['Z'],
  ];
}

/** A half circle taken out of the middle of both shorter sides. */
function ticket({ width, height, unit }: Side): Path {
  const r = Math.min(roundIn(unit, 4, 5 / 32), height / 4);
  const k = r * QUARTER;
  const m = height / 2;
  return [
    ['M', 0, 0],
    ['L', width, 0],
    ['L', width, m - r],
    ['C', width - k, m - r, width - r, m - k, width - r, m],
    ['C', width - r, m + k, width - k, m + r, width, m + r],
    ['L', width, height],
    ['L', 0, height],
    ['L', 0, m + r],
    ['C', k, m + r, r, m + k, r, m],
    ['C', r, m - k, k, m - r, 0, m - r],
    ['Z'],
  ];
}

/** About how wide each scallop is, and how far it stands out. */
const scallopIn = (unit: PieceUnit) => ({ wide: roundIn(unit, 7, 1 / 4), deep: roundIn(unit, 1.6, 1 / 16) });

/** A wavy edge all round. */
function scallops({ width, height, unit }: Side): Path {
  const { wide, deep: d } = scallopIn(unit);
  const corners = [
    [d, d],
    [width - d, d],
    [width - d, height - d],
    [d, height - d],
  ] as const;
  const path: Segment[] = [['M', d, d]];
  corners.forEach(([x0, y0], i) => {
    const [x1, y1] = corners[(i + 1) % corners.length]!;
    const length = Math.hypot(x1 - x0, y1 - y0);
    const [ux, uy] = [(x1 - x0) / length, (y1 - y0) / length];
    const count = Math.max(1, Math.round(length / wide));
    for (let k = 0; k < count; k++) {
      const from = (length * k) / count;
      const to = (length * (k + 1)) / count;
      const middle = (from + to) / 2;
      // A quadratic's peak lies halfway to its handle.
      path.push(['Q', x0 + ux * middle + uy * 2 * d, y0 + uy * middle - ux * 2 * d, x0 + ux * to, y0 + uy * to]);
    }
  });
  return [...path, ['Z']];
}

export const DIE_SHAPES = {
  round: { name: 'Round corners', path: cornered('round', 3, 1 / 8) },
  scooped: { name: 'Scooped corners', path: cornered('scooped', 5, 3 / 16) },
  cut: { name: 'Cut corners', path: cornered('cut', 5, 3 / 16) },
  oval: { name: 'Oval', path: (side: Side): Path => ellipsePath(boxOf(side)) },
  arch: { name: 'Arch', path: arch },
  tag: { name: 'Tag', path: tag },
  ticket: { name: 'Ticket', path: ticket },
  scallops: { name: 'Scalloped edge', path: scallops },
} as const;
export type DieShape = keyof typeof DIE_SHAPES;

/** A die line of a shape for a side of a piece, of the finish of that id. */
export function dieShape(
  shape: DieShape,
  side: Pick<Piece, 'width' | 'height' | 'unit'>,
  id: string,
  finish: string,
): Shape {
  const { name, path } = DIE_SHAPES[shape];
  const { width, height } = side;
  const outline = fullPathData(transformPath(path(side), [1 / width, 0, 0, 1 / height, 0, 0]));
  return {
    ...makeShape({ id, name, x: 0, y: 0, width, height }),
    outline,
    finish,
  };
}
