import { afterAll, describe, expect, it } from 'vitest';
import type { JobBundle } from '../../core/files/job-parts';
import { addElement } from '../../core/job/edits/elements';
import { setFold, setTurns, turnFace } from '../../core/job/edits/kinds';
import { makeJob, makePiece, makeShape } from '../../core/job/make';
import type { Job } from '../../core/job/schema';
import { foldLines } from '../../core/trade/folds';
import type { Kind } from '../../core/trade/schema';
import { shopOf } from '../../core/trade/shops';
import { mm, openDemo } from '../kit';
import { boxesOf, exportTo, platesOf, run, tidyUp } from './tools';

/** What pieces know of themselves, as Ghostscript and poppler find it in the exported files. */
afterAll(tidyUp);

const bundle = (kind: Kind, width: number, height: number): JobBundle => {
  const job = makeJob('job', 'Job', '2026-11-02T09:00:00.000Z');
  const piece = makePiece({ id: 'p', name: 'Piece', kind, width, height, unit: 'mm', shop: 'metric-offset', faces: 2 });
  return { job: { ...job, pieces: [piece] }, assets: {} };
};
const spot = (job: Job, face: number): Job =>
  addElement(
    job,
    `p-${face}`,
    makeShape({ id: `s${face}`, x: mm(5), y: mm(5), width: mm(10), height: mm(10), paint: { ink: 'black', tint: 1 } }),
  );
/** Where black is on a page, from the trim's corner in millimetres, at some points. */
const blackAt = async (path: string, page: number, bleed: number) => {
  const black = (await platesOf(path, page, 72)).get('Black')!;
  return (x: number, y: number): boolean => black.at(mm(x) + bleed, mm(y) + bleed) > 0.5;
};
const bleed = shopOf('metric-offset').bleed.card;

describe('faces on their sheet', () => {
  it('a turned face is laid on a page of the same size, its top to the right', async () => {
    const { job, assets } = bundle('card', mm(85), mm(55));
    const turned = turnFace(spot(spot(job, 1), 2), 'p', 'p-2', 'clockwise', () => 'x');
    const path = await exportTo('turned.pdf', { job: turned, assets }, { marks: false });
    const [front, back] = boxesOf(path);
    expect(back).toEqual(front);
    // 5 to 15 mm from the face's left and top is 5 to 15 mm from the sheet's top and right.
    const on = await blackAt(path, 2, bleed);
    expect([on(75, 10), on(10, 10), on(10, 45), on(75, 45)]).toEqual([true, false, false, false]);
  });
  it('a back that is turned top to bottom stands on its head', async () => {
    const { job, assets } = bundle('card', mm(85), mm(55));
    const over = setTurns(spot(spot(job, 1), 2), 'p', 'top–bottom');
    const path = await exportTo('over.pdf', { job: over, assets }, { marks: false });
    const [front, back] = [await blackAt(path, 1, bleed), await blackAt(path, 2, bleed)];
    expect([front(10, 10), front(75, 45)]).toEqual([true, false]);
    expect([back(10, 10), back(75, 45)]).toEqual([false, true]);
  });
});

describe('fold marks', () => {
  it('stand outside the trim at each fold, on the inside mirrored', async () => {
    const { job, assets } = bundle('flyer', mm(120), mm(60));
    const folded = setFold(spot(job, 1), 'p', { kind: 'rolled', less: mm(2) });
    const path = await exportTo('folds.pdf', { job: folded, assets });
    const { TrimBox: trim, MediaBox: media } = boxesOf(path)[0]!;
    const [left, above] = [trim![0]!, media![3]! - trim![3]!];
    for (const [page, side] of [
      [1, 'outside'],
      [2, 'inside'],
    ] as const) {
      const black = (await platesOf(path, page, 200)).get('Black')!;
      // Somewhere along the dashed mark, from the crop marks' offset outwards.
      const marked = (x: number): boolean =>
        Array.from({ length: 60 }, (_, i) => black.at(left + x, (above * i) / 60)).some((amount) => amount > 0.3);
      for (const { at } of foldLines({ kind: 'rolled', less: mm(2) }, { width: mm(120), height: mm(60) }, side))
        expect(marked(at), `${side} ${at}`).toBe(true);
      expect(marked(mm(20))).toBe(false);
    }
  });
});

describe('what is only shown', () => {
  it('is in no file: the sample letter, the address field, the areas', async () => {
    const { job, assets } = openDemo();
    const bare = {
      ...job,
      pieces: job.pieces.map((piece) => ({
        ...piece,
        faces: piece.faces.map((face) => ({ ...face, elements: face.elements.filter((e) => !e.sample) })),
      })),
    };
    const asked = { pieceId: 'letterhead', marks: false };
    const [shown, without] = [
      await exportTo('sample.pdf', { job, assets }, asked),
      await exportTo('bare.pdf', { job: bare, assets }, asked),
    ];
    expect(run('pdftotext', [shown, '-'])).not.toContain('Thornbury');
    const [a, b] = [await platesOf(shown, 1, 100), await platesOf(without, 1, 100)];
    // Two inks: no third plate has anything on it.
    const inked = [...a].filter(([, { ink }]) => ink.some((amount) => amount > 0)).map(([name]) => name);
    expect(inked.sort()).toEqual(['Black', 'Copper']);
    for (const [name, plate] of a)
      expect(Buffer.from(plate.ink).equals(Buffer.from(b.get(name)!.ink)), name).toBe(true);
  });
});
