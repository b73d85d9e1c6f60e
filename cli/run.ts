import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { keepPlates } from '../core/checks/kept-plates';
import { layPiece, platesFound } from '../core/checks/on-plates';
import { refuseDiffering } from '../core/files/hand-off/read-back-error';
import type { Standard } from '../core/files/pdf/standards';
import { separatedPictures } from '../core/files/separated';
import { tableOfPiece } from '../core/job/edits/runs';
import { pressConditionOf } from '../core/job/press-of';
import { shopIn } from '../core/job/shops-of';
import { withHardPlates } from '../core/run/check-hard';
import { checkRun } from '../core/run/check-run';
import { placesList, statusList } from '../core/run/lists';
import { rowsPrinted, tallyOf } from '../core/run/order';
import { openRunProof } from '../core/run/proof/open';
import { rowFileName } from '../core/run/row-file';
import { rowPlan } from '../core/run/row-piece';
import { cellsOfFile, type Rows, rowsOf, rowTitle } from '../core/run/rows';
import { rowStatuses } from '../core/run/status';
import { openLabelRun } from '../core/run/write/labels';
import { proveRows, proveUnits, sheetsToProve } from '../core/run/write/prove-run';
import { openRun, type RunAsked } from '../core/run/write/rows';
import { openSheetRun, runSheets } from '../core/run/write/sheets';
import { sourcesOf } from '../core/scene/sources';
import { SheetError } from '../core/sheet/plan';
import type { Command } from './command';
import { CliError, pieceAsked } from './given';
import { loadKit } from './kit';
import { openJob } from './open-job';
import { openReviewer, writeTicket } from './review';
import { each, joinParts, upTo, writeWhole } from './run-files';
import { progressLine, writeInShares } from './run-shares';

type Options = Parameters<Command['run']>[1];

const STANDARDS: Readonly<Record<string, { standard: Standard; variable?: true }>> = {
  pdfx4: { standard: 'PDF/X-4' },
  pdfvt1: { standard: 'PDF/X-4', variable: true },
  pdfx1a: { standard: 'PDF/X-1a:2001' },
  pdfx1a2003: { standard: 'PDF/X-1a:2003' },
};

/** Rows by their place in the run, 0 first: `0..99`, `3,5,8`, or both. */
function rowsGiven(text: string | boolean | undefined, count: number): number[] {
  if (typeof text !== 'string') return Array.from({ length: count }, (_, i) => i);
  const wanted = new Set<number>();
  for (const part of text.split(',')) {
    const [, from, to] = /^\s*(\d+)(?:\.\.(\d+))?\s*$/.exec(part) ?? [];
    if (from === undefined) throw new CliError('--rows takes places in the run, 0 first: 0..99, or 3,5,8.');
    const last = Math.min(to === undefined ? Number(from) : Number(to), count - 1);
    if (Number(from) >= count) throw new CliError(`This run has ${count} rows: --rows takes 0 to ${count - 1}.`);
    for (let n = Number(from); n <= last; n++) wanted.add(n);
  }
  return [...wanted].sort((a, b) => a - b);
}

function workersAsked(given: string | boolean | undefined): number {
  if (given === undefined) return 1;
  const count = Number(given);
  if (!Number.isInteger(count) || count < 1 || count > 64)
    throw new CliError('--workers takes a number of processes, 1 to 64.');
  return count;
}

/** What each process of a run that is written by several is told again: all but its rows and where it writes. */
const AGAIN = ['piece', 'as', 'table', 'no-marks', 'outlines', 'anyway'] as const;
/** What is not one file of pages. */
const ALONE = ['check', 'proof', 'each', 'sheets', 'labels'] as const;
const argsAgain = (options: Options): string[] =>
  AGAIN.flatMap((name) => {
    const value = options[name];
    return value === true ? [`--${name}`] : typeof value === 'string' ? [`--${name}`, value] : [];
  });

/** The rows of a piece's table, with what of its file is here. */
function openRows(path: string, options: Options) {
  const { job, assets } = openJob(path);
  const piece = pieceAsked(job, options['piece']);
  const table = tableOfPiece(job, piece);
  const { run } = piece;
  if (!table || !run) throw new CliError(`${piece.name} is not printed from a table. Give it one in Run.`);
  const linked = typeof options['table'] === 'string' ? new Uint8Array(readFileSync(options['table'])) : undefined;
  const hash = 'file' in table.source ? table.source.file : undefined;
  const bytes = linked ?? (hash === undefined ? undefined : assets[hash]);
  if (hash !== undefined && !bytes)
    throw new CliError(`The rows of ${table.name} are not in the job file. Give their file with --table.`);
  const file = bytes && cellsOfFile(bytes);
  const rows: Rows = rowsOf(table, { people: job.people, firm: job.firm, country: job.country, file });
  return { job, assets, piece, run, rows };
}

