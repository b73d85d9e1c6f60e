import type { PlateGrid, PlatesAsked } from '../devices/plates/device';
import type { Element } from '../job/schema';
import type { Check, CheckContext, Finding, Fix } from './check';

/** What a check that reads the plates looks at besides. */
export interface PlateContext extends CheckContext {
  grid: PlateGrid;
  /** The sum of the plates at each cell. */
  totals: Float32Array;
  /** How far words stand out from what lies under them, by their ids; CIE L*. */
  contrasts: ReadonlyMap<string, number>;
  /** The separated pictures. */
  picture: PlatesAsked['picture'];
  /** What overprinting elements and the several things below them come to, by their ids. */
  mixtures: ReadonlyMap<string, PlateGrid>;
}

/** What a fix is worked out from: the plates may be elsewhere by then. */
export type FixContext = Pick<CheckContext, 'sources' | 'press'>;

export interface PlateCheck extends Omit<Check, 'run'> {
  /** Findings as plain data, without fixes. */
  run(context: PlateContext): Finding[];
  mend?(element: Element, finding: Finding, context: FixContext): Fix | undefined;
}
