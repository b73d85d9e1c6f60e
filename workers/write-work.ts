import { layPiece } from '../core/checks/on-plates';
import type { Press } from '../core/colour/engine';
import { faceImages, type ImageFile, type ImagesAsked } from '../core/files/face-images';
import { exportName, plainName } from '../core/files/file-names';
import type { Going, LetGo, Stop } from '../core/files/gate';
import { goingOf } from '../core/files/hand-off/going';
import { lettersAsPages } from '../core/files/hand-off/letters';
import type { Chosen, PlannedFile } from '../core/files/hand-off/plan';
import { asAsked, type Proven, prove, proveSheets } from '../core/files/hand-off/prove';
import { provenImages, type ReadPng } from '../core/files/hand-off/prove-images';
import { provenSvg } from '../core/files/hand-off/prove-svg';
import { type PieceReport, packageZip } from '../core/files/package';
import type { PdfKit, Progress } from '../core/files/pdf/document';
import type { RuleSeen } from '../core/files/pdf/rules';
import { writeSheets } from '../core/files/pdf/sheet';
import { writePdf } from '../core/files/pdf/write';
import { pieceReport } from '../core/files/piece-report';
import type { LastProof } from '../core/files/proof/proof';
import { keptOf, PROOF_PPI, proofPdf } from '../core/files/proof/proof';
import { faceShots } from '../core/files/proof/shots';
import { reportJson } from '../core/files/report';
import { reportPdf } from '../core/files/report-pdf';
import { type ReviewPiece, reviewPage } from '../core/files/review/page';
import { sidePicture } from '../core/files/review/pictures';
import { separatedPictures } from '../core/files/separated';
import { type SvgWords, writeSvg } from '../core/files/svg-file';
import { ticketWith } from '../core/files/ticket';
import { pieceOf } from '../core/job/find';
import { typefacesIn } from '../core/job/look';
import { pressConditionOf } from '../core/job/press-of';
import type { Job, Piece } from '../core/job/schema';
import { usualSheet } from '../core/job/sheet';
import { shopIn } from '../core/job/shops-of';
import { SERVICE_TYPEFACE } from '../core/scene/slug';
import { itemsOf, pieceFor, type SheetPlan } from '../core/sheet/plan';
import type { ShopSpec } from '../core/trade/schema';
import { ownId } from '../core/type/own-font';
import { loadJpegDecoder } from './decoders';
import { drawPages, type PagePicture } from './draw-pages';
import { loadFontCutter, openKit } from './kit';
import { type Passed, passAll, reviewed } from './review-work';
import { loadPngReader } from './small-picture';

/** Writing files, off the page's thread. Errors keep their message when they cross. */

/** A file that was written, what it says when it is read again, and its pages as a reader draws them. */
export interface Written extends PlannedFile, Proven {
  bytes: Uint8Array;
  pages: PagePicture[];
  /** The piece as it was written, where its faces are the pages of letters. */
  as?: Piece | undefined;
}

/** What files are written with: the kit, and all that the job's own fonts and profiles need. */
async function kitFor(job: Job, assets: Record<string, Uint8Array>) {
  const beside = openKit(async (hash) => assets[hash]);
  const [kit] = await Promise.all([beside.load(), loadJpegDecoder()]);
  await beside.loadProfiles(Object.keys(job.conditions));
  await beside.loadFonts([...typefacesIn(job), SERVICE_TYPEFACE]);
  return { ...kit, cutter: await loadFontCutter(), assets };
}

type Hear = (progress: Progress) => void;

/** What some planned files are made of. */
const goingIn = (job: Job, files: readonly PlannedFile[], { fonts }: Kit): Going[] =>
  files.flatMap(({ piece: id, asked, letters }): Going[] => {
    const written = letters && lettersAsPages(job, id, letters, fonts);
    if (written) return [{ ...written, shop: asked.shop }];
    const piece = pieceOf(job, id);
    return piece ? [{ job, piece, faces: asked.faces }] : [];
  });

/** Only print files have letters in them. */
const withoutLetters = (chosen: readonly Pick<Chosen, 'piece' | 'faces'>[]): Chosen[] =>
  chosen.map(({ piece, faces }) => ({ piece, faces }));

