import { contentsOf, parsePdf } from './parsed/file';
import { type PictureDrawn, picturesOn, spotsIn } from './parsed/pictures';
import type { Dict } from './parsed/syntax';
import { Stream } from './parsed/syntax';
import { arrayOf, dictOf, nameOf, type PdfView, textOf, viewFile } from './parsed/view';
import { COLOUR_RULES } from './rules/colour';

/** What a written file says when it is read again. Boxes in points as [x0, y0, x1, y1], origin lower left. */
export interface PdfFacts {
  version: string;
  standard: string | undefined;
  intent: string | undefined;
  pages: PageFacts[];
  fonts: FontFacts[];
  spots: string[];
  /** Screen colours that are left anywhere. */
  screenColours: string[];
}
export interface PageFacts {
  media: BoxNumbers;
  bleed: BoxNumbers;
  trim: BoxNumbers;
  pictures: PictureDrawn[];
  words: string;
  /** The quarter turns clockwise at which most of its words run; none where it has no words. */
  wordsRun: number | undefined;
}
export interface FontFacts {
  name: string;
  embedded: boolean;
  subset: boolean;
  searchable: boolean;
}
export type BoxNumbers = [x0: number, y0: number, x1: number, y1: number];

/** The few calls of pdf.js that are used; its legacy build serves browsers, workers and Node alike. */
export interface PdfReader {
  getDocument(source: { data: Uint8Array; isEvalSupported: boolean; useSystemFonts: boolean; verbosity: number }): {
    promise: Promise<{
      getPage(n: number): Promise<{ getTextContent(): Promise<{ items: unknown[] }> }>;
      destroy(): Promise<void>;
    }>;
  };
}

function boxOf({ file }: PdfView, page: Dict, name: string): BoxNumbers {
  const values = arrayOf(file, page.get(name)).map((each) => Number(file.get(each)));
  return (values.length === 4 ? values : [0, 0, 0, 0]) as BoxNumbers;
}

function fontFacts({ file }: PdfView, font: Dict): FontFacts {
  const name = nameOf(file, font.get('BaseFont')) ?? '';
  const own = dictOf(file, arrayOf(file, font.get('DescendantFonts'))[0]) ?? font;
  const descriptor = dictOf(file, own.get('FontDescriptor'));
  return {
    name: name.replace(/^[A-Z]{6}\+/, ''),
    embedded: ['FontFile', 'FontFile2', 'FontFile3'].some((key) => descriptor?.has(key)),
    subset: /^[A-Z]{6}\+/.test(name),
    searchable: font.has('ToUnicode'),
  };
}

function fontsIn(view: PdfView): FontFacts[] {
  const fonts = view.contents.flatMap(({ resources }) => [
    ...(dictOf(view.file, resources.get('Font'))?.values() ?? []),
  ]);
  const facts = fonts.flatMap((each) => {
    const font = dictOf(view.file, each);
    return font ? [fontFacts(view, font)] : [];
  });
  return [...new Map(facts.map((each) => [each.name, each])).values()];
}

/** The standard that a file says it goes by: PDF/X-1a in Info, PDF/X-4 in its XMP packet. */
function standardOf({ file, info, catalog }: PdfView): string | undefined {
  const told = textOf(file, info.get('GTS_PDFXConformance')) ?? textOf(file, info.get('GTS_PDFXVersion'));
  if (told) return told;
  const stream = file.get(catalog.get('Metadata'));
  const xmp = stream instanceof Stream ? new TextDecoder().decode(contentsOf(stream, file)) : '';
  return /<pdfxid:GTS_PDFXVersion>([^<]+)</.exec(xmp)?.[1];
}

/** The quarter turn at which most letters of a page run. */
function turnOfWords(items: readonly { str?: string; transform?: number[] }[]): number | undefined {
  const letters = [0, 0, 0, 0];
  for (const { str = '', transform } of items) {
    if (!transform) continue;
    const quarter = Math.atan2(-transform[1]!, transform[0]!) / (Math.PI / 2);
    if (Math.abs(quarter - Math.round(quarter)) < 0.02) letters[(Math.round(quarter) + 4) % 4]! += str.trim().length;
  }
  const most = Math.max(...letters);
  return most > 0 ? letters.indexOf(most) : undefined;
}

/** Opens a PDF and says what is in it: its objects by a reader of their own, words as pdf.js reads them. */
export async function readBack(bytes: Uint8Array, reader: PdfReader): Promise<PdfFacts> {
  const view = viewFile(parsePdf(bytes));
  const { file } = view;
  const intent = dictOf(file, arrayOf(file, view.catalog.get('OutputIntents'))[0]);
  const drawn = await reader.getDocument({
    data: bytes.slice(),
    isEvalSupported: false,
    useSystemFonts: false,
    verbosity: 0,
  }).promise;
  const pages: PageFacts[] = [];
  for (const [i, dict] of view.pages.entries()) {
    const page = await drawn.getPage(i + 1);
    const { items } = await page.getTextContent();
    pages.push({
      media: boxOf(view, dict, 'MediaBox'),
      bleed: boxOf(view, dict, 'BleedBox'),
      trim: boxOf(view, dict, 'TrimBox'),
      pictures: picturesOn(view, i + 1),
      words: (items as { str?: string; hasEOL?: boolean }[])
        .map((item) => (item.str ?? '') + (item.hasEOL ? '\n' : ''))
        .join(''),
      wordsRun: turnOfWords(items as { str?: string; transform?: number[] }[]),
    });
  }
  await drawn.destroy();
  return {
    version: file.version,
    standard: standardOf(view),
    intent: intent && textOf(file, intent.get('Info')),
    pages,
    fonts: fontsIn(view),
    spots: spotsIn(view),
    // Files of this app have no colours that are not inks, whichever standard they go by.
    screenColours: COLOUR_RULES.find(({ id }) => id === 'ink-spaces')!.faults(view, 'PDF/X-1a:2003'),
  };
}
