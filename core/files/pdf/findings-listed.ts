import type { Point } from '../../geometry/box';
import { rangesIn } from '../../units/ranges';
import type { FileFinding } from './inspect';

/** Pages by their numbers, neighbours as ranges: “page 3”, “pages 1–4, 7”. */
export function pagesSaid(numbers: readonly number[]): string {
  const ranges = rangesIn(numbers).map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`));
  return ranges.length === 0 ? 'no page' : `${numbers.length === 1 ? 'page' : 'pages'} ${ranges.join(', ')}`;
}

/** A plate as it is listed: what is laid on all of them is none by itself. */
export const plateSaid = (plate: string): string => (plate === 'All' ? 'registration' : plate);

export type FindingListed = Pick<FileFinding, 'check' | 'severity' | 'says'> & {
  pages: number[];
  /** Where it is, as far as it is at one place of a page: points from the corner of its cut. */
  places: { page: number; at: Point }[];
};

/** So many of one kind are listed; how many more there are is told after them. */
const MOST = 3;

function gathered<T>(all: readonly T[], by: (each: T) => string): T[][] {
  const groups = new Map<string, T[]>();
  for (const each of all) {
    const group = groups.get(by(each));
    if (group) group.push(each);
    else groups.set(by(each), [each]);
  }
  return [...groups.values()];
}

/** Findings as they are read: what is the same on several pages once, and of what is on very many pages the first. */
export function findingsListed(findings: readonly FileFinding[]): FindingListed[] {
  const alike = gathered(findings, ({ check, says }) => `${check} ${says}`);
  const lines = alike.map((all): FindingListed => {
    const { check, severity, says } = all[0]!;
    const places = all.flatMap(({ page, at }) => (at ? [{ page, at }] : []));
    const pages = [...new Set(all.map(({ page }) => page))];
    const times = all.length > pages.length ? ` (${all.length} times)` : '';
    return { check, severity, says: says + times, pages, places };
  });
  return gathered(lines, ({ check }) => check).flatMap((all) => {
    const more = all.slice(MOST);
    if (more.length < 2) return all;
    const { check, severity } = all[0]!;
    const pages = [...new Set(more.flatMap((each) => each.pages))].sort((a, b) => a - b);
    const places = more.flatMap((each) => each.places);
    return [...all.slice(0, MOST), { check, severity, says: `${more.length} more like these.`, pages, places }];
  });
}
