import type { Pen } from '../../colour/fill';
import { fromEvenOdd } from '../../geometry/boolean';
import { dashCount, MOST_DASHES } from '../../geometry/dashes';
import { flatten } from '../../geometry/flatten';
import { type Matrix, multiply } from '../../geometry/matrix';
import { strokeOutline } from '../../geometry/offset';
import { type Path, pathBounds, transformPath } from '../../geometry/path';
import { type ArtColour, type ArtItem, clipped, USUAL_MITRE } from '../art-in/art';
import { readGradient } from './gradients';
import { NOT_KEPT } from './not-kept';
import { type Around, type Reading, type Style, urlId } from './reading';
import { colourOf, lengthOf, numbersOf, shareOf } from './values';

/** What a fill or stroke property comes to for a path in its own units. */
function colourFor(
  reading: Reading,
  text: string,
  path: Path,
  style: Style,
  around: Around,
): { colour: ArtColour; alpha: number } | undefined {
  const reference = urlId(text);
  if (reference !== undefined) {
    const target = reading.byId(reference);
    const rest = text.slice(text.indexOf(')') + 1).trim();
    if (target?.localName === 'linearGradient' || target?.localName === 'radialGradient') {
      const found = readGradient(target, path, around.viewport, reading);
      if (!found) return undefined;
      for (const stop of found.stops) reading.seen(stop.key);
      const { matrix, ...rest } = found;
      return { colour: { ...rest, matrix: multiply(around.matrix, matrix) }, alpha: 1 };
    }
    if (target?.localName === 'pattern') reading.note(NOT_KEPT['pattern']!);
    return rest && rest !== 'none' ? colourFor(reading, rest, path, style, around) : undefined;
  }
  const word = text.trim().toLowerCase();
  if (word === 'none' || word === 'transparent') return undefined;
  const found = colourOf(word === 'currentcolor' ? (style.get('color') ?? 'black') : text);
  if (!found) reading.note(`The colour “${text}” cannot be read; black is used.`);
  const { hex, alpha } = found ?? { hex: '#000000', alpha: 1 };
  return alpha > 0 ? { colour: { kind: 'flat', key: reading.seen(hex) }, alpha } : undefined;
}

/** How lengths grow from an element's units to points: the same both ways, or not at all. */
function evenScale([a, b, c, d]: Matrix): number | undefined {
  const [one, two] = [Math.hypot(a, b), Math.hypot(c, d)];
  const skew = Math.abs(a * c + b * d);
  return Math.abs(one - two) < 1e-6 * Math.max(one, two) && skew < 1e-6 * one * two ? one : undefined;
}

/** A colour that fades as all around it does; as it is where it already runs in another direction. */
function faded(reading: Reading, colour: ArtColour, { fade }: Around): ArtColour {
  if (!fade) return colour;
  if (colour.kind === 'flat') {
    const { kind: _, ...paint } = colour;
    const { stops, ...run } = fade;
    return { ...run, stops: stops.map(({ at, amount }) => ({ at, alpha: amount, ...paint })) };
  }
  reading.note('A gradient that fades in another direction than it runs does not fade.');
  return colour;
}

/** Nothing in a drawing lies further out than this, in points: working with what does would take for ever. */
const FAR = 100_000;
function isOfASize(path: Path): boolean {
  const box = pathBounds(path);
  return !box || [box.x, box.y, box.x + box.width, box.y + box.height].every((at) => Math.abs(at) <= FAR);
}

type Painting = (reading: Reading, path: Path, style: Style, around: Around, name: string | undefined) => ArtItem[];

