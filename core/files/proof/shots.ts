import { layPiece } from '../../checks/on-plates';
import type { ColourEngine, Press } from '../../colour/engine';
import { onStock } from '../../colour/stock';
import type { PlatesAsked } from '../../devices/plates/device';
import { viewOf } from '../../devices/plates/view';
import type { Job, Piece } from '../../job/schema';
import type { FontBook } from '../../type/font';
import { refuseMissing } from '../refuse-missing';
import type { FaceShot } from './changes';

export interface ShotKit {
  engine: ColourEngine;
  fonts: FontBook;
  press: Press;
  picture: PlatesAsked['picture'];
}

/** Each face with its bleed as the press makes it, in the colours of a screen. */
export function faceShots(job: Job, piece: Piece, kit: ShotKit, ppi: number): FaceShot[] {
  refuseMissing(job, piece.faces, (image) => kit.picture(image) !== undefined);
  const toScreen = kit.engine.converter(kit.press.profile, 'sRGB', kit.press.condition, 'quick');
  return layPiece(job, piece, kit, { picture: kit.picture, ppi }).map(({ grid: laid, face }) => {
    const grid = laid();
    const print = viewOf(grid, { kind: 'proof', shown: [...grid.plates.keys()] }, job.inks, toScreen);
    const rgba = onStock(print, piece.order?.colour);
    const rgb = new Uint8Array((rgba.length / 4) * 3);
    for (let i = 0, to = 0; i < rgba.length; i += 4) for (let c = 0; c < 3; c++) rgb[to++] = rgba[i + c]!;
    return { face: face.name, width: grid.width, height: grid.height, ppi: grid.ppi, rgb };
  });
}
