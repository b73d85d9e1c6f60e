import { readFileSync } from 'node:fs';
import { afterAll, describe, expect, it } from 'vitest';
import { verify } from '../../core/files/pdf/rules';
import { makePicture, makeShape, makeWords } from '../../core/job/make';
import type { Element } from '../../core/job/schema';
import { shopOf } from '../../core/trade/shops';
import { someOf } from '../deep';
import { cardWith, makePng, mm, openDemo, withPicture } from '../kit';
import { exportTo, platesOf, run, tidyUp } from './tools';
import { torture } from './torture';

const DPI = 150;
const X1A = ['PDF/X-1a:2001', 'PDF/X-1a:2003'] as const;

/** The mean difference of two files' first pages over each plate, as Ghostscript separates them. */
async function differences(one: string, other: string): Promise<Record<string, number>> {
  const [a, b] = [await platesOf(one, 1, DPI), await platesOf(other, 1, DPI)];
  const names = new Set([...a.keys(), ...b.keys()]);
  return Object.fromEntries(
    [...names].map((name) => {
      const [left, right] = [a.get(name)?.ink, b.get(name)?.ink];
      const length = (left ?? right)!.length;
      let sum = 0;
      for (let i = 0; i < length; i++) sum += Math.abs((left?.[i] ?? 0) - (right?.[i] ?? 0));
      return [name, sum / length / 255];
    }),
  );
}

