import { inkBounds } from '../devices/bounds';
import { type Area, areasOf, hits } from '../job/areas';
import { sourceWords } from '../trade/source-words';
import { type CheckContext, type Finding, laidOut } from './check';

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
    const ink = element.part ? undefined : inkBounds(element, sources);
    if (!ink) return [];
    return areas
      .filter((area) => hits(area, ink))
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
