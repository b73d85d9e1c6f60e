import { asCubic, type Path, type Segment } from '../../geometry/path';
import { numbers } from './numbers';
import { across, type PdfPage, up } from './page';

/** A rectangle as it is drawn, in points, y down: from one corner across, then down. */
interface Rectangle {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The rectangle that begins at a segment of a path, drawn as `boxPath` draws one; undefined for anything else. */
function rectangleAt(path: Path, i: number): Rectangle | undefined {
  const [m, a, b, c, z] = [path[i], path[i + 1], path[i + 2], path[i + 3], path[i + 4]];
  if (m?.[0] !== 'M' || a?.[0] !== 'L' || b?.[0] !== 'L' || c?.[0] !== 'L' || z?.[0] !== 'Z') return undefined;
  const upright = a[2] === m[2] && b[1] === a[1] && c[2] === b[2] && c[1] === m[1];
  return upright ? { x: m[1], y: m[2], width: a[1] - m[1], height: b[2] - a[2] } : undefined;
}

function segmentOps(page: PdfPage, segment: Segment, at: { x: number; y: number }): string {
  if (segment[0] === 'Z') return 'h';
  if (segment[0] === 'M' || segment[0] === 'L')
    return `${numbers(across(page, segment[1]), up(page, segment[2]))} ${segment[0].toLowerCase()}`;
  const [, x1, y1, x2, y2, x, y] = segment[0] === 'Q' ? asCubic(at, segment) : segment;
  const ends = [x1, y1, x2, y2, x, y].map((n, i) => (i % 2 === 0 ? across(page, n) : up(page, n)));
  return `${numbers(...ends)} c`;
}

/** The operators that make a path; upright rectangles are written as such, in the same direction. */
export function pathOps(page: PdfPage, path: Path): string {
  const ops: string[] = [];
  let at = { x: 0, y: 0 };
  for (let i = 0; i < path.length; i++) {
    const box = rectangleAt(path, i);
    if (box) {
      ops.push(`${numbers(across(page, box.x), up(page, box.y), box.width, -box.height)} re`);
      at = { x: box.x, y: box.y };
      i += 4;
      continue;
    }
    const segment = path[i]!;
    ops.push(segmentOps(page, segment, at));
    if (segment[0] !== 'Z') at = { x: segment.at(-2) as number, y: segment.at(-1) as number };
  }
  return ops.join('\n');
}

/** Fewer rectangles than this are written as they are. */
const LEAST_CELLS = 24;
/** How far from a whole number of cells a side may be. */
const SLACK = 1e-5;

const whole = (n: number): number | undefined => {
  const rounded = Math.round(n);
  return Math.abs(n - rounded) <= SLACK * Math.max(1, Math.abs(n)) ? rounded : undefined;
};
const fine = (n: number): string => `${Math.round(n * 1e6) / 1e6}`;

/**
 * Operators that fill a path which is rectangles of one grid alone, as codes are: in whole cells, so that a thousand of
 * them take little room. Undefined for any other path.
 */
export function gridFill(page: PdfPage, path: Path): string | undefined {
  if (path.length < 5 * LEAST_CELLS || path.length % 5 !== 0) return undefined;
  const boxes: Rectangle[] = [];
  for (let i = 0; i < path.length; i += 5) {
    const box = rectangleAt(path, i);
    if (!box || box.width <= 0 || box.height <= 0) return undefined;
    boxes.push(box);
  }
  const wide = Math.min(...boxes.map(({ width }) => width));
  const high = Math.min(...boxes.map(({ height }) => height));
  const { x: left, y: top } = boxes[0]!;
  const ops: string[] = [];
  for (const box of boxes) {
    const [x, y] = [whole((box.x - left) / wide), whole((box.y - top) / high)];
    const [width, height] = [whole(box.width / wide), whole(box.height / high)];
    if (x === undefined || y === undefined || width === undefined || height === undefined) return undefined;
    ops.push(`${x} ${y} ${width} ${height} re`);
  }
  const grid = [wide, 0, 0, -high, across(page, left), up(page, top)].map(fine).join(' ');
  return ['q', `${grid} cm`, ...ops, 'f', 'Q'].join('\n');
}
