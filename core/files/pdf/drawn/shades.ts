import type { Point } from '../../../geometry/box';
import { type Matrix, multiply, ontoLine } from '../../../geometry/matrix';
import type { Shade } from '../../../scene/colour';
import type { Dict, Value } from '../parsed/syntax';
import { dictOf, numbersOf } from '../parsed/view';
import { functionOf } from './functions';
import { spaceOf } from './spaces';
import type { Drawing } from './state';

/** Colour that runs (ISO 32000-1, 8.7.4.5), and masks that do (11.6.5.3). */

const AXIAL = 2;
const RADIAL = 3;
/** Middles nearer than this share of the radius are the same. */
const OFF_MIDDLE = 0.01;

/** A run of values from 0 to 1, and what lays it on the device. */
interface Run {
  kind: Shade['kind'];
  matrix: Matrix;
  focus?: Point;
  stops: readonly { at: number; values: readonly number[] }[];
}

/** Whether two circles have neither one middle nor is the inner one a point within the outer one. */
export function areApart([x0 = 0, y0 = 0, r0 = 0, x1 = 0, y1 = 0, r1 = 1]: readonly number[]): boolean {
  const [inner, outer] = [Math.min(r0, r1), Math.max(r0, r1)];
  const off = Math.hypot(x1 - x0, y1 - y0) / outer;
  return off > OFF_MIDDLE && !(off < 1 && inner <= OFF_MIDDLE * outer);
}

/** A shading that runs along a line, or about a middle; undefined for other kinds. */
export function runOf({ view, hear }: Drawing, dict: Dict, matrix: Matrix): Run | undefined {
  const { file } = view;
  const kind = file.get(dict.get('ShadingType'));
  const coords = numbersOf(view, dict.get('Coords'));
  const run = functionOf(view, dict.get('Function'));
  if (!run || (kind !== AXIAL && kind !== RADIAL)) return undefined;
  const [from = 0, to = 1] = numbersOf(view, dict.get('Domain'));
  // Either side of a knot has its own colour: a stitched function may jump there.
  const hair = (to - from) * 1e-6;
  const knots = run.knots.filter((t) => t > from && t < to).flatMap((t) => [t - hair, t]);
  const stops = [from, ...knots, to].map((t) => ({ at: to === from ? 0 : (t - from) / (to - from), values: run(t) }));
  if (kind === AXIAL) {
    const [x0 = 0, y0 = 0, x1 = 1, y1 = 0] = coords;
    return { kind: 'linear', matrix: multiply(matrix, ontoLine({ x: x0, y: y0 }, { x: x1, y: y1 })), stops };
  }
  const [x0 = 0, y0 = 0, r0 = 0, x1 = 0, y1 = 0, r1 = 1] = coords;
  const isOutward = r1 >= r0;
  const [inner, outer] = isOutward
    ? [
        { x: x0, y: y0, r: r0 },
        { x: x1, y: y1, r: r1 },
      ]
    : [
        { x: x1, y: y1, r: r1 },
        { x: x0, y: y0, r: r0 },
      ];
  const there = multiply(matrix, [outer.r, 0, 0, outer.r, outer.x, outer.y]);
  const outward = isOutward ? stops : stops.toReversed().map(({ at, values }) => ({ at: 1 - at, values }));
  const focus = { x: (inner.x - outer.x) / outer.r, y: (inner.y - outer.y) / outer.r };
  const off = Math.hypot(focus.x, focus.y);
  // From a point inside the circle.
  if (off > OFF_MIDDLE && off < 1 && inner.r <= OFF_MIDDLE * outer.r)
    return { kind: 'radial', matrix: there, focus, stops: outward };
  if (off > OFF_MIDDLE) hear.unread?.('a round gradient between two circles apart');
  // Between two circles about one middle: the inner radius is a share of the outer one.
  const least = inner.r / outer.r;
  return {
    kind: 'radial',
    matrix: there,
    stops: outward.map(({ at, values }) => ({ at: least + at * (1 - least), values })),
  };
}

/** A shading as a colour; `matrix` lays its own space on the device. */
export function shadeOf(
  drawing: Drawing,
  value: Value | undefined,
  matrix: Matrix,
  resources: Dict,
): Shade | undefined {
  const dict = dictOf(drawing.view.file, value);
  const space = dict && spaceOf(drawing.view, dict.get('ColorSpace'), resources);
  const run = dict && runOf(drawing, dict, matrix);
  if (!space || !run) {
    drawing.hear.unread?.('a gradient of a kind that is not read');
    return undefined;
  }
  return { ...run, stops: run.stops.map(({ at, values }) => ({ at, plates: drawing.inksOf(space, values) })) };
}
