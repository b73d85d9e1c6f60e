import { isFlat } from '../colour/fill';
import { paintsShown } from '../job/paints-shown';
import type { Element, Paint } from '../job/schema';
import type { SceneSources } from '../scene/sources';

/** The tints below solid that an element prints flat, paper left out. */
export const tintsOf = (element: Element, { styles }: Pick<SceneSources, 'styles'>): Paint[] =>
  (element.kind === 'shape' || element.kind === 'rule') && !isFlat(element.paint)
    ? []
    : paintsShown(element, styles).filter(({ ink, tint }) => ink !== 'paper' && tint > 0 && tint < 1);
