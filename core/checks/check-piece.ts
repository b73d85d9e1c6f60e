import { envelopesOf } from '../job/envelopes-of';
import type { Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { asFace } from '../job/turned';
import { printedFaces } from '../scene/shown-faces';
import { sourcesFor } from '../scene/sources';
import type { ShopSpec } from '../trade/schema';
import type { CheckKit, Finding, Severity } from './check';
import { CHECKS } from './index';

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
  const sources = sourcesFor(job, piece, fonts);
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
