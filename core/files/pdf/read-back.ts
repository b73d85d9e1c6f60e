import {
  decodePDFRawStream,
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFRawStream,
  PDFString,
} from '@cantoo/pdf-lib';

/** What a written file says when it is read again. Boxes in points as [x0, y0, x1, y1], origin lower left. */
export interface PdfFacts {
  version: string;
  standard: string | undefined;
  intent: string | undefined;
  pages: PageFacts[];
  fonts: FontFacts[];
  /** Screen colours that are left anywhere: names of colour spaces, and of operators that set them. */
  screenColours: string[];
}
export interface PageFacts {
  media: BoxNumbers;
  bleed: BoxNumbers;
  trim: BoxNumbers;
  pictures: PictureSeen[];
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
export interface PictureSeen {
  width: number;
  height: number;
  ppi: number;
}
export type BoxNumbers = [x0: number, y0: number, x1: number, y1: number];

/** The few calls of pdf.js that are used; its legacy build serves browsers, workers and Node alike. */
export interface PdfReader {
  getDocument(source: { data: Uint8Array; isEvalSupported: boolean; useSystemFonts: boolean; verbosity: number }): {
    promise: Promise<{
      numPages: number;
      getPage(n: number): Promise<{
        getOperatorList(): Promise<{ fnArray: number[]; argsArray: unknown[] }>;
        getTextContent(): Promise<{ items: unknown[] }>;
      }>;
      destroy(): Promise<void>;
    }>;
  };
  OPS: Record<string, number>;
}

const boxOf = (page: PDFDict, name: string): BoxNumbers => {
  const array = page.lookupMaybe(PDFName.of(name), PDFArray);
  return (
    array ? Array.from({ length: 4 }, (_, i) => array.lookup(i, PDFNumber).asNumber()) : [0, 0, 0, 0]
  ) as BoxNumbers;
};

function fontFacts(font: PDFDict): FontFacts {
  const name = font.lookup(PDFName.of('BaseFont'), PDFName).decodeText();
  const descendant = font.lookupMaybe(PDFName.of('DescendantFonts'), PDFArray)?.lookup(0, PDFDict) ?? font;
  const descriptor = descendant.lookupMaybe(PDFName.of('FontDescriptor'), PDFDict);
  const embedded = ['FontFile', 'FontFile2', 'FontFile3'].some((key) => descriptor?.has(PDFName.of(key)));
  return {
    name: name.replace(/^[A-Z]{6}\+/, ''),
    embedded,
    subset: /^[A-Z]{6}\+/.test(name),
    searchable: font.has(PDFName.of('ToUnicode')),
  };
}

type M = [number, number, number, number, number, number];
const times = ([a, b, c, d, e, f]: M, [g, h, i, j, k, l]: M): M => [
  a * g + c * h,
  b * g + d * h,
  a * i + c * j,
  b * i + d * j,
  a * k + c * l + e,
  b * k + d * l + f,
];

/** Follows the drawing of a page and measures each picture at the size it is drawn. */
function picturesDrawn(list: { fnArray: number[]; argsArray: unknown[] }, OPS: Record<string, number>): PictureSeen[] {
  const seen: PictureSeen[] = [];
  const stack: M[] = [];
  let now: M = [1, 0, 0, 1, 0, 0];
  list.fnArray.forEach((op, i) => {
    const args = list.argsArray[i] as unknown[];
    if (op === OPS['save']) stack.push(now);
    else if (op === OPS['restore']) now = stack.pop() ?? now;
    else if (op === OPS['transform']) now = times(now, args as M);
    else if (op === OPS['paintImageXObject']) {
      const [, width, height] = args as [string, number, number];
      seen.push({ width, height, ppi: (width / Math.hypot(now[0], now[1])) * 72 });
    }
  });
  return seen;
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

/** Colour spaces of screens, by their names in a file (ISO 32000-1, 8.6.4 and 8.6.5). */
const SCREEN_SPACES = /\/(DeviceRGB|CalRGB|CalGray)\b/g;
const SCREEN_OPERATORS = /(?:^|\s)(rg|RG)(?=\s)/g;

/** What sets or names a screen colour in a document: in its objects, and in the contents it draws. */
function screenColoursIn(document: PDFDocument): string[] {
  const found = new Set<string>();
  for (const [, object] of document.context.enumerateIndirectObjects()) {
    const isStream = object instanceof PDFRawStream;
    const text = isStream ? object.dict.toString() : object.toString();
    for (const [, name] of text.matchAll(SCREEN_SPACES)) found.add(name!);
    // Contents, forms among them, have no colour space or type of image of their own.
    if (!isStream || /\/(Image|Metadata|FontFile|FunctionType|Alternate|Length1|CIDFontType0C)\b/.test(text)) continue;
    const content = new TextDecoder('latin1').decode(decodePDFRawStream(object).decode());
    for (const [, name] of content.matchAll(SCREEN_OPERATORS)) found.add(name!);
  }
  return [...found].sort();
}

/** Opens a PDF and says what is in it: boxes and fonts from its objects, pictures and words as drawn by pdf.js. */
export async function readBack(bytes: Uint8Array, reader: PdfReader): Promise<PdfFacts> {
  const document = await PDFDocument.load(bytes, { updateMetadata: false });
  const fonts = new Map<string, FontFacts>();
  const pageDicts = document.getPages().map((page) => page.node);
  for (const page of pageDicts) {
    const list = page.Resources()?.lookupMaybe(PDFName.of('Font'), PDFDict);
    for (const key of list?.keys() ?? []) {
      const facts = fontFacts(list!.lookup(key, PDFDict));
      fonts.set(facts.name, facts);
    }
  }
  const intent = document.catalog.lookupMaybe(PDFName.of('OutputIntents'), PDFArray)?.lookup(0, PDFDict);
  const info = intent?.lookup(PDFName.of('Info'));
  const metadata = document.catalog.lookup(PDFName.of('Metadata'));
  const xmp = metadata instanceof PDFRawStream ? new TextDecoder().decode(metadata.contents) : '';

  const drawn = await reader.getDocument({
    data: bytes.slice(),
    isEvalSupported: false,
    useSystemFonts: false,
    verbosity: 0,
  }).promise;
  const pages: PageFacts[] = [];
  for (const [i, dict] of pageDicts.entries()) {
    const page = await drawn.getPage(i + 1);
    const { items } = await page.getTextContent();
    pages.push({
      media: boxOf(dict, 'MediaBox'),
      bleed: boxOf(dict, 'BleedBox'),
      trim: boxOf(dict, 'TrimBox'),
      pictures: picturesDrawn(await page.getOperatorList(), reader.OPS),
      words: (items as { str?: string; hasEOL?: boolean }[])
        .map((item) => (item.str ?? '') + (item.hasEOL ? '\n' : ''))
        .join(''),
      wordsRun: turnOfWords(items as { str?: string; transform?: number[] }[]),
    });
  }
  await drawn.destroy();
  return {
    version: new TextDecoder('latin1').decode(bytes.subarray(5, 8)),
    standard: /<pdfxid:GTS_PDFXVersion>([^<]+)</.exec(xmp)?.[1],
    intent: info instanceof PDFString || info instanceof PDFHexString ? info.decodeText() : undefined,
    pages,
    fonts: [...fonts.values()],
    screenColours: screenColoursIn(document),
  };
}
