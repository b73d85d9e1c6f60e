import { zipSync } from 'fflate';
import type { Finding } from '../core/checks/check';
import { keepPlates } from '../core/checks/kept-plates';
import { platesFound } from '../core/checks/on-plates';
import type { ImageFile } from '../core/files/face-images';
import { exportName } from '../core/files/file-names';
import type { LetGo } from '../core/files/gate';
import { refuseDiffering } from '../core/files/hand-off/read-back-error';
import type { Progress } from '../core/files/pdf/document';
import type { RuleSeen } from '../core/files/pdf/rules';
import type { Standard } from '../core/files/pdf/standards';
import { ticketWith } from '../core/files/ticket';
import { tableOfPiece } from '../core/job/edits/runs';
import { pieceOf } from '../core/job/find';
import { typefacesIn } from '../core/job/look';
import { pressConditionOf } from '../core/job/press-of';
import type { Job } from '../core/job/schema';
import { shopIn } from '../core/job/shops-of';
import { withHardPlates } from '../core/run/check-hard';
import { checkRun, type RunChecked } from '../core/run/check-run';
import { placesList, statusList } from '../core/run/lists';
import { rowsPrinted } from '../core/run/order';
import { openRunProof } from '../core/run/proof/open';
import { rowFileName } from '../core/run/row-file';
import { rowPlan } from '../core/run/row-piece';
import { cellsOfFile, rowsOf } from '../core/run/rows';
import { rowStatuses } from '../core/run/status';
import { assembler, type Frame } from '../core/run/write/assemble';
import { openLabelRun } from '../core/run/write/labels';
import type { Payload } from '../core/run/write/objects';
import { proveRows, proveUnits, sheetsToProve } from '../core/run/write/prove-run';
import { openRun, type RunAsked } from '../core/run/write/rows';
import { openSheetRun } from '../core/run/write/sheets';
import { SERVICE_TYPEFACE } from '../core/scene/slug';
import { sourcesOf } from '../core/scene/sources';
import { loadJpegDecoder } from './decoders';
import { loadFontCutter } from './kit';
import { layAnew } from './lay';
import { passAll } from './review-work';
import { shelfBytes, shelfHashes } from './shelf-files';
import { shelfKit } from './shelf-kit';

/** Runs checked and written off the page's thread, from the shelf. */

type Hear = (progress: Progress) => void;

/** A piece, its table and what they are drawn with. Throws with words for the user. */
async function openTable(job: Job, pieceId: string) {
  const piece = pieceOf(job, pieceId);
  const table = piece && tableOfPiece(job, piece);
  if (!piece?.run || !table) throw new Error('This piece is not printed from a table.');
  const kit = await shelfKit.load();
  await shelfKit.loadProfiles(Object.keys(job.conditions));
  await shelfKit.loadFonts([...typefacesIn(job), SERVICE_TYPEFACE]);
  const bytes = 'file' in table.source ? await shelfBytes(table.source.file) : undefined;
  if ('file' in table.source && !bytes)
    throw new Error(`The rows of ${table.name} are not here. Import their file again.`);
  const rows = rowsOf(table, {
    people: job.people,
    firm: job.firm,
    country: job.country,
    file: bytes && cellsOfFile(bytes),
  });
  const shop = shopIn(job, piece.shop);
  return { piece, run: piece.run, rows, kit, shop, press: kit.press(pressConditionOf(job, shop)) };
}

/** Lets other messages in between, and says how far it is. */
const pause = (): Promise<void> => new Promise((go) => setTimeout(go, 0));

/** What was found last: what is about to be written has most often just been looked at. */
let last: { of: string; checked: RunChecked } | undefined;

/** Every row checked: what is found, by cause. Fixes do not cross. */
export async function checkTheRun(job: Job, pieceId: string, tell: Hear): Promise<RunChecked> {
  const of = `${job.id} ${job.changed} ${pieceId}`;
  if (last?.of === of) return last.checked;
  const checked = await checkAnew(job, pieceId, tell);
  last = { of, checked };
  return checked;
}

