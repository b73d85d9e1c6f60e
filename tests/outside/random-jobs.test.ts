import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { openPngReader } from '../../cli/png-reader';
import { faceImages } from '../../core/files/face-images';
import { prove } from '../../core/files/hand-off/prove';
import { provenImages } from '../../core/files/hand-off/prove-images';
import { provenSvg } from '../../core/files/hand-off/prove-svg';
import { readJobFile, writeJobFile } from '../../core/files/job-file';
import type { Standard } from '../../core/files/pdf/standards';
import { writePdf } from '../../core/files/pdf/write';
import { separatedPictures } from '../../core/files/separated';
import { writeSvg } from '../../core/files/svg-file';
import { shopIn } from '../../core/job/shops-of';
import { jobFault } from '../../core/job/whole';
import { isDeep, someOf } from '../deep';
import { kit } from '../kit';
import { FINE_THINGS, holdPlates } from './plates-as-separated';
import { randomJobs } from './random-jobs';
import { folder, tidyUp } from './tools';

/** Whatever a job holds, its files keep every rule, are as they were drawn, and other programs read them without a word. */

afterAll(tidyUp);
const STANDARDS: readonly Standard[] = ['PDF/X-4', 'PDF/X-1a:2003', 'PDF/X-1a:2001'];
const JOBS = randomJobs(isDeep ? 200 : 3, 7);
const readPng = await openPngReader();

/** What a program says of a file. */
const saidBy = (command: string, args: string[]): string =>
  execFileSync(command, args, { cwd: folder, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] }).trim();
const QUIET = ['-q', '-dSAFER', '-dBATCH', '-dNOPAUSE', '-dPDFSTOPONWARNING', '-sDEVICE=nullpage'];

describe.each(JOBS.map((bundle, n) => [n, bundle] as const))('job %i of chance', (n, bundle) => {
  const { job, assets } = bundle;
  const piece = job.pieces[0]!;
  const shop = shopIn(job, piece.shop);
  const pressed = { ...kit, press: kit.press(shop.condition), assets };
  it('can be kept, and is what it was when it is opened again', () => {
    expect(jobFault(job)).toBeUndefined();
    expect(readJobFile(writeJobFile(bundle)).job.pieces).toEqual(job.pieces);
  });
  it.each(someOf(STANDARDS, (each) => each !== 'PDF/X-1a:2001'))(
    'leaves as it was drawn, by every rule of %s',
    async (standard) => {
      const asked = { pieceId: piece.id, shop, marks: true, standard };
      const bytes = await writePdf(job, asked, pressed);
      expect(prove(job, asked, bytes, pressed).rows.filter(({ right }) => !right)).toEqual([]);
      const path = join(folder, `${n}.pdf`);
      writeFileSync(path, bytes);
      expect(saidBy('qpdf', ['--check', path])).toMatch(/No syntax or stream encoding errors found/);
      expect(saidBy('gs', [...QUIET, path])).toBe('');
    },
  );
  it('has the plates that Ghostscript separates its file into', () => holdPlates(`r${n}`, bundle, 0, FINE_THINGS));
  it('leaves as drawings and pictures that are read back the same', async () => {
    for (const face of piece.faces.keys())
      for (const words of ['text', 'outlines'] as const)
        provenSvg('drawing', writeSvg(job, piece, face, shop.bleed[piece.kind], pressed, words), readPng);
    const picture = separatedPictures((hash) => assets[hash], kit.engine, pressed.press);
    for (const as of ['png', 'tiff'] as const) {
      const asked = { as, faces: [...piece.faces.keys()], ppi: 100, trimmed: false, transparent: as === 'png' };
      await provenImages(faceImages(job, piece, shop, asked, { ...pressed, picture }), readPng);
    }
  });
});
