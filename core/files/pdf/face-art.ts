import { drawFlat } from '../../devices/flat/flat';
import { pdfDevice } from '../../devices/pdf/device';
import type { Box } from '../../geometry/box';
import type { Face, Piece } from '../../job/schema';
import { asFace, ontoSheet } from '../../job/turned';
import type { Device } from '../../scene/device';
import { drawFace } from '../../scene/face';
import { drawFinish, type FinishOnFace } from '../../scene/finishing';
import type { SceneSources } from '../../scene/sources';
import { placedDevice } from '../../scene/turn';
import type { OpenDocument } from './document';
import { inLayer } from './layers';

/** More cells than this of what is see-through take more memory than a browser gives. */
const MOST_CELLS = 30_000_000;

/** Draws a face as it lies on its sheet, turned where its sheet is. */
export function drawOnSheet(piece: Piece, face: Face, sources: SceneSources, device: Device): void {
  const onto = ontoSheet(piece, face);
  drawFace(face, sources, onto ? placedDevice(device, { ...onto, scale: 1 }) : device);
}

/** Draws what a finish does on a face as it lies on its sheet. */
export function drawFinishOnSheet(
  piece: Piece,
  face: Face,
  finish: FinishOnFace,
  sources: SceneSources,
  device: Device,
): void {
  const onto = ontoSheet(piece, face);
  const on = onto ? placedDevice(device, { ...onto, scale: 1 }) : device;
  drawFinish(finish, asFace(piece, face), sources, on);
}

/** What a finish does on a face, as a content of its own in its layer. */
export function finishArt(
  document: OpenDocument,
  piece: Piece,
  face: Face,
  finish: FinishOnFace,
  sources: SceneSources,
  { media, words }: { media: Box; words: 'text' | 'outlines' },
): { content: string; names: ReadonlySet<string> } {
  const device = pdfDevice(media, document.uses, words);
  drawFinishOnSheet(piece, face, finish, sources, device);
  return inLayer(document, finish.finish, { content: device.content(), names: device.names() });
}

/** A face as it lies on its sheet, without marks, drawn into a content whose sheet is `media`; flat where it has to be. */
export function faceArt(
  { uses, desk, seeThrough }: OpenDocument,
  piece: Piece,
  face: Face,
  sources: SceneSources,
  asked: { media: Box; bleed: Box; ppi: number; words: 'text' | 'outlines' },
): { content: string; names: ReadonlySet<string> } {
  const device = pdfDevice(asked.media, uses, asked.words);
  const draw = (on: Device): void => drawOnSheet(piece, face, sources, on);
  const most = 72 * Math.sqrt(MOST_CELLS / (asked.bleed.width * asked.bleed.height));
  if (seeThrough) draw(device);
  else drawFlat(draw, device, { box: asked.bleed, ppi: Math.min(asked.ppi, most), picture: desk.separated });
  return { content: device.content(), names: device.names() };
}