async function checkAnew(job: Job, pieceId: string, tell: Hear): Promise<RunChecked> {
  const { piece, run, rows, kit, press } = await openTable(job, pieceId);
  const plan = rowPlan(job, piece, rows, sourcesOf(job, kit.fonts));
  const filesHere = await shelfHashes();
  const seen = { fonts: kit.fonts, press, filesHere };
  const going = async (done: number): Promise<void> => {
    tell({ done, what: 'Checking the rows' });
    await pause();
  };
  const all = await checkRun(plan, rowsPrinted(run, rows), seen, (done) => going(0.7 * done));
  const kept = keepPlates();
  const platesOf = async (changed: Job): Promise<Finding[]> =>
    (await layAnew({ job: changed, pieceId }, { kept })).flatMap(platesFound);
  const checked = await withHardPlates(plan, all, seen, platesOf, (done) => going(0.7 + 0.3 * done));
  return {
    ...checked,
    findings: checked.findings.map(({ finding, ...rest }) => {
      if (!finding) return rest;
      const { fix: _fix, orElse: _orElse, ...plain } = finding;
      return { ...rest, finding: plain };
    }),
  };
}

/** How a run is written. */
export interface RunOrder {
  as: 'pages' | 'files' | 'sheets' | 'labels';
  standard: Standard;
  variable: boolean;
  marks: boolean;
  /** Only these rows, by number: a reprint. All where it is left out. */
  only?: readonly number[];
  /** The keys of errors of rows that leave all the same. */
  letGo: readonly string[];
}

export interface WrittenRun extends ImageFile {
  rows: number;
  pages: number;
  rules: RuleSeen[];
  beside: ImageFile[];
}

const TOO_MUCH = 1_900_000_000;

/** Pieces of a file as they come, put together once it is whole. */
async function written(
  frame: Frame,
  count: number,
  payload: (i: number) => Payload,
  tell: Hear,
): Promise<{ bytes: Uint8Array; pages: number }> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  const file = assembler(frame, (bytes) => {
    chunks.push(bytes);
    size += bytes.length;
  });
  for (let i = 0; i < count; i++) {
    file.add(payload(i));
    if (i % 50 === 0) {
      tell({ done: 0.2 + (0.8 * i) / count, what: `Writing ${i + 1} of ${count}` });
      await pause();
    }
    if (size > TOO_MUCH)
      throw new Error(
        'The file would be larger than a browser can hold. Export a share of the rows at a time, or use the command line.',
      );
  }
  const { pages } = file.end();
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    bytes.set(chunk, at);
    at += chunk.length;
  }
  return { bytes, pages };
}

/** The proof of a run, and the status of each row beside it. Throws with words for the user. */
export async function proofOfRun(
  job: Job,
  pieceId: string,
  assets: Record<string, Uint8Array>,
  tell: Hear,
): Promise<ImageFile[]> {
  tell({ done: 0, what: 'Checking' });
  const { piece, run, rows, kit, shop, press } = await openTable(job, pieceId);
  await loadJpegDecoder();
  const checked = await checkTheRun(job, pieceId, tell);
  const on = { ...kit, press, cutter: await loadFontCutter(), assets };
  const proof = openRunProof(job, { pieceId, shop, checked }, rows, on);
  const { bytes } = await written(proof.frame, proof.pages, (n) => proof.payload(n), tell);
  const stem = exportName('{client}-{piece}', job, piece);
  const list = statusList(rows, rowStatuses(run, rows, checked.findings).values());
  return [
    { name: `${stem}-run-proof.pdf`, bytes },
    { name: `${stem}-run-rows.csv`, bytes: new TextEncoder().encode(list) },
  ];
}

