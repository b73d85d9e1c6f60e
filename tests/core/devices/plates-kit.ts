import { type PlateGrid, platesDevice } from '../../../core/devices/plates/device';
import type { JobBundle } from '../../../core/files/job-parts';
import { type Box, outset } from '../../../core/geometry/box';
import { pressConditionOf } from '../../../core/job/press-of';
import { decodePicture } from '../../../core/picture/decode';
import { type SeparatedPicture, separatePicture } from '../../../core/picture/separate';
import { imageKey } from '../../../core/scene/device';
import { drawFace } from '../../../core/scene/face';
import { printedFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { shopOf } from '../../../core/trade/shops';
import { kit } from '../../kit';

/** The plates of one face of a job's piece, bleed and all. */
export function gridOf({ job, assets }: JobBundle, pieceIndex: number, faceIndex: number, ppi: number): PlateGrid {
  const piece = job.pieces[pieceIndex]!;
  const shop = shopOf(piece.shop);
  const press = kit.press(pressConditionOf(job, shop));
  const sources = sourcesOf(job, kit.fonts);
  const box: Box = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, shop.bleed[piece.kind]);
  const made = new Map<string, SeparatedPicture>();
  const device = platesDevice({
    box,
    ppi,
    picture(image) {
      const found =
        made.get(imageKey(image)) ??
        separatePicture(decodePicture(assets[image.asset]!), kit.engine, press, image.separation);
      made.set(imageKey(image), found);
      return found;
    },
  });
  drawFace(printedFaces(piece, sources)[faceIndex]!, sources, device);
  return device.grid();
}
