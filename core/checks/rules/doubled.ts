import { removeElement } from '../../job/edits/elements';
import type { Element } from '../../job/schema';
import type { Check, Finding } from '../check';
import { found } from '../found';

const kept = new WeakMap<Element, string>();
/** All that an element draws, as text: two with the same lie exactly on one another. */
export function drawing(element: Element): string {
  const known = kept.get(element);
  if (known !== undefined) return known;
  const { id: _id, name: _name, group: _group, locked: _locked, ...drawn } = element;
  const text = JSON.stringify(drawn, Object.keys(flatKeys(drawn)).sort());
  kept.set(element, text);
  return text;
}
/** Every key anywhere in a value: written in one order, equal things are equal texts. */
function flatKeys(value: unknown, keys: Record<string, true> = {}): Record<string, true> {
  if (Array.isArray(value)) for (const each of value) flatKeys(each, keys);
  else if (value !== null && typeof value === 'object')
    for (const [key, inner] of Object.entries(value)) {
      keys[key] = true;
      flatKeys(inner, keys);
    }
  return keys;
}

export const doubled: Check = {
  id: 'doubled',
  name: 'One thing twice in the same place',
  protects: 'Doubled letters print bolder, doubled tints darker; and moving one leaves the other behind.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const seen = new Set<string>();
    return context.face.elements.flatMap((element): Finding[] => {
      const text = drawing(element);
      if (!seen.has(text)) {
        seen.add(text);
        return [];
      }
      return [
        found(doubled, element, context, {
          problem: 'Lies exactly on another one like it',
          measured: { value: 2, kind: 'count' },
          wanted: { value: 1, kind: 'count' },
          fix: { label: 'Delete one', apply: (job) => removeElement(job, element.id) },
        }),
      ];
    });
  },
};
