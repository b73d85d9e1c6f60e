import type { Press } from '../colour/engine';
import { coverOf } from '../devices/plates/cover';
import type { PlateGrid } from '../devices/plates/device';
import { platesAtCell } from '../devices/plates/readings';
import type { Matrix } from '../geometry/matrix';
import { transformPath } from '../geometry/path';
import type { Element } from '../job/schema';
import { drawElement } from '../scene/face';
import { silhouetteDevice } from '../scene/silhouette';
import type { SceneSources } from '../scene/sources';
import { lightnessOfPlates } from './words-on-plates';

/** Cells of a mark that are looked at, at most. */
const MOST = 2000;
/** A mark is seen by the part of it that stands out the most: white letters on a dark badge show on a dark ground too. */
const SEEN = 0.2;

/**
 * How far a mark of several elements stands out from what lies under it: the difference of CIE L* between the plates before
 * and after it is drawn, reached by a fifth of its area; undefined where none of it lies on them.
 */
export function markContrast(
  members: readonly Element[],
  below: PlateGrid,
  above: PlateGrid,
  sources: SceneSources,
  press: Press,
): number | undefined {
  const device = silhouetteDevice();
  for (const element of members) drawElement(element, sources, device);
  const scale = below.ppi / 72;
  const toGrid: Matrix = [scale, 0, 0, scale, -below.box.x * scale, -below.box.y * scale];
  const { x, y, width, shares } = coverOf(transformPath(device.path(), toGrid), below.width, below.height);
  const inked = [...shares.keys()].filter((i) => shares[i]! > 0.5);
  const step = Math.ceil(inked.length / MOST);
  const lightness = lightnessOfPlates(sources, press);
  const differences = inked
    .filter((_, n) => n % step === 0)
    .map((i) => {
      const cell = (y + Math.floor(i / width)) * below.width + x + (i % width);
      return Math.abs(lightness(platesAtCell(above, cell)) - lightness(platesAtCell(below, cell)));
    });
  return differences.sort((a, b) => b - a)[Math.floor(SEEN * (differences.length - 1))];
}
