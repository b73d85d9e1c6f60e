import { isFlat } from '../colour/fill';
import type { Plates } from '../colour/ink';
import { contains, overlaps } from '../geometry/box';
import type { Element, Face } from '../job/schema';
import { plates } from './colour';
import { elementBox } from './face';
import type { SceneSources } from './sources';
import { isTurned } from './turn';

/** What elements that may overprint lie on, by their ids: the plates of one even ground, none of them for bare paper. */
export type Grounds = ReadonlyMap<string, Plates>;

/** Whether an element prints on what is below it, or may: small black words do by themselves. */
export const mayOverprint = ({ kind, overprint }: Element): boolean =>
  overprint === 'overprints' || (kind === 'words' && overprint === undefined);

/** The plates of an element that is a whole rectangle of one colour, and of nothing that lies below it. */
function evenPlates(element: Element, sources: SceneSources): Plates | undefined {
  if (element.kind !== 'shape' || !isFlat(element.paint)) return undefined;
  const { form, outline, stroke, repeat, opacity = 1, overprint } = element;
  const isPlain = !form && !outline && !stroke && !repeat && opacity === 1 && overprint !== 'overprints';
  return isPlain && !isTurned(element) ? plates(element.paint, sources) : undefined;
}

function groundsNow({ elements }: Pick<Face, 'elements'>, sources: SceneSources): Grounds {
  const shown = elements.filter((e) => !e.hidden);
  const boxes = shown.map((e) => elementBox(e, sources));
  const grounds = new Map<string, Plates>();
  shown.forEach((element, i) => {
    if (!mayOverprint(element)) return;
    const below = boxes.findLastIndex((box, k) => k < i && overlaps(box, boxes[i]!));
    if (below < 0) grounds.set(element.id, {});
    else if (element.kind !== 'picture' && contains(boxes[below]!, boxes[i]!)) {
      const even = evenPlates(shown[below]!, sources);
      if (even) grounds.set(element.id, even);
    }
  });
  return grounds;
}

// Edits never change a face in place, so its grounds stay right for as long as it and what it is drawn from live.
const kept = new WeakMap<Pick<Face, 'elements'>, { sources: SceneSources; grounds: Grounds }>();

/** The grounds of a face as it is drawn. What lies on several things, or on a picture, has none. */
export function groundsOf(face: Pick<Face, 'elements'>, sources: SceneSources): Grounds {
  const found = kept.get(face);
  if (found?.sources === sources) return found.grounds;
  const grounds = groundsNow(face, sources);
  kept.set(face, { sources, grounds });
  return grounds;
}
