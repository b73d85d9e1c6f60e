import type { Press } from '../colour/engine';
import type { Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { printedFaces } from '../scene/shown-faces';
import { sourcesFor } from '../scene/sources';
import type { FontBook } from '../type/font';
import type { Finding } from './check';
import { asShopAsks, byGravity, checkPiece } from './check-piece';
import { letStand, type Standing } from './let-stand';
import { withFixes } from './on-plates';
import { type Misspelt, spellingFindings } from './rules/spelling';
import { type FilesHere, missingFiles, missingProfile, type Unread } from './unread';

/** What a review is made from besides the job: what takes long is read elsewhere and handed in. */
export interface Seen {
  fonts: FontBook;
  press: Press;
  filesHere?: FilesHere;
  /** What is found on the plates, as plain data. */
  plates: readonly Finding[];
  /** What the dictionary says of the words; it is not asked where the job checks no spelling. */
  misspelt: Misspelt;
  /** What of the two could not be read, or has not been yet. */
  missed?: readonly Unread[];
}

/** How a piece stands. */
export interface Review {
  /** What is found and not accepted, the gravest first. */
  open: Finding[];
  /** What somebody accepted. */
  standing: Standing[];
  /** What could not be looked at: without it no finding does not mean no fault. */
  unread: Unread[];
}

/** All that is known of a piece at a shop: the one list that every room, file and command goes by. */
export function review(job: Job, piece: Piece, seen: Seen, shop = shopIn(job, piece.shop)): Review {
  const { fonts, press, filesHere, plates, misspelt, missed = [] } = seen;
  const sources = sourcesFor(job, piece, fonts);
  const found = [
    ...checkPiece(job, piece, { fonts, press, filesHere }, shop),
    ...asShopAsks(
      [...withFixes(plates, piece, { sources, press }), ...spellingFindings(piece, job.spelling, misspelt, sources)],
      shop,
    ),
  ];
  const unread = [
    ...missingFiles(job, printedFaces(piece, sources), filesHere),
    ...missingProfile(job, shop, filesHere),
    ...missed,
  ];
  return { ...letStand(byGravity(found), job, piece), unread };
}
