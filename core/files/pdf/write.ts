import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { pieceFacts } from '../../checks/piece-facts';
import { pdfDevice } from '../../devices/pdf/device';
import { boxPath } from '../../geometry/path';
import { pieceOf } from '../../job/find';
import { withFinishes } from '../../job/finishing';
import { sheetFolds } from '../../job/folds-of';
import type { Face, Job, Piece } from '../../job/schema';
import type { Device } from '../../scene/device';
import { drawColourBar, drawCropMarks, drawFoldMarks, drawPunchMark, drawRegistrationMarks } from '../../scene/marks';
import { drawCheckLine } from '../../scene/office-sheet';
import { drawSlug } from '../../scene/slug';
import { type SceneSources, sourcesOf } from '../../scene/sources';
import { letterLayoutOf } from '../../trade/letter-layouts';
import { formatSize } from '../../units/length';
import { refuseMissing } from '../refuse-missing';
import { ExportError, type PageBoxes, type PdfAsked, pageBoxes } from './asked';
import { clipTo, closeDocument, openDocument, type PageContent, type PdfKit, pdfBox, type Tell } from './document';
import { drawFinishOnSheet, drawOnSheet, faceArt, finishArt } from './face-art';
import type { FileFacts } from './metadata';
import { type PageAsked, pagesAsked } from './pages-asked';

/** The marks of a face as asked. */
export function drawMarks({ job, piece, face, asked, boxes, sources }: Marked, device: Device): void {
  const { marks } = asked.shop;
  const bleed = asked.shop.bleed[piece.kind];
  const also = asked.also ?? [];
  if (asked.marks) {
    drawCropMarks(boxes.trim, bleed, marks, device);
    drawFoldMarks(boxes.trim, bleed, marks, sheetFolds(piece, face), device);
    const punch = piece.letter && letterLayoutOf(piece.letter.layout)?.punch;
    if (punch && punch < piece.height) drawPunchMark(boxes.trim, bleed, marks, punch, device);
  }
  const { plates } = pieceFacts(job, { faces: [face] });
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

export interface Marked {
  job: Job;
  piece: Piece;
  face: Face;
  asked: PdfAsked;
  boxes: PageBoxes;
  sources: SceneSources;
  /** The face that the marks tell of, where it is another: one that is the same for every row of a run. */
  marksOf?: Face;
}

/** Draws a page as it is asked for: the face within its bleed, what is done to it, and its marks over it. */
export function drawPageAsked(marked: Marked, device: Device, page?: PageAsked): void {
  device.beginClip(boxPath(marked.boxes.bleed));
  if (page?.hasInk ?? true) drawOnSheet(marked.piece, marked.face, marked.sources, device);
  for (const finish of page?.finishes ?? [])
    drawFinishOnSheet(marked.piece, marked.face, finish, marked.sources, device);
  device.endClip();
  drawMarks(marked.marksOf ? { ...marked, face: marked.marksOf } : marked, device);
}

/** Objects by the names of what they hold: the order in which it came to be says nothing. */
const inOrder = (_key: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;

/** What tells a file from all others: the job and what was asked of it. */
export const fileId = (...told: unknown[]): string =>
  bytesToHex(sha256(new TextEncoder().encode(JSON.stringify(told, inOrder)))).slice(0, 32);

/**
 * Writes a piece as PDF/X: a page a face, boxes, marks, words as embedded subset fonts, pictures in the press's CMYK,
 * its profile as output intent. PDF/X-4 (ISO 15930-7) keeps what is see-through; PDF/X-1a (ISO 15930-1 and -4) has it
 * flattened. The same job gives the same bytes. Throws ExportError, or PictureError for a picture that cannot be read.
 */
export async function writePdf(job: Job, asked: PdfAsked, kit: PdfKit, tell: Tell = () => {}): Promise<Uint8Array> {
  const piece = pieceOf(job, asked.pieceId);
  if (!piece) throw new ExportError(`This job has no piece called ${asked.pieceId}.`);
  const sources = sourcesOf(job, kit.fonts);
  const pages = pagesAsked(piece, asked, sources);
  refuseMissing(
    job,
    pages.map(({ face }) => face),
    ({ asset }) => kit.assets[asset] !== undefined,
  );
  const boxes = pageBoxes(piece, asked.shop, asked.marks, asked.office, asked.also);
  const facts: FileFacts = {
    title: `${job.name}: ${piece.name}`,
    date: job.changed,
    id: fileId(job, asked),
    trapped: piece.spread !== undefined,
  };
  const document = openDocument(withFinishes(job, [piece]), asked.standard ?? asked.shop.standard, kit, asked.pictures);
  const words = asked.words ?? 'text';
  const contents: PageContent[] = [];
  for (const [i, { face, name, hasInk, finishes }] of pages.entries()) {
    await tell({ done: (0.3 * i) / pages.length, what: `Drawing ${name}` });
    const art = hasInk
      ? faceArt(document, piece, face, sources, { ...boxes, ppi: asked.shop.ppi.wanted, words })
      : { content: '', names: [] };
    const finished = finishes.map((finish) => finishArt(document, piece, face, finish, sources, { ...boxes, words }));
    // Marks come last, so that nothing can lie over them; what runs past the bleed is cut off by the clip.
    const marks = pdfDevice(boxes.media, document.uses, words);
    drawMarks({ job, piece, face, asked, boxes, sources }, marks);
    contents.push({
      content: `q\n${clipTo(pdfBox(boxes.bleed, boxes.media))}\n${art.content}${finished.map(({ content }) => content).join('')}Q\n${marks.content()}`,
      names: new Set([...art.names, ...finished.flatMap(({ names }) => [...names]), ...marks.names()]),
      boxes,
    });
  }
  return closeDocument(document, contents, facts, kit, tell, 0.3);
}
