import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { readJob } from '../../../core/files/read-job';
import { apply } from '../../../core/geometry/matrix';
import { areasOf } from '../../../core/job/areas';
import { addElement } from '../../../core/job/edits/elements';
import { duplicateFace, moveFace, removeFace, renameFace } from '../../../core/job/edits/faces';
import {
  NEW_LETTER,
  NEW_POST,
  setEnvelope,
  setFold,
  setLetter,
  setPost,
  setThickness,
  setTurns,
  turnFace,
} from '../../../core/job/edits/kinds';
import { duplicatePiece } from '../../../core/job/edits/pieces';
import { facesFolds, finishedSize } from '../../../core/job/folds-of';
import { makeJob, makePiece, makeShape, makeWords } from '../../../core/job/make';
import type { Element, Job } from '../../../core/job/schema';
import { asFace, ontoSheet } from '../../../core/job/turned';
import { ENVELOPES } from '../../../core/trade/envelopes';
import type { Kind } from '../../../core/trade/schema';
import { checkKit, inch, mm } from '../../kit';

let n = 0;
const newId = (): string => `n${++n}`;
const jobOf = (kind: Kind, width: number, height: number, faces = 2): Job => {
  const job = makeJob('job', 'Job', '2026-11-02T09:00:00.000Z');
  const piece = makePiece({ id: 'p', name: 'Piece', kind, width, height, unit: 'mm', shop: 'metric-offset', faces });
  return { ...job, pieces: [piece] };
};
const pieceIn = (job: Job) => job.pieces[0]!;
const put = (job: Job, face: number, ...elements: Element[]): Job =>
  elements.reduce((j, element) => addElement(j, `p-${face}`, element), job);
const found = (job: Job, check: string) => checkPiece(job, pieceIn(job), checkKit).filter((f) => f.check === check);
const box = (id: string, x: number, y: number, width: number, height: number): Element =>
  makeShape({ id, x, y, width, height, paint: { ink: 'black', tint: 1 } });
const good = (job: Job): Job => readJob(JSON.parse(JSON.stringify(job)));

describe('an address side', () => {
  const card = (rules = 'us'): Job =>
    setPost(jobOf('postcard', inch(6), inch(4)), 'p', { ...NEW_POST, rules, face: 'p-2' }, newId);
  it('draws what it has to be written on, and draws it anew', () => {
    const job = good(card());
    const drawn = pieceIn(job).faces[1]!.elements;
    expect(drawn.filter((e) => e.name === 'Address line')).toHaveLength(4);
    expect(drawn.map((e) => e.name)).toContain('Stamp');
    const fewer = setPost(
      job,
      'p',
      { ...pieceIn(job).post!, lines: { ...NEW_POST.lines, count: 3 }, divider: false },
      newId,
    );
    expect(pieceIn(fewer).faces[1]!.elements.filter((e) => e.name === 'Address line')).toHaveLength(3);
    expect(pieceIn(fewer).faces[1]!.elements.some((e) => e.name === 'Divider')).toBe(false);
    expect(pieceIn(setPost(fewer, 'p', undefined, newId)).faces[1]!.elements).toEqual([]);
  });
  it('keeps its lines in the address area', () => {
    const { faces } = pieceIn(card('international'));
    const lines = faces[1]!.elements.filter((e) => e.name === 'Address line') as Extract<Element, { kind: 'rule' }>[];
    for (const line of lines) expect(line.x + line.width).toBeLessThanOrEqual(inch(6) - mm(15) + 0.001);
  });
  it.each([
    ['a panel at the foot', box('a', inch(2), inch(3.5), inch(2), inch(0.4)), /barcode/],
    ['a picture at the top right', box('a', inch(4.5), inch(0.2), inch(1), inch(1)), /stamp/],
    ['something among the address', box('a', inch(4), inch(2), inch(1), inch(0.5)), /address/],
  ])('%s lies in a keep-clear area, with its rule and source', (_, element, name) => {
    const [finding] = found(put(card(), 2, element), 'keep-clear');
    expect(finding!.problem).toMatch(name);
    expect(finding!.rule).toMatch(/Domestic Mail Manual.*from memory/);
  });
  it('has nothing against a message on the left, nor against the picture side', () => {
    const message = makeWords({
      id: 'm',
      text: 'See you in spring',
      x: inch(0.5),
      y: inch(0.6),
      lettering: { size: 8 },
    });
    expect(found(put(card(), 2, message), 'keep-clear')).toEqual([]);
    expect(found(put(card(), 1, box('a', inch(4.5), inch(0.2), inch(1), inch(1))), 'keep-clear')).toEqual([]);
  });
  it('is measured against the rules: size, ratio, stock', () => {
    expect(found(setThickness(card(), 'p', inch(0.01)), 'post-size')).toEqual([]);
    expect(found(setThickness(card(), 'p', inch(0.005)), 'post-size')[0]!.problem).toMatch(/too thin/i);
    const square = setPost(jobOf('postcard', inch(5), inch(5)), 'p', { ...NEW_POST, rules: 'us', face: 'p-2' }, newId);
    expect(found(square, 'post-size')[0]).toMatchObject({ measured: { kind: 'ratio', value: 1 } });
  });
});

