import { type DieFacts, FURTHEST, LOOK } from '../checks/die-facts';
import type { FaceDrift } from './drift';
import type { CutVerdict, EdgeName } from './one-cut';

/** Cutting along a die line instead of by the guillotine. Points from the trim's corner. */

/** The edge of a box that a way out leads to. */
const edgeTowards = ({ x, y }: { x: number; y: number }): EdgeName =>
  Math.abs(x) >= Math.abs(y) ? (x < 0 ? 'left' : 'right') : y < 0 ? 'top' : 'bottom';

/** How far outside each place of the outline the die comes down where it drifts so. */
const outwardAt = ({ contour, middle }: DieFacts, { x, y, twist }: FaceDrift): ((at: number) => number) => {
  const turn = (twist * Math.PI) / 180;
  return (at) => {
    const place = contour[at]!;
    return (x - turn * (place.y - middle.y)) * place.out.x + (y + turn * (place.x - middle.x)) * place.out.y;
  };
};

/** What a die that comes down so does to a side. */
export function dieCut(facts: DieFacts, drift: FaceDrift): CutVerdict {
  const outward = outwardAt(facts, drift);
  const white = new Set<EdgeName>();
  for (let i = 0; i < facts.contour.length; i++)
    if (facts.room[i]! < FURTHEST && outward(i) > facts.room[i]! + LOOK.step)
      white.add(edgeTowards(facts.contour[i]!.out));
  const touched = facts.whole.flatMap(({ element, near }) => {
    const edges = new Set(
      near.flatMap(({ at, by }) => (by + outward(at) < 0 ? [edgeTowards(facts.contour[at]!.out)] : [])),
    );
    return [...edges].map((edge) => ({ edge, element }));
  });
  return { white: [...white], touched, uneven: 1 };
}

/** Where colour ends beyond a die line, and where what is to stay whole begins inside it, towards one edge; undefined where there is none. */
export function dieRoom(facts: DieFacts, edge: EdgeName): { colour: number | undefined; words: number | undefined } {
  const least = (values: readonly number[]): number | undefined => {
    const found = Math.min(...values);
    return Number.isFinite(found) ? found : undefined;
  };
  const towards = (at: number): boolean => edgeTowards(facts.contour[at]!.out) === edge;
  return {
    colour: least([...facts.room].filter((_, at) => towards(at))),
    words: least(facts.whole.flatMap(({ near }) => near.flatMap(({ at, by }) => (towards(at) ? [by] : [])))),
  };
}
