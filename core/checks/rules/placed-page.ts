import { isProcessPlate } from '../../colour/ink';
import { distancesTo } from '../../geometry/box';
import { boxAround, type Matrix, multiply } from '../../geometry/matrix';
import { effectivePpi, pictureMatrix } from '../../picture/place';
import { turnOf } from '../../scene/turn';
import { type Check, type CheckContext, type Finding, HAIR, trimOf } from '../check';
import { found } from '../found';
import { type PageOn, pageScale, pagesOn } from '../pictures-on';

/** Pages of other PDFs that are placed whole: what is on them stays as it is, so that only their own program can mend it. */

/** A page in colours of a screen is printed as a picture of its plates, as fine as its cells are where it lies. */
function asPicture({ picture, asset, placed }: PageOn, context: CheckContext): Finding {
  const ppi = effectivePpi(picture, asset.width, asset.height);
  const wanted = context.shop.limits.lineArt.warn;
  const isFine = Math.round(ppi) >= wanted || (placed.words === undefined && placed.line === undefined);
  return isFine
    ? found(placedColours, picture, context, {
        problem:
          'Colours of a screen make the page a picture of its plates. Import its elements to keep its words as type',
        severity: 'advise',
      })
    : found(placedColours, picture, context, {
        problem:
          'Colours of a screen make the page a picture of its plates, and its words and lines look soft. Import its elements instead',
        severity: 'warn',
        measured: { value: ppi, kind: 'ppi' },
        wanted: { value: wanted, kind: 'ppi' },
      });
}

/** The colours that are left in it as the screen has them, and the spot inks that the job has not got. */
function colours(page: PageOn, context: CheckContext): Finding[] {
  const { placed, picture } = page;
  const known = new Set(context.sources.inks.map(({ name }) => name));
  const unknown = placed.plates.filter((plate) => !isProcessPlate(plate) && !known.has(plate));
  return [
    ...(placed.screen ? [asPicture(page, context)] : []),
    ...unknown.map((plate) =>
      found(placedColours, picture, context, {
        of: plate,
        problem: `The page prints in ${plate}, and no ink of the job has that name`,
      }),
    ),
  ];
}

export const placedColours: Check = {
  id: 'placed-colours',
  name: 'A placed page in colours that the job has not got',
  protects:
    'A page that is placed whole keeps its colours: the press gets plates that nobody ordered, and colours of a screen can only be printed as a picture.',
  source: { kind: 'standard', name: 'ISO 15930-7:2010 (PDF/X-4), 6.2: colours by the output condition' },
  severity: 'stop',
  run: (context) => pagesOn(context).flatMap((page) => colours(page, context)),
};

/** What brings a page's own points to the face. */
function onFace({ picture, asset, placed }: PageOn): Matrix {
  const { x, y, width, height } = picture;
  const place = multiply(turnOf(picture, { x, y, width, height }), pictureMatrix(picture, asset.width, asset.height));
  return multiply(place, [1 / placed.width, 0, 0, 1 / placed.height, 0, 0]);
}

/** How far what its words lie in is from the trim; undefined where it has none, or they lie off the piece. */
function wordsInside(page: PageOn, context: CheckContext): number | undefined {
  const { lettered } = page.placed;
  if (!lettered) return undefined;
  const { top, right, bottom, left } = distancesTo(boxAround(lettered, onFace(page)), trimOf(context.piece));
  return Math.min(top, right, bottom, left);
}

function details(page: PageOn, context: CheckContext): Finding[] {
  const { picture, placed } = page;
  const { shop, piece } = context;
  const scale = pageScale(page);
  const [words, line, ppi] = [placed.words, placed.line, placed.ppi];
  const inside = wordsInside(page, context);
  const { type, line: lines } = shop.limits;
  const safe = shop.safe[piece.kind];
  const told: Finding[] = [];
  const tell = (rest: Pick<Finding, 'problem' | 'measured' | 'wanted' | 'severity'>): void => {
    told.push(found(placedDetail, picture, context, { of: rest.problem, ...rest }));
  };
  if (words !== undefined && words * scale < type.warn - HAIR)
    tell({
      problem: 'Words on the placed page are small at this size',
      severity: words * scale < type.stop ? 'stop' : 'warn',
      measured: { value: words * scale, kind: 'type' },
      wanted: { value: type.warn, kind: 'type' },
    });
  if (line !== undefined && line * scale < lines.any - HAIR)
    tell({
      problem: 'A line on the placed page is thinner than can be printed',
      severity: 'warn',
      measured: { value: line * scale, kind: 'type' },
      wanted: { value: lines.any, kind: 'type' },
    });
  if (ppi !== undefined && Math.round(ppi / scale) < shop.ppi.warn)
    tell({
      problem: 'A picture on the placed page will print soft',
      severity: ppi / scale < shop.ppi.stop ? 'stop' : 'warn',
      measured: { value: ppi / scale, kind: 'ppi' },
      wanted: { value: shop.ppi.wanted, kind: 'ppi' },
    });
  if (inside !== undefined && inside < safe - HAIR)
    tell({
      problem:
        inside < 0 ? 'Words on the placed page will be cut into' : 'Words on the placed page are too near the trim',
      severity: inside < 0 ? 'stop' : 'warn',
      measured: { value: inside, kind: 'length' },
      wanted: { value: safe, kind: 'length' },
    });
  return told;
}

export const placedDetail: Check = {
  id: 'placed-detail',
  name: 'Words, lines or pictures of a placed page too small or too near the trim',
  protects: 'What is on a page that is placed whole shrinks and grows with it, and is cut with the piece.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['limits', 'ppi', 'safe'],
  run: (context) => pagesOn(context).flatMap((page) => details(page, context)),
};
