import type { TemplateSize } from '../../../core/job/underlay';
import { artKindOf } from '../../parts/art-file';
import { drawPdfPage } from '../../parts/pdf-picture';

/** A shop's template as a picture to lie under the work: from a picture, a drawing, or the first page of a PDF. */
export interface Template {
  png: Uint8Array;
  size: TemplateSize;
}

/** A template that cannot be used; the message is for the user. */
export class TemplateError extends Error {}

const MOST_BYTES = 60_000_000;
/** Pixels of the longer side at most, and an inch of a page. */
const LONG_SIDE = 3000;
const PPI = 200;

async function asPng(canvas: OffscreenCanvas): Promise<Uint8Array> {
  const blob = await canvas.convertToBlob({ type: 'image/png' });
  return new Uint8Array(await blob.arrayBuffer());
}

/** The first page of a PDF, at its size. */
async function fromPdf(bytes: Uint8Array): Promise<Template> {
  try {
    const { canvas, width, height } = await drawPdfPage(bytes, 1, PPI, LONG_SIDE);
    return { png: await asPng(canvas), size: { width, height, exact: true } };
  } catch (error) {
    throw new TemplateError(`This PDF cannot be shown: ${(error as Error).message}. Ask the shop for a PNG of it.`);
  }
}

/** A drawing through the browser, which runs nothing that is in it; its size is that of CSS pixels, 96 an inch. */
async function fromSvg(bytes: Uint8Array): Promise<Template> {
  const url = URL.createObjectURL(new Blob([bytes.slice()], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const [width, height] = [image.naturalWidth, image.naturalHeight];
    if (!(width > 0 && height > 0)) throw new Error('no size');
    const scale = LONG_SIDE / Math.max(width, height);
    const canvas = new OffscreenCanvas(Math.round(width * scale), Math.round(height * scale));
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return { png: await asPng(canvas), size: { width: width * 0.75, height: height * 0.75, exact: true } };
  } catch {
    throw new TemplateError(
      'This drawing cannot be shown. It may be damaged, or say no size: save it again as SVG or PNG.',
    );
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** A picture: its pixels say its proportions, not its size. */
async function fromPicture(bytes: Uint8Array): Promise<Template> {
  try {
    const bitmap = await createImageBitmap(new Blob([bytes.slice()]));
    const scale = Math.min(1, LONG_SIDE / Math.max(bitmap.width, bitmap.height));
    const canvas = new OffscreenCanvas(Math.round(bitmap.width * scale), Math.round(bitmap.height * scale));
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    return { png: await asPng(canvas), size: { width: bitmap.width, height: bitmap.height, exact: false } };
  } catch {
    throw new TemplateError('This picture cannot be shown. Save it again as PNG or JPEG.');
  }
}

export async function readTemplate(file: File): Promise<Template> {
  if (file.size > MOST_BYTES)
    throw new TemplateError('This template is larger than 60 MB. Ask the shop for a smaller one.');
  const kind = await artKindOf(file);
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (kind === 'pdf') return fromPdf(bytes);
  return kind === 'svg' ? fromSvg(bytes) : fromPicture(bytes);
}
