import { isFlat } from '../colour/fill';
import { totalOf } from '../colour/ink';
import type { Shape } from '../job/schema';
import { plates } from '../scene/colour';
import type { SceneSources } from '../scene/sources';

/** How much ink a flat area lays, 1 is 100 %; nothing where its colour runs. */
export const inkLaid = ({ paint, opacity = 1 }: Shape, sources: SceneSources): number =>
  isFlat(paint) ? opacity * totalOf(plates(paint, sources)) : 0;
