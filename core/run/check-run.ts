import { type Finding, findingKey, type Severity } from '../checks/check';
import { review, type Seen } from '../checks/review';
import type { Element, Face, Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { addressFaults } from './address';
import { type HardRow, hardRows, measureRow, type RowMeasured } from './measure';
import type { RowFault, RowPlan } from './row-piece';

/**
 * A run checked: every check on every row that can differ. Rows that differ only in sizes are one class; of each the
 * extremes are checked, and where those disagree the place where it turns is found by halving. What is larger than
 * something with a fault of size has it too: this is what makes twenty thousand rows take seconds.
 */

/** A finding and the rows that have it. */
export interface RunFinding {
  key: string;
  check: string;
  severity: Severity;
  problem: string;
  face: string;
  element: string;
  /** The rows by number, in order. */
  rows: number[];
  /** As it was found in one of them, to be shown: none for faults of the table itself. */
  finding?: Finding;
}

export interface RunChecked {
  findings: RunFinding[];
  hard: HardRow[];
  measured: number;
  /** How many classes of rows there were, and how many faces were checked whole. */
  classes: number;
  checked: number;
  /** Rows that could not be told apart in the time there is. */
  unread: number[];
}

export type RunSeen = Pick<Seen, 'fonts' | 'press' | 'filesHere'>;

/** Checked whole at most, beyond the halving: rows in which two things that change may meet. */
const MOST_PAIRS = 400;

interface Looked {
  keys: string;
  findings: Map<string, Finding>;
}

const SIDES = ['left', 'right', 'top', 'bottom'] as const;
type SideOf = (typeof SIDES)[number];
/** How far an element reaches to a side: more is further out. */
const reachOf = (measured: RowMeasured, at: number, side: SideOf): number => {
  const ink = measured.elements[at]?.ink;
  if (!ink) return 0;
  if (side === 'left') return -ink.x;
  if (side === 'top') return -ink.y;
  return side === 'right' ? ink.x + ink.width : ink.y + ink.height;
};

/** Asked now and then whether to go on, with the share that is done. */
export type GoOn = (done: number) => Promise<void> | undefined;

const FAULT_CHECKS: Record<RowFault['kind'], { check: string; severity: Severity }> = {
  'no picture': { check: 'row-picture', severity: 'stop' },
  'no code': { check: 'row-code', severity: 'stop' },
  'does not fit': { check: 'row-fit', severity: 'stop' },
  'no column': { check: 'row-column', severity: 'stop' },
};

/** Faults of the rows themselves: what they name is not there, or does not fit; addresses that cannot be delivered. */
function rowFaults({ rows }: RowPlan, measured: readonly RowMeasured[]): RunFinding[] {
  const found = new Map<string, RunFinding>();
  const add = (key: string, row: number, rest: Omit<RunFinding, 'key' | 'rows'>): void => {
    const known = found.get(key);
    if (known) known.rows.push(row);
    else found.set(key, { key, rows: [row], ...rest });
  };
  for (const { row, faults } of measured)
    for (const { kind, face, element, problem, of } of faults) {
      const what = kind === 'no picture' ? 'A picture is not here' : problem;
      add(`${kind} ${element} ${of} ${what}`, row, { ...FAULT_CHECKS[kind], face, element, problem: what });
    }
  for (const { key: column, made } of rows.table.columns) {
    if (made?.kind !== 'address') continue;
    for (const { row } of measured) {
      const parts = Object.fromEntries(
        Object.entries(made.parts).map(([part, from]) => [part, rows.cell(row, from ?? '')]),
      );
      for (const problem of addressFaults(parts, made.from))
        add(`address ${column} ${problem}`, row, {
          check: 'row-address',
          severity: 'warn',
          face: '',
          element: '',
          problem,
        });
    }
  }
  return [...found.values()];
}

/** Checks a run: `numbers` are the rows that are printed. */
export async function checkRun(
  plan: RowPlan,
  numbers: readonly number[],
  seen: RunSeen,
  goOn: GoOn = () => undefined,
): Promise<RunChecked> {
  const { job, piece } = plan;
  const shop = shopIn(job, piece.shop);
  const measured: RowMeasured[] = [];
  for (const [i, row] of numbers.entries()) {
    if (i % 200 === 0) await goOn((0.8 * i) / numbers.length);
    const { faces: _faces, ...kept } = measureRow(plan, row);
    measured.push(kept);
  }
  const classes = new Map<string, RowMeasured[]>();
  for (const each of measured) {
    const group = classes.get(each.key);
    if (group) group.push(each);
    else classes.set(each.key, [each]);
  }

  let checked = 0;
  const looked = new Map<string, Looked>();
  /** Checks a face that is put together of elements from several rows: each as it is in its own. */
  function look(base: RowMeasured, from: readonly RowMeasured[]): Looked {
    const mark = `${base.key} ${from.map(({ row }) => row).join(' ')}`;
    const found = looked.get(mark);
    if (found) return found;
    checked++;
    const elementsOf = new Map<number, Map<string, Element>>();
    const faces = facesOf(base.row).map(
      (face): Face => ({
        ...face,
        elements: face.elements.map((element) => {
          const at = base.elements.findIndex(({ id }) => id === element.id);
          const row = at < 0 ? base.row : from[at]!.row;
          if (row === base.row) return element;
          const there =
            elementsOf.get(row) ??
            new Map(facesOf(row).flatMap(({ elements }) => elements.map((e) => [e.id, e] as const)));
          elementsOf.set(row, there);
          return there.get(element.id) ?? element;
        }),
      }),
    );
    const made: Looked = lookAt(job, { ...piece, faces }, seen, shop);
    looked.set(mark, made);
    return made;
  }
  const facesKept = new Map<number, Face[]>();
  function facesOf(row: number): Face[] {
    const found = facesKept.get(row) ?? measureRow(plan, row).faces;
    if (facesKept.size > 400) facesKept.clear();
    facesKept.set(row, found);
    return found;
  }

  const findings = new Map<string, RunFinding>();
  const note = (looks: Looked, rows: readonly number[]): void => {
    for (const [key, finding] of looks.findings) {
      const known = findings.get(key);
      if (known) for (const row of rows) known.rows.push(row);
      else {
        const { check, severity, problem, face, element } = finding;
        findings.set(key, { key, check, severity, problem, face, element, rows: [...rows], finding });
      }
    }
  };
  const unread: number[] = [];
  let nth = 0;
  for (const group of classes.values()) {
    await goOn(0.8 + (0.2 * nth++) / classes.size);
    const [first] = group;
    if (!first) continue;
    // The row with the least of everything: nothing in the class is smaller.
    const count = first.elements.length;
    const least = Array.from({ length: count }, (_, at) => extreme(group, at, 'right', -1));
    const base = look(first, least);
    note(
      base,
      group.map(({ row }) => row),
    );
    const single = new Set(base.findings.keys());
    // Each element by itself, to each side: where findings begin.
    for (let at = 0; at < count; at++)
      for (const side of SIDES) {
        const sorted = [...group].sort((a, b) => reachOf(a, at, side) - reachOf(b, at, side));
        const withIt = (each: RowMeasured): Looked =>
          look(
            first,
            least.map((small, i) => (i === at ? each : small)),
          );
        for (const { from, to, looks } of stretches(sorted, withIt)) {
          const more = [...looks.findings].filter(([key]) => !base.findings.has(key));
          for (const [key] of more) single.add(key);
          const fresh: Looked = { keys: '', findings: new Map(more) };
          if (more.length > 0)
            note(
              fresh,
              sorted.slice(from, to + 1).map(({ row }) => row),
            );
        }
      }
    if (count < 2) continue;
    // All at their furthest at once: what is found only then comes of two that meet.
    const meets = SIDES.some((side) => {
      const far = Array.from({ length: count }, (_, at) => extreme(group, at, side, 1));
      return [...look(first, far).findings.keys()].some((key) => !single.has(key));
    });
    if (!meets) continue;
    const byReach = [...group].sort((a, b) => reach(b) - reach(a));
    for (const each of byReach.slice(0, MOST_PAIRS)) {
      const whole = look(
        each,
        each.elements.map(() => each),
      );
      note({ keys: '', findings: new Map([...whole.findings].filter(([key]) => !single.has(key))) }, [each.row]);
    }
    for (const { row } of byReach.slice(MOST_PAIRS)) unread.push(row);
  }
  const all = [...rowFaults(plan, measured), ...findings.values()].map((each) => ({
    ...each,
    rows: [...new Set(each.rows)].sort((a, b) => a - b),
  }));
  all.sort(byGravityAndRows);
  return { findings: all, hard: hardRows(measured), measured: measured.length, classes: classes.size, checked, unread };
}

const RANK: Record<Severity, number> = { stop: 0, warn: 1, advise: 2 };
/** The gravest first, and of those what most rows have. */
export const byGravityAndRows = (a: RunFinding, b: RunFinding): number =>
  RANK[a.severity] - RANK[b.severity] || b.rows.length - a.rows.length;

const reach = ({ elements }: RowMeasured): number =>
  elements.reduce((sum, { ink }) => sum + (ink ? ink.width + ink.height : 0), 0);

function extreme(group: readonly RowMeasured[], at: number, side: SideOf, way: 1 | -1): RowMeasured {
  let best = group[0]!;
  for (const each of group) if (way * (reachOf(each, at, side) - reachOf(best, at, side)) > 0) best = each;
  return best;
}

/** Neighbours in order that are found alike, told by halving: what lies between two that are alike is taken to be as they are. */
function stretches(
  sorted: readonly RowMeasured[],
  lookAtOne: (each: RowMeasured) => Looked,
): { from: number; to: number; looks: Looked }[] {
  const found: { from: number; to: number; looks: Looked }[] = [];
  const add = (from: number, to: number, looks: Looked): void => {
    const last = found.at(-1);
    if (last?.looks.keys === looks.keys && last.to === from - 1) last.to = to;
    else found.push({ from, to, looks });
  };
  const halve = (from: number, to: number, low: Looked, high: Looked): void => {
    if (low.keys === high.keys) {
      add(from, to, low);
      return;
    }
    if (to - from <= 1) {
      add(from, from, low);
      add(to, to, high);
      return;
    }
    const middle = (from + to) >> 1;
    const between = lookAtOne(sorted[middle]!);
    halve(from, middle, low, between);
    halve(middle + 1, to, lookAtOne(sorted[middle + 1]!), high);
  };
  halve(0, sorted.length - 1, lookAtOne(sorted[0]!), lookAtOne(sorted.at(-1)!));
  return found;
}

function lookAt(job: Job, piece: Piece, seen: RunSeen, shop: ReturnType<typeof shopIn>): Looked {
  const changed: Job = { ...job, pieces: job.pieces.map((each) => (each.id === piece.id ? piece : each)) };
  const { open } = review(changed, piece, { ...seen, plates: [], misspelt: new Map() }, shop);
  const found = new Map(open.map((finding) => [findingKey(finding), finding]));
  return { keys: [...found.keys()].sort().join('|'), findings: found };
}
