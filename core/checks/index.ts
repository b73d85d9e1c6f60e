import { envelopesOf } from '../job/envelopes-of';
import type { Job, Piece } from '../job/schema';
import { asFace } from '../job/turned';
import { printedFaces } from '../scene/shown-faces';
import { sourcesOf } from '../scene/sources';
import { shopOf } from '../trade/shops';
import { almostAligned } from './almost-aligned';
import { blackAreas } from './black-areas';
import type { Check, CheckKit, Finding, Severity } from './check';
import { emptyDetail } from './empty-detail';
import { hiddenWords } from './hidden-words';
import { acrossFold, keepClear, unprintableMargin } from './keep-clear';
import { knockedOutBlack } from './knocked-out-black';
import { letterWouldPrint } from './letter-would-print';
import { logoCrowded, logoSmall } from './logos';
import { lowPpi } from './low-ppi';
import { missingGlyph, missingTypeface } from './missing-glyph';
import { notEmbeddable } from './not-embeddable';
import { PLATE_CHECKS } from './on-plates';
import { outOfGamut } from './out-of-gamut';
import { outsideSafe } from './outside-safe';
import { pastLine } from './past-line';
import { placeholderWords } from './placeholder-words';
import { backTurn, behindTheWindow, postSize } from './post';
import { registrationColour } from './registration-colour';
import { richBlackWords } from './rich-black-words';
import { sameInk } from './same-ink';
import { shortOfBleed } from './short-of-bleed';
import { smallType } from './small-type';
import { spelling } from './spelling';
import { strayPlates } from './stray-plates';
import { thinLines } from './thin-lines';
import { sizeMixture, typefaceMixture } from './type-mixture';
import { unreadableCode } from './unreadable-code';
import { whiteOverprint } from './white-overprint';

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
  strayPlates,
  registrationColour,
  whiteOverprint,
  richBlackWords,
  knockedOutBlack,
  sameInk,
  thinLines,
  blackAreas,
  outOfGamut,
  emptyDetail,
  logoSmall,
  logoCrowded,
  keepClear,
  unprintableMargin,
  acrossFold,
  postSize,
  backTurn,
  behindTheWindow,
  letterWouldPrint,
];

/** The check that a finding comes from; spelling runs beside the others, when its dictionary has answered. */
export const checkOf = (id: string): Pick<Check, 'name' | 'protects' | 'source'> | undefined =>
  [...CHECKS, ...PLATE_CHECKS, spelling].find((check) => check.id === id);

const RANK: Record<Severity, number> = { stop: 0, warn: 1, advise: 2 };

/** Findings in order, the gravest first. */
export const byGravity = (findings: readonly Finding[]): Finding[] =>
  [...findings].sort((a, b) => RANK[a.severity] - RANK[b.severity]);

/** All findings of a piece but those that are read from its plates, the gravest first. */
export function checkPiece(job: Job, piece: Piece, { fonts, press }: CheckKit, shop = shopOf(piece.shop)): Finding[] {
  const sources = sourcesOf(job, fonts);
  const envelopes = envelopesOf(job);
  return byGravity(
    printedFaces(piece, sources).flatMap((face) =>
      CHECKS.flatMap((check) =>
        check.run({ piece: asFace(piece, face), face, shop, sources, press, logos: job.logos, envelopes }),
      ),
    ),
  );
}
