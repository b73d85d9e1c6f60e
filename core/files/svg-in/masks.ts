import type { Element } from '@xmldom/xmldom';
import { partOutside, whollyCovered } from '../../geometry/boolean';
import type { Box } from '../../geometry/box';
import { IDENTITY, multiply, ontoBox } from '../../geometry/matrix';
import { boxPath, type Path, transformPath } from '../../geometry/path';
import { type ArtColour, type ArtItem, areaOfLine, clipped } from '../art-in/art';
import type { Around, Fade, Reading, Style } from './reading';
import { lengthOf } from './values';

/** Masks: those of plain shapes are clips; one that runs in one gradient is a fade (CSS Masking 1, 6). */

export interface Masked {
  /** What lies outside is not seen; nothing is cut where it is left out. */
  clip?: Path;
  fade?: Fade;
  /** What is seen of it all alike. */
  opacity: number;
}

/** How light a colour is, 0 to 1: by the weights of linear RGB, taken of sRGB as they stand (SVG 1.1, 14.4). */
function lightness(hex: string): number {
  const at = (i: number): number => Number.parseInt(hex.slice(i, i + 2), 16) / 255;
  return 0.2125 * at(1) + 0.7154 * at(3) + 0.0721 * at(5);
}

type Showing = (hex: string) => number;

/** A part of a mask: where it lies, and how much it lets be seen of what lies there, from nothing to all. */
interface Part {
  path: Path;
  shows: number | Fade;
}

function partsOf(items: readonly ArtItem[], showing: Showing): Part[] {
  return items.flatMap((item): Part[] => {
    if (item.kind === 'group') return partsOf(item.items, showing);
    if (item.kind !== 'area' && item.kind !== 'line') return [];
    const path = item.kind === 'line' ? areaOfLine(item) : item.path;
    return [{ path, shows: shownBy(item.colour, item.opacity, showing) }];
  });
}

function shownBy(colour: ArtColour, opacity: number, showing: Showing): Part['shows'] {
  if (colour.kind === 'flat') return showing(colour.key) * opacity;
  const stops = colour.stops.map(({ at, key, alpha }) => ({ at, amount: showing(key) * alpha * opacity }));
  const [first] = stops;
  if (first && stops.every(({ amount }) => Math.abs(amount - first.amount) < 0.01)) return first.amount;
  const { kind, matrix, focus } = colour;
  return { kind, matrix, stops, ...(focus ? { focus } : {}) };
}

/** From this share on all is seen, and down to this nothing. */
const [ALL, NONE] = [0.98, 0.02];

/** Whether two parts let through the same. */
const alike = (one: Part['shows'], other: Part['shows']): boolean => JSON.stringify(one) === JSON.stringify(other);

/**
 * What parts of a mask come to, the lowest first: where they lie one after another covers or uncovers. Undefined where they
 * let different shares through beside each other: that is neither a clip nor a fade.
 */
function together(parts: readonly Part[]): Masked | undefined {
  let area: Path = [];
  let shows: Part['shows'] | undefined;
  for (const part of parts) {
    const covers = typeof part.shows === 'number' && part.shows <= NONE;
    if (covers) {
      area = partOutside(area, part.path);
      continue;
    }
    const kept = typeof part.shows === 'number' && part.shows >= ALL ? 1 : part.shows;
    // What shows less than all lies on what is seen already: only where it covers it wholly is that one share.
    if (shows !== undefined && !alike(shows, kept)) {
      if (partOutside(area, part.path).length > 0) return undefined;
      area = [];
    }
    shows = kept;
    area = area.length === 0 ? part.path : whollyCovered([area, part.path]);
  }
  if (shows === undefined || area.length === 0) return { clip: [], opacity: 1 };
  return typeof shows === 'number' ? { clip: area, opacity: shows } : { clip: area, opacity: 1, fade: shows };
}

/** Where a mask reaches at all: a tenth more than what it masks on every side, unless it says otherwise. */
function regionOf(mask: Element, { viewport }: Around, box: Box | undefined): Path | undefined {
  const byBox = mask.getAttribute('maskUnits') !== 'userSpaceOnUse';
  if (byBox && !box) return undefined;
  const [w, h] = byBox ? [1, 1] : [viewport.width, viewport.height];
  const length = (name: string, usual: string, whole: number): number =>
    lengthOf(mask.getAttribute(name) ?? usual, whole) ?? 0;
  const region = boxPath({
    x: length('x', '-10%', w),
    y: length('y', '-10%', h),
    width: length('width', '120%', w),
    height: length('height', '120%', h),
  });
  return byBox ? transformPath(region, ontoBox(box!)) : region;
}

/** What a mask comes to where it is used; undefined where it cannot be kept. `draw` gives what lies in it, in points. */
export function maskOf(
  reading: Reading,
  mask: Element,
  style: Style,
  around: Around,
  box: Box | undefined,
  draw: (quiet: Reading, within: Around) => ArtItem[],
): Masked | undefined {
  const ownUnits = mask.getAttribute('maskContentUnits') === 'objectBoundingBox';
  if (ownUnits && !box) return undefined;
  // What a mask is drawn in is never printed: its colours are not asked for.
  const quiet: Reading = { ...reading, seen: (hex) => hex };
  const matrix = multiply(around.matrix, ownUnits ? ontoBox(box!) : IDENTITY);
  const isAlpha = (reading.own(mask).get('mask-type') ?? style.get('mask-type')) === 'alpha';
  const items = draw(quiet, { ...around, matrix, clip: undefined, opacity: 1, depth: around.depth + 1 });
  const masked = together(partsOf(items, isAlpha ? () => 1 : lightness));
  const region = regionOf(mask, around, box);
  if (!masked || !region) return masked;
  return { ...masked, clip: clipped(masked.clip ?? [], transformPath(region, around.matrix)) };
}
