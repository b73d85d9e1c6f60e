import { isFlat } from '../colour/fill';
import { redReflectance } from '../colour/reflectance';
import { inkBounds } from '../devices/bounds';
import { type Area, areasOf, hits } from '../job/areas';
import { isPaper } from '../job/paints-shown';
import type { Element } from '../job/schema';
import { plates } from '../scene/colour';
import { sourceWords } from '../trade/source-words';
import { type CheckContext, type Finding, laidOut } from './check';
import { inkIn } from './ink-shape';
import { isMeantFor } from './meant-for';

/** Whether an area may have a ground as light as a flat element is: a sorting machine still reads on it. */
function isLightEnough(element: Element, { light }: Area, { sources }: CheckContext): boolean {
  if (light === undefined || element.kind !== 'shape' || element.stroke || !isFlat(element.paint)) return false;
  return redReflectance(plates(element.paint, sources), sources.inks) >= light;
}

/** Elements whose ink lies in an area of a kind. */
export function inAreas(
  context: CheckContext,
  kind: Area['kind'],
  tell: (area: Area) => Pick<Finding, 'check' | 'severity' | 'problem'>,
) {
  const { face, sources } = context;
  const areas = areasOf(laidOut(context), face).filter((area) => area.kind === kind);
  if (areas.length === 0) return [];
  return face.elements.flatMap((element): Finding[] => {
    const ink = element.part || isPaper(element) ? undefined : inkBounds(element, sources);
    if (!ink) return [];
    return areas
      .filter(
        (area) =>
          !isMeantFor(area, element, context.job, context.piece) &&
          hits(area, ink) &&
          inkIn(element, area.boxes, sources) &&
          !isLightEnough(element, area, context),
      )
      .map((area) => ({
        ...tell(area),
        of: area.id,
        face: face.id,
        element: element.id,
        place: ink,
        measured: { value: 1, kind: 'count' },
        wanted: { value: 0, kind: 'count' },
        rule: `${area.says} (${sourceWords(area.source)})`,
      }));
  });
}