describe('PDF/X-1a against PDF/X-4', () => {
  afterAll(tidyUp);
  const bundle = torture();

  it.each(someOf(X1A, (each) => each === 'PDF/X-1a:2003'))(
    '%s: a face with everything is flat, by the rules, and prints as PDF/X-4 does',
    async (standard) => {
      const live = await exportTo('live.pdf', bundle, { standard: 'PDF/X-4' });
      const flat = await exportTo('flat.pdf', bundle, { standard });
      expect(verify(readFileSync(flat), standard).filter(({ faults }) => faults.length > 0)).toEqual([]);
      for (const [plate, mean] of Object.entries(await differences(live, flat))) expect(mean, plate).toBeLessThan(0.01);
      expect(run('pdftotext', ['-layout', flat, '-'])).toBe(run('pdftotext', ['-layout', live, '-']));
      expect(run('qpdf', ['--check', flat])).toMatch(/No syntax or stream encoding errors/);
      expect(run('pdfinfo', [flat])).toMatch(
        standard === 'PDF/X-1a:2001' ? /PDF version:\s+1\.3/ : /PDF version:\s+1\.4/,
      );
      const spots = [...(await platesOf(flat, 1, 72)).keys()];
      expect(spots).toContain('Copper');
    },
  );

  it('what is see-through on one even colour stays what it is; words among it stay text', async () => {
    const elements: Element[] = [
      makeShape({ id: 'ground', x: -9, y: -9, width: mm(91), height: mm(61), paint: { ink: 'green', tint: 1 } }),
      { ...makeWords({ id: 'w', text: 'Iris Calloway', x: 40, y: 60, lettering: { size: 14 } }), opacity: 0.6 },
      makeShape({ id: 'veil', x: 40, y: 80, width: 60, height: 30, paint: { ink: 'copper', tint: 1 }, opacity: 0.5 }),
    ];
    const job = cardWith(elements);
    const flat = await exportTo('even.pdf', { job, assets: {} }, { standard: 'PDF/X-1a:2003', marks: false });
    const live = await exportTo('even-live.pdf', { job, assets: {} }, { standard: 'PDF/X-4', marks: false });
    expect(run('pdftotext', [flat, '-'])).toContain('Iris Calloway');
    expect(run('pdfimages', ['-list', flat]).trim().split('\n')).toHaveLength(2);
    for (const [plate, mean] of Object.entries(await differences(live, flat))) expect(mean, plate).toBeLessThan(0.001);
  });

  it('on uneven ground words stay text and areas keep their edges, as windows on what they and the ground make', async () => {
    const { job, assets, hash } = withPicture(
      cardWith([]),
      makePng(240, 160, (x, y) => [x, 255 - y, (x * y) % 200]),
    );
    const piece = job.pieces[0]!;
    const elements: Element[] = [
      makePicture({ id: 'p', x: 0, y: 0, width: mm(60), height: mm(40), asset: hash }),
      makeShape({ id: 'veil', x: 30, y: 60, width: 90, height: 30, paint: { ink: 'copper', tint: 1 }, opacity: 0.5 }),
      { ...makeWords({ id: 'w', text: 'Iris Calloway', x: 40, y: 30, lettering: { size: 14 } }), opacity: 0.6 },
      { ...makeWords({ id: 'v', text: 'Turned words', x: 60, y: 80, lettering: { size: 9 } }), opacity: 0.4, turn: 20 },
    ];
    const dressed = { ...job, pieces: [{ ...piece, faces: [{ ...piece.faces[0]!, elements }] }] };
    for (const standard of X1A) {
      const flat = await exportTo('window.pdf', { job: dressed, assets }, { standard, marks: false });
      const live = await exportTo('window-live.pdf', { job: dressed, assets }, { standard: 'PDF/X-4', marks: false });
      expect(verify(readFileSync(flat), standard).filter(({ faults }) => faults.length > 0)).toEqual([]);
      expect(run('pdftotext', ['-layout', flat, '-'])).toBe(run('pdftotext', ['-layout', live, '-']));
      expect(run('pdftotext', [flat, '-'])).toContain('Iris Calloway');
      for (const [plate, mean] of Object.entries(await differences(live, flat)))
        expect(mean, plate).toBeLessThan(0.005);
    }
  });

  it('a see-through picture becomes a patch that takes no more than its own place', async () => {
    const { job, assets, hash } = withPicture(
      cardWith([]),
      makePng(80, 80, (x, y) => [x * 3, y * 3, 90, Math.min(255, x * y)]),
    );
    const piece = job.pieces[0]!;
    const elements = [
      makeShape({ id: 'ground', x: -9, y: -9, width: 150, height: mm(61), paint: { ink: 'copper', tint: 0.6 } }),
      makePicture({ id: 'p', x: 100, y: 40, width: 60, height: 60, asset: hash }),
    ];
    const dressed = { ...job, pieces: [{ ...piece, faces: [{ ...piece.faces[0]!, elements }] }] };
    const flat = await exportTo('clear.pdf', { job: dressed, assets }, { standard: 'PDF/X-1a:2001', marks: false });
    const live = await exportTo('clear-live.pdf', { job: dressed, assets }, { standard: 'PDF/X-4', marks: false });
    for (const [plate, mean] of Object.entries(await differences(live, flat))) expect(mean, plate).toBeLessThan(0.005);
    const [, , row, stencil] = run('pdfimages', ['-list', flat]).trim().split('\n');
    expect(Number(row!.trim().split(/\s+/)[3])).toBeLessThanOrEqual((60 / 72) * 300 + 2);
    expect(stencil).toMatch(/mask|stencil/);
  });

  it('every piece of the demo job goes by the rules of each standard', async () => {
    const demo = openDemo();
    // One with a spot and a logo, one with letters and keep-clear areas; pictures are written above.
    for (const piece of someOf(demo.job.pieces, ({ id }) => id === 'card' || id === 'letterhead'))
      for (const standard of ['PDF/X-4', ...X1A] as const) {
        const shop = shopOf(piece.shop);
        // Pictures take long to separate, and stand under no rule that small ones do not.
        const asked = { pieceId: piece.id, shop, standard, pictures: { fewer: { above: 60, to: 40 } } };
        const file = await exportTo('piece.pdf', demo, { ...asked, also: ['registration', 'colour bar', 'slug'] });
        const seen = verify(readFileSync(file), standard);
        expect(seen.length).toBeGreaterThan(30);
        expect(
          seen.filter(({ faults }) => faults.length > 0),
          `${piece.id}, ${standard}`,
        ).toEqual([]);
      }
  });
});
