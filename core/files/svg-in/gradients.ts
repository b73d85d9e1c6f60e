import type { Element } from '@xmldom/xmldom';
import type { Box, Point } from '../../geometry/box';
import { apply, IDENTITY, invert, type Matrix, multiply, ontoBox } from '../../geometry/matrix';
import { type Path, pathBounds } from '../../geometry/path';
import { JOB_LIMITS } from '../../trade/job-limits';
import type { Viewport } from './outlines';
import { colourOf, lengthOf, shareOf, transformOf } from './values';

/** Colour that runs, in the space of what it fills. */
export interface ReadGradient {
  kind: 'linear' | 'radial';
  matrix: Matrix;
  /** Where a radial one begins, in its own space. */
  focus?: Point;
  stops: { at: number; key: string; alpha: number }[];
}

/** What a gradient is read with: others it takes after, styles, and where notes go. */
export interface GradientSources {
  byId(id: string): Element | undefined;
  own(element: Element): ReadonlyMap<string, string>;
  note(text: string): void;
}

/** A focus is no further from the middle than this share of the radius. */
const MOST_OFF = 0.999;

const hrefOf = (element: Element): string | undefined =>
  (element.getAttribute('href') ?? element.getAttribute('xlink:href') ?? undefined)?.replace(/^#/, '');

/** A gradient and all those that it takes after, itself first. */
function chain(element: Element, { byId }: GradientSources): Element[] {
  const out: Element[] = [];
  for (let at: Element | undefined = element; at && !out.includes(at) && out.length < 20; ) {
    out.push(at);
    const next: string | undefined = hrefOf(at);
    at = next ? byId(next) : undefined;
  }
  return out;
}

function stopsOf(elements: readonly Element[], { own }: GradientSources): ReadGradient['stops'] {
  const children = (element: Element): Element[] =>
    Array.from(element.childNodes).filter((n): n is Element => n.nodeType === 1 && (n as Element).localName === 'stop');
  const holder = elements.find((element) => children(element).length > 0);
  let least = 0;
  return (holder ? children(holder) : []).map((stop) => {
    const style = own(stop);
    const colour = colourOf(style.get('stop-color') ?? 'black') ?? { hex: '#000000', alpha: 1 };
    least = Math.max(least, shareOf(style.get('offset'), 0));
    return { at: least, key: colour.hex, alpha: colour.alpha * shareOf(style.get('stop-opacity'), 1) };
  });
}

/** A gradient that repeats, or goes to and fro, as one that runs once over all of a box; undefined where it has too many stops. */
function repeated(gradient: ReadGradient, box: Box, toAndFro: boolean): ReadGradient | undefined {
  const back = invert(gradient.matrix);
  if (!back) return undefined;
  const isRadial = gradient.kind === 'radial';
  const places = [0, 1].flatMap((i) =>
    [0, 1].map((j) => {
      const { x, y } = apply(back, { x: box.x + i * box.width, y: box.y + j * box.height });
      return isRadial ? Math.hypot(x, y) : x;
    }),
  );
  const from = isRadial ? 0 : Math.floor(Math.min(...places));
  const times = Math.max(1, Math.ceil(Math.max(...places)) - from);
  if (times * gradient.stops.length > JOB_LIMITS.stops) return undefined;
  const stops = Array.from({ length: times }, (_, k) => {
    const isBack = toAndFro && (from + k) % 2 !== 0;
    const once = isBack ? gradient.stops.toReversed().map((stop) => ({ ...stop, at: 1 - stop.at })) : gradient.stops;
    return once.map((stop) => ({ ...stop, at: (k + stop.at) / times }));
  }).flat();
  const wider: Matrix = isRadial ? [times, 0, 0, times, 0, 0] : [times, 0, 0, 1, from, 0];
  return { ...gradient, matrix: multiply(gradient.matrix, wider), stops };
}

/** A gradient for a path in the path's own units; undefined where it fills nothing. */
export function readGradient(
  element: Element,
  path: Path,
  viewport: Viewport,
  sources: GradientSources,
): ReadGradient | undefined {
  const all = chain(element, sources);
  const attribute = (name: string): string | undefined =>
    all.map((each) => each.getAttribute(name)).find((value): value is string => value !== null && value !== '');
  const stops = stopsOf(all, sources);
  if (stops.length === 0) return undefined;
  const isRadial = element.localName === 'radialGradient';
  const byBox = attribute('gradientUnits') !== 'userSpaceOnUse';
  const box = pathBounds(path);
  if (byBox && (!box || box.width === 0 || box.height === 0)) return undefined;
  const [w, h] = byBox ? [1, 1] : [viewport.width, viewport.height];
  const across = (name: string, usual: string): number => lengthOf(attribute(name) ?? usual, w) ?? 0;
  const down = (name: string, usual: string): number => lengthOf(attribute(name) ?? usual, h) ?? 0;
  const own: Matrix = isRadial ? radialSpace() : linearSpace();
  const outer = multiply(byBox ? ontoBox(box!) : IDENTITY, transformOf(attribute('gradientTransform')));
  const [first] = stops;
  const read: ReadGradient = {
    kind: isRadial ? 'radial' : 'linear',
    matrix: multiply(outer, own),
    ...(isRadial ? focusOf() : {}),
    stops: stops.length === 1 ? [first!, { ...first!, at: 1 }] : stops,
  };
  const spread = attribute('spreadMethod');
  if (spread !== 'repeat' && spread !== 'reflect') return read;
  const over = box && repeated(read, box, spread === 'reflect');
  if (!over) sources.note('A gradient that repeats goes on in its last colour instead.');
  return over ?? read;

  function linearSpace(): Matrix {
    const [x1, y1, x2, y2] = [across('x1', '0%'), down('y1', '0%'), across('x2', '100%'), down('y2', '0%')];
    return [x2 - x1, y2 - y1, -(y2 - y1), x2 - x1, x1, y1];
  }
  function radialSpace(): Matrix {
    const [cx, cy] = [across('cx', '50%'), down('cy', '50%')];
    const r = lengthOf(attribute('r') ?? '50%', byBox ? 1 : Math.hypot(w, h) / Math.SQRT2) ?? 0;
    return [r, 0, 0, r, cx, cy];
  }
  /** A focus on the circle or past it is brought just inside (SVG 1.1, 13.2.3). */
  function focusOf(): { focus?: Point } {
    const [r, , , , cx, cy] = radialSpace();
    const [fx, fy] = [across('fx', `${cx}`), down('fy', `${cy}`)];
    const off = { x: (fx - cx) / r, y: (fy - cy) / r };
    const far = Math.hypot(off.x, off.y);
    if (!(far > 0.001)) return {};
    const inside = Math.min(1, MOST_OFF / far);
    return { focus: { x: off.x * inside, y: off.y * inside } };
  }
}
