/** What turns one JSON value into another, written out: for keeping steps without keeping whole jobs. */

/** A place in a value: field names and list numbers, outermost first. */
type Path = readonly (string | number)[];

/** One change. A list's change takes `remove` entries from `at` on and puts `put` there. */
export type Change =
  | { path: Path; set: unknown }
  | { path: Path; unset: true }
  | { path: Path; at: number; remove: number; put: unknown[] };
export type Patch = Change[];

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Entries of lists are the same thing where they are the same value or have the same id. */
const idOf = (value: unknown): unknown => (isRecord(value) ? value['id'] : undefined);
const isSame = (a: unknown, b: unknown): boolean => a === b || (idOf(a) !== undefined && idOf(a) === idOf(b));

/**
 * The changes that turn `before` into `after`. What the two share is not looked into, so it costs what an edit changed,
 * and the lists and fields above it.
 */
export function patchBetween(before: unknown, after: unknown, path: Path = []): Patch {
  if (Object.is(before, after)) return [];
  if (Array.isArray(before) && Array.isArray(after)) return listPatch(before, after, path);
  if (!isRecord(before) || !isRecord(after)) return [{ path, set: after }];
  const changes: Patch = [];
  for (const key of Object.keys(before))
    if (!Object.hasOwn(after, key) || (after[key] === undefined && before[key] !== undefined))
      changes.push({ path: [...path, key], unset: true });
  for (const [key, value] of Object.entries(after)) {
    if (value === undefined) continue;
    if (Object.hasOwn(before, key) && before[key] !== undefined)
      changes.push(...patchBetween(before[key], value, [...path, key]));
    else changes.push({ path: [...path, key], set: value });
  }
  return changes;
}

function listPatch(before: readonly unknown[], after: readonly unknown[], path: Path): Patch {
  let head = 0;
  while (head < before.length && head < after.length && isSame(before[head], after[head])) head++;
  let tail = 0;
  while (
    tail < before.length - head &&
    tail < after.length - head &&
    isSame(before[before.length - 1 - tail], after[after.length - 1 - tail])
  )
    tail++;
  const middle = after.slice(head, after.length - tail);
  const remove = before.length - head - tail;
  const changes: Patch = [];
  // As many as before and nobody's id: the same places with other values.
  if (remove === middle.length && middle.every((value, i) => idOf(value) === idOf(before[head + i])))
    for (const [i, value] of middle.entries())
      changes.push(...patchBetween(before[head + i], value, [...path, head + i]));
  else changes.push({ path, at: head, remove, put: middle });
  // The lists are of the new length now: what stands before and after the middle has its new numbers.
  for (let i = 0; i < head; i++) changes.push(...patchBetween(before[i], after[i], [...path, i]));
  for (let i = tail; i > 0; i--)
    changes.push(...patchBetween(before[before.length - i], after[after.length - i], [...path, after.length - i]));
  return changes;
}

function changedAt(value: unknown, path: Path, depth: number, change: Change): unknown {
  const key = path[depth];
  if (key === undefined) {
    if ('set' in change) return change.set;
    if ('put' in change) {
      const list = [...(value as unknown[])];
      // Not spread into a call: a list of tens of thousands does not fit into arguments.
      return [...list.slice(0, change.at), ...change.put, ...list.slice(change.at + change.remove)];
    }
    return value;
  }
  if (Array.isArray(value)) {
    const list = [...value];
    list[key as number] = changedAt(list[key as number], path, depth + 1, change);
    return list;
  }
  // By entries: a field may be called whatever an object has from its prototype.
  const fields = new Map(Object.entries(value as Record<string, unknown>));
  const name = String(key);
  if ('unset' in change && depth === path.length - 1) fields.delete(name);
  else fields.set(name, changedAt(fields.get(name), path, depth + 1, change));
  return Object.fromEntries(fields);
}

/** The value after the changes, in their order. The old value is not touched, and shares what they leave alone. */
export const patched = <T>(value: T, patch: Patch): T =>
  patch.reduce<unknown>((now, change) => changedAt(now, change.path, 0, change), value) as T;
