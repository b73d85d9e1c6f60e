import type { Box, Point } from '../geometry/box';
import { apply, invert, type Matrix, multiply, ontoBox, ontoLine } from '../geometry/matrix';
import type { Gradient } from './fill';

type Place = Gradient['place'];

/** Where a gradient begins and ends in a frame: the ends of its line, or its middle and a point of its edge. */
export function endsOf(place: Place, frame: Box): { from: Point; to: Point } {
  const there = multiply(ontoBox(frame), place);
  return { from: apply(there, { x: 0, y: 0 }), to: apply(there, { x: 1, y: 0 }) };
}

/** The place of a gradient that runs straight, or round, from one point to another of the face. */
export function placeBetween(from: Point, to: Point, frame: Box): Place {
  const back: Matrix = invert(ontoBox({ ...frame, width: frame.width || 1e-6, height: frame.height || 1e-6 })) ?? [
    1, 0, 0, 1, 0, 0,
  ];
  return [...multiply(back, ontoLine(from, to))] as Place;
}

/** The place of a linear gradient at an angle (degrees clockwise from left to right) that just spans a frame. */
export function placeAtAngle(angle: number, frame: Box): Place {
  const [cos, sin] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
  const half = (Math.abs(frame.width * cos) + Math.abs(frame.height * sin)) / 2;
  const middle = { x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 };
  return placeBetween(
    { x: middle.x - half * cos, y: middle.y - half * sin },
    { x: middle.x + half * cos, y: middle.y + half * sin },
    frame,
  );
}

/** The angle of a gradient's line in a frame, degrees clockwise from left to right. */
export function angleOf(place: Place, frame: Box): number {
  const { from, to } = endsOf(place, frame);
  return (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
}

/** The same gradient where its frame becomes another, so that it stays where it is on the face. */
export const placeKept = (place: Place, from: Box, to: Box): Place =>
  [...multiply(invert(ontoBox(to)) ?? [1, 0, 0, 1, 0, 0], multiply(ontoBox(from), place))] as Place;
