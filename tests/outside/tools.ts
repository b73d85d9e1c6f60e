import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import type { JobBundle } from '../../core/files/job-parts';
import type { PdfAsked } from '../../core/files/pdf/asked';
import { writePdf } from '../../core/files/pdf/write';
import { shopOf } from '../../core/trade/shops';
import { kit } from '../kit';

/** Independent tools, and a folder of their own to work in: one for all the test files of a process, emptied after each. */
export const folder = mkdtempSync(join(tmpdir(), 'tidy-outside-'));
export const tidyUp = (): void => {
  for (const name of readdirSync(folder)) rmSync(join(folder, name), { recursive: true, force: true });
};
process.once('exit', () => rmSync(folder, { recursive: true, force: true }));

export const run = (command: string, args: string[], input?: string): string =>
  execFileSync(command, args, {
    cwd: folder,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
    stdio: ['pipe', 'pipe', 'pipe'],
    ...(input === undefined ? {} : { input }),
  });
export const runBytes = (command: string, args: string[]): Buffer =>
  execFileSync(command, args, { cwd: folder, maxBuffer: 1 << 28, stdio: ['pipe', 'pipe', 'pipe'] });

/** Exports a piece as the app does, and writes it to the folder. */
export async function exportTo(
  name: string,
  { job, assets }: JobBundle,
  asked: Partial<PdfAsked> = {},
): Promise<string> {
  const piece = job.pieces[0]!;
  const shop = shopOf(piece.shop);
  const bytes = await writePdf(
    job,
    { pieceId: piece.id, shop, marks: true, ...asked },
    { ...kit, press: kit.press(shop.condition), assets },
  );
  const path = join(folder, name);
  writeFileSync(path, bytes);
  return path;
}

/** A page of Ghostscript's own, with the outlines of its typefaces in it. */
export const withFonts = (from: string, to: string): void =>
  void run('gs', [
    '-q',
    '-dNOPAUSE',
    '-dBATCH',
    '-dEmbedAllFonts=true',
    '-dPDFSETTINGS=/prepress',
    '-sDEVICE=pdfwrite',
    '-o',
    to,
    from,
  ]);

/** Pixels row by row; one or three bytes each. */
export interface PagePixels {
  data: Buffer;
  width: number;
  height: number;
}

/** A page as poppler draws it, at `ppi`: three bytes a pixel, or one with `-gray`. Pages count from 1. */
export function pageOf(pdf: string, page: number, ppi: number, ...how: string[]): PagePixels {
  const pnm = runBytes('pdftoppm', ['-r', `${ppi}`, '-f', `${page}`, '-l', `${page}`, ...how, pdf]);
  // Netpbm’s raw kinds: what it is, width, height, most, each followed by white space.
  const [head, width, height] = /^P[56]\s+(\d+)\s+(\d+)\s+255\s/.exec(pnm.toString('latin1', 0, 64))!;
  return { data: pnm.subarray(head.length), width: Number(width), height: Number(height) };
}

export interface Plate {
  width: number;
  height: number;
  /** 0 to 1 of ink at a point, in points from the media box's top left corner. */
  at(x: number, y: number): number;
  ink: Uint8Array;
}

interface Separated {
  /** The one page that is wanted. */
  only?: number;
  /** Edges lie where they are, and no line is thicker than it should be; what is thinner than a pixel may be lost. */
  byMiddles?: boolean;
}
/** By itself Ghostscript paints every pixel that an edge touches; so, those whose middle is inside. */
const BY_MIDDLES = ['-c', '0 0 .setfilladjust2', '-f'];

/** What Ghostscript separates a file into: a grey picture for each plate of each page, 255 where no ink is. */
export async function tiffsep(pdf: string, how: readonly string[], { only, byMiddles }: Separated = {}) {
  const stem = `plates-${Math.random().toString(36).slice(2)}`;
  // All pages, always: asked for a range, Ghostscript 10.00 loses the spots of pages with transparency.
  const fixed = ['-q', '-dSAFER', '-dBATCH', '-dNOPAUSE', '-sDEVICE=tiffsep', '-sCompression=none'];
  run('gs', [...fixed, ...how, '-o', `${stem}-%d.tif`, ...(byMiddles ? BY_MIDDLES : []), pdf]);
  const found: { page: number; name: string; width: number; height: number; levels: Buffer }[] = [];
  for (const file of readdirSync(folder)) {
    const [, page, name] = new RegExp(`^${stem}-(\\d+)\\((.+)\\)\\.tif$`).exec(file) ?? [];
    if (!name || (only !== undefined && Number(page) !== only)) continue;
    const { data, info } = await sharp(join(folder, file), { limitInputPixels: false })
      .extractChannel(0)
      .raw()
      .toBuffer({ resolveWithObject: true });
    found.push({ page: Number(page), name, width: info.width, height: info.height, levels: data });
  }
  return found;
}

/** The plates of one page as Ghostscript separates them, by name. */
export async function platesOf(pdf: string, page: number, dpi: number): Promise<Map<string, Plate>> {
  const found = await tiffsep(pdf, [`-r${dpi}`], { only: page });
  return new Map(
    found.map(({ name, width, height, levels }) => {
      const ink = Uint8Array.from(levels, (level) => 255 - level);
      const at = (x: number, y: number): number =>
        ink[Math.floor((y / 72) * dpi) * width + Math.floor((x / 72) * dpi)]! / 255;
      return [name, { width, height, ink, at }] as const;
    }),
  );
}

/** `pdfinfo -box` as numbers: [x0, y0, x1, y1] for each box of each page. */
export function boxesOf(pdf: string): Record<string, number[]>[] {
  const pages: Record<string, number[]>[] = [];
  for (const line of run('pdfinfo', ['-box', '-f', '1', '-l', '99', pdf]).split('\n')) {
    const [, page, name, numbers] = /^Page\s+(\d+) (\w+Box):\s+(.*)$/.exec(line) ?? [];
    if (!page) continue;
    pages[Number(page) - 1] ??= {};
    pages[Number(page) - 1]![name!] = numbers!.trim().split(/\s+/).map(Number);
  }
  return pages;
}
