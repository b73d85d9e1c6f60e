import { apply, type Matrix } from '../../geometry/matrix';
import { type ImageRef, imageKey } from '../../scene/device';
import type { PicturesAsked } from '../pdf/asked';
import type { PageRead } from '../pdf/page-read';
import type { Row } from './comparison';
import type { PageDrawn, PageProof } from './page-drawn';
import { CLOSE, placeSaid } from './place-said';

/** The pictures of a page as they were drawn beside those that the file has there: which, where, how fine, in which inks. */

const CORNERS = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 0, y: 1 },
];
const onPlace = (one: Matrix, other: Matrix): boolean =>
  CORNERS.every((corner) => {
    const [a, b] = [apply(one, corner), apply(other, corner)];
    return Math.hypot(a.x - b.x, a.y - b.y) <= CLOSE;
  });

/** Pixels an inch along the rows of a picture that lies at a place. */
const ppiAt = (pixels: number, [a, b]: Matrix): number => (pixels / Math.hypot(a, b)) * 72;

/** The pictures that lie in the file as they are: flattened, one that shows what is below it has become a patch. */
const kept = ({ list }: PageDrawn, { picture, flat }: Pick<PageProof, 'picture' | 'flat'>) =>
  list.pictures
    .filter(({ drawn, seeThrough }) => !flat || !(seeThrough || picture(drawn.image)?.alpha))
    .map(({ drawn }) => drawn);

/** The least that each picture of a file is drawn at, in pixels an inch: it lies in the file once for all its places. */
export function coarsestOf(proofs: readonly PageProof[], pages: readonly PageDrawn[]): ReadonlyMap<string, number> {
  const least = new Map<string, number>();
  for (const { image, place } of pages.flatMap((page, i) => kept(page, proofs[i]!))) {
    const key = imageKey(image);
    least.set(key, Math.min(least.get(key) ?? Number.POSITIVE_INFINITY, ppiAt(image.width, place)));
  }
  return least;
}

export interface PicturesProof {
  /** How pictures were to lie in the file; as they are where nothing is said. */
  asked: PicturesAsked | undefined;
  coarsest: ReadonlyMap<string, number>;
}

/** A picture that is to be there, and how many pixels its rows may have. */
interface Wanted {
  place: Matrix;
  pixels: readonly number[];
}

/** Pictures with fewer pixels than this on a side gain nothing by losing some. */
const LEAST_SIDE = 16;

/** Line art and cells keep every pixel; what is finer than was asked is brought to it, unless there is little to lose. */
function pixelsOf(width: number, ppi: number, isKept: boolean, { fewer }: PicturesAsked = {}): number[] {
  if (!fewer || isKept || ppi <= fewer.above || ppi <= fewer.to) return [width];
  const less = Math.round((width * fewer.to) / ppi);
  return less < LEAST_SIDE ? [width, LEAST_SIDE] : [less];
}

/** Whether a picture is a page of another file, which has no pixels. */
const isPage = ({ picture }: PageProof, { image }: { image: ImageRef }): boolean => picture(image)?.page === 'whole';

const keepsPixels = (laid: ReturnType<PageProof['picture']>): boolean =>
  laid?.lineArt === true || laid?.page === 'cells';

const wantedOf = (page: PageProof, drawn: PageDrawn, { asked, coarsest }: PicturesProof): Wanted[] =>
  kept(drawn, page)
    .filter((each) => !isPage(page, each))
    .map(({ image, place }) => ({
      place,
      pixels: pixelsOf(image.width, coarsest.get(imageKey(image))!, keepsPixels(page.picture(image)), asked),
    }));

/** Each value once, those that are as good as the same together. */
const distinct = (values: readonly number[]): string =>
  [...new Set(values.map(Math.round))].sort((a, b) => a - b).join(', ') || 'none';

/** The pages of other files that were laid whole, and where the file has them. */
function placedRow(page: PageProof, drawn: PageDrawn, { placed }: PageRead): Row[] {
  const wanted = kept(drawn, page).filter((each) => isPage(page, each));
  if (wanted.length === 0 && placed.length === 0) return [];
  const lost = wanted.find(({ place }) => !placed.some((seen) => onPlace(seen, place)));
  const asked = `${wanted.length}`;
  const read = lost ? `none ${placeSaid({ x: lost.place[4], y: lost.place[5] })}` : `${placed.length}`;
  return [{ what: `${page.name}: pages placed whole`, asked, read, right: read === asked }];
}

export function pictureRows(page: PageProof, drawn: PageDrawn, read: PageRead, of: PicturesProof): Row[] {
  const { name, flat } = page;
  const wanted = wantedOf(page, drawn, of);
  const left = read.pictures.filter(({ partly }) => !partly);
  const placed = placedRow(page, drawn, read);
  if (wanted.length === 0 && left.length === 0) return placed;
  const pairs = wanted.flatMap((each) => {
    const at = left.findIndex((seen) => onPlace(seen.place, each.place));
    return at < 0 ? [] : [{ each, seen: left.splice(at, 1)[0]! }];
  });
  const found = new Set(pairs.map(({ each }) => each));
  const lost = wanted.find((each) => !found.has(each));
  const placeOf = ([, , , , x, y]: Matrix): string => placeSaid({ x, y });
  const asked = `${wanted.length} pictures`;
  const places = lost
    ? `none ${placeOf(lost.place)}`
    : left[0] && !flat
      ? `one that was not laid, ${placeOf(left[0].place)}`
      : asked;
  const spaces = [...new Set(pairs.map(({ seen }) => seen.read.space))].join('; ');
  return [
    ...placed,
    { what: `${name}: pictures and their places`, asked, read: places, right: places === asked },
    {
      what: `${name}: pictures, ppi`,
      asked: distinct(pairs.map(({ each, seen }) => ppiAt(each.pixels[0]!, seen.place))),
      read: distinct(pairs.map(({ seen }) => ppiAt(seen.read.width, seen.place))),
      right: pairs.every(({ each, seen }) => each.pixels.some((n) => Math.abs(n - seen.read.width) <= 1)),
    },
    {
      what: `${name}: colours of pictures`,
      asked: 'inks',
      read: spaces || 'inks',
      right: !/RGB|Lab|Gray/.test(spaces),
    },
  ];
}
