import type { WritePlan } from './plan-write';
import { db } from './shelf';
import { type Rows, TABLES, writePlan } from './write-job';

/**
 * What a page could not write any more when it was left. The shelf takes a moment to be written and a page that goes has
 * none; `localStorage` is written at once. Whoever opens a job next writes to the shelf what lies here.
 */
const KEY = 'left-behind ';

export const isLeftBehind = (key: string | null): boolean => key?.startsWith(KEY) ?? false;

/** Says who wrote a head: this page, until it is left. */
export const PAGE = crypto.randomUUID();

/** Leaves a write behind. Whether there was room for it. */
export function leaveBehind({ put, remove, head, row }: WritePlan): boolean {
  try {
    localStorage.setItem(KEY + head.id, JSON.stringify({ put, remove, head, row } satisfies Rows));
    return true;
  } catch {
    return false;
  }
}

/**
 * Writes what was left behind, of all jobs. Not where somebody else has written the job since: what they had before them
 * was the older state, and theirs is newer.
 */
export async function takeLeft(): Promise<void> {
  if (typeof localStorage === 'undefined') return;
  for (const key of Object.keys(localStorage).filter(isLeftBehind)) {
    const text = localStorage.getItem(key);
    try {
      await writeLeft(JSON.parse(text ?? '') as Rows);
    } catch {
      // Half a note, or one that the shelf cannot take, is no use to anybody.
    }
    // Another page may have left something meanwhile.
    if (localStorage.getItem(key) === text) localStorage.removeItem(key);
  }
}

const writeLeft = (left: Rows): Promise<void> =>
  db.transaction('rw', TABLES(), async () => {
    const before = await db.heads.get(left.head.id);
    // A write that was under way when the page was left is an older state of the same.
    const isOlder = before && before.revision <= left.head.revision;
    const isSame = before && (before.revision === left.head.revision - 1 || before.by === left.head.by);
    if (isOlder && isSame) await writePlan({ ...left, head: { ...left.head, revision: left.head.revision + 1 } });
  });
