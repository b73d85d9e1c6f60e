import { PDFContext, PDFHeader, PDFHexString, PDFName, type PDFRef, PDFString, PDFWriter } from '@cantoo/pdf-lib';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { ColourEngine, Press } from '../../colour/engine';
import { noUses, pdfDevice } from '../../devices/pdf';
import { type Box, bottom, outset, right } from '../../geometry/box';
import { facePanels } from '../../job/areas';
import { pieceOf } from '../../job/find';
import type { Face, Job, Piece } from '../../job/schema';
import { ontoSheet } from '../../job/turned';
import { decodePicture } from '../../picture/decode';
import { separatePicture } from '../../picture/separate';
import { drawFace } from '../../scene/face';
import { drawCropMarks, drawFoldMarks, mediaBox } from '../../scene/marks';
import { drawCheckLine, OFFICE_SHEETS, type OfficeSheet, officeSheet } from '../../scene/office-sheet';
import { printedFaces } from '../../scene/shown-faces';
import { sourcesOf } from '../../scene/sources';
import { placedDevice } from '../../scene/turn';
import { foldLines } from '../../trade/folds';
import type { ShopSpec } from '../../trade/schema';
import type { FontBook } from '../../type/font';
import type { FontCutter } from '../../type/subset';
import { embedFont } from './fonts';
import { embedPicture } from './images';
import { type FileFacts, PRODUCER, pdfDate, xmpPacket } from './metadata';
import { nameUses, resourcesOf, separation } from './resources';
import { flate, plain } from './streams';

/** What the writer works with besides the job. */
export interface PdfKit {
  engine: ColourEngine;
  press: Press;
  fonts: FontBook;
  cutter: FontCutter;
  /** The bytes of the job's pictures, by hash. */
  assets: Readonly<Record<string, Uint8Array>>;
}

export interface PdfAsked {
  pieceId: string;
  shop: ShopSpec;
  /** Faces by number from 0, in the order of their pages; all where it is left out. */
  faces?: readonly number[];
  marks: boolean;
  /** Words as text that can be searched, or as the outlines of their letters. */
  words?: 'text' | 'outlines';
  /** The paper of an office printer that the piece lies on at its size, in the middle; its own sheet where it is left out. */
  office?: OfficeSheet;
}

export interface Progress {
  /** 0 to 1. */
  done: number;
  what: string;
}

/** Hands the thread back between steps, so that progress shows and a cancel is heard. */
export type Tell = (progress: Progress) => void | Promise<void>;

/** The boxes of a page as asked, in points from the trim's corner, y down. */
export interface PageBoxes {
  trim: Box;
  bleed: Box;
  media: Box;
}

/** Throws ExportError where the piece is too large for the office printer's sheet. */
export function pageBoxes(piece: Piece, shop: ShopSpec, marks: boolean, office?: OfficeSheet): PageBoxes {
  const trim: Box = { x: 0, y: 0, width: piece.width, height: piece.height };
  const bleed = shop.bleed[piece.kind];
  const media = mediaBox(trim, bleed, marks ? shop.marks : undefined);
  const sheet = office ? officeSheet(office, trim, media) : media;
  if (!sheet)
    throw new ExportError(
      `${piece.name} with its marks is too large for ${OFFICE_SHEETS[office!].name} at its own size. Leave the marks out, or have the shop print it.`,
    );
  return { trim, bleed: outset(trim, bleed), media: sheet };
}

/** What the line that is measured is said in: it ships with the app. */
export const OFFICE_TYPEFACE = 'source-sans-3/regular';

/** A box in the page's own coordinates: origin at the media box's lower left corner, y up. */
const pdfBox = (box: Box, media: Box): [number, number, number, number] => [
  box.x - media.x,
  bottom(media) - bottom(box),
  right(box) - media.x,
  bottom(media) - box.y,
];

function catalog(context: PDFContext, pages: PDFRef, press: Press, profileName: string, facts: FileFacts): PDFRef {
  const profile = context.register(flate(context, press.profile, { N: 4, Alternate: 'DeviceCMYK' }));
  const intent = context.register(
    context.obj({
      Type: 'OutputIntent',
      S: 'GTS_PDFX',
      OutputConditionIdentifier: PDFString.of(press.condition.identifier),
      OutputCondition: PDFHexString.fromText(press.condition.name),
      Info: PDFHexString.fromText(profileName),
      DestOutputProfile: profile,
    }),
  );
  // XMP stays unpacked so that simple readers find it.
  const metadata = context.register(
    plain(context, new TextEncoder().encode(xmpPacket(facts)), { Type: 'Metadata', Subtype: 'XML' }),
  );
  return context.register(context.obj({ Type: 'Catalog', Pages: pages, OutputIntents: [intent], Metadata: metadata }));
}

/** A piece, or the whole job, was not found: the caller asked for something that is not there. */
export class ExportError extends Error {}

function facesAsked(all: readonly Face[], numbers: readonly number[] | undefined): Face[] {
  const faces = (numbers ?? all.map((_, i) => i)).map((n) => all[n]);
  if (faces.length === 0 || faces.some((face) => face === undefined))
    throw new ExportError(
      `This piece has ${all.length} face${all.length === 1 ? '' : 's'}; choose from 1 to ${all.length}.`,
    );
  return faces as Face[];
}

/**
 * Writes a piece as PDF/X-4 (ISO 15930-7, on PDF 1.6): a page a face, boxes, crop marks on every plate, words as
 * embedded subset fonts, pictures in the press's CMYK, its profile as output intent. The same job gives the same bytes.
 * Throws ExportError, or PictureError for a picture that cannot be read.
 */
