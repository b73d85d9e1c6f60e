import { unusedInks } from '../core/checks/rules/unused-ink';
import { holdParts } from '../core/files/job-file';
import type { JobBundle } from '../core/files/job-parts';
import { inkOf } from '../core/job/find';
import type { ShopSpec } from '../core/trade/schema';
import { pieceAsked } from './given';
import { loadKit } from './kit';
import type { Looked } from './looked';
import { openReviewer } from './review';

/** What is found in the pieces of a job: in all of them, or in the one that is asked for. */
export async function lookOver(bundle: JobBundle, id: string | undefined, shop: ShopSpec | undefined): Promise<Looked> {
  const { job, assets } = holdParts(bundle);
  const pieces = id === undefined ? job.pieces : [pieceAsked(job, id)];
  const reviewer = openReviewer(await loadKit(assets), assets);
  const reviews = pieces.map((piece) => ({ piece: piece.id, ...reviewer.review(job, piece, shop) }));
  return {
    found: reviews.flatMap(({ piece, open }) =>
      open.map(({ fix, orElse: _else, ...finding }) => ({ piece, finding, fix: fix?.label })),
    ),
    unread: reviews.flatMap(({ piece, unread }) => unread.map((each) => ({ piece, ...each }))),
    // Of the whole job, not of a piece.
    unused: id === undefined ? unusedInks(job).map((ink) => inkOf(job.inks, ink).name) : [],
  };
}
