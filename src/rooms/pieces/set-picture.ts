import type { Job } from '../../../core/job/schema';
import { plateRoom } from '../../bench/kit';
import type { Table } from './table';

/** The set on its table as one picture to show a client: what the press makes of each face, at one scale. */

/** Pixels of the longer side. */
const LONG_SIDE = 3600;
const TABLE = '#cbcac6';
const INK = '#24221e';

/** Pixels drawn for each that is shown: what is made smaller is smooth. */
const FINER = 1.5;

function canvasOf(image: ImageData): OffscreenCanvas {
  const canvas = new OffscreenCanvas(image.width, image.height);
  canvas.getContext('2d')!.putImageData(image, 0, 0);
  return canvas;
}

let last: { job: Job; picture: Blob } | undefined;

/** The set as a picture, made once for each state of the job; `tell` hears how far it has come, 0 to 1. */
export async function setPicture(job: Job, table: Table, tell: (done: number) => void): Promise<Blob> {
  if (last?.job !== job) last = { job, picture: await drawn(job, table, tell) };
  return last.picture;
}

async function drawn(job: Job, table: Table, tell: (done: number) => void): Promise<Blob> {
  const scale = LONG_SIDE / Math.max(table.width, table.height);
  const canvas = new OffscreenCanvas(Math.round(table.width * scale), Math.round(table.height * scale));
  const context = canvas.getContext('2d')!;
  context.fillStyle = TABLE;
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.imageSmoothingQuality = 'high';
  for (const [i, { piece }] of table.pieces.entries()) {
    tell(i / table.pieces.length);
    const images = await plateRoom().asCut({ job, pieceId: piece.id }, 72 * scale * FINER);
    for (const { face, x, y, width, height } of table.faces.filter((each) => each.piece === piece)) {
      const image = images[piece.faces.indexOf(face)];
      context.shadowColor = 'rgb(0 0 0 / .3)';
      context.shadowBlur = 18;
      context.shadowOffsetY = 6;
      context.fillStyle = '#fff';
      const box = [x, y, width, height].map((v) => v * scale) as [number, number, number, number];
      context.fillRect(...box);
      context.shadowColor = 'transparent';
      if (image) context.drawImage(canvasOf(image), ...box);
    }
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
