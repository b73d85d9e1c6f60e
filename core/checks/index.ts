import type { Job, Piece } from '../job/schema';
import { printedFaces } from '../scene/shown-faces';
import { sourcesOf } from '../scene/sources';
import { shopOf } from '../trade/shops';
import type { FontBook } from '../type/font';
import { almostAligned } from './almost-aligned';
import type { Check, Finding, Severity } from './check';
import { hiddenWords } from './hidden-words';
import { lowPpi } from './low-ppi';
import { missingGlyph, missingTypeface } from './missing-glyph';
import { notEmbeddable } from './not-embeddable';
import { outsideSafe } from './outside-safe';
import { pastLine } from './past-line';
import { placeholderWords } from './placeholder-words';
import { shortOfBleed } from './short-of-bleed';
import { smallType } from './small-type';
import { spelling } from './spelling';
import { sizeMixture, typefaceMixture } from './type-mixture';
import { unreadableCode } from './unreadable-code';

export const CHECKS: readonly Check[] = [
  shortOfBleed,
  outsideSafe,
  lowPpi,
  hiddenWords,
  pastLine,
  missingGlyph,
  missingTypeface,
  notEmbeddable,
  smallType,
  unreadableCode,
  placeholderWords,
  typefaceMixture,
  sizeMixture,
  almostAligned,
];

/** The check that a finding comes from; spelling runs beside the others, when its dictionary has answered. */
export const checkOf = (id: string): Pick<Check, 'name' | 'protects' | 'source'> | undefined =>
  [...CHECKS, spelling].find((check) => check.id === id);

const RANK: Record<Severity, number> = { stop: 0, warn: 1, advise: 2 };

/** All findings of a piece, the gravest first. */
export function checkPiece(job: Job, piece: Piece, fonts: FontBook, shop = shopOf(piece.shop)): Finding[] {
  const sources = sourcesOf(job, fonts);
  return printedFaces(piece, sources)
    .flatMap((face) => CHECKS.flatMap((check) => check.run({ piece, face, shop, sources })))
    .sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}
