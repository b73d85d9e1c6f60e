import { envelopesOf } from '../job/envelopes-of';
import type { Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { asFace } from '../job/turned';
import { printedFaces } from '../scene/shown-faces';
import { sourcesOf } from '../scene/sources';
import type { ShopSpec } from '../trade/schema';
import { acrossFold } from './across-fold';
import { almostAligned } from './almost-aligned';
import { backTurn } from './back-turn';
import { backgroundGap } from './background-gap';
import { behindTheWindow } from './behind-window';
import { blackAreas } from './black-areas';
import type { Check, CheckKit, Finding, Severity } from './check';
import { codeAtEdge } from './code-at-edge';
import { codeInks } from './code-inks';
import { codeSmall } from './code-small';
import { cornerCut } from './corner-cut';
import { covered } from './covered';
import { detailDiffers } from './detail-differs';
import { detailTyped } from './detail-typed';
import { doubleSpace } from './double-space';
import { doubled } from './doubled';
import { emptyDetail } from './empty-detail';
import { emptyFace } from './empty-face';
import { emptyFrame } from './empty-frame';
import { frameNearTrim } from './frame-near-trim';
import { frameUneven } from './frame-uneven';
import { heavyPicture } from './heavy-picture';
import { hiddenLeft } from './hidden-left';
import { hiddenWords } from './hidden-words';
import { hyphenForDash } from './hyphen-for-dash';
import { invisible } from './invisible';
import { jpegQuality } from './jpeg-quality';
import { keepClear } from './keep-clear';
import { knockedOutBlack } from './knocked-out-black';
import { letterWouldPrint } from './letter-would-print';
import { lineArtPpi } from './line-art-ppi';
import { lockedLeft } from './locked-left';
import { logoAltered } from './logo-altered';
import { logoCrowded } from './logo-crowded';
import { logoSmall } from './logo-small';
import { logoVersions } from './logo-versions';
import { longLines } from './long-lines';
import { lowPpi } from './low-ppi';
import { missingGlyph } from './missing-glyph';
import { missingPicture } from './missing-picture';
import { missingTypeface } from './missing-typeface';
import { nearFold } from './near-fold';
import { nearInks } from './near-inks';
import { nearPieceSizes } from './near-piece-sizes';
import { nearSizes } from './near-sizes';
import { notEmbeddable } from './not-embeddable';
import { offFace } from './off-face';
import { PLATE_CHECKS } from './on-plates';
import { outOfGamut } from './out-of-gamut';
import { outsideSafe } from './outside-safe';
import { pastLine } from './past-line';
import { placeholderWords } from './placeholder-words';
import { postSize } from './post-size';
import { registrationColour } from './registration-colour';
import { rgbPicture } from './rgb-picture';
import { richBlackWords } from './rich-black-words';
import { sameInk } from './same-ink';
import { sampleLeft } from './sample-left';
import { seeThrough } from './see-through';
import { shopPlates } from './shop-plates';
import { shortOfBleed } from './short-of-bleed';
import { sizeMixture } from './size-mixture';
import { sizeNotOffered } from './size-not-offered';
import { sliverInside } from './sliver-inside';
import { smallType } from './small-type';
import { speck } from './speck';
import { spelling } from './spelling';
import { strayPlates } from './stray-plates';
import { stretchedPicture } from './stretched-picture';
import { thinLines } from './thin-lines';
import { tightTracking } from './tight-tracking';
import { tintDark } from './tint-dark';
import { tintLight } from './tint-light';
import { transparentPicture } from './transparent-picture';
import { typefaceMixture } from './typeface-mixture';
import { typewriterQuotes } from './typewriter-quotes';
import { unprintableMargin } from './unprintable-margin';
import { unreadableCode } from './unreadable-code';
import { upscaledPicture } from './upscaled-picture';
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
  sliverInside,
  backgroundGap,
  frameNearTrim,
  frameUneven,
  offFace,
  sizeNotOffered,
  emptyFace,
  cornerCut,
  missingPicture,
  upscaledPicture,
  stretchedPicture,
  heavyPicture,
  lineArtPpi,
  rgbPicture,
  jpegQuality,
  transparentPicture,
  seeThrough,
  doubleSpace,
  typewriterQuotes,
  hyphenForDash,
  tightTracking,
  longLines,
  detailTyped,
  detailDiffers,
  nearInks,
  tintLight,
  tintDark,
  shopPlates,
  emptyFrame,
  invisible,
  doubled,
  hiddenLeft,
  lockedLeft,
  sampleLeft,
  covered,
  speck,
  codeSmall,
  codeInks,
  codeAtEdge,
  nearFold,
  nearSizes,
  nearPieceSizes,
  logoAltered,
  logoVersions,
];

/** What a check says of itself. */
export type CheckFacts = Omit<Check, 'run'>;

/** Every check there is, whatever it reads. */
export const ALL_CHECKS: readonly CheckFacts[] = [...CHECKS, ...PLATE_CHECKS, spelling];

/** The check that a finding comes from; spelling runs beside the others, when its dictionary has answered. */
export const checkOf = (id: string): CheckFacts | undefined => ALL_CHECKS.find((check) => check.id === id);

const RANK: Record<Severity, number> = { stop: 0, warn: 1, advise: 2 };

/** Findings in order, the gravest first. */
export const byGravity = (findings: readonly Finding[]): Finding[] =>
  [...findings].sort((a, b) => RANK[a.severity] - RANK[b.severity]);

/** Findings as a shop takes them: some more or less gravely than others do, some not at all. */
export const asShopAsks = (findings: readonly Finding[], { asks }: ShopSpec): Finding[] =>
  findings.flatMap((finding) => {
    const asked = asks[finding.check];
    return asked === 'off' ? [] : [asked ? { ...finding, severity: asked } : finding];
  });

/** All findings of a piece but those that are read from its plates, the gravest first. */
export function checkPiece(
  job: Job,
  piece: Piece,
  { fonts, press, filesHere }: CheckKit,
  shop = shopIn(job, piece.shop),
): Finding[] {
  const sources = sourcesOf(job, fonts);
  const envelopes = envelopesOf(job);
  const here = CHECKS.filter(({ id }) => shop.asks[id] !== 'off');
  const found = printedFaces(piece, sources).flatMap((face) => {
    const context = {
      piece: asFace(piece, face),
      face,
      shop,
      sources,
      press,
      job,
      logos: job.logos,
      envelopes,
      filesHere,
    };
    return here.flatMap((check) => check.run(context));
  });
  return byGravity(asShopAsks(found, shop));
}
