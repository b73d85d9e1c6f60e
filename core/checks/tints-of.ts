import { isFlat } from '../colour/fill';
import { paintsShown } from '../job/paints-shown';
import type { Element, Paint } from '../job/schema';
import type { SceneSources } from '../scene/sources';

/** What an element prints flat, paper left out. */
export const flatPaintsOf = (element: Element, { styles }: Pick<SceneSources, 'styles'>): Paint[] =>
  (element.kind === 'shape' || element.kind === 'rule') && !isFlat(element.paint)
    ? []
    : paintsShown(element, styles).filter(({ ink, tint }) => ink !== 'paper' && tint > 0);

/** The tints below solid among it. */
export const tintsOf = (element: Element, sources: Pick<SceneSources, 'styles'>): Paint[] =>
  flatPaintsOf(element, sources).filter(({ tint }) => tint < 1);
