import type { Path } from '../geometry/path';
import type { Element } from '../job/schema';
import { drawElement } from './face';
import { silhouetteDevice } from './silhouette';
import type { SceneSources } from './sources';

/** All that an element covers on its face, as it is turned, copies and lines too; shadows are no part of it. */
export function seenArea(element: Element, sources: SceneSources): Path {
  const device = silhouetteDevice();
  const { shadow: _shadow, ...plain } = element;
  drawElement(plain as Element, sources, device);
  return device.path();
}
