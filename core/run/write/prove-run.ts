import { type Row, rulesRow } from '../../files/hand-off/comparison';
import { drawnPage, type PageDrawn, type PageProof } from '../../files/hand-off/page-drawn';
import { type Kept, pageFacts, profileRow, rowsOf } from '../../files/hand-off/prove';
import { pageBoxes } from '../../files/pdf/asked';
import type { PdfKit } from '../../files/pdf/document';
import { readFile } from '../../files/pdf/read-back';
import { held, type RuleSeen } from '../../files/pdf/rules';
import { heldAsVariable } from '../../files/pdf/rules/variable';
import { drawPageAsked } from '../../files/pdf/write';
import type { Face, Job } from '../../job/schema';
import type { Device } from '../../scene/device';
import { printedFaces } from '../../scene/shown-faces';
import { sourcesOf } from '../../scene/sources';
import { sideOfSheet } from '../letter-row';
import { facesFor, rowPlan } from '../row-piece';
import type { Rows } from '../rows';
import { type Assembler, assembler, type Frame, type Sink } from './assemble';
import type { Payload } from './objects';
import { openRun, type RunAsked, type RunWriter, type UnitWriter } from './rows';

/** Some rows as a file in memory. */
export function smallFile(frame: Frame, payloads: Iterable<Payload>): Uint8Array {
  const chunks: Uint8Array[] = [];
  let size = 0;
  const sink: Sink = (bytes) => {
    chunks.push(bytes);
    size += bytes.length;
  };
  const file: Assembler = assembler(frame, sink);
  for (const payload of payloads) file.add(payload);
  file.end();
  const whole = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}

/** Some units of a run as a file of their own, read again; the writer begins anew after it. */
function readBack(writer: RunWriter, units: readonly number[]): ReturnType<typeof readFile> {
  writer.begin();
  const bytes = smallFile(
    writer.frame,
    units.map((n) => writer.payload(n)),
  );
  writer.begin();
  return readFile(bytes);
}

/**
 * The same for some sheets of a run: each is written, read again, and held against what is drawn at its places. Throws
 * ExportError, or SyntaxFault where it cannot be read.
 */
export function proveUnits(
  writer: UnitWriter,
  units: readonly number[],
  asked: Pick<RunAsked, 'standard' | 'shop' | 'words' | 'pictures'>,
  kit: PdfKit,
): { rows: Row[]; rules: RuleSeen[] } {
  const standard = asked.standard ?? asked.shop.standard;
  const { view, pages, profile } = readBack(writer, units);
  const rules = held(view, standard);
  const common = pageFacts(kit, standard, asked.words, new Map());
  const { sheet } = writer;
  const proofs = units.flatMap((n) =>
    writer.drawn(n).map((side): PageProof => ({ ...common, ...side, media: sheet, art: sheet })),
  );
  return {
    rules,
    rows: [
      { what: 'Pages', asked: `${proofs.length}`, read: `${pages.length}`, right: proofs.length === pages.length },
      rulesRow(standard, rules),
      ...rowsOf(proofs, proofs.map(drawnPage), pages, asked.pictures),
      profileRow(profile, kit),
    ],
  };
}

/** The sheets to prove: the first that has rows, and the last, which may have fewer. */
export const sheetsToProve = (sheets: number, leaders: boolean): number[] => [
  ...new Set([Math.min(leaders ? 1 : 0, sheets - 1), sheets - 1]),
];

/**
 * Writes some rows of a run as a file of their own, reads it again by a reader that shares nothing with the writer, and
 * holds every page against what is drawn for its row. The hard rows are the ones to ask for: all others are written by the
 * same way, and by the same writer where one is given. Throws ExportError, or SyntaxFault where it cannot be read.
 */
export function proveRows(
  job: Job,
  asked: RunAsked,
  rows: Rows,
  some: readonly number[],
  kit: PdfKit,
  writer = openRun(job, asked, rows, kit),
): { rows: Row[]; rules: RuleSeen[] } {
  const standard = asked.standard ?? asked.shop.standard;
  const piece = job.pieces.find(({ id }) => id === asked.pieceId)!;
  const { view, pages, profile } = readBack(writer, some);
  const rules = [...held(view, standard), ...(asked.variable ? heldAsVariable(view) : [])];
  const sources = sourcesOf(job, kit.fonts);
  const boxes = pageBoxes(piece, asked.shop, asked.marks, asked.office, asked.also);
  const kept: Kept = new Map();
  const common = pageFacts(kit, standard, asked.words, kept);
  const plan = rowPlan(job, piece, rows, sources);
  const proofs = some.flatMap((row): (PageProof & { face: Face })[] =>
    printedFaces({ faces: facesFor(plan, row).faces }, sources).map((face) => {
      // The slug names the plates of the piece, whatever row it is.
      const shown = printedFaces(piece, sources).find(({ id }) => id === sideOfSheet(face.id))!;
      const marked = { job, piece, face, asked, boxes, sources };
      const draw = (device: Device): void => drawPageAsked({ ...marked, marksOf: shown }, device);
      return { ...common, face, name: `Row ${row + 1}, ${face.name}`, draw, media: boxes.media, art: boxes.bleed };
    }),
  );
  // A side that no row changes is drawn once.
  const once = new Map<Face, PageDrawn>();
  const drawn = proofs.map(({ face, ...proof }) => {
    const found = once.get(face) ?? drawnPage(proof);
    once.set(face, found);
    return found;
  });
  return {
    rules,
    rows: [
      { what: 'Pages', asked: `${proofs.length}`, read: `${pages.length}`, right: proofs.length === pages.length },
      rulesRow(standard, rules),
      ...rowsOf(proofs, drawn, pages, asked.pictures),
      profileRow(profile, kit),
    ],
  };
}
