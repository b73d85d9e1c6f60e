import { randomLcg, randomNormal } from 'd3';
import type { Face, Piece } from '../job/schema';
import type { ShopSpec } from '../trade/schema';

/**
 * How far one cut lies from where it should be. Points to the right and down, degrees clockwise, all as the cut is seen
 * on the front of the sheet; `back` is how far the back's print lies from the front's.
 */
export interface Drift {
  x: number;
  y: number;
  twist: number;
  back: { x: number; y: number };
}

export const NO_DRIFT: Drift = { x: 0, y: 0, twist: 0, back: { x: 0, y: 0 } };

/** 19 of 20 normal values lie within so many standard deviations: tables of the normal distribution. */
const WITHIN = 1.959964;

/** Cuts of a guillotine as a shop's spec tells of it, normally distributed; the same seed gives the same cuts. */
export function drifts({ x, y, twist, backs }: ShopSpec['tolerance'], count: number, seed: number): Drift[] {
  const normal = randomNormal.source(randomLcg(seed))(0, 1);
  const draw = (tolerance: number): number => (normal() * tolerance) / WITHIN;
  return Array.from({ length: count }, () => ({
    x: draw(x),
    y: draw(y),
    twist: draw(twist),
    back: { x: draw(backs), y: draw(backs) },
  }));
}

/** The eight corners of what a shop's guillotine does, a cut each: as far as it goes each way, twisted each way. */
export const worstDrifts = ({ x, y, twist, backs }: ShopSpec['tolerance']): Drift[] =>
  [-1, 1].flatMap((across) =>
    [-1, 1].flatMap((down) =>
      [-1, 1].map((turn) => ({
        x: across * x,
        y: down * y,
        twist: turn * twist,
        back: { x: across * backs, y: down * backs },
      })),
    ),
  );

/** A cut as it lies on one face: points and degrees in the face's own directions. */
export interface FaceDrift {
  x: number;
  y: number;
  twist: number;
}

/** How a cut of the sheet lies on a face: seen from behind on a back, and turned where the face is. */
export function onFace(
  drift: Drift,
  piece: Pick<Piece, 'faces' | 'turns'>,
  face: Pick<Face, 'id' | 'turned'>,
): FaceDrift {
  const isBack = piece.faces.findIndex(({ id }) => id === face.id) % 2 === 1;
  const down = piece.turns === 'top–bottom';
  const seen = isBack
    ? {
        x: (down ? drift.x : -drift.x) - drift.back.x,
        y: (down ? -drift.y : drift.y) - drift.back.y,
        twist: -drift.twist,
      }
    : { x: drift.x, y: drift.y, twist: drift.twist };
  if (face.turned === 'clockwise') return { ...seen, x: seen.y, y: -seen.x };
  if (face.turned === 'anticlockwise') return { ...seen, x: -seen.y, y: seen.x };
  return seen;
}

/** A shift seen on a face as the shift of the cut that shows it: `onFace` the other way round. */
export function fromFace(
  by: { x: number; y: number },
  piece: Pick<Piece, 'faces' | 'turns'>,
  face: Pick<Face, 'id' | 'turned'>,
): { x: number; y: number } {
  // Shifts are only mirrored and turned by quarters: what each unit becomes tells the way back.
  const across = onFace({ ...NO_DRIFT, x: 1 }, piece, face);
  const down = onFace({ ...NO_DRIFT, y: 1 }, piece, face);
  return { x: by.x * across.x + by.y * across.y, y: by.x * down.x + by.y * down.y };
}
