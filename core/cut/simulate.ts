import { type DieFacts, dieFacts, slackOf } from '../checks/die-facts';
import type { Job, Piece } from '../job/schema';
import { asFace } from '../job/turned';
import { dieOf } from '../scene/finishing';
import { printedFaces } from '../scene/shown-faces';
import { type SceneSources, sourcesOf } from '../scene/sources';
import { CHECK_LIMITS } from '../trade/check-limits';
import type { ShopSpec } from '../trade/schema';
import type { FontBook } from '../type/font';
import { dieCut, dieRoom } from './die';
import { type Drift, drifts, onFace } from './drift';
import { type EdgeFacts, edgeFacts } from './edge-facts';
import { cutFace, EDGES, type EdgeName, type Room, roomFor, type Wanted, wantedColour, wholeInside } from './one-cut';

/** Many cuts of a piece by a guillotine that drifts, and what comes of them. */

/** How many cuts are made, and the seed they come from until another is asked for. */
export const CUTS = 10_000;
export const SEED = 0.20260319;

/** A wider margin that is so many times the narrower is seen. */
export const UNEVEN = CHECK_LIMITS.border;

/** How often, 0 to 1, something goes wrong at each edge, and at any of them. */
export type Chances = Readonly<Record<EdgeName | 'any', number>>;

export interface EdgeStory {
  /** How far outside the trim the middle of the cut edge fell, points: bins of equal width from `from`. */
  bins: readonly number[];
  from: number;
  step: number;
  /** Where colour ends beyond the edge, and where words begin inside it. Points; undefined where there is none. */
  colour: number | undefined;
  words: number | undefined;
}

export interface FaceRisk {
  face: string;
  name: string;
  white: Chances;
  touched: Chances;
  /** How often each element is cut into, the most often first. */
  elements: readonly { element: string; chance: number }[];
  /** How often a border is seen to be uneven; undefined where there is no border. */
  uneven: number | undefined;
  edges: Readonly<Record<EdgeName, EdgeStory>>;
}

export interface CutRisk {
  cuts: number;
  /** How often a piece has any fault on any face. */
  any: number;
  faces: readonly FaceRisk[];
}

const BINS = 41;

interface Laid {
  face: Piece['faces'][number];
  facts: EdgeFacts;
  wanted: Wanted;
  room: Room;
  /** What a die meets, where one cuts the side instead of the guillotine. */
  die: DieFacts | undefined;
}

/** The faces of a piece as a cut meets them. */
const layForCutting = (piece: Piece, shop: ShopSpec, sources: SceneSources): Laid[] =>
  printedFaces(piece, sources).map((face) => {
    const { width, height } = asFace(piece, face);
    const facts = edgeFacts(face, { width, height }, sources);
    const wanted = wantedColour(facts, slackOf(shop.tolerance));
    const outline = dieOf(piece, face);
    const die = outline && dieFacts(face, outline, slackOf(shop.tolerance), sources);
    return { face, facts, wanted, room: roomFor(facts, wanted), die };
  });

/** How far the middle of an edge falls outside the trim. */
const outward = (edge: EdgeName, x: number, y: number): number =>
  edge === 'left' ? -x : edge === 'right' ? x : edge === 'top' ? -y : y;

function storyOf(edge: EdgeName, { facts, wanted, room, die }: Laid, falls: Float64Array, reach: number): EdgeStory {
  const step = (2 * reach) / BINS;
  const bins = new Array<number>(BINS).fill(0);
  for (const fall of falls) {
    const at = Math.floor((fall + reach) / step);
    if (at >= 0 && at < BINS) bins[at]! += 1 / falls.length;
  }
  if (die) return { bins, from: -reach, step, ...dieRoom(die, edge) };
  return {
    bins,
    from: -reach,
    step,
    colour: wanted[edge].length > 0 ? room[edge].out : undefined,
    words: wholeInside(facts, edge),
  };
}

const noChances = (): Record<EdgeName | 'any', number> => ({ left: 0, top: 0, right: 0, bottom: 0, any: 0 });

/** What comes of some cuts of a piece by a shop's guillotine. */
export function simulateCuts(
  job: Job,
  piece: Piece,
  shop: ShopSpec,
  fonts: FontBook,
  { cuts = CUTS, seed = SEED }: { cuts?: number; seed?: number } = {},
): CutRisk {
  const laid = layForCutting(piece, shop, sourcesOf(job, fonts));
  const all = drifts(shop.tolerance, cuts, seed);
  const reach = 2 * Math.max(shop.tolerance.x, shop.tolerance.y, 1) + shop.tolerance.backs;
  const spoilt = new Uint8Array(cuts);
  const faces = laid.map((each): FaceRisk => {
    const { face, facts, wanted, room, die } = each;
    const white = noChances();
    const touched = noChances();
    const elements = new Map<string, number>();
    const falls = {
      left: new Float64Array(cuts),
      top: new Float64Array(cuts),
      right: new Float64Array(cuts),
      bottom: new Float64Array(cuts),
    };
    let uneven = 0;
    all.forEach((drift: Drift, i) => {
      const here = onFace(drift, piece, face);
      const verdict = die ? dieCut(die, here) : cutFace(facts, wanted, here, room);
      for (const edge of EDGES) falls[edge][i] = outward(edge, here.x, here.y);
      for (const edge of verdict.white) white[edge] += 1 / cuts;
      if (verdict.white.length > 0) white.any += 1 / cuts;
      for (const edge of new Set(verdict.touched.map((t) => t.edge))) touched[edge] += 1 / cuts;
      for (const element of new Set(verdict.touched.map((t) => t.element)))
        elements.set(element, (elements.get(element) ?? 0) + 1 / cuts);
      if (verdict.touched.length > 0) touched.any += 1 / cuts;
      if (verdict.uneven > UNEVEN) uneven += 1 / cuts;
      if (verdict.white.length > 0 || verdict.touched.length > 0 || verdict.uneven > UNEVEN) spoilt[i] = 1;
    });
    return {
      face: face.id,
      name: face.name,
      white,
      touched,
      elements: [...elements].map(([element, chance]) => ({ element, chance })).sort((a, b) => b.chance - a.chance),
      uneven: facts.frames.length > 0 && !die ? uneven : undefined,
      edges: {
        left: storyOf('left', each, falls.left, reach),
        top: storyOf('top', each, falls.top, reach),
        right: storyOf('right', each, falls.right, reach),
        bottom: storyOf('bottom', each, falls.bottom, reach),
      },
    };
  });
  return { cuts, any: spoilt.reduce((n, each) => n + each, 0) / Math.max(1, cuts), faces };
}
