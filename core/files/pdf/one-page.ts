import { PDFContext, PDFDict, PDFHeader, PDFName, PDFWriter } from '@cantoo/pdf-lib';
import { contentOf, copier } from './embed-page';
import type { PdfView } from './parsed/view';
import { flate } from './streams';

/** A page of a file as a file of its own: its objects as they are, and nothing of the others. */

/** What of a page says how it is drawn (ISO 32000-1, table 30). */
const KEPT = ['MediaBox', 'CropBox', 'BleedBox', 'TrimBox', 'ArtBox', 'Rotate', 'UserUnit', 'Resources', 'Group'];

export async function onePage(view: PdfView, n: number): Promise<Uint8Array> {
  const context = PDFContext.create();
  context.header = PDFHeader.forVersion(1, 7);
  const copy = copier(view, context);
  const tree = context.nextRef();
  const page = PDFDict.withContext(context);
  for (const [key, value] of view.pages[n]!) if (KEPT.includes(key)) page.set(PDFName.of(key), copy(value));
  page.set(PDFName.of('Type'), PDFName.of('Page'));
  page.set(PDFName.of('Parent'), tree);
  page.set(PDFName.of('Contents'), context.register(flate(context, contentOf(view, n))));
  context.assign(tree, context.obj({ Type: 'Pages', Kids: [context.register(page)], Count: 1 }));
  context.trailerInfo.Root = context.register(context.obj({ Type: 'Catalog', Pages: tree }));
  return PDFWriter.forContext(context, Number.POSITIVE_INFINITY).serializeToBuffer();
}
