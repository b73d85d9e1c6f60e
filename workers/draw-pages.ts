import { pdfjsOfWorker } from './pdfjs';

/** Pages of a PDF as pictures, drawn by pdf.js as any reader would. Letters as outlines: a worker has no fonts of its own. */

const PPI = 144;
/** No picture of a page is larger than this on a side, in pixels. */
const LARGEST = 1600;

class Canvases {
  create(width: number, height: number) {
    const canvas = new OffscreenCanvas(width, height);
    return { canvas, context: canvas.getContext('2d') };
  }
  reset(made: { canvas: OffscreenCanvas }, width: number, height: number): void {
    made.canvas.width = width;
    made.canvas.height = height;
  }
  destroy(made: { canvas: OffscreenCanvas }): void {
    made.canvas.width = 0;
    made.canvas.height = 0;
  }
}

/** What pdf.js filters pictures with; without a document there is nothing to make such filters of. */
class NoFilters {
  addFilter = (): string => 'none';
  addHCMFilter = (): string => 'none';
  addAlphaFilter = (): string => 'none';
  addLuminosityFilter = (): string => 'none';
  addKnockoutFilter = (): string => 'none';
  addHighlightHCMFilter = (): string => 'none';
  destroy(): void {}
}

export interface PagePicture {
  image: Blob;
  width: number;
  height: number;
}

/** Draws the pages of a file, the first ones where they are more than `most`. */
export async function drawPages(bytes: Uint8Array, most = Number.POSITIVE_INFINITY): Promise<PagePicture[]> {
  const { getDocument } = await pdfjsOfWorker();
  const document = await getDocument({
    data: bytes.slice(),
    isEvalSupported: false,
    useSystemFonts: false,
    disableFontFace: true,
    verbosity: 0,
    CanvasFactory: Canvases,
    FilterFactory: NoFilters,
  } as never).promise;
  const pictures: PagePicture[] = [];
  for (let n = 1; n <= Math.min(document.numPages, most); n++) {
    const page = await document.getPage(n);
    const whole = page.getViewport({ scale: 1 });
    const scale = Math.min(PPI / 72, LARGEST / Math.max(whole.width, whole.height));
    const viewport = page.getViewport({ scale });
    const canvas = new OffscreenCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
    const canvasContext = canvas.getContext('2d');
    await page.render({ canvasContext, viewport } as never).promise;
    pictures.push({
      image: await canvas.convertToBlob({ type: 'image/png' }),
      width: whole.width,
      height: whole.height,
    });
  }
  await document.destroy();
  return pictures;
}
