import { EndType, JoinType } from 'clipper2-ts';
import { type Box, contains, outset } from '../geometry/box';
import { areaOfRings, boxOfRings, combinedRings, grownRings, type PathsD } from '../geometry/clipping';
import { type Finish, factsOf } from '../job/finishing';
import { letteringsOf } from '../job/look';
import type { Element } from '../job/schema';
import { type FinishOnFace, finishesOn } from '../scene/finishing';
import { inkRings } from '../scene/ink-rings';
import { FINISH_LIMITS, type FinishLimits } from '../trade/finish-limits';
import { type CheckContext, workedOn } from './check';

/** What is done to a side besides printing it, as exact shapes. Points from the trim's corner. */

/** The finishes of a side, as it is worked on. */
export const finishesHere = (context: Pick<CheckContext, 'piece' | 'face'>): FinishOnFace[] =>
  finishesOn(context.piece, workedOn(context));

/** What a shop's tools hold for a finish. */
export const limitsOfFinish = ({ shop }: Pick<CheckContext, 'shop'>, { kind }: Finish): FinishLimits => ({
  ...FINISH_LIMITS[kind],
  ...shop.limits.finishing?.[kind],
});

/** The smallest letters of an element, points; none where it has none. */
export const smallestType = (element: Element, { job }: Pick<CheckContext, 'job'>): number =>
  element.kind === 'words' ? Math.min(...letteringsOf(element, job.styles).map(({ size }) => size)) : Infinity;

/** Areas, not lines that a tool follows. */
export const areasHere = (context: CheckContext): FinishOnFace[] =>
  finishesHere(context).filter(({ finish }) => factsOf(finish).draws === 'areas');

const grown = (rings: PathsD, by: number): PathsD =>
  rings.length === 0 ? [] : grownRings(rings, by, JoinType.Round, EndType.Polygon, 2, 4, 0.02);
const whole = (rings: PathsD): PathsD => combinedRings('union', rings, []);

/** What is left over has to be so many times as long as the limit: less is the tip of a corner. */
const AS_LONG = 3;

/** The boxes of what of one area another leaves over, where that is long enough to be a line. */
const leftOver = (one: PathsD, other: PathsD, limit: number): Box[] =>
  combinedRings('difference', one, other).flatMap((ring) => {
    const box = boxOfRings([ring]);
    return box && Math.max(box.width, box.height) >= AS_LONG * limit && areaOfRings([ring]) > 0.02 ? [box] : [];
  });

/** Where an area is thinner than so many points: what is lost when it is pared down and grown again. */
function thinParts(rings: PathsD, least: number): Box[] {
  const one = whole(rings);
  const opened = grown(grown(one, -least / 2 + 0.01), least / 2);
  return leftOver(one, opened, least);
}

/** How often a thickness is halved between what is found and what is not. */
const HALVINGS = 6;

/** The thickness or gap, at most so many points, at which something is first found. */
function firstFound(limit: number, find: (at: number) => Box[]): number {
  let [low, high] = [0, limit];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (find(middle).length > 0) high = middle;
    else low = middle;
  }
  return high;
}

/** The thinnest part of an area that is thinner than `least`; undefined where none is. */
export const thinnest = (rings: PathsD, least: number): { place: Box; thickness: number } | undefined => {
  const [place] = thinParts(rings, least);
  return place && { place, thickness: firstFound(least, (at) => thinParts(rings, at)) };
};

/** The narrowest gap of an area that is narrower than `least`; undefined where none is. */
export const narrowest = (rings: PathsD, least: number): { place: Box; gap: number } | undefined => {
  const [place] = narrowGaps(rings, least);
  return place && { place, gap: firstFound(least, (at) => narrowGaps(rings, at)) };
};

/** Where gaps in and between areas are narrower than so many points: what is filled when they are grown and pared down again. */
function narrowGaps(rings: PathsD, least: number): Box[] {
  const one = whole(rings);
  const closed = grown(grown(one, least / 2 - 0.01), -least / 2);
  return leftOver(closed, one, least);
}

/** Whether a box lies on an element's own form, for telling whose part it is. */
export const isPartOf = (part: Box, element: Element, context: CheckContext): boolean => {
  const box = boxOfRings(inkRings(element, context.sources));
  return box !== undefined && contains(outset(box, 0.5), part);
};
