import type { Job, Piece } from '../job/schema';
import { shopOf } from '../trade/shops';
import type { FontBook } from '../type/font';
import type { Check, Finding, Severity } from './check';
import { lowPpi } from './low-ppi';
import { outsideSafe } from './outside-safe';
import { shortOfBleed } from './short-of-bleed';

export const CHECKS: readonly Check[] = [shortOfBleed, outsideSafe, lowPpi];

const RANK: Record<Severity, number> = { stop: 0, warn: 1, advise: 2 };

/** All findings of a piece, the gravest first. */
export function checkPiece(job: Job, piece: Piece, fonts: FontBook, shop = shopOf(piece.shop)): Finding[] {
  const sources = { inks: job.inks, assets: job.assets, fonts };
  return piece.faces
    .flatMap((face) => CHECKS.flatMap((check) => check.run({ piece, face, shop, sources })))
    .sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}
