import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import sharp from 'sharp';
import { isProcessPlate } from '../../core/colour/ink';
import { type Inspection, inspectPdf } from '../../core/files/pdf/inspect';
import { SyntaxFault } from '../../core/files/pdf/parsed/syntax';
import { shopOf } from '../../core/trade/shops';
import { kit } from '../kit';
import { filesIn } from './compare';
import { againstWords, wordsTold } from './words-placed';

/**
 * PDFs that others made, looked into, beside what general-purpose tools say of them: pages and boxes by pdfinfo, typefaces by
 * pdffonts, pictures by pdfimages, words and where they stand by pdftotext, plates by Ghostscript’s tiffsep.
 *   tsx tests/corpora/inspected.ts FOLDER… [--every N] [--pages N] [--list FILE] [--no-plates]
 */

const { values, positionals: folders } = parseArgs({
  allowPositionals: true,
  allowNegative: true,
  options: {
    every: { type: 'string', default: '1' },
    pages: { type: 'string', default: '5' },
    list: { type: 'string' },
    plates: { type: 'boolean', default: true },
  },
});
const every = Number(values.every);
/** Pages that are held against the tools, and those whose plates are: each takes a second. */
const PAGES = Number(values.pages);
const PLATED = 1;
/** Longer than anybody waits, in milliseconds. */
const LONG = 60_000;
const shop = shopOf('metric-offset');
const screenInks = kit.press(shop.condition).separateAll;
const scratch = mkdtempSync(join(tmpdir(), 'tidy-inspected-'));

/** What a tool prints, or nothing where it gives up. */
function said(tool: string, args: string[]): string | undefined {
  try {
    return execFileSync(tool, args, {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
      timeout: LONG,
      maxBuffer: 1e8,
    });
  } catch {
    return undefined;
  }
}
const sorted = (list: readonly string[]): string => [...list].sort().join(' ');
/** Both lists, where they differ. */
const unlike = (what: string, ours: readonly string[], theirs: readonly string[]): string[] =>
  sorted(ours) === sorted(theirs) ? [] : [`${what}: ${sorted(ours) || 'none'} and not ${sorted(theirs) || 'none'}`];
const rows = (text: string): string[] => text.trimEnd().split('\n').slice(2);

function againstPdfinfo(file: string, { pages, pageCount }: Inspection): string[] {
  const text = said('pdfinfo', ['-box', '-l', String(PAGES), file]);
  if (text === undefined) return ['read, though pdfinfo gives up'];
  const count = Number(/^Pages:\s+(\d+)/m.exec(text)?.[1]);
  const boxes = (name: string): string[] =>
    [...text.matchAll(new RegExp(`^Page\\s+\\d+ ${name}:\\s+(.+)$`, 'gm'))].map(([, numbers]) =>
      numbers!
        .trim()
        .split(/\s+/)
        .map((n) => Math.round(Number(n)))
        .join(','),
    );
  const ours = (box: (page: Inspection['pages'][number]) => readonly number[]): string[] =>
    pages.slice(0, PAGES).map((page) =>
      box(page)
        .map((n) => Math.round(n))
        .join(','),
    );
  return [
    ...unlike('pages', [String(pageCount)], [String(count)]),
    ...unlike(
      'media',
      ours(({ media }) => media),
      boxes('MediaBox'),
    ),
    ...unlike(
      'cut',
      ours(({ cut }) => cut),
      boxes('TrimBox'),
    ),
  ];
}

/** Typefaces that are not seen; more than a tool finds may well be drawn. */
function againstPdffonts(file: string, { fonts, pages }: Inspection): string[] {
  const text = said('pdffonts', ['-l', String(pages.length), file]);
  if (text === undefined) return [];
  const theirs = rows(text).flatMap((row) => {
    const [, name, emb, sub] =
      /^(.*?)\s+(?:Type 1C?|TrueType|Type 3|CID \S+(?: \S+)?|unknown)(?: \([^)]*\))?\s+\S*\s*(yes|no)\s+(yes|no)\s+(?:yes|no)\s/.exec(
        row,
      ) ?? [];
    return name === undefined ? [`?${row}`] : [`${name.replace(/^[A-Z]{6}\+/, '').replaceAll(' ', '')}/${emb}/${sub}`];
  });
  // Letters that are contents themselves need no name.
  const ours = fonts.map(({ name, kind, embedded, subset }) =>
    [kind === 'Type3' ? '[none]' : name.replaceAll(' ', ''), embedded ? 'yes' : 'no', subset ? 'yes' : 'no'].join('/'),
  );
  const missed = [...new Set(theirs)].filter((each) => !ours.includes(each));
  return missed.length > 0 ? [`typefaces not seen: ${sorted(missed)} (${sorted(ours)})`] : [];
}