describe('an envelope', () => {
  const dl = ENVELOPES.find(({ name }) => name === 'DL')!;
  const made = { flap: dl.flap, seams: dl.seams, window: { x: mm(20), y: mm(50), width: mm(90), height: mm(45) } };
  const job = setEnvelope(jobOf('envelope', mm(220), mm(110)), 'p', made);
  it('keeps its window, edges, flap and seams clear', () => {
    expect(found(put(job, 1, box('a', mm(30), mm(60), mm(20), mm(10))), 'keep-clear')[0]).toMatchObject({
      severity: 'stop',
    });
    expect(found(put(job, 1, box('a', mm(2), mm(10), mm(20), mm(10))), 'keep-clear')[0]!.problem).toMatch(/edge/);
    expect(found(put(job, 2, box('a', mm(80), mm(20), mm(20), mm(10))), 'keep-clear')[0]!.problem).toMatch(/flap/);
    expect(
      found(put(job, 2, box('a', mm(8), mm(80), mm(20), mm(10))), 'keep-clear')
        .map((f) => f.problem)
        .join(),
    ).toMatch(/seam/);
    expect(found(put(job, 1, box('a', mm(20), mm(12), mm(60), mm(10))), 'keep-clear')).toEqual([]);
  });
  it('with slanting seams keeps the way to the middle clear', () => {
    const slanting = setEnvelope(job, 'p', { ...made, seams: 'diagonals' });
    expect(found(put(slanting, 2, box('a', mm(52), mm(80), mm(6), mm(6))), 'keep-clear')[0]!.problem).toMatch(/seam/);
    expect(found(put(slanting, 2, box('a', mm(107), mm(88), mm(6), mm(6))), 'keep-clear')).toEqual([]);
  });
});

describe('a letterhead', () => {
  const sheet = setLetter(jobOf('letterhead', mm(210), mm(297)), 'p', { ...NEW_LETTER, layout: 'din-5008-b' }, newId);
  it('keeps its address field clear on the first sheet only', () => {
    const art = box('a', mm(30), mm(60), mm(20), mm(10));
    expect(found(put(sheet, 1, art), 'keep-clear')[0]!.problem).toMatch(/address field/);
    expect(found(put(sheet, 2, art), 'keep-clear')).toEqual([]);
  });
  it('tells of art that an office printer leaves out', () => {
    expect(found(put(sheet, 1, box('a', 0, 0, mm(210), mm(8))), 'unprintable-margin')).toHaveLength(1);
    expect(found(put(sheet, 1, box('a', mm(10), mm(6), mm(100), mm(8))), 'unprintable-margin')).toEqual([]);
  });
  it('is folded where its layout says', () => {
    expect(facesFolds(pieceIn(sheet), { id: 'p-1' })).toMatchObject([
      { axis: 'y', at: expect.closeTo(mm(105), 6) },
      { axis: 'y', at: expect.closeTo(mm(210), 6) },
    ]);
  });
  it('prints its ticks on the first sheet only where that is asked for', () => {
    const ticks = (job: Job) =>
      pieceIn(job).faces.map(({ elements }) => elements.filter((e) => e.part === 'fold ticks'));
    expect(ticks(sheet).flat()).toEqual([]);
    const printed = setLetter(sheet, 'p', { ...pieceIn(sheet).letter!, marks: 'printed' }, newId);
    const [first, second] = ticks(good(printed));
    expect(second).toEqual([]);
    // DIN 5008 form B: folds at 105 and 210 mm, punch at 148.5 mm.
    expect(first!.map(({ y }) => Math.round((y / mm(1)) * 10) / 10)).toEqual([104.9, 209.9, 148.4]);
    expect(ticks(setLetter(printed, 'p', { ...pieceIn(sheet).letter!, marks: 'none' }, newId)).flat()).toEqual([]);
  });
  it('is held against the windows of the job’s own envelopes', () => {
    const envelope = makePiece({
      id: 'e',
      name: 'Our DL',
      kind: 'envelope',
      width: mm(220),
      height: mm(110),
      unit: 'mm',
      shop: 'metric-offset',
      faces: 1,
    });
    const withWindow = (y: number): Job => {
      const both = { ...put(sheet, 1, box('a', mm(120), mm(20), mm(40), mm(10))) };
      const job = { ...both, pieces: [...both.pieces, envelope] };
      return setEnvelope(job, 'e', {
        flap: { edge: 'long', depth: mm(40) },
        seams: 'sides',
        window: { x: mm(20), y, width: mm(90), height: mm(45) },
      });
    };
    expect(found(withWindow(mm(50)), 'behind-window')).toEqual([]);
    // 10 mm lower it begins at 60 mm, the lines still at 62.7 mm; 10 mm higher it ends at 85 mm, they at up to 95 mm.
    expect(found(withWindow(mm(60)), 'behind-window')).toEqual([]);
    expect(found(withWindow(mm(40)), 'behind-window')[0]!.measured.value).toBeCloseTo(mm(10), 4);
  });
});