/** Says what is done while the gate looks at what goes. */
async function pass(going: readonly Going[], letGo: LetGo, tell: Hear): Promise<Passed> {
  tell({ done: 0, what: 'Checking' });
  return passAll(going, letGo);
}

type Kit = Awaited<ReturnType<typeof kitFor>>;

/** How a file was written: of which job, with what, and as which piece where that is not one of the job. */
interface Writing {
  of: Job;
  on: PdfKit;
  as: Piece | undefined;
  hear: Hear;
}

/** Writes files one after another; `then` has each before the next is begun. Throws with words for the user. */
async function writeFiles(
  job: Job,
  files: readonly PlannedFile[],
  kit: Kit,
  tell: Hear,
  then: (bytes: Uint8Array, file: PlannedFile, how: Writing) => Promise<void>,
): Promise<void> {
  for (const [i, file] of files.entries()) {
    const { name, piece, asked, letters } = file;
    const saying = files.length > 1 ? `${name}: ` : '';
    const hear = ({ done, what }: Progress): void =>
      tell({ done: (i + 0.9 * done) / files.length, what: saying + what });
    const press = kit.press(pressConditionOf(job, asked.shop));
    const pages = letters && lettersAsPages(job, piece, letters, kit.fonts);
    const of = pages?.job ?? job;
    const on = { ...kit, press };
    const bytes = await writePdf(of, asked, on, hear);
    await then(bytes, file, { of, on, as: pages?.piece, hear });
  }
}

/** Files that were written, the errors they left with, and the ticket that says so. */
export interface HandedOff {
  files: Written[];
  letGo: Stop[];
  beside: ImageFile[];
}

/** Writes files, reads each back and draws its pages. Throws with words for the user. */
export async function handOff(
  job: Job,
  files: readonly PlannedFile[],
  letGo: LetGo,
  assets: Record<string, Uint8Array>,
  tell: Hear,
): Promise<HandedOff> {
  const kit = await kitFor(job, assets);
  const { letGo: gone } = await pass(goingIn(job, files, kit), letGo, tell);
  const written: Written[] = [];
  await writeFiles(job, files, kit, tell, async (bytes, file, { of, on, as, hear }) => {
    hear({ done: 1, what: 'Reading the file back' });
    const read = asAsked(file.name, prove(of, file.asked, bytes, on));
    written.push({ ...file, bytes, ...read, pages: await drawPages(bytes), as });
  });
  return { files: written, letGo: gone, beside: ticketWith(job, gone) };
}

type FileKit = Omit<Kit, 'press'>;

/** Files of one piece after another, each by its own shop; `write` gets the numbers of the faces that go. */
async function ofPieces(
  job: Job,
  chosen: readonly Chosen[],
  letGo: LetGo,
  assets: Record<string, Uint8Array>,
  tell: Hear,
  write: (
    piece: Piece,
    faces: readonly number[],
    shop: ShopSpec,
    kit: FileKit & { press: Press; readPng: ReadPng },
  ) => Promise<ImageFile[]>,
): Promise<ImageFile[]> {
  const kit = await kitFor(job, assets);
  const { letGo: gone } = await pass(goingOf(job, withoutLetters(chosen), kit.fonts), letGo, tell);
  const readPng = await loadPngReader();
  const files: ImageFile[] = [];
  for (const [i, { piece: id, faces }] of chosen.entries()) {
    const piece = pieceOf(job, id);
    if (!piece) continue;
    tell({ done: i / chosen.length, what: `Drawing ${piece.name}` });
    const shop = shopIn(job, piece.shop);
    const press = kit.press(pressConditionOf(job, shop));
    const numbers = faces ?? piece.faces.map((_, n) => n);
    files.push(...(await write(piece, numbers, shop, { ...kit, press, readPng })));
  }
  return [...files, ...ticketWith(job, gone)];
}

