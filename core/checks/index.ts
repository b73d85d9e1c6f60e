import type { Check } from './check';
import { PLATE_CHECKS } from './on-plates';
import { acrossFold } from './rules/across-fold';
import { almostAligned } from './rules/almost-aligned';
import { backTurn } from './rules/back-turn';
import { backgroundGap } from './rules/background-gap';
import { behindTheWindow } from './rules/behind-window';
import { blackAreas } from './rules/black-areas';
import { codeAtEdge } from './rules/code-at-edge';
import { codeInks } from './rules/code-inks';
import { codeSmall } from './rules/code-small';
import { cornerCut } from './rules/corner-cut';
import { covered } from './rules/covered';
import { denseFold } from './rules/dense-fold';
import { detailDiffers } from './rules/detail-differs';
import { detailTyped } from './rules/detail-typed';
import { dieBleed, dieCuts } from './rules/die-cuts';
import { dieForm } from './rules/die-form';
import { doubleSpace } from './rules/double-space';
import { doubled } from './rules/doubled';
import { edgesUnlike } from './rules/edges-unlike';
import { emptyDetail } from './rules/empty-detail';
import { emptyFace } from './rules/empty-face';
import { emptyFrame } from './rules/empty-frame';
import { finishEdge } from './rules/finish-edge';
import { emptyFinish, glueCovered, varnishRegister, whiteUnder } from './rules/finish-over';
import { finishClose, finishThin } from './rules/finish-thin';
import { foldGrain } from './rules/fold-grain';
import { foldScore } from './rules/fold-score';
import { frameNearTrim } from './rules/frame-near-trim';
import { frameUneven } from './rules/frame-uneven';
import { heavyPicture } from './rules/heavy-picture';
import { hiddenLeft } from './rules/hidden-left';
import { hiddenWords } from './rules/hidden-words';
import { hyphenForDash } from './rules/hyphen-for-dash';
import { inksMeet } from './rules/inks-meet';
import { invisible } from './rules/invisible';
import { jpegQuality } from './rules/jpeg-quality';
import { keepClear } from './rules/keep-clear';
import { knockedOutBlack } from './rules/knocked-out-black';
import { laserLetterhead } from './rules/laser-letterhead';
import { letterWouldPrint } from './rules/letter-would-print';
import { lineArtPpi } from './rules/line-art-ppi';
import { lockedLeft } from './rules/locked-left';
import { logoAltered } from './rules/logo-altered';
import { logoCrowded } from './rules/logo-crowded';
import { logoSmall } from './rules/logo-small';
import { logoVersions } from './rules/logo-versions';
import { longLines } from './rules/long-lines';
import { lowPpi } from './rules/low-ppi';
import { missingGlyph } from './rules/missing-glyph';
import { missingPicture } from './rules/missing-picture';
import { missingTypeface } from './rules/missing-typeface';
import { nearFold } from './rules/near-fold';
import { nearInks } from './rules/near-inks';
import { nearPieceSizes } from './rules/near-piece-sizes';
import { nearSizes } from './rules/near-sizes';
import { notEmbeddable } from './rules/not-embeddable';
import { offFace } from './rules/off-face';
import { outOfGamut } from './rules/out-of-gamut';
import { outsideSafe } from './rules/outside-safe';
import { pastLine } from './rules/past-line';
import { placedColours, placedDetail } from './rules/placed-page';
import { placeholderWords } from './rules/placeholder-words';
import { postSize } from './rules/post-size';
import { registrationColour } from './rules/registration-colour';
import { rgbPicture } from './rules/rgb-picture';
import { richBlackWords } from './rules/rich-black-words';
import { sameInk } from './rules/same-ink';
import { sampleLeft } from './rules/sample-left';
import { screenedWords } from './rules/screened-words';
import { seeThrough } from './rules/see-through';
import { shopPlates } from './rules/shop-plates';
import { shortOfBleed } from './rules/short-of-bleed';
import { sizeMixture } from './rules/size-mixture';
import { sizeNotOffered } from './rules/size-not-offered';
import { sliverInside } from './rules/sliver-inside';
import { smallType } from './rules/small-type';
import { solidByFold } from './rules/solid-by-fold';
import { speck } from './rules/speck';
import { spelling } from './rules/spelling';
import { strayPlates } from './rules/stray-plates';
import { stretchedPicture } from './rules/stretched-picture';
import { thinLines } from './rules/thin-lines';
import { tightTracking } from './rules/tight-tracking';
import { tintDark } from './rules/tint-dark';
import { tintLight } from './rules/tint-light';
import { toolThrough } from './rules/tool-through';
import { transparentPicture } from './rules/transparent-picture';
import { tuckTight } from './rules/tuck-tight';
import { typefaceMixture } from './rules/typeface-mixture';
import { typewriterQuotes } from './rules/typewriter-quotes';
import { unprintableMargin } from './rules/unprintable-margin';
import { unreadableCode } from './rules/unreadable-code';
import { upscaledPicture } from './rules/upscaled-picture';
import { whiteOverprint } from './rules/white-overprint';

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
  screenedWords,
  sameInk,
  thinLines,
  blackAreas,
  outOfGamut,
  emptyDetail,
  logoSmall,
  logoCrowded,
  keepClear,
  unprintableMargin,
  laserLetterhead,
  acrossFold,
  denseFold,
  inksMeet,
  foldGrain,
  solidByFold,
  edgesUnlike,
  foldScore,
  tuckTight,
  postSize,
  backTurn,
  behindTheWindow,
  letterWouldPrint,
  sliverInside,
  backgroundGap,
  frameNearTrim,
  frameUneven,
  offFace,
  placedColours,
  placedDetail,
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
  dieCuts,
  dieBleed,
  dieForm,
  toolThrough,
  finishThin,
  finishClose,
  finishEdge,
  varnishRegister,
  glueCovered,
  whiteUnder,
  emptyFinish,
];

/** What a check says of itself. */
export type CheckFacts = Omit<Check, 'run'>;

/** Every check there is, whatever it reads. */
export const ALL_CHECKS: readonly CheckFacts[] = [...CHECKS, ...PLATE_CHECKS, spelling];

/** The check that a finding comes from; spelling runs beside the others, when its dictionary has answered. */
export const checkOf = (id: string): CheckFacts | undefined => ALL_CHECKS.find((check) => check.id === id);
