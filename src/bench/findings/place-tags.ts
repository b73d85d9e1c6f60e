import { type Box, bottom, overlaps, type Point, right } from '../../../core/geometry/box';
import { tagWidth } from '../../parts/tag-width';

/** What a tag says, and the frame it is about, in pixels. */
export interface Tagged {
  text: string;
  box: Box;
}
/** A tag at its middle; of several that met, with what they say in all. */
export interface PlacedTag extends Point {
  text: string;
}

/** Half the height of a tag, and its distance from its frame, in pixels. */
const HALF = 10;
const GAP = 3;
/** How many rows further off a tag may go. */
const ROWS = 3;

/** Each has room for what it says when others are gathered into it. */
const GATHERED = tagWidth('99 findings');

const tagBox = ({ x, y, text }: PlacedTag): Box => {
  const width = Math.max(GATHERED, tagWidth(text));
  return { x: x - width / 2, y: y - HALF, width, height: 2 * HALF };
};

/** Places for a tag about a frame, the better first: below, above, beside; then further below and above. */
function* placesOf({ box, text }: Tagged): Generator<PlacedTag> {
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const beside = tagWidth(text) / 2 + GAP;
  yield { text, x: middle.x, y: bottom(box) + HALF + GAP };
  yield { text, x: middle.x, y: box.y - HALF - GAP };
  yield { text, x: right(box) + beside, y: middle.y };
  yield { text, x: box.x - beside, y: middle.y };
  for (let row = 1; row <= ROWS; row++) {
    yield { text, x: middle.x, y: bottom(box) + HALF + GAP + row * (2 * HALF + GAP) };
    yield { text, x: middle.x, y: box.y - HALF - GAP - row * (2 * HALF + GAP) };
  }
}

const squaredDistance = (a: Point, b: Point): number => (a.x - b.x) ** 2 + (a.y - b.y) ** 2;

/**
 * Tags where they lie over no other, nor over what is `kept` clear; over that rather than over one another. One that finds no
 * place is gathered into the nearest, which then says how many there are.
 */
export function placeTags(tags: readonly Tagged[], kept: readonly Box[]): PlacedTag[] {
  const placed: (PlacedTag & { count: number })[] = [];
  for (const tag of tags) {
    const meets = (place: PlacedTag): boolean => placed.some((other) => overlaps(tagBox(other), tagBox(place)));
    const free = [...placesOf(tag)].filter((place) => !meets(place));
    const clear = free.find((place) => !kept.some((box) => overlaps(box, tagBox(place))));
    const at = clear ?? free[0];
    if (at) {
      placed.push({ ...at, count: 1 });
      continue;
    }
    const middle = { x: tag.box.x + tag.box.width / 2, y: bottom(tag.box) };
    const nearest = placed.reduce((a, b) => (squaredDistance(b, middle) < squaredDistance(a, middle) ? b : a));
    nearest.count += 1;
    nearest.text = `${nearest.count} findings`;
  }
  return placed.map(({ x, y, text }) => ({ x, y, text }));
}
