import { PDFContext, PDFHeader, PDFHexString, type PDFRef, PDFWriter } from '@cantoo/pdf-lib';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { pieceFacts } from '../../checks/piece-facts';
import type { ColourEngine, Press } from '../../colour/engine';
import { drawFlat } from '../../devices/flat/flat';
import { noUses, type PdfUses, pdfDevice } from '../../devices/pdf';
import { type Box, bottom, right } from '../../geometry/box';
import { facePanels } from '../../job/areas';
import { pieceOf } from '../../job/find';
import type { Face, Job, Piece } from '../../job/schema';
import { ontoSheet } from '../../job/turned';
import type { Device } from '../../scene/device';
import { drawFace } from '../../scene/face';
import { drawColourBar, drawCropMarks, drawFoldMarks, drawPunchMark, drawRegistrationMarks } from '../../scene/marks';
import { drawCheckLine } from '../../scene/office-sheet';
import { printedFaces } from '../../scene/shown-faces';
import { drawSlug } from '../../scene/slug';
import { type SceneSources, sourcesOf } from '../../scene/sources';
import { placedDevice } from '../../scene/turn';
import { foldLines } from '../../trade/folds';
import { letterLayoutOf } from '../../trade/letter-layouts';
import type { FontBook } from '../../type/font';
import type { FontCutter } from '../../type/subset';
import { formatSize } from '../../units/length';
import { ExportError, facesAsked, type PageBoxes, type PdfAsked, pageBoxes } from './asked';
import { catalog, infoOf } from './catalog';
import { embedFont } from './fonts';
import type { FileFacts } from './metadata';
import { type PictureDesk, pictureDesk } from './pictures';
import { nameUses, resourcesOf, separation } from './resources';
import { STANDARD_FACTS } from './standards';
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

/** A box in the page's own coordinates: origin at the media box's lower left corner, y up. */
const pdfBox = (box: Box, media: Box): [number, number, number, number] => [
  box.x - media.x,
  bottom(media) - bottom(box),
  right(box) - media.x,
  bottom(media) - box.y,
];

/** The marks of a face as asked. */
function drawMarks(face: Face, page: Page, device: Device): void {
  const { job, piece, asked, boxes, sources } = page;
  const { marks } = asked.shop;
  const bleed = asked.shop.bleed[piece.kind];
  const also = asked.also ?? [];
  if (asked.marks) {
    drawCropMarks(boxes.trim, bleed, marks, device);
    drawFoldMarks(boxes.trim, bleed, marks, foldLines(facePanels(piece, face)), device);
    const punch = piece.letter && letterLayoutOf(piece.letter.layout)?.punch;
    if (punch && punch < piece.height) drawPunchMark(boxes.trim, bleed, marks, punch, device);
  }
  const { plates } = pieceFacts(job, piece);
  if (also.includes('registration')) drawRegistrationMarks(boxes.trim, bleed, marks, device);
  if (also.includes('colour bar')) drawColourBar(boxes.trim, boxes.media, plates, device);
  if (also.includes('slug')) {
    const size = formatSize(piece.width, piece.height, piece.unit);
    const lines = [
      `${job.name}: ${piece.name}, ${face.name}   ${size}`,
      `${plates.join(', ')}   ${asked.shop.name}   ${job.changed.slice(0, 10)}`,
    ];
    drawSlug(lines, boxes.media, sources, device);
  }
  if (asked.office) drawCheckLine(asked.office, boxes.media, sources, device);
}

/** What the pages of one file share. */
interface Page {
  job: Job;
  piece: Piece;
  asked: PdfAsked;
  boxes: PageBoxes;
  sources: SceneSources;
  uses: PdfUses;
  desk: PictureDesk;
  seeThrough: boolean;
}

/** More cells than this of what is see-through take more memory than a browser gives. */
const MOST_CELLS = 30_000_000;

/** A face and its marks as a page's content. */
function faceContent(face: Face, page: Page): { content: string; names: ReadonlySet<string> } {
  const { piece, asked, boxes, sources, uses, desk, seeThrough } = page;
  const device = pdfDevice(boxes.media, uses, asked.words);
  const onto = ontoSheet(piece, face);
  const draw = (on: Device): void => drawFace(face, sources, onto ? placedDevice(on, { ...onto, scale: 1 }) : on);
  const most = 72 * Math.sqrt(MOST_CELLS / (boxes.bleed.width * boxes.bleed.height));
  const ppi = Math.min(asked.shop.ppi.wanted, most);
  if (seeThrough) draw(device);
  else drawFlat(draw, device, { box: boxes.bleed, ppi, picture: desk.separated });
  // Marks come last, so that nothing can lie over them; what runs past the bleed is cut off by the clip below.
  const art = device.content();
  const marks = pdfDevice(boxes.media, uses, asked.words);
  drawMarks(face, page, marks);
  return {
    content: `q\n${clipTo(pdfBox(boxes.bleed, boxes.media))}\n${art}Q\n${marks.content()}`,
    names: new Set([...device.names(), ...marks.names()]),
  };
}

