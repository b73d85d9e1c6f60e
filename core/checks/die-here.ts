import { dieOf } from '../scene/finishing';
import type { SceneSources } from '../scene/sources';
import type { ShopSpec } from '../trade/schema';
import { type CheckContext, laidOut } from './check';
import { type DieFacts, dieFacts, slackOf } from './die-facts';

interface Kept {
  piece: CheckContext['piece'];
  shop: ShopSpec;
  styles: SceneSources['styles'];
  facts: DieFacts | undefined;
}
const kept = new WeakMap<CheckContext['face'], Kept>();

/** What the die of a piece meets on a side; undefined where the guillotine cuts it. */
export function dieHere(context: CheckContext): DieFacts | undefined {
  const { piece, face, shop, sources } = context;
  const { styles } = sources;
  const found = kept.get(face);
  if (found?.piece === piece && found.shop === shop && found.styles === styles) return found.facts;
  const die = dieOf(laidOut(context), face);
  const facts = die && dieFacts(face, die, slackOf(shop.tolerance), sources);
  kept.set(face, { piece, shop, styles, facts });
  return facts;
}
