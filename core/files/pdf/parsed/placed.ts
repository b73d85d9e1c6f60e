import { type Dict, Ref, Stream, type Value } from './syntax';
import type { PdfView } from './view';

/** Pages of other files that lie in one of ours as they are. */

/** Our own entry of such a form. Names of one's own begin with the maker's (ISO 32000-1, annex E). */
export const PLACED = 'TDYE_Placed';

/** Every dictionary that a value leads to, those of streams too; never up to a parent. */
export function dictsBelow({ file }: PdfView, from: Value | undefined): Set<Dict> {
  const seen = new Set<unknown>();
  const found = new Set<Dict>();
  const left: (Value | undefined)[] = [from];
  while (left.length > 0) {
    const given = left.pop();
    const value = given instanceof Ref ? file.get(given) : given;
    if (value === null || typeof value !== 'object' || seen.has(value)) continue;
    seen.add(value);
    const dict = value instanceof Stream ? value.dict : value instanceof Map ? value : undefined;
    if (dict) found.add(dict);
    if (dict) for (const [key, each] of dict) key !== 'Parent' && left.push(each);
    else if (Array.isArray(value)) left.push(...value);
  }
  return found;
}

/** All that belongs to placed pages. */
export function placedIn(view: PdfView): Set<Dict> {
  const forms = view.streams.filter(({ dict }) => dict.has(PLACED));
  return new Set(forms.flatMap(({ dict }) => [...dictsBelow(view, dict.get('Resources'))]));
}
