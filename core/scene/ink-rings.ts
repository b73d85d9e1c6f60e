import type { PathD, PathsD } from 'clipper2-ts';
import { flatten } from '../geometry/flatten';
import type { Element } from '../job/schema';
import { seenArea } from './seen-area';
import type { SceneSources } from './sources';

/** Curves become straight pieces within this, points. */
const TOLERANCE = 0.05;

// By element: edits never change one in place. Beside the element only the named styles move ink.
const kept = new WeakMap<Element, { styles: SceneSources['styles']; rings: PathsD }>();

/** The outlines of an element's ink, read by the non-zero rule. Shadows are no part of it. */
export function inkRings(element: Element, sources: SceneSources): PathsD {
  const found = kept.get(element);
  if (found?.styles === sources.styles) return found.rings;
  const rings = flatten(seenArea(element, sources), TOLERANCE).map(({ points }) => points as PathD);
  kept.set(element, { styles: sources.styles, rings });
  return rings;
}
