import { inkBounds } from '../devices/bounds';
import type { Box } from '../geometry/box';
import { combinedRings, type PathsD } from '../geometry/clipping';
import { flatten } from '../geometry/flatten';
import { isFramed } from '../job/edits/elements';
import { isPaper } from '../job/paints-shown';
import type { Element } from '../job/schema';
import { seenArea } from '../scene/seen-area';
import type { SceneSources } from '../scene/sources';

/** What a cut must leave whole: words, codes and logos. */
export const isWhole = ({ kind, logo }: Element): boolean => kind === 'words' || kind === 'code' || logo === true;

/** The areas and pictures whose ink is wanted, as one, those on top taking away where they are paper; curves within `tolerance`, points. */
export function colouredArea(
  elements: readonly Element[],
  isWanted: (ink: Box) => boolean,
  tolerance: number,
  sources: SceneSources,
): PathsD {
  let all: PathsD = [];
  for (const element of elements) {
    if (!isFramed(element) || element.kind === 'code') continue;
    const ink = inkBounds(element, sources);
    if (!ink || !isWanted(ink)) continue;
    const area = flatten(seenArea(element, sources), tolerance).map(({ points }) => points) as PathsD;
    if (isPaper(element)) all = combinedRings('difference', all, area);
    else if ((element.opacity ?? 1) > 0) all = combinedRings('union', all, area);
  }
  return all;
}
