import type { Converter } from '../../colour/engine';
import { onStock } from '../../colour/stock';
import { boxPath } from '../../geometry/path';
import { factsOf } from '../../job/finishing';
import type { Face, Piece } from '../../job/schema';
import { asFace } from '../../job/turned';
import { cutOutline, drawFinish, finishesOn, sideBox, throughOn } from '../../scene/finishing';
import type { SceneSources } from '../../scene/sources';
import { type PlateGrid, platesDevice } from '../plates/device';
import { viewOf } from '../plates/view';
import { type FinishPlate, type Surface, surfaceOf } from './surface';

const NO_PICTURES = { picture: () => undefined };
const ONE = { left: 1 };

/** How much of each cell is left once a side is cut along its die line or its rounded corners, and punched. */
function leftOf(piece: Piece, face: Face, { box, ppi }: PlateGrid): Float32Array {
  const device = platesDevice({ box, ppi, ...NO_PICTURES });
  device.fillPath(cutOutline(piece, face) ?? boxPath(sideBox(piece, face)), ONE);
  for (const { paths } of throughOn(piece, face, 'holes')) for (const path of paths) device.fillPath(path, { left: 0 });
  return device.grid().plates.get('left') ?? new Float32Array(0);
}

/** The plates of what is done to a side as `shownFaces` has it, on the same cells as its print. */
function finishPlates(piece: Piece, face: Face, { box, ppi }: PlateGrid, sources: SceneSources): FinishPlate[] {
  return finishesOn(piece, face).flatMap((each) => {
    if (factsOf(each.finish).draws === 'lines') return [];
    const device = platesDevice({ box, ppi, ...NO_PICTURES });
    drawFinish(each, asFace(piece, face), sources, device);
    const [amounts] = device.grid().plates.values();
    return amounts ? [{ finish: each.finish, amounts }] : [];
  });
}

/** A side of a finished piece as a surface for light, from the plates of its print without bleed. `face` as `shownFaces` has it. */
export function sideSurface(
  piece: Piece,
  face: Face,
  grid: PlateGrid,
  sources: SceneSources,
  toScreen: Converter,
): Surface {
  const rgba = viewOf(grid, { kind: 'proof', shown: [...grid.plates.keys()] }, sources.inks, toScreen);
  return surfaceOf(
    grid,
    onStock(rgba, sources.stock),
    finishPlates(piece, face, grid, sources),
    leftOf(piece, face, grid),
  );
}
