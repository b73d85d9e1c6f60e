import { type Finding, findingKey } from '../checks/check';
import { PLATE_CHECKS } from '../checks/on-plates';
import { review } from '../checks/review';
import type { Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { byGravityAndRows, type RunChecked, type RunFinding, type RunSeen } from './check-run';
import { pieceForRow, type RowPlan } from './row-piece';

/**
 * What is found on the plates, total ink and how words stand out among it, of the rows to look at first: laying the plates of
 * every row would take hours. The extremes of all rows are among them.
 */

const ON_PLATES: ReadonlySet<string> = new Set(PLATE_CHECKS.map(({ id }) => id));

/** What lays a piece on its plates, and says what is found there. */
export type PlatesOf = (job: Job, piece: Piece) => Promise<Finding[]> | Finding[];

/** Adds what the plates of the hard rows say to what was found in all rows. */
export async function withHardPlates(
  plan: RowPlan,
  checked: RunChecked,
  seen: RunSeen,
  platesOf: PlatesOf,
  goOn: (done: number) => Promise<void> | undefined = () => undefined,
): Promise<RunChecked> {
  const found = new Map<string, RunFinding>();
  const shop = shopIn(plan.job, plan.piece.shop);
  for (const [i, { row }] of checked.hard.entries()) {
    await goOn(i / checked.hard.length);
    const piece = pieceForRow(plan, row);
    const job = { ...plan.job, pieces: plan.job.pieces.map((each) => (each.id === piece.id ? piece : each)) };
    const { open } = review(job, piece, { ...seen, plates: await platesOf(job, piece), misspelt: new Map() }, shop);
    for (const finding of open) {
      if (!ON_PLATES.has(finding.check)) continue;
      const { check, severity, problem, face, element } = finding;
      const key = findingKey(finding);
      const known = found.get(key) ?? { key, check, severity, problem, face, element, rows: [], finding };
      known.rows.push(row);
      found.set(key, known);
    }
  }
  const more = [...found.values()].map((each) => ({ ...each, rows: each.rows.sort((a, b) => a - b) }));
  return { ...checked, findings: [...checked.findings, ...more].sort(byGravityAndRows) };
}
