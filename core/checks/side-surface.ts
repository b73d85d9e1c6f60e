import type { ColourEngine } from '../colour/engine';
import { sideSurface } from '../devices/light/side';
import type { Surface } from '../devices/light/surface';
import type { Piece } from '../job/schema';
import { shownFaces } from '../scene/shown-faces';
import type { PlateContext } from './plate-check';

/** A side of a piece that was laid on its plates, without bleed, as a surface for light. */
export function surfaceOn(piece: Piece, { face, grid, press, sources }: PlateContext, engine: ColourEngine): Surface {
  // What prints alone is on the plates; what is done to the side besides is on the side as it is shown.
  const shown = shownFaces(piece, sources).find(({ id }) => id === face.id) ?? face;
  const toScreen = engine.converter(press.profile, 'sRGB', press.condition, 'quick');
  return sideSurface(piece, shown, grid(), sources, toScreen);
}