function againstPdfimages(file: string, { pages }: Inspection): string[] {
  const text = said('pdfimages', ['-list', '-l', String(PAGES), file]);
  if (text === undefined) return [];
  const theirs = rows(text).flatMap((row) => {
    const [page, , type, width, height, , , bits, , , object, , ppiX, ppiY] = row.trim().split(/\s+/);
    return type === 'smask' || type === 'mask' ? [] : [`${page}:${width}x${height}/${bits}@${ppiX},${ppiY}#${object}`];
  });
  const ours = pages
    .slice(0, PAGES)
    .flatMap(({ pictures }, i) =>
      pictures.map(
        ({ width, height, bits, ppi, ppiDown }) =>
          `${i + 1}:${width}x${height}/${bits}@${Math.round(ppi)},${Math.round(ppiDown)}`,
      ),
    );
  // Once a page, whatever the order; what is drawn more than once is told once by some.
  const plain = (list: readonly string[]): string[] => [...new Set(list.map((each) => each.replace(/@.*/, '')))];
  return unlike('pictures', plain(ours), plain(theirs));
}

function againstPdftotext(file: string, { pages }: Inspection): string[] {
  return pages.slice(0, PAGES).flatMap(({ smallestType }, i) => {
    const words = said('pdftotext', ['-f', String(i + 1), '-l', String(i + 1), file, '-']);
    if (words === undefined) return [];
    const has = words.trim() !== '';
    return has === (smallestType !== undefined)
      ? []
      : [`page ${i + 1}: ${has ? 'words are not seen' : 'words where there are none'}`];
  });
}

/** Of a page’s plates, those that have ink: a name of the file that Ghostscript makes of each. */
async function inked(file: string, page: number): Promise<string[] | undefined> {
  const out = join(scratch, 'p');
  for (const name of readdirSync(scratch)) rmSync(join(scratch, name));
  if (
    said('gs', [
      '-q',
      '-dNOPAUSE',
      '-dBATCH',
      '-dSAFER',
      '-sDEVICE=tiffsep',
      '-r72',
      '-dUseTrimBox',
      `-dFirstPage=${page}`,
      `-dLastPage=${page}`,
      '-o',
      `${out}.tif`,
      file,
    ]) === undefined
  )
    return undefined;
  const names: string[] = [];
  for (const name of readdirSync(scratch)) {
    const plate = /^p\((.+)\)\.tif$/.exec(name)?.[1];
    if (plate === undefined) continue;
    const { channels } = await sharp(join(scratch, name)).greyscale().stats();
    if (channels[0]!.min < 250) names.push(plate);
  }
  return names;
}

/** What is laid on every plate there is, and is none. */
const REGISTRATION = 'All';

/** Spots everywhere; the four where colours are amounts of ink: others are turned into them by a profile of one's own. */
async function againstTiffsep(file: string, { pages, findings, finishing }: Inspection): Promise<string[]> {
  const isInk = !findings.some(({ check }) => check === 'screen-colours');
  const held = (names: readonly string[]): string[] =>
    names
      .filter((name) => name !== REGISTRATION && (isInk || !isProcessPlate(name)))
      .map((name) => name.replace(/[^\w -]/g, '_'));
  const found: string[] = [];
  for (const [i, { plates }] of pages.slice(0, PLATED).entries()) {
    const theirs = await inked(file, i + 1);
    const done = finishing.filter(({ pages: on }) => on.includes(i + 1)).map(({ name }) => name);
    if (theirs) found.push(...unlike(`plates of page ${i + 1}`, held([...plates, ...done]), held(theirs)));
  }
  return found;
}

const counts = { 'the same': 0, 'not the same': 0, refused: 0, 'a fault': 0, slow: 0 };
const list: string[] = [];
const tell = (kind: keyof typeof counts, file: string, what: string): void => {
  counts[kind]++;
  list.push(`${kind}\t${file}\t${what}`);
};
const files = folders.flatMap((folder) => filesIn(folder, '.pdf')).filter((_, i) => i % every === 0);
for (const file of files) {
  const began = process.cpuUsage();
  try {
    const bytes = new Uint8Array(readFileSync(file));
    const found = await inspectPdf(bytes, shop, { screenInks });
    const took = process.cpuUsage(began).user / 1000;
    if (took > 15_000) tell('slow', file, `${Math.round(took)} ms`);
    const differences = [
      ...againstPdfinfo(file, found),
      ...againstPdffonts(file, found),
      ...againstPdfimages(file, found),
      ...againstPdftotext(file, found),
      ...againstWords(bytes, wordsTold(said('pdftotext', ['-bbox', '-l', String(PAGES), file, '-']) ?? '')),
      ...(values.plates ? await againstTiffsep(file, found) : []),
    ];
    if (differences.length === 0) counts['the same']++;
    else tell('not the same', file, differences.join('; '));
  } catch (error) {
    if (error instanceof SyntaxFault) tell('refused', file, error.message);
    else
      tell(
        'a fault',
        file,
        String((error as Error).stack)
          .split('\n')
          .slice(0, 3)
          .join(' '),
      );
  }
}
rmSync(scratch, { recursive: true });
if (values.list) writeFileSync(values.list, list.join('\n'));
console.log(
  `${files.length} files\n${Object.entries(counts)
    .map(([kind, count]) => `${kind}: ${count}`)
    .join('\n')}`,
);
