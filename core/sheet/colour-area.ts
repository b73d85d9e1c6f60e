import { type Box, bottom, right } from '../geometry/box';

/** What a piece on a sheet may colour: to the middle of the gutter where it has a neighbour, else all of its bleed. */
export function colourArea(trim: Box, all: readonly Box[], bleed: number): Box {
  const reach = (distance: (other: Box) => number, abreast: (other: Box) => boolean): number =>
    Math.min(
      bleed,
      ...all.flatMap((other) => {
        const far = distance(other);
        return other !== trim && abreast(other) && far > -0.01 ? [Math.max(0, far) / 2] : [];
      }),
    );
  const besideIt = (o: Box): boolean => o.y < bottom(trim) - 0.01 && bottom(o) > trim.y + 0.01;
  const aboveIt = (o: Box): boolean => o.x < right(trim) - 0.01 && right(o) > trim.x + 0.01;
  const left = reach((o) => trim.x - right(o), besideIt);
  const head = reach((o) => trim.y - bottom(o), aboveIt);
  return {
    x: trim.x - left,
    y: trim.y - head,
    width: left + trim.width + reach((o) => o.x - right(trim), besideIt),
    height: head + trim.height + reach((o) => o.y - bottom(trim), aboveIt),
  };
}
