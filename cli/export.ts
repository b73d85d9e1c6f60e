import { mkdirSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { faceImages, IMAGE_PPI, ImageError } from '../core/files/face-images';
import { asAsked, prove } from '../core/files/hand-off/prove';
import { provenImages } from '../core/files/hand-off/prove-images';
import { provenSvg } from '../core/files/hand-off/prove-svg';
import { type HandOffSettings, pdfAsked, settingsOf } from '../core/files/hand-off/settings';
import type { PdfAsked } from '../core/files/pdf/asked';
import type { Standard } from '../core/files/pdf/standards';
import { writePdf } from '../core/files/pdf/write';
import { separatedPictures } from '../core/files/separated';
import { writeSvg } from '../core/files/svg-file';
import { finishPlate } from '../core/job/finishing';
import { pressConditionOf } from '../core/job/press-of';
import type { Piece } from '../core/job/schema';
import { shopIn } from '../core/job/shops-of';
import { FURTHER_MARKS } from '../core/scene/marks';
import { OFFICE_SHEETS, type OfficeSheet } from '../core/scene/office-sheet';
import type { Command } from './command';
import { CliError, pieceAsked } from './given';
import { loadKit } from './kit';
import { openJob } from './open-job';
import { openPngReader } from './png-reader';
import { openReviewer, writeTicket } from './review';

function facesGiven(text: string | boolean | undefined, count: number): number[] {
  if (typeof text !== 'string') return Array.from({ length: count }, (_, i) => i);
  const numbers = text.split(',').map((n) => Number(n) - 1);
  if (numbers.some((n) => !Number.isInteger(n) || n < 0 || n >= count))
    throw new CliError(`--faces takes numbers from 1 to ${count}, with commas between.`);
  return numbers;
}

/** How finishing comes with the one file that is written. */
function finishingGiven(piece: Piece, text: string | boolean | undefined): Pick<PdfAsked, 'finishing'> {
  if (typeof text !== 'string') return {};
  if (text === 'layers' || text === 'pages' || text === 'none') return { finishing: text };
  const found = piece.finishing?.find((finish) => finishPlate(finish).toLowerCase() === text.toLowerCase());
  if (found) return { finishing: { only: found.id } };
  const here = (piece.finishing ?? []).map(finishPlate);
  throw new CliError(
    `--finishing takes layers, pages, none${here.length > 0 ? `, or one of ${here.join(', ')}` : `; ${piece.name} has no finishing of its own`}.`,
  );
}

const FILE_STANDARDS: Partial<Record<string, Standard>> = {
  pdfx4: 'PDF/X-4',
  pdfx1a: 'PDF/X-1a:2001',
  pdfx1a2003: 'PDF/X-1a:2003',
};

const FORMATS: readonly string[] = [...Object.keys(FILE_STANDARDS), 'png', 'tiff', 'svg'];

export const exportPiece: Command = {
  help: `export JOB.tidyedge --piece ID --as pdfx4|pdfx1a|pdfx1a2003|png|tiff|svg [--faces 1,2] [--marks 'registration,colour bar,slug'] [--ppi N] [--trimmed] [--transparent] [--no-marks] [--outlines] [--finishing layers|pages|none|NAME] [--sheet A4|Letter] [--anyway] --out FILE|DIR   writes print-ready files
pdfx4 writes one PDF/X-4 with a page a face; pdfx1a (of 2001) and pdfx1a2003 one with nothing left that is see-through; svg and png write one file a face into the folder --out, in soft-proof colours.
tiff writes a CMYK file a face with the press's profile, and one of grey for each spot ink. --ppi is 300 unless it is given.
--sheet lays the piece on an office printer's paper at its own size, with a line to measure.
--finishing says how foil, varnish, die lines and the like come with a PDF: in layers of its pages, on pages of their own (as they always are in PDF/X-1a), not at all, or one of them alone by the name of its plate.
--outlines writes words as the outlines of their letters instead of as text.
Nothing is written while there are open errors; --anyway exports with them, and writes a ticket that says so. What is missing always stops it.`,
  options: {
    piece: { type: 'string' },
    as: { type: 'string' },
    faces: { type: 'string' },
    'no-marks': { type: 'boolean' },
    outlines: { type: 'boolean' },
    finishing: { type: 'string' },
    sheet: { type: 'string' },
    marks: { type: 'string' },
    ppi: { type: 'string' },
    trimmed: { type: 'boolean' },
    transparent: { type: 'boolean' },
    anyway: { type: 'boolean' },
    out: { type: 'string' },
  },
  async run(path, options) {
    const { job, assets } = openJob(path);
    const piece = pieceAsked(job, options['piece']);
    const { out } = options;
    if (typeof out !== 'string') throw new CliError('Say where to write with --out.');
    if (!FORMATS.includes(String(options['as'])))
      throw new CliError(`Choose a format with --as: ${FORMATS.join(', ')}.`);
    const faces = facesGiven(options['faces'], piece.faces.length);
    const shop = shopIn(job, piece.shop);
    const kit = await loadKit(assets);
    const press = kit.press(pressConditionOf(job, shop));
    const letGo = openReviewer(kit, assets).pass([{ job, piece, faces }], options['anyway'] === true);
    const office = (Object.keys(OFFICE_SHEETS) as OfficeSheet[]).find((each) => each === options['sheet']);
    if (options['sheet'] !== undefined && !office) throw new CliError('--sheet takes A4 or Letter.');
    const words = options['outlines'] === true ? 'outlines' : 'text';
    const standard = FILE_STANDARDS[String(options['as'])];
    const also = FURTHER_MARKS.filter((mark) =>
      String(options['marks'] ?? '')
        .split(',')
        .includes(mark),
    );
    if (standard) {
      const settings: HandOffSettings = {
        ...settingsOf(shop),
        standard,
        marks: options['no-marks'] !== true,
        also,
        words,
        office: office ?? 'its own',
      };
      const asked = { ...pdfAsked(piece.id, shop, settings, faces), ...finishingGiven(piece, options['finishing']) };
      const bytes = await writePdf(job, asked, { ...kit, press, assets });
      asAsked(basename(out), prove(job, asked, bytes, { ...kit, press, assets }));
      mkdirSync(dirname(out), { recursive: true });
      writeFileSync(out, bytes);
      writeTicket(job, letGo, dirname(out));
      return 0;
    }
    const readPng = await openPngReader();
    if (options['as'] === 'svg') {
      mkdirSync(out, { recursive: true });
      for (const n of faces) {
        const drawing = writeSvg(job, piece, n, shop.bleed[piece.kind], { ...kit, press, assets }, words);
        const name = `${piece.id}-${n + 1}.svg`;
        writeFileSync(join(out, name), provenSvg(name, drawing, readPng));
      }
    } else {
      const asked = {
        as: options['as'] === 'png' ? 'png' : 'tiff',
        faces,
        ppi: Number(options['ppi'] ?? IMAGE_PPI.usual),
        trimmed: options['trimmed'] === true,
        transparent: options['transparent'] === true,
      } as const;
      const picture = separatedPictures((hash) => assets[hash], kit.engine, press);
      try {
        const files = await provenImages(faceImages(job, piece, shop, asked, { ...kit, press, picture }), readPng);
        mkdirSync(out, { recursive: true });
        for (const { name, bytes } of files) writeFileSync(join(out, name), bytes);
      } catch (error) {
        if (error instanceof ImageError) throw new CliError(error.message);
        throw error;
      }
    }
    writeTicket(job, letGo, out);
    return 0;
  },
};
