import type { Progress } from '../core/files/pdf/document';
import { type Inspection, inspectPdf } from '../core/files/pdf/inspect';
import { faultSaid, SyntaxFault } from '../core/files/pdf/parsed/syntax';
import type { ShopSpec } from '../core/trade/schema';
import { loadJpegDecoder } from './decoders';
import { drawPages, type PagePicture } from './draw-pages';
import { openKit } from './kit';

/** Files of other makes, looked into off the page's thread. */

export interface Inspected {
  name: string;
  inspection: Inspection;
  /** The first pages as a reader draws them; none where it cannot. */
  pages: PagePicture[];
}

/** A larger file is not looked into: it would not fit beside what is drawn from it. */
const MOST_BYTES = 300_000_000;
/** Pages that are shown. */
const MOST_SHOWN = 24;

/** Looks into a PDF as a shop with this spec would. Throws with words for the user. */
export async function inspectFile(
  file: Blob,
  name: string,
  shop: ShopSpec,
  tell: (progress: Progress) => void,
): Promise<Inspected> {
  tell({ done: 0, what: `Opening ${name}` });
  if (file.size > MOST_BYTES)
    throw new Error(
      `${name} has ${Math.round(file.size / 1e6)} MB, at most ${MOST_BYTES / 1e6} MB can be checked. Split it.`,
    );
  const [kit] = await Promise.all([openKit(async () => undefined).load(), loadJpegDecoder()]);
  const bytes = new Uint8Array(await file.arrayBuffer());
  try {
    const { separateAll } = kit.press(shop.condition);
    const inspection = await inspectPdf(bytes, shop, {
      screenInks: separateAll,
      hear: (page, of) => tell({ done: (0.9 * (page - 1)) / of, what: `Reading page ${page} of ${of}` }),
    });
    tell({ done: 0.9, what: 'Drawing its pages' });
    return { name, inspection, pages: await drawPages(bytes, MOST_SHOWN).catch(() => []) };
  } catch (error) {
    if (!(error instanceof SyntaxFault)) throw error;
    throw new Error(`${name} cannot be read: ${faultSaid(error, 'Export it again from the program that made it.')}`);
  }
}
