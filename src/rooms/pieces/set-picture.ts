import type { Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { plateRoom } from '../../bench/kit';
import type { OnTable, Table } from './table';

/** The set on its table as one picture to show a client: what the press makes of each face, at one scale. */

/** Pixels of the longer side. */
const LONG_SIDE = 3600;
const TABLE = '#cbcac6';
const INK = '#24221e';

/** One face as it is cut, in the colours of the press. */
async function faceImage(job: Job, { piece, face, width, height }: OnTable): Promise<OffscreenCanvas | undefined> {
  const asked = { job, pieceId: piece.id, faceId: face.id };
  const plates = await plateRoom().facePlates(asked);
  if (!plates) return undefined;
  const shown = [...plates.plates.keys()];
  const pixels = await plateRoom().lookAt({ ...asked, view: { kind: 'proof', shown }, paper: false });
  if (!pixels) return undefined;
  const scale = plates.ppi / 72;
  const bleed = shopIn(job, piece.shop).bleed[piece.kind] * scale;
  const cut = new OffscreenCanvas(Math.round(width * scale), Math.round(height * scale));
  cut.getContext('2d')!.putImageData(pixels, -Math.round(bleed), -Math.round(bleed));
  return cut;
}

/** Draws the set; `tell` hears how far it has come, 0 to 1. */
export async function setPicture(job: Job, table: Table, tell: (done: number) => void): Promise<Blob> {
  const scale = LONG_SIDE / Math.max(table.width, table.height);
  const canvas = new OffscreenCanvas(Math.round(table.width * scale), Math.round(table.height * scale));
  const context = canvas.getContext('2d')!;
  context.fillStyle = TABLE;
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.imageSmoothingQuality = 'high';
  for (const [i, face] of table.faces.entries()) {
    tell(i / table.faces.length);
    const image = await faceImage(job, face);
    context.shadowColor = 'rgb(0 0 0 / .3)';
    context.shadowBlur = 18;
    context.shadowOffsetY = 6;
    context.fillStyle = '#fff';
    const box = [face.x, face.y, face.width, face.height].map((v) => v * scale) as [number, number, number, number];
    context.fillRect(...box);
    context.shadowColor = 'transparent';
    if (image) context.drawImage(image, ...box);
  }
  context.fillStyle = INK;
  context.font = `600 ${LONG_SIDE / 90}px "Source Sans 3 Variable", sans-serif`;
  for (const { piece, x, y, height } of table.pieces)
    context.fillText(piece.name, x * scale, (y + height) * scale + LONG_SIDE / 60);
  tell(1);
  return canvas.convertToBlob({ type: 'image/png' });
}

/** The picture as a PDF of one page, 420 mm on its longer side. */
export async function setPdf(picture: Blob, table: Table, title: string): Promise<Uint8Array> {
  const { PDFDocument } = await import('@cantoo/pdf-lib');
  const file = await PDFDocument.create();
  file.setTitle(title);
  const image = await file.embedPng(await picture.arrayBuffer());
  const long = (420 * 72) / 25.4;
  const scale = long / Math.max(table.width, table.height);
  const page = file.addPage([table.width * scale, table.height * scale]);
  page.drawImage(image, { x: 0, y: 0, width: page.getWidth(), height: page.getHeight() });
  return file.save();
}
