import { PDFContext, PDFHeader, PDFHexString, type PDFRef, PDFWriter } from '@cantoo/pdf-lib';
import type { ColourEngine, Press } from '../../colour/engine';
import { noUses, type PdfUses } from '../../devices/pdf/uses';
import { type Box, bottom, right } from '../../geometry/box';
import type { Job } from '../../job/schema';
import type { FontBook } from '../../type/font';
import type { FontCutter } from '../../type/subset';
import { ExportError, type PageBoxes, type PicturesAsked } from './asked';
import { catalog, infoOf, layersEntry } from './catalog';
import { embedFont } from './fonts';
import type { FileFacts } from './metadata';
import { type PictureDesk, pictureDesk } from './pictures';
import { nameUses, resourcesOf, separation } from './resources';
import { STANDARD_FACTS, type Standard } from './standards';
import { flate } from './streams';

/** What the writer works with besides the job. */
export interface PdfKit {
  engine: ColourEngine;
  press: Press;
  fonts: FontBook;
  cutter: FontCutter;
  /** The bytes of the job's pictures, by hash. */
  assets: Readonly<Record<string, Uint8Array>>;
}

export interface Progress {
  /** 0 to 1. */
  done: number;
  what: string;
}

/** Hands the thread back between steps, so that progress shows and a cancel is heard. */
export type Tell = (progress: Progress) => void | Promise<void>;

/** A file that is being written: what its pages share. */
export interface OpenDocument {
  context: PDFContext;
  job: Job;
  standard: Standard;
  seeThrough: boolean;
  uses: PdfUses;
  desk: PictureDesk;
  plateRef(plate: string): PDFRef;
  /** Layers of its pages by the names of their plates: finishing, marked as what it is. */
  layers: Map<string, { key: string; ref: PDFRef }>;
}

/** A page's content with the names it uses, and its boxes. */
export interface PageContent {
  content: string;
  names: ReadonlySet<string>;
  boxes: PageBoxes;
}

/** A box in the page's own coordinates: origin at the media box's lower left corner, y up. */
export const pdfBox = (box: Box, media: Box): [number, number, number, number] => [
  box.x - media.x,
  bottom(media) - bottom(box),
  right(box) - media.x,
  bottom(media) - box.y,
];

/** What follows shows only inside a box of the page. */
export const clipTo = ([x0, y0, x1, y1]: readonly number[]): string =>
  `${[x0, y0, x1! - x0!, y1! - y0!].map((n) => Math.round(n! * 10_000) / 10_000).join(' ')} re W n`;

export function openDocument(job: Job, standard: Standard, kit: PdfKit, pictures?: PicturesAsked): OpenDocument {
  const { pdf, seeThrough } = STANDARD_FACTS[standard];
  const context = PDFContext.create();
  context.header = PDFHeader.forVersion(...pdf);
  const spots = new Map<string, PDFRef>();
  const plateRef = (plate: string): PDFRef => {
    const ref = spots.get(plate) ?? separation(context, plate, job);
    spots.set(plate, ref);
    return ref;
  };
  const nameOf = (hash: string): string | undefined => job.assets[hash]?.name;
  const desk = pictureDesk(context, job.inks, plateRef, { ...kit, nameOf }, pictures);
  return { context, job, standard, seeThrough, uses: noUses(), desk, plateRef, layers: new Map() };
}

export function refuseForbidden({ fonts }: PdfUses): void {
  for (const { font } of fonts.values())
    if (font.embedding === 'forbidden')
      throw new ExportError(
        `The maker of ${font.postscriptName} does not let it go into an exported file (fsType). Set those words in another typeface, or get a licence that lets it.`,
      );
}

/** Embeds all that the pages use and writes the file; `tell` hears of the share from `from` to 1. */
export async function closeDocument(
  document: OpenDocument,
  contents: readonly PageContent[],
  facts: FileFacts,
  kit: PdfKit,
  tell: Tell,
  from: number,
): Promise<Uint8Array> {
  const { context, job, standard, seeThrough, uses, desk, plateRef, layers } = document;
  const hear = (share: number, what: string) => tell({ done: from + (1 - from) * share, what });
  refuseForbidden(uses);
  const images = new Map<string, PDFRef>();
  for (const [i, [name, { image, ppi }]] of [...uses.images].entries()) {
    await hear((0.75 * i) / uses.images.size, `Separating ${job.assets[image.asset]?.name ?? 'a picture'}`);
    images.set(name, desk.embed(image, ppi));
  }

  await hear(0.8, 'Embedding typefaces');
  const fonts = new Map([...uses.fonts.values()].map((use) => [use.typeface, embedFont(context, use, kit.cutter)]));
  const named = new Map(nameUses(context, uses, { fonts, images, plateRef }, job));
  for (const { key, ref } of layers.values()) named.set(key, { category: 'Properties', ref });

  await hear(0.9, 'Writing the file');
  const tree = context.nextRef();
  const group = seeThrough ? { Group: { Type: 'Group', S: 'Transparency', CS: 'DeviceCMYK', I: true } } : {};
  const pages = contents.map(({ content, names, boxes }) =>
    context.register(
      context.obj({
        Type: 'Page',
        Parent: tree,
        MediaBox: pdfBox(boxes.media, boxes.media),
        BleedBox: pdfBox(boxes.bleed, boxes.media),
        TrimBox: pdfBox(boxes.trim, boxes.media),
        ...group,
        Resources: resourcesOf(context, names, named),
        Contents: context.register(flate(context, new TextEncoder().encode(content))),
      } as never),
    ),
  );
  context.assign(tree, context.obj({ Type: 'Pages', Kids: pages, Count: pages.length }));
  const profileName = kit.engine.describe(kit.press.profile).name;
  context.trailerInfo.Root = catalog(
    context,
    tree,
    kit.press,
    profileName,
    facts,
    standard,
    layersEntry([...layers.values()].map(({ ref }) => ref)),
  );
  context.trailerInfo.Info = infoOf(context, facts, standard);
  context.trailerInfo.ID = context.obj([PDFHexString.of(facts.id), PDFHexString.of(facts.id)]);
  const file = await PDFWriter.forContext(context, Number.POSITIVE_INFINITY).serializeToBuffer();
  await tell({ done: 1, what: 'Done' });
  return file;
}