describe('a folded flyer', () => {
  const flyer = setFold(jobOf('flyer', mm(297), mm(210)), 'p', { kind: 'rolled', less: mm(2) });
  it('is as wide as its widest panel once it is folded', () => {
    expect(finishedSize(pieceIn(flyer)).width / mm(1)).toBeCloseTo(299 / 3, 6);
  });
  it('tells of words across a fold', () => {
    const words = (x: number) =>
      makeWords({ id: 'w', text: 'Across the fold', x: mm(x), y: mm(50), lettering: { size: 14 } });
    expect(found(put(flyer, 2, words(95)), 'across-fold')).toHaveLength(1);
    expect(found(put(flyer, 2, words(20)), 'across-fold')).toEqual([]);
  });
});

describe('faces', () => {
  const job = put(jobOf('card', mm(85), mm(55)), 1, box('a', mm(1), mm(1), mm(5), mm(5)));
  it('that are turned have their sides changed over, and lie on the sheet within it', () => {
    const turned = turnFace(job, 'p', 'p-2', 'clockwise', newId);
    const piece = pieceIn(turned);
    expect(asFace(piece, piece.faces[1]!)).toMatchObject({ width: piece.height, height: piece.width });
    fc.assert(
      fc.property(
        fc.constantFrom('clockwise' as const, 'anticlockwise' as const, undefined),
        fc.constantFrom('left–right' as const, 'top–bottom' as const, undefined),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (how, turns, u, v) => {
          const now = pieceIn(setTurns(turnFace(job, 'p', 'p-2', how, newId), 'p', turns));
          const face = now.faces[1]!;
          const { width, height } = asFace(now, face);
          const point = { x: u * width, y: v * height };
          const onto = ontoSheet(now, face);
          const { x, y } = onto ? apply(onto.matrix, point) : point;
          expect(x).toBeGreaterThanOrEqual(-1e-9);
          expect(x).toBeLessThanOrEqual(now.width + 1e-9);
          expect(y).toBeGreaterThanOrEqual(-1e-9);
          expect(y).toBeLessThanOrEqual(now.height + 1e-9);
        },
      ),
    );
    // Its top left corner is at the sheet's top right where it is turned clockwise.
    expect(apply(ontoSheet(piece, piece.faces[1]!)!.matrix, { x: 0, y: 0 })).toEqual({ x: piece.width, y: 0 });
  });
  it('one upright and one wide want to be told how they turn', () => {
    const turned = turnFace(job, 'p', 'p-2', 'clockwise', newId);
    expect(found(turned, 'back-turn')).toHaveLength(1);
    expect(found(setTurns(turned, 'p', 'top–bottom'), 'back-turn')).toEqual([]);
  });
  it('are copied, moved, named and taken away, and the job stays whole', () => {
    const copied = good(duplicateFace(job, 'p', 'p-1', newId));
    expect(pieceIn(copied).faces.map(({ name }) => name)).toEqual(['Front', 'Front, copy', 'Back']);
    expect(
      pieceIn(moveFace(copied, 'p', 'p-1', 2))
        .faces.map(({ id }) => id)
        .at(-1),
    ).toBe('p-1');
    expect(pieceIn(renameFace(copied, 'p', 'p-2', ' Rear ')).faces[2]!.name).toBe('Rear');
    const posted = setPost(jobOf('postcard', mm(148), mm(105)), 'p', { ...NEW_POST, rules: 'us', face: 'p-2' }, newId);
    expect(pieceIn(removeFace(posted, 'p', 'p-2')).post).toBeUndefined();
    expect(pieceIn(removeFace(removeFace(job, 'p', 'p-2'), 'p', 'p-1')).faces).toHaveLength(1);
  });
  it('a piece is copied with its address side', () => {
    const posted = setPost(jobOf('postcard', mm(148), mm(105)), 'p', { ...NEW_POST, rules: 'us', face: 'p-2' }, newId);
    const copy = good(duplicatePiece(posted, 'p', newId)).pieces[1]!;
    expect(copy.post!.face).toBe(copy.faces[1]!.id);
  });
  it('areas of a turned face are those of its own sides', () => {
    const posted = setPost(jobOf('postcard', mm(105), mm(148)), 'p', { ...NEW_POST, rules: 'us', face: 'p-2' }, newId);
    const turned = pieceIn(turnFace(posted, 'p', 'p-2', 'clockwise', newId));
    const stamp = areasOf(turned, turned.faces[1]!).find(({ id }) => id === 'stamp')!.boxes[0]!;
    expect(stamp.x + stamp.width).toBeCloseTo(mm(148), 6);
  });
});
