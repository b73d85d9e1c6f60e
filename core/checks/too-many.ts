import type { Element } from '../job/schema';
import { elementFrame } from '../scene/face';
import type { CheckContext, Finding } from './check';

/** Advice about a face as a whole points at the words that brought one too many. */
export function tooMany(
  { face, sources }: CheckContext,
  check: string,
  most: number,
  valuesOf: (element: Element) => (string | number)[],
  problem: (values: string) => string,
): Finding[] {
  const seen = new Set<string | number>();
  let last: Element | undefined;
  for (const element of face.elements)
    for (const value of valuesOf(element)) {
      if (!seen.has(value)) last = element;
      seen.add(value);
    }
  if (!last || seen.size <= most) return [];
  const values = [...seen].sort((a, b) => (typeof a === 'number' && typeof b === 'number' ? a - b : 0)).join(', ');
  return [
    {
      check,
      severity: 'advise',
      face: face.id,
      element: last.id,
      place: elementFrame(last, sources),
      problem: problem(values),
      measured: { value: seen.size, kind: 'count' },
      wanted: { value: most, kind: 'count' },
    },
  ];
}
