import type { Gradient } from '../colour/fill';
import { type Plates, platesOf } from '../colour/ink';
import type { Paint } from '../colour/paint';
import type { Point } from '../geometry/box';
import { type Matrix, multiply } from '../geometry/matrix';
import { inkOf } from '../job/find';
import type { SceneSources } from './sources';

/**
 * Colour that runs: `matrix` lays its own space on the face. There a linear one runs from x = 0 to x = 1, a radial one
 * from the origin to the unit circle; before its first stop and after its last it stays as those are. Every stop names
 * the same plates, so each plate runs in a straight line from stop to stop.
 */
export interface Shade {
  kind: 'linear' | 'radial';
  matrix: Matrix;
  /** Where a radial one begins instead of the origin, inside the unit circle. */
  focus?: Point;
  stops: readonly { at: number; plates: Plates }[];
}

/** How much of something shows, in the same manner: amounts 0 to 1. */
export interface Coverage {
  kind: 'linear' | 'radial';
  matrix: Matrix;
  focus?: Point;
  stops: readonly { at: number; amount: number }[];
}

export type Colour = Plates | Shade;

export const isShade = (colour: Colour): colour is Shade => typeof (colour as Shade).kind === 'string';

export const plates = ({ ink, tint }: Paint, { inks }: Pick<SceneSources, 'inks'>): Plates =>
  platesOf(inkOf(inks, ink), tint);

/** A gradient in a frame that `frame` lays the unit square on. */
export function shadeOf({ kind, place, focus, stops }: Gradient, frame: Matrix, sources: SceneSources): Shade {
  const inks = stops.map((stop) => plates(stop, sources));
  const names = [...new Set(inks.flatMap(Object.keys))];
  return {
    kind,
    matrix: multiply(frame, place),
    ...(focus ? { focus } : {}),
    stops: stops.map(({ at }, i) => ({
      at,
      plates: Object.fromEntries(names.map((name) => [name, inks[i]![name] ?? 0])),
    })),
  };
}

/** Colour with every plate's amount at a share of itself. */
export function thinned(colour: Colour, share: number): Colour {
  const less = (all: Plates): Plates =>
    Object.fromEntries(Object.entries(all).map(([name, amount]) => [name, amount * share]));
  if (isShade(colour))
    return { ...colour, stops: colour.stops.map(({ at, plates: all }) => ({ at, plates: less(all) })) };
  // A plate that gets nothing is not named: it would be one more to pay for.
  return share > 0 ? less(colour) : {};
}
