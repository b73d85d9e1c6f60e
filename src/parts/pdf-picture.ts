import { pdfjsOfPage } from '../../workers/pdfjs';

/** A page of a PDF as a picture, for looking at. */

export interface PageDrawn {
  canvas: OffscreenCanvas;
  /** Of the page, in points. */
  width: number;
  height: number;
}

/** Draws a page, 1 first, `ppi` pixels an inch but its longer side no more than `most`. Throws where it cannot be drawn. */
export async function drawPdfPage(bytes: Uint8Array, page: number, ppi: number, most: number): Promise<PageDrawn> {
  const pdf = await pdfjsOfPage();
  const loading = pdf.getDocument({ data: bytes.slice(), isEvalSupported: false });
  try {
    const file = await loading.promise;
    const shown = await file.getPage(page);
    const plain = shown.getViewport({ scale: 1 });
    const scale = Math.min(ppi / 72, most / Math.max(plain.width, plain.height));
    const viewport = shown.getViewport({ scale });
    const canvas = document.createElement('canvas');
    canvas.width = Math.ceil(viewport.width);
    canvas.height = Math.ceil(viewport.height);
    // A context of our own: of one it makes by itself, what nothing is drawn on is black.
    const canvasContext = canvas.getContext('2d', { willReadFrequently: true })!;
    await shown.render({ canvas: null, canvasContext, viewport, background: 'rgba(0,0,0,0)' }).promise;
    const copy = new OffscreenCanvas(canvas.width, canvas.height);
    copy.getContext('2d')!.drawImage(canvas, 0, 0);
    return { canvas: copy, width: plain.width, height: plain.height };
  } finally {
    await loading.destroy();
  }
}