/** Writes a run. Throws with words for the user. */
export async function writeRun(
  job: Job,
  pieceId: string,
  order: RunOrder,
  letGo: LetGo,
  assets: Record<string, Uint8Array>,
  tell: Hear,
): Promise<WrittenRun> {
  tell({ done: 0, what: 'Checking' });
  const { piece, run, rows, kit, shop, press } = await openTable(job, pieceId);
  await loadJpegDecoder();
  const { letGo: gone } = await passAll([{ job, piece }], letGo);
  const on = { ...kit, press, cutter: await loadFontCutter(), assets };
  const only = order.only && new Set(order.only);
  const going = rowsPrinted(run, rows).filter((row) => only?.has(row) ?? true);
  const { findings } = await checkTheRun(job, pieceId, tell);
  const here = new Set(going);
  const error = findings.find(
    ({ severity, key, rows: found }) =>
      severity === 'stop' && !order.letGo.includes(key) && found.some((row) => here.has(row)),
  );
  if (error)
    throw new Error(
      `Row ${error.rows.find((row) => here.has(row))! + 1}: ${error.problem}. Fix it, or leave the row out.`,
    );
  if (going.length === 0) throw new Error('No row is left to print. Bring some back, or choose others.');
  const asked: RunAsked = {
    pieceId,
    shop,
    marks: order.marks,
    standard: order.standard,
    ...(order.variable ? { variable: true } : {}),
  };
  const beside = ticketWith(job, gone);
  const stem = exportName('{client}-{piece}', job, piece);
  const { variable: _variable, marks: _marks, ...plainAsked } = asked;
  if (order.as === 'sheets') {
    const how = { ...plainAsked, marks: order.marks, sheets: run.sheets, leaders: run.leaders };
    const writer = openSheetRun(job, { ...how, order: going }, rows, on);
    tell({ done: 0.1, what: 'Proving the first sheet and the last' });
    const sheetsProven = proveUnits(writer, sheetsToProve(writer.sheets, run.leaders), asked, on);
    refuseDiffering(`${stem}-run-sheets.pdf`, sheetsProven.rows);
    const { bytes, pages } = await written(writer.frame, writer.sheets, (n) => writer.payload(n), tell);
    const list = placesList(rows, going, writer.up, run);
    return {
      name: `${stem}-run-sheets.pdf`,
      bytes,
      rows: going.length,
      pages,
      rules: sheetsProven.rules,
      beside: [...beside, { name: `${stem}-run-places.csv`, bytes: new TextEncoder().encode(list) }],
    };
  }
  if (order.as === 'labels') {
    if (!run.labels) throw new Error('Choose the sheets of labels first.');
    const writer = openLabelRun(job, { ...plainAsked, order: going, labels: run.labels }, rows, on);
    const labelsProven = proveUnits(writer, sheetsToProve(writer.sheets, false), asked, on);
    refuseDiffering(`${stem}-labels.pdf`, labelsProven.rows);
    const { bytes, pages } = await written(writer.frame, writer.sheets, (n) => writer.payload(n), tell);
    return { name: `${stem}-labels.pdf`, bytes, rows: going.length, pages, rules: labelsProven.rules, beside };
  }
  tell({ done: 0.1, what: 'Proving the hard rows' });
  const hard = going.filter((_, i) => i === 0 || i === going.length - 1 || i === going.length >> 1);
  const writer = openRun(job, asked, rows, on);
  const proven = proveRows(job, asked, rows, hard, on, writer);
  refuseDiffering(`${stem}-run.pdf`, proven.rows);
  if (order.as === 'files') {
    const taken = new Set<string>();
    const files: Record<string, Uint8Array> = {};
    for (const [i, row] of going.entries()) {
      writer.begin();
      const one = await written(
        writer.frame,
        1,
        () => writer.payload(row),
        () => undefined,
      );
      files[rowFileName(run.names, rows, row, taken)] = one.bytes;
      tell({ done: 0.2 + (0.8 * i) / going.length, what: `Writing ${i + 1} of ${going.length}` });
    }
    return {
      name: `${stem}-run.zip`,
      bytes: zipSync(files, { level: 0 }),
      rows: going.length,
      pages: 0,
      rules: proven.rules,
      beside,
    };
  }
  const { bytes, pages } = await written(writer.frame, going.length, (i) => writer.payload(going[i]!), tell);
  return { name: `${stem}-run.pdf`, bytes, rows: going.length, pages, rules: proven.rules, beside };
}
