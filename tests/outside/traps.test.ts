import { afterAll, expect, it } from 'vitest';
import { setSpread } from '../../core/job/edits/pieces';
import { makeShape } from '../../core/job/make';
import type { Job } from '../../core/job/schema';
import { cardWith, mm } from '../kit';
import { exportTo, run, tidyUp, tiffsep } from './tools';

afterAll(tidyUp);

const DPI = 1200;
const cells = (millimetres: number): number => (millimetres / 25.4) * DPI;

/** A copper panel of 10 × 10 mm on a green ground, or a green one on copper. */
const panel = (upper: 'copper' | 'green', spread?: number): Job => {
  const [over, under] = upper === 'copper' ? ['copper', 'green'] : ['green', 'copper'];
  const box = (id: string, x: number, y: number, width: number, height: number, ink: string) =>
    makeShape({ id, x: mm(x), y: mm(y), width: mm(width), height: mm(height), paint: { ink, tint: 1 } });
  const job = cardWith([box('under', 10, 10, 40, 30, under!), box('over', 20, 15, 10, 10, over!)]);
  return setSpread(job, 'card', spread === undefined ? undefined : mm(spread));
};

/** How many cells of a row through the panel have both copper and cyan, and how many of its span have neither, by Ghostscript. */
async function edges(name: string, job: Job, standard: 'PDF/X-4' | 'PDF/X-1a:2003') {
  const pdf = await exportTo(name, { job, assets: {} }, { standard, marks: false });
  const plates = await tiffsep(pdf, [`-r${DPI}`, '-dTextAlphaBits=1', '-dGraphicsAlphaBits=1']);
  const of = (plate: string) => plates.find((each) => each.name === plate)!;
  const [copper, cyan] = [of('Copper'), of('Cyan')];
  // The page is the bleed, 3 mm around the trim.
  const y = Math.round(cells(3 + 20));
  const row = ({ levels, width }: typeof copper): number[] => [...levels.subarray(y * width, (y + 1) * width)];
  const [a, b] = [row(copper), row(cyan)];
  const [from, to] = [Math.round(cells(3 + 11)), Math.round(cells(3 + 49))];
  const span = a.slice(from, to).map((level, i) => [level < 255, b[from + i]! < 255] as const);
  return {
    both: span.filter(([c, g]) => c && g).length,
    neither: span.filter(([c, g]) => !c && !g).length,
    trapped: /Trapped:\s*(\w+)|\/Trapped\s*\/(\w+)/.exec(
      run('qpdf', ['--qdf', '--object-streams=disable', pdf, '-']),
    )?.[2],
  };
}

it.each([
  ['PDF/X-4', 'copper'],
  ['PDF/X-4', 'green'],
  ['PDF/X-1a:2003', 'copper'],
  ['PDF/X-1a:2003', 'green'],
] as const)(
  '%s: on the plates of Ghostscript the copper lies over the green at both edges (%s on top)',
  async (standard, upper) => {
    const name = `${standard.replace(/\W/g, '')}-${upper}`;
    const plain = await edges(`${name}-plain.pdf`, panel(upper), standard);
    // They meet: at each edge a cell may be shared by rounding.
    expect(plain.both).toBeLessThanOrEqual(2);
    expect(plain.trapped).toBe('False');
    const spread = await edges(`${name}-spread.pdf`, panel(upper, 0.1), standard);
    // 0.1 mm on either side is 4.7 cells of 1200 an inch.
    expect(Math.abs(spread.both - 2 * cells(0.1))).toBeLessThanOrEqual(3);
    expect(spread.neither).toBe(0);
    expect(spread.trapped).toBe('True');
  },
);
