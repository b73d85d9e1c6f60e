import { type Box, bottom, right } from '../geometry/box';

/** The lines that a sheet is cut along, and which of them have marks. Lengths in points from the sheet's upper left corner. */

export interface Line {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

/** A line that something is cut along, from edge to edge of what touches it. */
export interface CutLine {
  axis: 'x' | 'y';
  at: number;
  from: number;
  to: number;
}

/** Marks meet a cut line, and one cut another, within this; points. */
const NEAR = 0.01;
const near = (a: number, b: number): boolean => Math.abs(a - b) < NEAR;

/** The lines that some trims are cut along. */
export function cutLines(trims: readonly Box[]): CutLine[] {
  const along = (axis: 'x' | 'y'): CutLine[] => {
    const spans = trims.map((trim) =>
      axis === 'x'
        ? { edges: [trim.x, right(trim)], from: trim.y, to: bottom(trim) }
        : { edges: [trim.y, bottom(trim)], from: trim.x, to: right(trim) },
    );
    const places = spans.flatMap(({ edges }) => edges).sort((a, b) => a - b);
    const distinct = places.filter((place, i) => i === 0 || place - places[i - 1]! >= NEAR);
    return distinct.map((at) => {
      const touching = spans.filter(({ edges }) => edges.some((edge) => near(edge, at)));
      return {
        axis,
        at,
        from: Math.min(...touching.map(({ from }) => from)),
        to: Math.max(...touching.map(({ to }) => to)),
      };
    });
  };
  return [...along('x'), ...along('y')];
}

/** The cut lines that have no mark at one of their ends, or at neither. */
export const unmarkedCuts = (trims: readonly Box[], marks: readonly Line[]): CutLine[] =>
  cutLines(trims).filter(({ axis, at, from, to }) => {
    const along = marks.flatMap(({ x0, y0, x1, y1 }) =>
      axis === 'x' ? (near(x0, at) && near(x1, at) ? [[y0, y1]] : []) : near(y0, at) && near(y1, at) ? [[x0, x1]] : [],
    );
    const before = along.some((ends) => Math.max(...ends) <= from + NEAR);
    const after = along.some((ends) => Math.min(...ends) >= to - NEAR);
    return !(before && after);
  });