export async function writePdf(job: Job, asked: PdfAsked, kit: PdfKit, tell: Tell = () => {}): Promise<Uint8Array> {
  const piece = pieceOf(job, asked.pieceId);
  if (!piece) throw new ExportError(`This job has no piece called ${asked.pieceId}.`);
  const sources = sourcesOf(job, kit.fonts);
  const faces = facesAsked(printedFaces(piece, sources), asked.faces);
  const boxes = pageBoxes(piece, asked.shop, asked.marks, asked.office);
  const facts: FileFacts = {
    title: `${job.name}: ${piece.name}`,
    date: job.changed,
    id: bytesToHex(sha256(new TextEncoder().encode(JSON.stringify([job, asked])))).slice(0, 32),
  };

  const context = PDFContext.create();
  context.header = PDFHeader.forVersion(1, 6);
  const uses = noUses();
  const contents: { content: string; names: ReadonlySet<string> }[] = [];
  for (const [i, face] of faces.entries()) {
    await tell({ done: (0.15 * i) / faces.length, what: `Drawing ${face.name}` });
    const device = pdfDevice(boxes.media, uses, asked.words);
    const onto = ontoSheet(piece, face);
    drawFace(face, sources, onto ? placedDevice(device, { ...onto, scale: 1 }) : device);
    // Marks come last, so that nothing can lie over them; what runs past the bleed is cut off by the clip below.
    const art = device.content();
    const marks = pdfDevice(boxes.media, uses);
    if (asked.marks) {
      const bleed = asked.shop.bleed[piece.kind];
      drawCropMarks(boxes.trim, bleed, asked.shop.marks, marks);
      const folds = foldLines(facePanels(piece, face));
      drawFoldMarks(boxes.trim, bleed, asked.shop.marks, folds, marks);
    }
    if (asked.office) drawCheckLine(asked.office, boxes.media, OFFICE_TYPEFACE, sources, marks);
    contents.push({
      content: `q\n${clipTo(pdfBox(boxes.bleed, boxes.media))}\n${art}Q\n${marks.content()}`,
      names: new Set([...device.names(), ...marks.names()]),
    });
  }

  for (const { font } of uses.fonts.values())
    if (font.embedding === 'forbidden')
      throw new ExportError(
        `The maker of ${font.postscriptName} does not let it go into an exported file (fsType). Set those words in another typeface, or get a licence that lets it.`,
      );

  const images = new Map<string, PDFRef>();
  const spots = new Map<string, PDFRef>();
  const plateRef = (plate: string): PDFRef => {
    const ref = spots.get(plate) ?? separation(context, plate, job);
    spots.set(plate, ref);
    return ref;
  };
  for (const [i, [name, { image }]] of [...uses.images].entries()) {
    const { asset: hash } = image;
    await tell({
      done: 0.15 + (0.7 * i) / uses.images.size,
      what: `Separating ${job.assets[hash]?.name ?? 'a picture'}`,
    });
    const bytes = kit.assets[hash];
    if (!bytes) throw new ExportError(`The picture ${job.assets[hash]?.name ?? hash} is missing. Put it in again.`);
    const picture = separatePicture(decodePicture(bytes), kit.engine, kit.press, image.separation);
    images.set(name, embedPicture(context, picture, job.inks, plateRef));
  }

  await tell({ done: 0.85, what: 'Embedding typefaces' });
  const fonts = new Map([...uses.fonts.values()].map((use) => [use.typeface, embedFont(context, use, kit.cutter)]));
  const named = nameUses(context, uses, { fonts, images, plateRef }, job, boxes.media);

  await tell({ done: 0.92, what: 'Writing the file' });
  const tree = context.nextRef();
  const pages = contents.map(({ content, names }) =>
    context.register(
      context.obj({
        Type: 'Page',
        Parent: tree,
        MediaBox: pdfBox(boxes.media, boxes.media),
        BleedBox: pdfBox(boxes.bleed, boxes.media),
        TrimBox: pdfBox(boxes.trim, boxes.media),
        Group: { Type: 'Group', S: 'Transparency', CS: 'DeviceCMYK', I: true },
        Resources: resourcesOf(context, names, named),
        Contents: context.register(flate(context, new TextEncoder().encode(content))),
      }),
    ),
  );
  context.assign(tree, context.obj({ Type: 'Pages', Kids: pages, Count: pages.length }));
  const info = context.obj({
    Title: PDFHexString.fromText(facts.title),
    Creator: PDFString.of(PRODUCER),
    Producer: PDFString.of(PRODUCER),
    CreationDate: PDFString.of(pdfDate(facts.date)),
    ModDate: PDFString.of(pdfDate(facts.date)),
    Trapped: PDFName.of('False'),
  });
  context.trailerInfo.Root = catalog(context, tree, kit.press, kit.engine.describe(kit.press.profile).name, facts);
  context.trailerInfo.Info = context.register(info);
  context.trailerInfo.ID = context.obj([PDFHexString.of(facts.id), PDFHexString.of(facts.id)]);
  const file = await PDFWriter.forContext(context, Number.POSITIVE_INFINITY).serializeToBuffer();
  await tell({ done: 1, what: 'Done' });
  return file;
}

const clipTo = ([x0, y0, x1, y1]: readonly number[]): string =>
  `${[x0, y0, x1! - x0!, y1! - y0!].map((n) => Math.round(n! * 10_000) / 10_000).join(' ')} re W n`;
