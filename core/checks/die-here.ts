import { dieOf } from '../scene/finishing';
import { type CheckContext, laidOut } from './check';
import { type DieFacts, dieFacts } from './die-facts';

const kept = new WeakMap<CheckContext['face'], { piece: CheckContext['piece']; facts: DieFacts | undefined }>();

/** Ends of colour that cross the line may slide by so many tolerances of the cut. */
const SLACK = 3;

/** What the die of a piece meets on a side; undefined where the guillotine cuts it. */
export function dieHere(context: CheckContext): DieFacts | undefined {
  const { piece, face, shop, sources } = context;
  const found = kept.get(face);
  if (found?.piece === piece) return found.facts;
  const die = dieOf(laidOut(context), face);
  const facts = die && dieFacts(face, die, SLACK * Math.max(shop.tolerance.x, shop.tolerance.y), sources);
  kept.set(face, { piece, facts });
  return facts;
}
