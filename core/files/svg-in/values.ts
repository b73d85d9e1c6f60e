import { parse as parseColour, rgb as toRgb } from 'culori';
import svgpath from 'svgpath';
import { IDENTITY, type Matrix } from '../../geometry/matrix';

/** Lengths, transforms and colours as SVG writes them. */

/** User units in each unit: CSS has 96 to the inch. */
const UNITS: Record<string, number> = {
  '': 1,
  px: 1,
  pt: 96 / 72,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
};

/** A length in user units; percentages are of `whole`, em of `em`. Undefined for what is none. */
export function lengthOf(text: string | undefined, whole: number, em = 16): number | undefined {
  const found = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*([a-z%]*)\s*$/i.exec(text ?? '');
  if (!found) return undefined;
  const value = Number(found[1]);
  const unit = found[2]!.toLowerCase();
  if (unit === '%') return (value / 100) * whole;
  if (unit === 'em') return value * em;
  if (unit === 'ex') return (value * em) / 2;
  const factor = UNITS[unit];
  return factor === undefined ? undefined : value * factor;
}

/** A share as 0.5 or 50 %. */
export function shareOf(text: string | undefined, otherwise: number): number {
  const value = lengthOf(text, 1);
  return value === undefined ? otherwise : Math.max(0, Math.min(1, value));
}

/** Numbers one after another. */
export const numbersOf = (text: string | undefined): number[] =>
  (text?.match(/[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi) ?? []).map(Number);

/** A transform attribute as a matrix: three points of a path are sent through it. */
export function transformOf(text: string | undefined): Matrix {
  if (!text?.trim()) return IDENTITY;
  const plain = text.replace(/(\d)(?:px|deg)/g, '$1');
  const points: [number, number][] = [];
  svgpath('M0 0L1 0L0 1')
    .transform(plain)
    .iterate(([, x, y]) => {
      points.push([x!, y!]);
    });
  const [o, x, y] = points as [[number, number], [number, number], [number, number]];
  return [x[0] - o[0], x[1] - o[1], y[0] - o[0], y[1] - o[1], o[0], o[1]];
}

/** A colour as #rrggbb and how much of it covers; undefined for none, or one that cannot be read. */
export function colourOf(text: string): { hex: string; alpha: number } | undefined {
  const colour = parseColour(text.trim().toLowerCase());
  const rgb = colour && toRgb(colour);
  if (!rgb) return undefined;
  const byte = (share: number): string =>
    Math.round(255 * Math.max(0, Math.min(1, share)))
      .toString(16)
      .padStart(2, '0');
  return { hex: `#${byte(rgb.r)}${byte(rgb.g)}${byte(rgb.b)}`, alpha: rgb.alpha ?? 1 };
}
