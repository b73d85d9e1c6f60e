import { baseFont, isEmbedded } from './drawn/fonts';
import { type PageRead, type PictureDrawn, pictureDrawn, readPage } from './page-read';
import { type BoxNumbers, boxAt, mediaOf, trimOf } from './parsed/boxes';
import { parsePdf } from './parsed/file';
import { contentsOf } from './parsed/filters';
import { placedIn } from './parsed/placed';
import { spotsIn } from './parsed/spots';
import type { Dict } from './parsed/syntax';
import { Stream } from './parsed/syntax';
import { arrayOf, dictOf, nameOf, type PdfView, textOf, viewFile } from './parsed/view';
import { xmpOf } from './parsed/xmp';
import { COLOUR_RULES } from './rules/colour';

/** What a written file says when it is read again. Boxes in points as [x0, y0, x1, y1], origin lower left. */
export interface PdfFacts {
  version: string;
  standard: string | undefined;
  pages: PageFacts[];
  fonts: FontFacts[];
  spots: string[];
  /** Screen colours that are left anywhere. */
  screenColours: string[];
}
export interface PageFacts {
  media: BoxNumbers;
  /** Those that the page says; its sheet and its trim otherwise. */
  bleed: BoxNumbers;
  trim: BoxNumbers;
  crop: BoxNumbers | undefined;
  /** Degrees clockwise that a reader turns the page before it is shown. */
  turned: number;
  pictures: PictureDrawn[];
}
export interface FontFacts {
  name: string;
  /** Its subtype, as PDF names it. */
  kind: string;
  embedded: boolean;
  subset: boolean;
  searchable: boolean;
}
function fontFacts({ file }: PdfView, font: Dict): FontFacts {
  const own = dictOf(file, arrayOf(file, font.get('DescendantFonts'))[0]) ?? font;
  return {
    ...baseFont(file, font),
    kind: nameOf(file, own.get('Subtype')) ?? '',
    embedded: own.has('CharProcs') || isEmbedded({ file }, dictOf(file, own.get('FontDescriptor'))),
    searchable: font.has('ToUnicode'),
  };
}

/** The fonts that contents use, but for some. */
export function fontsIn(view: PdfView, but: ReadonlySet<Dict> = new Set()): FontFacts[] {
  const fonts = view.contents.flatMap(({ resources }) => [
    ...(dictOf(view.file, resources.get('Font'))?.values() ?? []),
  ]);
  const facts = fonts.flatMap((each) => {
    const font = dictOf(view.file, each);
    return font && !but.has(font) ? [fontFacts(view, font)] : [];
  });
  return [...new Map(facts.map((each) => [each.name, each])).values()];
}

/** The standard that a file says it goes by: PDF/X-1a in Info, PDF/X-4 in its XMP packet. */
export function standardOf(view: PdfView): string | undefined {
  const { file, info } = view;
  const told = textOf(file, info.get('GTS_PDFXConformance')) ?? textOf(file, info.get('GTS_PDFXVersion'));
  return told ?? xmpOf(view).value('pdfxid:GTS_PDFXVersion');
}

const intentIn = ({ file, catalog }: PdfView): Dict | undefined =>
  dictOf(file, arrayOf(file, catalog.get('OutputIntents'))[0]);

/** The press that a file says it is printed for. */
export const intentOf = (view: PdfView): string | undefined => {
  const intent = intentIn(view);
  return textOf(view.file, intent?.get('Info')) ?? textOf(view.file, intent?.get('OutputConditionIdentifier'));
};

/** The bytes of the profile that a file is printed for. */
function profileOf(view: PdfView): Uint8Array | undefined {
  const stream = view.file.get(intentIn(view)?.get('DestOutputProfile'));
  return stream instanceof Stream ? contentsOf(stream, view.file) : undefined;
}

/** Colours that are no amounts of ink. Files of this app have none, whichever standard they go by. */
export const screenColoursIn = (view: PdfView): string[] =>
  COLOUR_RULES.find(({ id }) => id === 'ink-spaces')!.faults(view, 'PDF/X-1a:2003');

/** A file that has been read: what it says, and each of its pages as it is drawn. */
export interface FileRead {
  view: PdfView;
  facts: PdfFacts;
  pages: PageRead[];
  profile: Uint8Array | undefined;
}

/** Reads a file whole. Throws SyntaxFault where it cannot be read. */
export function readFile(bytes: Uint8Array): FileRead {
  const view = viewFile(parsePdf(bytes));
  const { file } = view;
  const pages = view.pages.map((_, i) => readPage(view, i, undefined, { placedApart: true }));
  const facts: PdfFacts = {
    version: file.version,
    standard: standardOf(view),
    pages: pages.map(({ pictures }, i) => {
      const page = view.pages[i]!;
      const media = mediaOf(view, page);
      const trim = trimOf(view, page);
      return {
        media,
        trim,
        bleed: boxAt(view, page, 'BleedBox') ?? boxAt(view, page, 'CropBox') ?? media,
        crop: boxAt(view, page, 'CropBox'),
        turned: Number(file.get(page.get('Rotate')) ?? 0),
        pictures: pictures.map((picture) => pictureDrawn(view, picture)),
      };
    }),
    fonts: fontsIn(view, placedIn(view)),
    spots: spotsIn(view),
    screenColours: screenColoursIn(view),
  };
  return { view, facts, pages, profile: profileOf(view) };
}
