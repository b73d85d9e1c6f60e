import type { PlateGrid, PlatesAsked } from '../devices/plates/device';
import type { Element, Words } from '../job/schema';
import type { Check, CheckContext, Finding, Fix } from './check';
import type { MarkOn } from './mark-on-plates';
import type { Placed } from './placed-logos';

/** What a check that reads the plates looks at besides. */
export interface PlateContext extends CheckContext {
  /** The whole face on its plates, laid when it is first asked for: most of what is asked can be told without. */
  grid(): PlateGrid;
  /** The sum of the plates at each cell. */
  totals(): Float32Array;
  /** No cell has more ink than this, and all of them less as a rule; 1 is 100 %. Nothing is laid for it. */
  mostInk(): number;
  /** How far words of the face stand out from what lies under them, CIE L*; undefined where no letter is on the plates. */
  contrastOf(words: Words): number | undefined;
  /** How a logo stands out; undefined where none of it is on the plates. */
  markOn(placed: Placed): MarkOn | undefined;
  /** What overprinting elements and the several things below them come to, by their ids. */
  mixtures(): ReadonlyMap<string, PlateGrid>;
  /** The separated pictures. */
  picture: PlatesAsked['picture'];
}

/** What a fix is worked out from: the plates may be elsewhere by then. */
export type FixContext = Pick<CheckContext, 'sources' | 'press'>;

export interface PlateCheck extends Omit<Check, 'run'> {
  /** Findings as plain data, without fixes. */
  run(context: PlateContext): Finding[];
  mend?(element: Element, finding: Finding, context: FixContext): Fix | undefined;
}
