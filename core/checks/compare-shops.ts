import type { Press } from '../colour/engine';
import { pressConditionOf } from '../job/press-of';
import type { Job, Piece } from '../job/schema';
import type { PressCondition, Severity, ShopSpec } from '../trade/schema';
import type { FontBook } from '../type/font';
import { type Finding, findingKey } from './check';
import { checkPiece } from './index';

/** A piece as each of some shops would take it. */

export interface AtShop {
  shop: ShopSpec;
  findings: readonly Finding[];
  counts: Readonly<Record<Severity, number>>;
}

interface PressKit {
  fonts: FontBook;
  press(condition: PressCondition): Press;
}

const countsOf = (findings: readonly Finding[]): Record<Severity, number> => {
  const counts = { stop: 0, warn: 0, advise: 0 };
  for (const { severity } of findings) counts[severity]++;
  return counts;
};

/** What each shop would find in a piece, those that take it as it is first. What only plates tell is left out. */
export const compareShops = (job: Job, piece: Piece, shops: readonly ShopSpec[], kit: PressKit): AtShop[] =>
  shops
    .map((shop): AtShop => {
      const press = kit.press(pressConditionOf(job, shop));
      const findings = checkPiece(job, { ...piece, shop: shop.id }, { fonts: kit.fonts, press }, shop);
      return { shop, findings, counts: countsOf(findings) };
    })
    .sort(
      (a, b) => a.counts.stop - b.counts.stop || a.counts.warn - b.counts.warn || a.counts.advise - b.counts.advise,
    );

/** What is found at one shop and not at another; the same thing is the same, whatever was wanted of it. */
export function onlyAt(here: readonly Finding[], there: readonly Finding[]): Finding[] {
  const known = new Set(there.map(findingKey));
  return here.filter((finding) => !known.has(findingKey(finding)));
}