const areaItem: Painting = (reading, path, style, around, name) => {
  const found = colourFor(reading, style.get('fill') ?? 'black', path, style, around);
  const opacity = around.opacity * shareOf(style.get('fill-opacity'), 1) * (found?.alpha ?? 1);
  if (!found || opacity <= 0 || path.length < 2) return [];
  const there = transformPath(path, around.matrix);
  const whole = style.get('fill-rule') === 'evenodd' ? fromEvenOdd(there) : there;
  const cut = clipped(whole, around.clip);
  const box = pathBounds(cut);
  if (!box || box.width === 0 || box.height === 0) return [];
  return [{ kind: 'area', name, path: cut, colour: faded(reading, found.colour, around), opacity }];
};

/** How a line is drawn, in its own units. */
function penOf(style: Style, weight: number, diagonal: number): { pen: Pen; limit: number; offset: number } {
  const dashes = (style.get('stroke-dasharray') ?? 'none') === 'none' ? [] : numbersOf(style.get('stroke-dasharray'));
  const dash = dashes.some((length) => length > 0) && dashes.every((length) => length >= 0) ? dashes : undefined;
  const cap = { butt: 'flat', round: 'round', square: 'square' }[style.get('stroke-linecap') ?? ''] as Pen['cap'];
  const join = { miter: 'mitre', round: 'round', bevel: 'bevel' }[style.get('stroke-linejoin') ?? ''] as Pen['join'];
  return {
    pen: { weight, ...(cap ? { cap } : {}), ...(join ? { join } : {}), ...(dash ? { dash } : {}) },
    limit: lengthOf(style.get('stroke-miterlimit'), 1) ?? USUAL_MITRE,
    offset: lengthOf(style.get('stroke-dashoffset'), diagonal) ?? 0,
  };
}

const lineItem: Painting = (reading, path, style, around, name) => {
  const diagonal = Math.hypot(around.viewport.width, around.viewport.height) / Math.SQRT2;
  const weight = lengthOf(style.get('stroke-width') ?? '1', diagonal) ?? 1;
  const found = colourFor(reading, style.get('stroke') ?? 'none', path, style, around);
  const opacity = around.opacity * shareOf(style.get('stroke-opacity'), 1) * (found?.alpha ?? 1);
  if (!found || opacity <= 0 || weight <= 0 || path.length < 2) return [];
  if (style.get('vector-effect') === 'non-scaling-stroke')
    reading.note('A line that should keep its weight grows with the drawing.');
  const { pen, limit, offset } = penOf(style, weight, diagonal);
  if (pen.dash && flatten(path, 1).some((flat) => dashCount(flat, pen.dash!) > MOST_DASHES))
    reading.note('A line of very many dashes is drawn whole.');
  const colour = faded(reading, found.colour, around);
  const scale = evenScale(around.matrix);
  const isPlain =
    scale !== undefined && !around.clip && colour.kind === 'flat' && limit === USUAL_MITRE && offset === 0;
  if (isPlain && (pen.dash?.length ?? 0) <= 8) {
    const dash = pen.dash && { dash: pen.dash.map((length) => length * scale) };
    const scaled = { ...pen, weight: weight * scale, ...dash };
    return [{ kind: 'line', name, path: transformPath(path, around.matrix), pen: scaled, colour, opacity }];
  }
  // Any other line becomes the area that it covers.
  const area = transformPath(strokeOutline(path, { ...pen, mitreLimit: limit, dashOffset: offset }), around.matrix);
  const cut = clipped(area, around.clip);
  return cut.length === 0 ? [] : [{ kind: 'area', name, path: cut, colour, opacity }];
};

/** What an outline shows: its area, and its line. */
export const painted: Painting = (reading, path, style, around, name) => {
  if ((style.get('visibility') ?? 'visible') !== 'visible') return [];
  if (!isOfASize(transformPath(path, around.matrix)) || !isOfASize(path)) {
    reading.note('Something that is dozens of metres across is left out.');
    return [];
  }
  const area = areaItem(reading, path, style, around, name);
  const line = lineItem(reading, path, style, around, name);
  return /^\s*stroke/.test(style.get('paint-order') ?? '') ? [...line, ...area] : [...area, ...line];
};
