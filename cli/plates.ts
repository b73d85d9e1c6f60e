import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { encode } from 'fast-png';
import { trimOf } from '../core/checks/check';
import { layPiece } from '../core/checks/on-plates';
import { cellsIn } from '../core/devices/plates/device';
import { highestOf } from '../core/devices/plates/readings';
import { unlike } from '../core/files/file-names';
import { refuseMissing } from '../core/files/refuse-missing';
import { separatedPictures } from '../core/files/separated';
import { pressConditionOf } from '../core/job/press-of';
import { shopIn } from '../core/job/shops-of';
import type { Command } from './command';
import { CliError, pieceAsked } from './given';
import { loadKit } from './kit';
import { openJob } from './open-job';

const PPI = { usual: 150, least: 10, most: 1200 };

/** An ink's name as a file can have it. */
const fileName = (plate: string): string => plate.replace(/[^\p{L}\p{N} ._-]/gu, '_');

export const plates: Command = {
  help: `plates JOB.tidyedge --piece ID --face N [--ppi N] --out DIR [--json]   writes each plate as a gray PNG
One PNG a plate of the trim area, named for its ink, dark where there is ink; with the highest and the mean total ink.`,
  options: {
    piece: { type: 'string' },
    face: { type: 'string' },
    ppi: { type: 'string' },
    out: { type: 'string' },
    json: { type: 'boolean' },
  },
  async run(path, options) {
    const { job, assets } = openJob(path);
    const piece = pieceAsked(job, options['piece']);
    const n = Number(options['face'] ?? 1);
    if (!Number.isInteger(n) || n < 1 || n > piece.faces.length)
      throw new CliError(`--face takes a number from 1 to ${piece.faces.length}.`);
    const ppi = Number(options['ppi'] ?? PPI.usual);
    if (!(ppi >= PPI.least && ppi <= PPI.most))
      throw new CliError(`--ppi takes a number from ${PPI.least} to ${PPI.most}.`);
    const { out } = options;
    if (typeof out !== 'string') throw new CliError('Say where to write with --out.');
    const { engine, fonts, press } = await loadKit(assets);
    const on = press(pressConditionOf(job, shopIn(job, piece.shop)));
    const picture = separatedPictures((hash) => assets[hash], engine, on);
    refuseMissing(job, [piece.faces[n - 1]!], (image) => picture(image) !== undefined);
    const laid = layPiece(job, piece, { fonts, press: on }, { ppi, picture, trimOnly: true })[n - 1]!;
    const [grid, totals] = [laid.grid(), laid.totals()];
    const trim = trimOf(laid.piece);
    mkdirSync(out, { recursive: true });
    const files: string[] = [];
    const taken = new Set<string>();
    for (const [plate, amounts] of grid.plates) {
      const file = unlike(`${fileName(plate)}.png`, taken);
      const data = Uint8Array.from(amounts, (amount) => Math.round(255 * (1 - amount)));
      writeFileSync(join(out, file), encode({ width: grid.width, height: grid.height, data, channels: 1 }));
      files.push(file);
    }
    const { x0, x1, y0, y1 } = cellsIn(grid, trim);
    const percent = (amount: number): number => Math.round(amount * 1000) / 10;
    const highest = percent(highestOf(grid, totals, trim).total);
    const mean = percent(totals.reduce((sum, each) => sum + each, 0) / Math.max(1, (x1 - x0) * (y1 - y0)));
    if (options['json'])
      console.log(
        JSON.stringify(
          { plates: [...grid.plates.keys()], files, width: grid.width, height: grid.height, ppi, highest, mean },
          null,
          1,
        ),
      );
    else console.log(`${files.join(', ') || 'no ink'}; highest total ink ${highest} %, mean ${mean} %`);
    return 0;
  },
};
