import { ellipsePath } from '../../../geometry/forms';
import { apply, IDENTITY, invert, type Matrix, multiply, ontoLine } from '../../../geometry/matrix';
import { boxPath, type Path, transformPath } from '../../../geometry/path';
import type { Dict } from '../parsed/syntax';
import { arrayOf, numbersOf, type PdfView } from '../parsed/view';

/** How far a gradient reaches (ISO 32000-1, tables 80 and 81): beyond its ends only where it says so. */

/** The clip that a path needs, where some of it lies beyond the gradient's ends. */
export type Reach = (path: Path) => Path | undefined;

/** Far beyond any page, in lengths of the gradient. */
const FAR = 10_000;
const AXIAL = 2;

/** Whether a gradient goes on before its first end, and after its last. */
export const goesOn = (view: PdfView, dict: Dict): [before: boolean, after: boolean] => {
  const [before, after] = arrayOf(view.file, dict.get('Extend')).map((each) => view.file.get(each) === true);
  return [before ?? false, after ?? false];
};

/** Whether all points of a path, its curves' handles too, are held to by a rule in another space. */
function all(path: Path, back: Matrix, holds: (x: number, y: number) => boolean): boolean {
  return path.every(([, ...numbers]) => {
    const flat = numbers as number[];
    for (let i = 0; i < flat.length; i += 2) {
      const { x, y } = apply(back, { x: flat[i]!, y: flat[i + 1]! });
      if (!holds(x, y)) return false;
    }
    return true;
  });
}

/** The reach of a gradient along a line, or about one middle; undefined where it has no ends. */
export function reachOf(view: PdfView, dict: Dict, matrix: Matrix): Reach | undefined {
  const [before, after] = goesOn(view, dict);
  if (before && after) return undefined;
  const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = numbersOf(view, dict.get('Coords'));
  if (view.file.get(dict.get('ShadingType')) === AXIAL) {
    const there = multiply(matrix, ontoLine({ x: a, y: b }, { x: c, y: d }));
    const back = invert(there);
    const [low, high] = [before ? -FAR : 0, after ? FAR : 1];
    const band = transformPath(boxPath({ x: low, y: -FAR, width: high - low, height: 2 * FAR }), there);
    return back && ((path) => (all(path, back, (x) => x > low - 1e-3 && x < high + 1e-3) ? undefined : band));
  }
  // The larger circle bounds it unless it goes on; the smaller one is a hole.
  const [inner, outer] =
    c <= f
      ? [
          { x: a, y: b, r: c, on: before },
          { x: d, y: e, r: f, on: after },
        ]
      : [
          { x: d, y: e, r: f, on: after },
          { x: a, y: b, r: c, on: before },
        ];
  const back = invert(matrix);
  const round = ({ x, y, r }: typeof inner, turned = IDENTITY): Path =>
    transformPath(ellipsePath({ x: x - r, y: y - r, width: 2 * r, height: 2 * r }), multiply(matrix, turned));
  // Turned round the other way, it is a hole.
  const hole = !inner.on && inner.r > 0 ? round(inner, [-1, 0, 0, 1, 2 * inner.x, 0]) : undefined;
  const far = Math.max(2000, 10 * outer.r);
  const bound = outer.on
    ? transformPath(boxPath({ x: outer.x - far, y: outer.y - far, width: 2 * far, height: 2 * far }), matrix)
    : round(outer);
  const clip: Path = hole ? [...bound, ...hole] : bound;
  return (
    back &&
    ((path) =>
      !hole && (outer.on || all(path, back, (x, y) => Math.hypot(x - outer.x, y - outer.y) < outer.r * 1.001))
        ? undefined
        : clip)
  );
}
