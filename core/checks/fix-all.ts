import type { Job } from '../job/schema';
import type { Finding } from './check';

/** One mend may bring another to light; after so many rounds what is left needs a person. */
const ROUNDS = 6;

/**
 * A job with everything mended that can be mended safely, and what was done. `find` finds anew after each round: an
 * element is mended once a round, so that two mends never work from the same state of it.
 */
export function fixAll(
  job: Job,
  first: readonly Finding[],
  find: (job: Job) => readonly Finding[],
): { job: Job; done: string[] } {
  const done: string[] = [];
  const tried = new Set<string>();
  let findings = first;
  let now = job;
  for (let round = 0; round < ROUNDS; round++) {
    const touched = new Set<string>();
    for (const { fix, element, check } of findings) {
      if (!fix || touched.has(element) || tried.has(`${check} ${element}`)) continue;
      touched.add(element);
      tried.add(`${check} ${element}`);
      const after = fix.apply(now);
      if (after === now) continue;
      now = after;
      done.push(fix.label);
    }
    if (touched.size === 0) break;
    findings = find(now);
  }
  return { job: now, done };
}
