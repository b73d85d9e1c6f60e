import { afterAll, describe, expect, it } from 'vitest';
import { layPiece, platesFound } from '../../core/checks/on-plates';
import type { Cmyk } from '../../core/colour/ink';
import { addInk } from '../../core/job/edits/inks';
import type { Job } from '../../core/job/schema';
import { effectivePpi } from '../../core/picture/place';
import { area, type Fault, GREY, ink, jobOf } from '../core/checks/corpus/fault';
import { INKS } from '../core/checks/corpus/inks';
import { PICTURES } from '../core/checks/corpus/pictures';
import { checkKit, mm } from '../kit';
import { exportTo, platesOf, run, tidyUp } from './tools';

/** The corpus of faults, exported: poppler and Ghostscript see in the files what the checks have found. */
afterAll(tidyUp);

const bundle = (job: Job) => ({ job, assets: Object.fromEntries(Object.keys(job.assets).map((hash) => [hash, GREY])) });
const slug = ({ check, says }: Fault): string => `${check}-${says.replace(/\W+/g, '-')}`.slice(0, 60);

/** Pixels an inch of the pictures in a file, as poppler reads them. */
const ppiIn = (pdf: string): number[] =>
  run('pdfimages', ['-list', pdf])
    .trim()
    .split('\n')
    .slice(2)
    .map((row) => Number(row.trim().split(/\s+/)[12]));

describe.each(PICTURES.filter(({ check }) => check.endsWith('-ppi') || check === 'heavy-picture'))(
  '$check: $says',
  (fault) => {
    it.each(['faulty', 'twin'] as const)('%s has the ppi that was measured, by pdfimages', async (which) => {
      const job = fault[which];
      const picture = job.pieces[0]!.faces[0]!.elements.find((e) => e.kind === 'picture');
      if (picture?.kind !== 'picture') throw new Error('there is no picture');
      const measured = effectivePpi(picture, 300, 300);
      const [read] = ppiIn(await exportTo(`${slug(fault)}-${which}.pdf`, bundle(job), { marks: false }));
      expect(Math.abs(read! - measured)).toBeLessThanOrEqual(1);
    });
  },
);

/** The plates of a file that carry any ink, by Ghostscript. */
async function inked(job: Job, name: string): Promise<string[]> {
  const plates = await platesOf(await exportTo(`${name}.pdf`, bundle(job), { marks: false }), 1, 72);
  return [...plates].flatMap(([plate, { ink: amounts }]) => (amounts.some((amount) => amount > 2) ? [plate] : []));
}

describe.each(INKS.filter(({ check, says }) => check === 'stray-plates' && !says.includes('varnish')))(
  '$check: $says',
  (fault) => {
    it('adds plates that its twin has not, by tiffsep', async () => {
      const [faulty, twin] = [
        await inked(fault.faulty, `${slug(fault)}-a`),
        await inked(fault.twin, `${slug(fault)}-b`),
      ];
      expect(faulty).toEqual(expect.arrayContaining(['Cyan', 'Magenta', 'Yellow']));
      expect(twin.filter((plate) => plate !== 'Black' && plate !== 'Copper')).toEqual([]);
    });
  },
);

// C85 M75 Y60 K70 is 290 %: fine at a limit of 300 %, and 360 % is not. Summed by hand.
describe('more ink than the paper takes', () => {
  const wet = (cmyk: Cmyk): Job =>
    addInk(jobOf([area('a', 10, 10, 40, 30, ink('wet'))]), { id: 'wet', name: 'Wet', kind: 'process', cmyk });
  it.each([
    [[0.85, 0.75, 0.6, 0.7], 2.9, false],
    [[0.95, 0.9, 0.85, 0.9], 3.6, true],
  ] as const)('%o sums to %d on Ghostscript’s plates, and is found or not', async (cmyk, total, isFound) => {
    const job = wet([...cmyk]);
    const plates = await platesOf(await exportTo(`wet-${total}.pdf`, bundle(job), { marks: false }), 1, 72);
    const at = ['Cyan', 'Magenta', 'Yellow', 'Black'].map((plate) => plates.get(plate)!.at(mm(3 + 30), mm(3 + 25)));
    expect(at.reduce((a, b) => a + b, 0)).toBeCloseTo(total, 1);
    const laid = layPiece(job, job.pieces[0]!, checkKit, { picture: () => undefined });
    expect(laid.flatMap(platesFound).some(({ check }) => check === 'total-ink')).toBe(isFound);
  });
});
