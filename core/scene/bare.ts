import { overlaps } from '../geometry/box';
import type { Element, Face } from '../job/schema';
import { elementBox } from './face';
import type { TypeSources } from './words';

const mayOverprint = ({ kind, overprint }: Element): boolean =>
  overprint === 'overprints' || (kind === 'words' && overprint === undefined);

/** The elements that may overprint but lie on nothing but paper, by their boxes: whether they do makes no difference. */
export function bareElements({ elements }: Pick<Face, 'elements'>, sources: TypeSources): Set<string> {
  const shown = elements.filter((e) => !e.hidden);
  const boxes = shown.map((e) => elementBox(e, sources));
  return new Set(
    shown.flatMap((element, i) => {
      if (!mayOverprint(element)) return [];
      for (let k = 0; k < i; k++) if (overlaps(boxes[k]!, boxes[i]!)) return [];
      return [element.id];
    }),
  );
}
