import type { Severity, ShopSpec } from '../trade/schema';
import { type Finding, findingKey } from './check';
import type { Review } from './review';

/** A piece as each of some shops would take it. */

export interface AtShop extends Pick<Review, 'unread'> {
  shop: ShopSpec;
  findings: readonly Finding[];
  counts: Readonly<Record<Severity, number>>;
}

const countsOf = (findings: readonly Finding[]): Record<Severity, number> => {
  const counts = { stop: 0, warn: 0, advise: 0 };
  for (const { severity } of findings) counts[severity]++;
  return counts;
};

/** What each shop would find in a piece, those that take it as it is first. */
export const compareShops = (reviews: readonly { shop: ShopSpec; review: Review }[]): AtShop[] =>
  reviews
    .map(({ shop, review: { open, unread } }): AtShop => ({ shop, findings: open, unread, counts: countsOf(open) }))
    .sort(
      (a, b) =>
        a.unread.length - b.unread.length ||
        a.counts.stop - b.counts.stop ||
        a.counts.warn - b.counts.warn ||
        a.counts.advise - b.counts.advise,
    );

/** What is found at one shop and not at another; the same thing is the same, whatever was wanted of it. */
export function onlyAt(here: readonly Finding[], there: readonly Finding[]): Finding[] {
  const known = new Set(there.map(findingKey));
  return here.filter((finding) => !known.has(findingKey(finding)));
}