export const run: Command = {
  help: `run JOB.tidyedge --piece ID [--as pdfx4|pdfvt1|pdfx1a|pdfx1a2003] [--rows 0..99] [--each] [--sheets] [--labels] [--no-marks] [--outlines] [--check] [--list] [--proof] [--json] [--table FILE.csv] [--workers N] [--progress] [--anyway] --out FILE|DIR   prints a piece for the rows of its table
--check prints the findings of all rows, by cause; exit 1 where one is an error. --list prints where each row lies on the sheets, as CSV.
--proof writes what was found, the rows to look at first and a contact sheet of all as a PDF that is not for print, and the status of each row as CSV beside it.
--rows takes places in the run, 0 first: a share of it, or the rows of a reprint. --each writes a file a row into the folder --out, by the run's names. --sheets lays the rows on the piece's press sheets, --labels on the sheets of labels that are chosen in Run.
--workers writes one PDF by so many processes at once: the same bytes, sooner. --progress says how far it is on the error output, a line of JSON each.
run --join DIR --out FILE   joins parts that --rows wrote: the file is the one that would have been written at once.
pdfvt1 is PDF/X-4 with a document part a row. Nothing is written while there are open errors; --anyway exports with them.`,
  options: {
    piece: { type: 'string' },
    as: { type: 'string' },
    rows: { type: 'string' },
    each: { type: 'boolean' },
    sheets: { type: 'boolean' },
    labels: { type: 'boolean' },
    'no-marks': { type: 'boolean' },
    outlines: { type: 'boolean' },
    check: { type: 'boolean' },
    list: { type: 'boolean' },
    proof: { type: 'boolean' },
    json: { type: 'boolean' },
    table: { type: 'string' },
    join: { type: 'string' },
    workers: { type: 'string' },
    progress: { type: 'boolean' },
    anyway: { type: 'boolean' },
    out: { type: 'string' },
  },
  insteadOfFile: 'join',
  async run(path, options) {
    const { out } = options;
    if (typeof options['join'] === 'string') {
      if (typeof out !== 'string') throw new CliError('Say where to write with --out.');
      console.log(joinParts(options['join'], out));
      return 0;
    }
    const { job, assets, piece, run: made, rows } = openRows(path, options);
    const order = rowsPrinted(made, rows);
    const going = rowsGiven(options['rows'], order.length).map((place) => order[place]!);
    const shop = shopIn(job, piece.shop);
    const kit = await loadKit(assets);
    const press = kit.press(pressConditionOf(job, shop));
    const on = { ...kit, press, assets };
    const filesHere = new Set(Object.keys(assets));
    const tell = (done: number): void => {
      if (options['progress'] === true) process.stderr.write(progressLine(done, 'Writing'));
    };
    const way = STANDARDS[String(options['as'] ?? 'pdfx4')];
    if (!way) throw new CliError(`Choose a format with --as: ${Object.keys(STANDARDS).join(', ')}.`);
    const asked: RunAsked = {
      pieceId: piece.id,
      shop,
      marks: options['no-marks'] !== true,
      ...(options['outlines'] === true ? { words: 'outlines' as const } : {}),
      ...way,
    };
    if (options['list'] === true) {
      process.stdout.write(placesList(rows, going, runSheets(job, asked, going.length).places.length, made));
      return 0;
    }
    const workers = workersAsked(options['workers']);
    const isOneFile = ALONE.every((name) => options[name] !== true) && typeof out === 'string';
    if (workers > 1 && isOneFile && going.length > 1) {
      // Each share is checked, proven and let through the gate by the process that writes it.
      const places = rowsGiven(options['rows'], order.length);
      console.log(await writeInShares(places, workers, [path, ...argsAgain(options)], out, tell));
      const letGo = options['anyway'] === true ? openReviewer(kit, assets).pass([{ job, piece }], true) : [];
      writeTicket(job, letGo, dirname(out));
      return 0;
    }
    const plan = rowPlan(job, piece, rows, sourcesOf(job, kit.fonts));
    const seen = { fonts: kit.fonts, press, filesHere };
    const all = await checkRun(plan, going, seen);
    const picture = separatedPictures((hash) => assets[hash], kit.engine, press);
    const laid = keepPlates();
    const checked = await withHardPlates(plan, all, seen, (changed, shown) =>
      layPiece(changed, shown, { fonts: kit.fonts, press }, { picture, kept: laid }, shop).flatMap(platesFound),
    );
    const errors = checked.findings.filter(({ severity }) => severity === 'stop');
    if (options['check'] === true || typeof out !== 'string') {
      const { printed, rows: count, leftOut } = tallyOf(made, rows);
      if (options['json'])
        console.log(
          JSON.stringify(
            {
              rows: count,
              printed,
              leftOut,
              hard: checked.hard,
              unread: checked.unread,
              findings: checked.findings.map(({ finding: _finding, key: _key, ...rest }) => rest),
            },
            null,
            1,
          ),
        );
      else {
        console.log(`${count} rows in, ${printed} printed, ${leftOut.length} left out.`);
        for (const { severity, problem, rows: found } of checked.findings)
          console.log(
            `${severity === 'stop' ? 'error' : severity === 'warn' ? 'warning' : 'advice'}  ${problem}: ${found.length} ${found.length === 1 ? 'row' : 'rows'}, ${found
              .slice(0, 5)
              .map((row) => `${row + 1} ${rowTitle(rows, row)}`)
              .join('; ')}`,
          );
      }
      return errors.length > 0 ? 1 : 0;
    }
    if (options['proof'] === true) {
      const proof = openRunProof(job, { pieceId: piece.id, shop, checked }, rows, on);
      const units = upTo(proof.pages);
      writeWhole(out, proof.frame, each(units, proof.payload, tell));
      const statuses = rowStatuses(made, rows, checked.findings);
      writeFileSync(out.replace(/(\.pdf)?$/i, '-rows.csv'), statusList(rows, statuses.values()));
      console.log(`${proof.pages} pages to look at, ${statuses.size} rows.`);
      return errors.length > 0 ? 1 : 0;
    }
    if (errors.length > 0 && options['anyway'] !== true) {
      const [first] = errors;
      throw new CliError(
        `${errors.length === 1 ? 'An error stops' : `${errors.length} errors stop`} this run, the first: ${first!.problem}, row ${first!.rows[0]! + 1} ${rowTitle(rows, first!.rows[0]!)}. See them with --check, or export with --anyway.`,
      );
    }
    const letGo = openReviewer(kit, assets).pass([{ job, piece }], options['anyway'] === true);
    try {
      if (options['sheets'] === true) {
        const writer = openSheetRun(
          job,
          { ...asked, order: going, sheets: made.sheets, leaders: made.leaders },
          rows,
          on,
        );
        const proven = proveUnits(writer, sheetsToProve(writer.sheets, made.leaders), asked, on);
        refuseDiffering(basename(out), proven.rows);
        const units = upTo(writer.sheets);
        const { pages } = writeWhole(out, writer.frame, each(units, writer.payload, tell));
        console.log(`${going.length} rows on ${writer.sheets} sheets, ${pages} pages.`);
        writeTicket(job, letGo, dirname(out));
        return 0;
      }
      if (options['labels'] === true) {
        if (!made.labels) throw new CliError(`No sheets of labels are chosen for ${piece.name}. Choose them in Run.`);
        const { variable: _variable, marks: _marks, ...how } = asked;
        const writer = openLabelRun(job, { ...how, order: going, labels: made.labels }, rows, on);
        refuseDiffering(basename(out), proveUnits(writer, sheetsToProve(writer.sheets, false), asked, on).rows);
        const units = upTo(writer.sheets);
        writeWhole(out, writer.frame, each(units, writer.payload, tell));
        console.log(`${going.length} labels on ${writer.sheets} sheets.`);
        writeTicket(job, letGo, dirname(out));
        return 0;
      }
      const hard = checked.hard
        .map(({ row }) => row)
        .filter((row) => going.includes(row))
        .slice(0, 3);
      const writer = openRun(job, asked, rows, on);
      refuseDiffering(basename(out), proveRows(job, asked, rows, hard, on, writer).rows);
      if (options['each'] === true) {
        mkdirSync(out, { recursive: true });
        const taken = new Set<string>();
        for (const row of going) {
          writer.begin();
          writeWhole(join(out, rowFileName(made.names, rows, row, taken)), writer.frame, [writer.payload(row)]);
        }
        console.log(`${going.length} files.`);
      } else {
        const { pages } = writeWhole(out, writer.frame, each(going, writer.payload, tell));
        console.log(`${going.length} rows, ${pages} pages.`);
      }
      writeTicket(job, letGo, options['each'] === true ? out : dirname(out));
      return 0;
    } catch (error) {
      if (error instanceof SheetError) throw new CliError(error.message);
      throw error;
    }
  },
};
