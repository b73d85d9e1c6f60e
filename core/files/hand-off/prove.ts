import type { LaidPicture } from '../../devices/plates/device';
import { pieceOf } from '../../job/find';
import type { Job } from '../../job/schema';
import { sameBytes } from '../../picture/separate';
import { type Device, type ImageRef, imageKey } from '../../scene/device';
import { sourcesOf } from '../../scene/sources';
import { type PdfAsked, type PicturesAsked, pageBoxes } from '../pdf/asked';
import type { PdfKit } from '../pdf/document';
import type { PageRead } from '../pdf/page-read';
import { pagesAsked } from '../pdf/pages-asked';
import { type PdfFacts, readFile } from '../pdf/read-back';
import { held, type RuleSeen } from '../pdf/rules';
import { drawSideAsked, type SheetAsked, sheetBox, sidesOf } from '../pdf/sheet';
import { STANDARD_FACTS, type Standard } from '../pdf/standards';
import { drawPageAsked } from '../pdf/write';
import { separatedFile } from '../separated';
import { comparison, type Row, rulesRow } from './comparison';
import { drawnPage, type PageDrawn, type PageProof, spotsDrawn } from './page-drawn';
import { pageRows } from './page-rows';
import { coarsestOf } from './picture-rows';
import { refuseDiffering } from './read-back-error';
import { stepRows } from './step-rows';

/** What a written file says when it is read again, beside what was asked. */
export interface Proven {
  facts: PdfFacts;
  rules: RuleSeen[];
  rows: Row[];
}

export type Kept = Map<string, LaidPicture>;

/** The pictures of a job as the press has them, each separated once. */
const separatedOf =
  (kit: PdfKit, kept: Kept) =>
  (image: ImageRef): LaidPicture | undefined => {
    const key = imageKey(image);
    const file = kit.assets[image.asset];
    const found = kept.get(key) ?? (file && separatedFile(file, image, kit.engine, kit.press));
    if (found) kept.set(key, found);
    return found;
  };

export const profileRow = (profile: Uint8Array | undefined, { press }: PdfKit): Row => {
  const right = profile !== undefined && sameBytes(profile, press.profile);
  const { name } = press.condition;
  return { what: 'Profile of the press', asked: name, read: right ? name : 'another one', right };
};

/** What holds for every page of a file. */
export const pageFacts = (kit: PdfKit, standard: Standard, words: PdfAsked['words'], kept: Kept) => ({
  picture: separatedOf(kit, kept),
  flat: !STANDARD_FACTS[standard].seeThrough,
  outlines: words === 'outlines',
});

/** Every page as it was drawn beside the file's. */
export function rowsOf(
  proofs: readonly PageProof[],
  drawn: readonly PageDrawn[],
  read: readonly PageRead[],
  asked: PicturesAsked | undefined,
): Row[] {
  const pictures = { asked, coarsest: coarsestOf(proofs, drawn) };
  return proofs.flatMap((page, i) => (read[i] ? pageRows(page, drawn[i]!, read[i], pictures) : []));
}

/**
 * Reads a written file again by a reader that shares nothing with the writer, and holds all of it against what was asked.
 * `kept` keeps separated pictures from file to file. Throws SyntaxFault where it cannot be read at all.
 */
export function prove(job: Job, asked: PdfAsked, bytes: Uint8Array, kit: PdfKit, kept: Kept = new Map()): Proven {
  const standard = asked.standard ?? asked.shop.standard;
  const piece = pieceOf(job, asked.pieceId)!;
  const { view, facts, pages: read, profile } = readFile(bytes);
  const rules = held(view, standard);
  const sources = sourcesOf(job, kit.fonts);
  const pages = pagesAsked(piece, asked, sources);
  const boxes = pageBoxes(piece, asked.shop, asked.marks, asked.office, asked.also);
  const common = pageFacts(kit, standard, asked.words, kept);
  const proofs = pages.map((page): PageProof => {
    const { face, name } = page;
    const draw = (device: Device): void => drawPageAsked({ job, piece, face, asked, boxes, sources }, device, page);
    return { ...common, name, draw, media: boxes.media, art: boxes.bleed };
  });
  const drawn = proofs.map(drawnPage);
  const rows = [
    ...comparison(piece, asked, pages, facts, rules, spotsDrawn(drawn)),
    ...stepRows(pages, standard, view),
    ...rowsOf(proofs, drawn, read, asked.pictures),
    profileRow(profile, kit),
  ];
  return { facts, rules, rows };
}

/** The same for a file of press sheets. */
export function proveSheets(job: Job, asked: SheetAsked, bytes: Uint8Array, kit: PdfKit): Proven {
  const { view, facts, pages, profile } = readFile(bytes);
  const rules = held(view, asked.standard);
  const sides = sidesOf(asked.plan);
  const media = sheetBox(asked.made);
  const common = pageFacts(kit, asked.standard, asked.words, new Map());
  const proofs = sides.map((side): PageProof => {
    const draw = (device: Device): void => drawSideAsked(job, asked, side, kit.fonts, device);
    return { ...common, name: `Sheet ${side.n + 1}, ${side.side}`, draw, media, art: media };
  });
  const rows: Row[] = [
    { what: 'Pages', asked: `${sides.length}`, read: `${pages.length}`, right: sides.length === pages.length },
    rulesRow(asked.standard, rules),
    ...rowsOf(proofs, proofs.map(drawnPage), pages, asked.pictures),
    profileRow(profile, kit),
  ];
  return { facts, rules, rows };
}

/** What was proven of a file that is to leave. Throws ReadBackError where anything differs. */
export function asAsked(name: string, proof: Proven): Proven {
  refuseDiffering(name, proof.rows);
  return proof;
}
