import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { writePdf } from '../core/files/pdf/write';
import { writeSvg } from '../core/files/svg-file';
import { pressConditionOf } from '../core/job/press-of';
import { shopIn } from '../core/job/shops-of';
import { CliError, openJob, pieceAsked } from './given';
import { loadKit } from './kit';
import type { Command } from './tidy';

function facesGiven(text: string | boolean | undefined, count: number): number[] {
  if (typeof text !== 'string') return Array.from({ length: count }, (_, i) => i);
  const numbers = text.split(',').map((n) => Number(n) - 1);
  if (numbers.some((n) => !Number.isInteger(n) || n < 0 || n >= count))
    throw new CliError(`--faces takes numbers from 1 to ${count}, with commas between.`);
  return numbers;
}

export const exportPiece: Command = {
  help: `export JOB.tidyedge --piece ID --as pdfx4|svg [--faces 1,2] [--no-marks] [--outlines] --out FILE|DIR   writes print-ready files
pdfx4 writes one PDF/X-4 with a page a face; svg writes one file a face into the folder --out, in soft-proof colours.
--outlines writes words as the outlines of their letters instead of as text.`,
  options: {
    piece: { type: 'string' },
    as: { type: 'string' },
    faces: { type: 'string' },
    'no-marks': { type: 'boolean' },
    outlines: { type: 'boolean' },
    out: { type: 'string' },
  },
  async run(path, options) {
    const { job, assets } = openJob(path);
    const piece = pieceAsked(job, options['piece']);
    const { out } = options;
    if (typeof out !== 'string') throw new CliError('Say where to write with --out.');
    const faces = facesGiven(options['faces'], piece.faces.length);
    const shop = shopIn(job, piece.shop);
    const kit = await loadKit(assets);
    const press = kit.press(pressConditionOf(job, shop));
    if (options['as'] === 'pdfx4') {
      const bytes = await writePdf(
        job,
        {
          pieceId: piece.id,
          shop,
          faces,
          marks: options['no-marks'] !== true,
          words: options['outlines'] === true ? 'outlines' : 'text',
        },
        { ...kit, press, assets },
      );
      mkdirSync(dirname(out), { recursive: true });
      writeFileSync(out, bytes);
    } else if (options['as'] === 'svg') {
      mkdirSync(out, { recursive: true });
      for (const n of faces) {
        const svg = writeSvg(job, piece, n, shop.bleed[piece.kind], { ...kit, press, assets });
        writeFileSync(join(out, `${piece.id}-${n + 1}.svg`), svg);
      }
    } else throw new CliError('Choose a format with --as: pdfx4 or svg.');
    return 0;
  },
};
