import { trimOf } from '../checks/check';
import { inkBounds } from '../devices/bounds';
import { bottom, distancesTo, right } from '../geometry/box';
import { moveElement, setFrame } from '../job/edits/elements';
import { pieceOf, titleOf } from '../job/find';
import type { Element, Job, Piece } from '../job/schema';
import { asFace } from '../job/turned';
import { canExtend, extendToBleed } from '../scene/extend';
import { sourcesOf } from '../scene/sources';
import type { ShopSpec } from '../trade/schema';
import type { FontBook } from '../type/font';
import { formatLength } from '../units/length';
import { type CutRisk, SEED, simulateCuts, UNEVEN } from './simulate';

/** Which single change makes the fewest pieces come out wrong. */

/** A change, and how often a piece comes out wrong once it is made. */
export interface LowerRisk {
  element: string;
  face: string;
  label: string;
  /** 0 to 1, before and after. */
  before: number;
  after: number;
  apply(job: Job): Job;
}

/** Cuts that each change is tried with: enough to tell changes apart, on the same cuts. */
const TRIALS = 2_000;
/** Changes that are tried. */
const MOST = 8;
/** A change that spares fewer pieces than this share is none worth telling of. */
const WORTH = 0.0005;

export type Change = Pick<LowerRisk, 'element' | 'face' | 'label' | 'apply'>;

/** Art that ends at or short of the bleed, run out to it. */
function extending(element: Element, faceId: string, piece: Piece, job: Job, shop: ShopSpec): Change[] {
  const bleed = shop.bleed[piece.kind];
  const edge = { width: piece.width, height: piece.height, bleed, meets: Math.max(shop.tolerance.x, shop.tolerance.y) };
  if (bleed === 0 || !canExtend(element) || extendToBleed(job, element.id, edge) === job) return [];
  const says = `Extend ${titleOf(element, job.assets)} to the bleed`;
  return [{ element: element.id, face: faceId, label: says, apply: (j) => extendToBleed(j, element.id, edge) }];
}

/** What is to stay whole, moved as far in as the guillotine drifts twice over. */
function movingIn(element: Element, faceId: string, piece: Piece, job: Job, shop: ShopSpec, fonts: FontBook): Change[] {
  if (element.kind !== 'words' && element.kind !== 'code' && !element.logo) return [];
  const ink = inkBounds(element, sourcesOf(job, fonts));
  if (!ink) return [];
  const room = { x: 2 * shop.tolerance.x, y: 2 * shop.tolerance.y };
  const inside = distancesTo(ink, trimOf(piece));
  const by = {
    x: Math.max(0, room.x - inside.left) || Math.min(0, inside.right - room.x),
    y: Math.max(0, room.y - inside.top) || Math.min(0, inside.bottom - room.y),
  };
  const fits =
    right(ink) + by.x <= piece.width && bottom(ink) + by.y <= piece.height && ink.x + by.x >= 0 && ink.y + by.y >= 0;
  if ((by.x === 0 && by.y === 0) || !fits) return [];
  const far = formatLength(Math.max(Math.abs(by.x), Math.abs(by.y)), piece.unit, 1);
  return [
    {
      element: element.id,
      face: faceId,
      label: `Move ${titleOf(element, job.assets)} in by ${far}`,
      apply: (j) => moveElement(j, element.id, by),
    },
  ];
}

/** A frame whose margins are so narrow that drift shows, made smaller until it does not. */
function widening(element: Element, faceId: string, piece: Piece, job: Job, shop: ShopSpec, fonts: FontBook): Change[] {
  if (element.kind !== 'shape' || element.turn || element.logo) return [];
  const ink = inkBounds(element, sourcesOf(job, fonts));
  if (!ink) return [];
  const inside = distancesTo(ink, trimOf(piece));
  const drift = Math.max(shop.tolerance.x, shop.tolerance.y);
  // Margins m ± d have the ratio (m + d) / (m - d): wide enough where that stays below what is seen.
  const margin = (drift * (UNEVEN + 1)) / (UNEVEN - 1);
  const least = Math.min(inside.left, inside.right, inside.top, inside.bottom);
  if (least <= 0 || least >= margin) return [];
  const by = margin - least;
  const to = { x: element.x + by, y: element.y + by, width: element.width - 2 * by, height: element.height - 2 * by };
  if (to.width <= 0 || to.height <= 0) return [];
  return [
    {
      element: element.id,
      face: faceId,
      label: `Set ${titleOf(element, job.assets)} in by ${formatLength(by, piece.unit, 1)} all round`,
      apply: (j) => setFrame(j, element.id, to),
    },
  ];
}

/** The changes that may help, those of what goes wrong most often first. */
export function changesFor(job: Job, piece: Piece, shop: ShopSpec, fonts: FontBook, risk: CutRisk): Change[] {
  return piece.faces
    .flatMap((face) => {
      const sheet = asFace(piece, face);
      const told = risk.faces.find((each) => each.face === face.id);
      const often = new Map(told?.elements.map(({ element, chance }) => [element, chance]));
      return face.elements
        .filter(({ hidden, sample, locked }) => !hidden && !sample && !locked)
        .flatMap((element) => [
          ...(told && told.white.any > 0 ? extending(element, face.id, sheet, job, shop) : []),
          ...(often.has(element.id) ? movingIn(element, face.id, sheet, job, shop, fonts) : []),
          ...(told?.uneven ? widening(element, face.id, sheet, job, shop, fonts) : []),
        ])
        .sort((a, b) => (often.get(b.element) ?? 1) - (often.get(a.element) ?? 1));
    })
    .slice(0, MOST);
}

/** The changes that spare the most pieces, the best first; each tried alone on the same cuts. */
export function lowerRisk(
  job: Job,
  piece: Piece,
  shop: ShopSpec,
  fonts: FontBook,
  risk: CutRisk,
  seed = SEED,
): LowerRisk[] {
  if (risk.any === 0) return [];
  const asked = { cuts: TRIALS, seed };
  const before = simulateCuts(job, piece, shop, fonts, asked).any;
  return changesFor(job, piece, shop, fonts, risk)
    .map((change): LowerRisk => {
      const changed = change.apply(job);
      const after = simulateCuts(changed, pieceOf(changed, piece.id)!, shop, fonts, asked).any;
      return { ...change, before, after };
    })
    .filter(({ after }) => before - after > WORTH)
    .sort((a, b) => a.after - b.after);
}
