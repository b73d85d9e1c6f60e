import type { PlateContext } from '../../checks/plate-check';
import { surfaceOn } from '../../checks/side-surface';
import type { ColourEngine } from '../../colour/engine';
import { type Lamp, shade } from '../../devices/light/shade';
import type { Piece } from '../../job/schema';
import { writePng } from '../../picture/png-file';

/** Light from over the left shoulder, high enough that nothing glares. */
const DAY: Lamp = { x: 0.25, y: -0.25, height: 1.1 };

/** A side as it is finished, in the light where something on it shines or stands out, as a PNG without what is cut away. */
export function sidePicture(piece: Piece, context: PlateContext, engine: ColourEngine) {
  const surface = surfaceOn(piece, context, engine);
  const { face, grid } = context;
  const { width, height, rgba } = surface;
  let data = rgba;
  if (surface.coats.length > 0 || surface.hasRelief) {
    const cells = new Uint32Array(width * height);
    shade(surface, DAY, cells);
    data = new Uint8ClampedArray(cells.buffer);
  }
  return { face: face.id, name: face.name, width, height, png: writePng({ width, height, data }, 4, grid().ppi) };
}