function refuseForbidden({ fonts }: PdfUses): void {
  for (const { font } of fonts.values())
    if (font.embedding === 'forbidden')
      throw new ExportError(
        `The maker of ${font.postscriptName} does not let it go into an exported file (fsType). Set those words in another typeface, or get a licence that lets it.`,
      );
}

/**
 * Writes a piece as PDF/X: a page a face, boxes, marks, words as embedded subset fonts, pictures in the press's CMYK,
 * its profile as output intent. PDF/X-4 (ISO 15930-7) keeps what is see-through; PDF/X-1a (ISO 15930-1 and -4) has it
 * flattened. The same job gives the same bytes. Throws ExportError, or PictureError for a picture that cannot be read.
 */
export async function writePdf(job: Job, asked: PdfAsked, kit: PdfKit, tell: Tell = () => {}): Promise<Uint8Array> {
  const piece = pieceOf(job, asked.pieceId);
  if (!piece) throw new ExportError(`This job has no piece called ${asked.pieceId}.`);
  const standard = asked.standard ?? asked.shop.standard;
  const { pdf, seeThrough } = STANDARD_FACTS[standard];
  const sources = sourcesOf(job, kit.fonts);
  const faces = facesAsked(printedFaces(piece, sources), asked.faces);
  const boxes = pageBoxes(piece, asked.shop, asked.marks, asked.office, asked.also);
  const facts: FileFacts = {
    title: `${job.name}: ${piece.name}`,
    date: job.changed,
    id: bytesToHex(sha256(new TextEncoder().encode(JSON.stringify([job, asked])))).slice(0, 32),
  };

  const context = PDFContext.create();
  context.header = PDFHeader.forVersion(...pdf);
  const spots = new Map<string, PDFRef>();
  const plateRef = (plate: string): PDFRef => {
    const ref = spots.get(plate) ?? separation(context, plate, job);
    spots.set(plate, ref);
    return ref;
  };
  const nameOf = (hash: string): string | undefined => job.assets[hash]?.name;
  const desk = pictureDesk(context, job.inks, plateRef, { ...kit, nameOf }, asked.pictures);
  const uses = noUses();
  const page: Page = { job, piece, asked, boxes, sources, uses, desk, seeThrough };
  const contents: ReturnType<typeof faceContent>[] = [];
  for (const [i, face] of faces.entries()) {
    await tell({ done: (0.3 * i) / faces.length, what: `Drawing ${face.name}` });
    contents.push(faceContent(face, page));
  }
  refuseForbidden(uses);

  const images = new Map<string, PDFRef>();
  for (const [i, [name, { image, ppi }]] of [...uses.images].entries()) {
    await tell({
      done: 0.3 + (0.55 * i) / uses.images.size,
      what: `Separating ${nameOf(image.asset) ?? 'a picture'}`,
    });
    images.set(name, desk.embed(image, ppi));
  }

  await tell({ done: 0.85, what: 'Embedding typefaces' });
  const fonts = new Map([...uses.fonts.values()].map((use) => [use.typeface, embedFont(context, use, kit.cutter)]));
  const named = nameUses(context, uses, { fonts, images, plateRef }, job, boxes.media);

  await tell({ done: 0.92, what: 'Writing the file' });
  const tree = context.nextRef();
  const group = seeThrough ? { Group: { Type: 'Group', S: 'Transparency', CS: 'DeviceCMYK', I: true } } : {};
  const pages = contents.map(({ content, names }) =>
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
  context.trailerInfo.Root = catalog(context, tree, kit.press, profileName, facts, standard);
  context.trailerInfo.Info = infoOf(context, facts, standard);
  context.trailerInfo.ID = context.obj([PDFHexString.of(facts.id), PDFHexString.of(facts.id)]);
  const file = await PDFWriter.forContext(context, Number.POSITIVE_INFINITY).serializeToBuffer();
  await tell({ done: 1, what: 'Done' });
  return file;
}

const clipTo = ([x0, y0, x1, y1]: readonly number[]): string =>
  `${[x0, y0, x1! - x0!, y1! - y0!].map((n) => Math.round(n! * 10_000) / 10_000).join(' ')} re W n`;