/** Writes faces as pictures. Throws with words for the user. */
export const exportImages = (
  job: Job,
  chosen: readonly Chosen[],
  asked: Omit<ImagesAsked, 'faces'>,
  letGo: LetGo,
  assets: Record<string, Uint8Array>,
  tell: Hear,
): Promise<ImageFile[]> =>
  ofPieces(job, chosen, letGo, assets, tell, (piece, faces, shop, kit) => {
    const picture = separatedPictures((hash) => assets[hash], kit.engine, kit.press);
    return provenImages(faceImages(job, piece, shop, { ...asked, faces }, { ...kit, picture }), kit.readPng);
  });

/** Writes faces as SVG drawings. */
export const exportDrawings = (
  job: Job,
  chosen: readonly Chosen[],
  words: SvgWords,
  letGo: LetGo,
  assets: Record<string, Uint8Array>,
  tell: Hear,
): Promise<ImageFile[]> =>
  ofPieces(job, chosen, letGo, assets, tell, async (piece, faces, shop, kit) =>
    faces.map((n) => {
      const name = `${exportName('{client}-{piece}-{face}', job, piece, piece.faces[n])}.svg`;
      const drawing = writeSvg(job, piece, n, shop.bleed[piece.kind], kit, words);
      return { name, bytes: new TextEncoder().encode(provenSvg(name, drawing, kit.readPng)) };
    }),
  );

/** A proof of one piece, and what the next one is compared with. */
export interface Proof extends ImageFile {
  piece: string;
  kept: LastProof;
}

/** Writes a proof for the client of each piece, compared with the last one where there was one. */
export async function writeProofs(
  job: Job,
  asked: readonly { piece: string; last?: LastProof | undefined }[],
  date: string,
  letGo: LetGo,
  assets: Record<string, Uint8Array>,
  tell: Hear,
): Promise<{ proofs: Proof[]; beside: ImageFile[] }> {
  const kit = await kitFor(job, assets);
  const { letGo: gone } = await pass(goingOf(job, withoutLetters(asked), kit.fonts), letGo, tell);
  const proofs: Proof[] = [];
  for (const [i, { piece: id, last }] of asked.entries()) {
    const piece = pieceOf(job, id);
    if (!piece) continue;
    tell({ done: i / asked.length, what: `Drawing ${piece.name}` });
    const press = kit.press(pressConditionOf(job, shopIn(job, piece.shop)));
    const picture = separatedPictures((hash) => assets[hash], kit.engine, press);
    const shots = faceShots(job, piece, { ...kit, press, picture }, PROOF_PPI);
    const facts = { version: (last?.version ?? 0) + 1, date, last };
    proofs.push({
      piece: id,
      name: `${exportName('{client}-{piece}-proof-{version}', job, piece, undefined, facts.version)}.pdf`,
      bytes: await proofPdf(job, piece, shots, facts),
      kept: keptOf(shots, facts),
    });
  }
  return { proofs, beside: ticketWith(job, gone) };
}

/** Pixels an inch of a review's pictures: fine enough to read small type enlarged, and small enough to mail. */
const REVIEW_PPI = 220;
/** A large side has fewer: no side has more cells than this. */
const REVIEW_CELLS = 4_000_000;

/** A review page of some pieces, one file for the client. Throws with words for the user. */
export async function writeReview(
  job: Job,
  chosen: readonly Chosen[],
  letGo: LetGo,
  assets: Record<string, Uint8Array>,
  tell: Hear,
): Promise<{ page: ImageFile; beside: ImageFile[] }> {
  const kit = await kitFor(job, assets);
  const { letGo: gone } = await pass(goingOf(job, withoutLetters(chosen), kit.fonts), letGo, tell);
  const pieces = chosen.flatMap(({ piece: id, faces }) => {
    const piece = pieceOf(job, id);
    return piece ? [{ piece, faces }] : [];
  });
  const drawn = pieces.map(({ piece, faces }, i): ReviewPiece => {
    tell({ done: i / pieces.length, what: `Drawing ${piece.name}` });
    const press = kit.press(pressConditionOf(job, shopIn(job, piece.shop)));
    const picture = separatedPictures((hash) => assets[hash], kit.engine, press);
    const ppi = Math.min(REVIEW_PPI, 72 * Math.sqrt(REVIEW_CELLS / (piece.width * piece.height)));
    const sides = piece.faces.flatMap((face, n) => (faces && !faces.includes(n) ? [] : [face.id]));
    const laid = layPiece(job, piece, { ...kit, press }, { picture, ppi, trimOnly: true, faces: sides });
    return { piece, sides: laid.map((context) => sidePicture(piece, context, kit.engine)) };
  });
  const page = reviewPage(job, drawn);
  return {
    page: { name: `${plainName(job.name) || 'job'}-review.html`, bytes: new TextEncoder().encode(page) },
    beside: ticketWith(job, gone),
  };
}

