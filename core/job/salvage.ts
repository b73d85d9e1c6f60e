import { crossFaults } from './cross-faults';
import { faultWords } from './fault-words';
import { makeJob } from './make';
import { migrate } from './migrate';
import type { Job } from './schema';
import { type JobFault, partFault } from './whole';

/** What can be opened of a job that is broken. */
export interface Salvaged {
  job: Job;
  /** What was set aside, a line each: what it was, where, and why. */
  aside: string[];
}

type Loose = Record<string, unknown>;
const isRecord = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** More than so many things set aside, and it is not worth opening. */
const MOST_ASIDE = 2000;

/** A value without what stands at a path; a list loses the entry. */
function without(value: unknown, path: readonly PropertyKey[]): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (Array.isArray(value))
    return rest.length === 0
      ? value.filter((_, i) => i !== key)
      : value.map((v, i) => (i === key ? without(v, rest) : v));
  if (!isRecord(value)) return value;
  const copy = { ...value };
  if (rest.length === 0) delete copy[String(key)];
  else copy[String(key)] = without(copy[String(key)], rest);
  return copy;
}

/** The largest thing a fault is let cost: an element, a person, an entry of a list; a piece where its own facts are wrong. */
function partAt(path: readonly PropertyKey[]): readonly PropertyKey[] | undefined {
  if (path[0] === 'pieces' && typeof path[1] === 'number') {
    if (path[2] === 'faces' && typeof path[3] === 'number') {
      if (path[4] === 'elements' && typeof path[5] === 'number') return path.slice(0, 6);
      if (path[4] !== undefined && path[4] !== 'id' && path[4] !== 'name' && path[4] !== 'elements')
        return path.slice(0, 5);
    }
    return path.slice(0, 2);
  }
  return typeof path[1] === 'number' ? path.slice(0, 2) : undefined;
}

const nameOf = (value: unknown): string => {
  const { name, kind, text } = isRecord(value) ? value : ({} as Loose);
  const said = [name, text, kind].find((each): each is string => typeof each === 'string' && each !== '');
  return (said ?? 'a part').slice(0, 60);
};
const at = (value: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((now, key) => (now as Record<PropertyKey, unknown> | undefined)?.[key], value);

/** The job's own facts, each replaced by that of an empty job where it is wrong or missing. */
function withFacts(loose: Loose): Loose {
  const empty = makeJob('repaired', 'Repaired job', new Date(0).toISOString()) as unknown as Loose;
  return { ...Object.fromEntries(Object.keys(empty).map((key) => [key, loose[key] ?? empty[key]])) };
}

function repairPart(job: Loose, fault: JobFault, aside: string[]): Loose | undefined {
  const part = partAt(fault.path);
  const path = part ?? fault.path.slice(0, 1);
  if (path.length === 0) return undefined;
  const lost = at(job, path);
  let why = fault.message;
  try {
    why = faultWords(job as unknown as Job, fault);
  } catch {
    // The job is too broken to be told about.
  }
  aside.push(`${nameOf(lost)} (${why})`);
  const next = without(job, path) as Loose;
  return path.length === 1 ? withFacts(next) : next;
}

/** Sets aside whatever makes the parts of a job contradict one another. */
function repairCross(job: Job, aside: string[]): Job | undefined {
  const faults = crossFaults(job);
  const inks = faults.flatMap((fault) => /^the ink (.+) is missing$/.exec(fault)?.[1] ?? []);
  if (inks.length > 0) {
    aside.push(...inks.map((id) => `the ink ${id}, in whose place black stands`));
    const stand = inks.map((id) => ({
      id,
      name: `Missing ink ${id}`.slice(0, 60),
      kind: 'process' as const,
      cmyk: [0, 0, 0, 1] as [number, number, number, number],
    }));
    return { ...job, inks: [...job.inks, ...stand] };
  }
  for (const [p, piece] of job.pieces.entries())
    for (const [f, face] of piece.faces.entries())
      for (const [e, element] of face.elements.entries()) {
        const less = without(job, ['pieces', p, 'faces', f, 'elements', e]) as Job;
        if (crossFaults(less).length >= faults.length) continue;
        aside.push(`${nameOf(element)} on ${piece.name}, ${face.name} (${faults[0]})`);
        return less;
      }
  for (const key of ['pieces', 'people', 'logos', 'shops', 'styles', 'inks'] as const)
    for (const [i, part] of job[key].entries()) {
      const less = without(job, [key, i]) as Job;
      if (crossFaults(less).length >= faults.length || (key === 'pieces' && less.pieces.length === 0)) continue;
      aside.push(`${nameOf(part)} (${faults[0]})`);
      return less;
    }
  const groups = job.pieces.some((piece) => piece.faces.some((face) => face.groups));
  if (!groups) return undefined;
  aside.push('all groups');
  return {
    ...job,
    pieces: job.pieces.map((piece) => ({
      ...piece,
      faces: piece.faces.map(({ groups: _groups, ...face }) => ({
        ...face,
        elements: face.elements.map(({ group: _group, ...element }) => element as typeof element),
      })) as typeof piece.faces,
    })),
  };
}

/** Opens what can be opened of whatever was kept as a job; undefined where that is nothing. */
export function salvage(json: unknown): Salvaged | undefined {
  if (!isRecord(json)) return undefined;
  let loose: Loose;
  try {
    loose = withFacts(migrate(json) as Loose);
  } catch {
    return undefined;
  }
  const aside: string[] = [];
  while (aside.length < MOST_ASIDE) {
    let fault: JobFault | undefined;
    try {
      fault = partFault(loose as unknown as Job);
    } catch {
      // A list that is none.
      const bad = ['pieces', 'people', 'logos'].find((key) => !Array.isArray(loose[key]));
      if (!bad) return undefined;
      fault = { message: 'is no list', path: [bad] };
    }
    if (fault) {
      const next = repairPart(loose, fault, aside);
      if (!next) return undefined;
      loose = next;
      continue;
    }
    const job = loose as unknown as Job;
    if (crossFaults(job).length === 0) return job.pieces.length > 0 || aside.length === 0 ? { job, aside } : undefined;
    const next = repairCross(job, aside);
    if (!next) return undefined;
    loose = next as unknown as Loose;
  }
  return undefined;
}