/** Packs the job, its print files, findings, ticket and fonts into one zip. */
export async function writePackage(
  job: Job,
  files: readonly PlannedFile[],
  letGo: LetGo,
  assets: Record<string, Uint8Array>,
  tell: Hear,
): Promise<Uint8Array> {
  const kit = await kitFor(job, assets);
  const { letGo: gone, reviews } = await pass(goingIn(job, files, kit), letGo, tell);
  const written: { name: string; piece: string; bytes: Uint8Array }[] = [];
  const hear: Hear = ({ done, what }) => tell({ done: 0.9 * done, what });
  await writeFiles(job, files, kit, hear, async (bytes, { name, piece, asked }, { of, on }) => {
    asAsked(name, prove(of, asked, bytes, on));
    written.push({ name, piece, bytes });
  });
  const pieces = job.pieces.filter(({ id }) => files.some(({ piece }) => piece === id));
  const reports: PieceReport[] = [];
  for (const [i, piece] of pieces.entries()) {
    tell({ done: 0.9 + (0.08 * i) / pieces.length, what: `Looking ${piece.name} over` });
    const press = kit.press(pressConditionOf(job, shopIn(job, piece.shop)));
    const picture = separatedPictures((hash) => assets[hash], kit.engine, press);
    // Of a piece whose letters alone go, only those were looked over.
    const stands = reviews.get(piece) ?? (await reviewed(job, piece));
    const { report, pictures } = pieceReport(job, piece, stands, { ...kit, press, picture });
    const pdf = await reportPdf(report, pictures);
    reports.push({ piece: piece.name, json: reportJson(report, pictures), pdf });
  }
  tell({ done: 0.99, what: 'Packing' });
  const fontOf = (hash: string) => (hash in job.fonts ? kit.fonts.font(ownId(hash)) : undefined);
  return packageZip(job, pieces, { files: written, reports, assets, fontOf, letGo: gone });
}

/** The file of a piece's sheets, held against the rules of its standard, and its pages as a reader draws them. */
export interface WrittenSheets extends ImageFile {
  rules: RuleSeen[];
  pages: PagePicture[];
  /** The ticket that says with which errors it left. */
  beside: ImageFile[];
}

/** Writes the press sheets of a piece by a plan. Throws with words for the user. */
export async function writeSheetFile(
  job: Job,
  pieceId: string,
  plan: SheetPlan,
  letGo: LetGo,
  assets: Record<string, Uint8Array>,
  tell: Hear,
): Promise<WrittenSheets> {
  const kit = await kitFor(job, assets);
  const piece = pieceOf(job, pieceId);
  if (!piece) throw new Error('The piece is not in this job any more.');
  const made = piece.sheet ?? usualSheet(piece.unit);
  const items = itemsOf(job, piece, made);
  const { letGo: gone } = await pass(
    items.map((item) => ({ ...pieceFor(job, item), faces: item.faces })),
    letGo,
    tell,
  );
  const shop = shopIn(job, piece.shop);
  const press = kit.press(pressConditionOf(job, shop));
  const { standard } = shop;
  const asked = { made, items, plan, shop, standard };
  const on = { ...kit, press };
  const bytes = await writeSheets(job, asked, on, tell);
  tell({ done: 1, what: 'Reading the file back' });
  const name = `${exportName('{client}-{piece}-sheets', job, piece)}.pdf`;
  const { rules } = asAsked(name, proveSheets(job, asked, bytes, on));
  return { name, bytes, rules, pages: await drawPages(bytes), beside: ticketWith(job, gone) };
}
