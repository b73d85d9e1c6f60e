import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import { PDFDocument, rgb } from '@cantoo/pdf-lib';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { type OrderAsked, type OrderSeen, orderAskedSchema } from '../../core/files/counter/order';
import { DESK } from '../../src/server/counter/intake';
import {
  addToFile,
  answerOrder,
  BOUNDS,
  CLOCK,
  CounterError,
  checkNext,
  listOrders,
  orderFile,
  placeOrder,
  seenOrder,
  setFaults,
} from '../../src/server/counter/orders';
import { closeShelf, fileOf } from '../../src/server/counter/shelf';
import { openDemo } from '../kit';
import { exportTo, tidyUp } from './tools';

/** The counter of the simulated shops, as a client of it sees it. */

const data = mkdtempSync(join(tmpdir(), 'tidy-counter-'));
const demo = openDemo();
const card = demo.job.pieces[0]!;
let good: Uint8Array;
let keys = 0;

const orderFor = (bytes: Uint8Array, more: Partial<OrderAsked> = {}): OrderAsked => ({
  key: `key-${String(++keys).padStart(6, '0')}`,
  shop: 'metric-offset',
  client: 'Hollin & Fen',
  piece: card.name,
  width: 85,
  height: 55,
  sides: 2,
  quantity: 250,
  stock: 'Uncoated board',
  finishing: [],
  delivery: 'Standard',
  file: { name: 'card.pdf', size: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex') },
  ...more,
});
const streamOf = (bytes: Uint8Array): ReadableStream<Uint8Array> => new Blob([bytes as BlobPart]).stream();
async function ordered(bytes: Uint8Array, more: Partial<OrderAsked> = {}): Promise<OrderSeen> {
  const { id } = placeOrder(orderFor(bytes, more));
  await addToFile(id, 0, streamOf(bytes));
  await checkNext();
  return seenOrder(id);
}
const refusal = async (work: () => unknown): Promise<CounterError> => {
  try {
    await work();
  } catch (error) {
    if (error instanceof CounterError) return error;
    throw error;
  }
  throw new Error('It was taken.');
};

beforeAll(async () => {
  process.env['TIDY_DATA'] = data;
  good = new Uint8Array(readFileSync(await exportTo('counter.pdf', demo, { pieceId: card.id })));
});
afterAll(() => {
  closeShelf();
  delete process.env['TIDY_DATA'];
  rmSync(data, { recursive: true, force: true });
  tidyUp();
});

describe('the counter of a print shop', () => {
  const bounds = { ...BOUNDS };
  beforeEach(() => void Object.assign(BOUNDS, bounds));

  it('takes a file that breaks off and goes on, byte for byte, and accepts what is right', async () => {
    const { id } = placeOrder(orderFor(good));
    const half = Math.floor(good.length / 2);
    expect(await addToFile(id, 0, streamOf(good.subarray(0, half)))).toMatchObject({
      received: half,
      stage: 'arriving',
    });
    // It says how far it is to whoever begins again from the start.
    expect(await refusal(() => addToFile(id, 0, streamOf(good)))).toMatchObject({ status: 409, received: half });
    closeShelf();
    expect(seenOrder(id).received).toBe(half);
    await addToFile(id, half, streamOf(good.subarray(half)));
    await checkNext();
    expect(seenOrder(id)).toMatchObject({ stage: 'answered', verdict: 'accepted' });
    expect(readFileSync(fileOf(id)).equals(Buffer.from(good))).toBe(true);
  });

  it('is made once somebody says yes, stage by stage, and sent', async () => {
    const { id } = await ordered(good, { finishing: ['Foil, copper'] });
    expect((await refusal(() => answerOrder('none', { isYes: true, from: 'Iris', note: '' }))).status).toBe(404);
    const then = Date.now();
    CLOCK.now = () => then;
    answerOrder(id, { isYes: true, from: 'Iris Calloway', note: '' });
    // Four days of printing in three parts, and two for the foil: what the shop says in its price list.
    const stages = [0, 1.2, 1.5, 2.5, 2.8, 4.1, 5.9, 6.1].map((days) => {
      CLOCK.now = () => then + days * BOUNDS.day;
      return seenOrder(id).stage;
    });
    CLOCK.now = () => Date.now();
    expect(stages).toEqual(['plates', 'plates', 'press', 'press', 'cutting', 'finishing', 'finishing', 'sent']);
    expect((await refusal(() => answerOrder(id, { isYes: false, from: 'Iris', note: '' }))).status).toBe(409);
  });

  it('has come back with the faults that were switched on, and the file is there as it came', async () => {
    const { id } = await ordered(good);
    expect(Buffer.from(await new Response(orderFile(id)).arrayBuffer()).equals(Buffer.from(good))).toBe(true);
    expect((await refusal(() => orderFile('none'))).status).toBe(404);
    expect(setFaults(id, ['cutting', 'late'])).toMatchObject({ faults: ['cutting', 'late'] });
    const then = Date.now();
    CLOCK.now = () => then;
    answerOrder(id, { isYes: true, from: 'Iris Calloway', note: '' });
    // Four days of printing, and three that a machine stood still.
    const seen = [4.1, 6.9, 7.1].map((days) => {
      CLOCK.now = () => then + days * BOUNDS.day;
      return seenOrder(id);
    });
    expect(seen.map(({ stage }) => stage)).toEqual(['press', 'cutting', 'sent']);
    expect(seen.map(({ came }) => came?.late)).toEqual([undefined, undefined, 3]);
    expect(seen[2]!.came).toEqual(seenOrder(id).came);
    expect((await refusal(() => setFaults(id, []))).status).toBe(409);
    CLOCK.now = () => Date.now();
  });

  it('sends back what is of another size or has too few pages, in a clerk’s words', async () => {
    const larger = await ordered(good, { width: 90 });
    expect(larger).toMatchObject({ verdict: 'back' });
    expect(larger.lines[0]!.says).toBe('The page is 85.0 × 55.0 mm when it is cut; ordered is 90.0 × 55.0 mm.');
    const more = await ordered(good, { sides: 3 });
    expect(more.lines[0]!.says).toBe('3 sides are ordered, and the file has 2 pages.');
    expect((await refusal(() => answerOrder(more.id, { isYes: true, from: 'Iris', note: '' }))).message).toMatch(
      /sent back/,
    );
  });

  it('puts right at a lenient counter what a strict one sends back', async () => {
    const pdf = await PDFDocument.create();
    for (let i = 0; i < 2; i++) {
      const page = pdf.addPage([85 * (72 / 25.4) + 17, 55 * (72 / 25.4) + 17]);
      page.setTrimBox(8.5, 8.5, 85 * (72 / 25.4), 55 * (72 / 25.4));
      page.setBleedBox(0, 0, page.getWidth(), page.getHeight());
      page.drawRectangle({ x: 0, y: 0, width: page.getWidth(), height: page.getHeight(), color: rgb(0.9, 0.2, 0.1) });
    }
    const bytes = await pdf.save();
    const lenient = await ordered(bytes, { shop: 'metric-digital' });
    expect(lenient.verdict).toBe('changes');
    expect(lenient.lines.map(({ kind, says }) => `${kind}: ${says}`).join('\n')).toMatch(
      /change: We turn the screen colours into inks/,
    );
    const strict = await ordered(bytes);
    // Screen colours are a warning to a strict shop: it says so, and prints them by its own rules.
    expect(strict.lines.map(({ check }) => check)).toContain('screen-colours');
    expect(strict.lines.every(({ kind }) => kind !== 'change')).toBe(true);
  });

  it.each([
    ['no PDF', () => new TextEncoder().encode('This is a letter, not a PDF.')],
    ['a PDF that was cut short', () => good.subarray(0, 5000)],
    ['nothing but noise', () => Uint8Array.from({ length: 20_000 }, (_, i) => (i * 7919) % 251)],
    [
      'a bomb',
      () => {
        const packed = deflateSync(new Uint8Array(120_000_000));
        const head = `%PDF-1.6\n1 0 obj\n<</Type/Catalog/Pages 2 0 R>>\nendobj\n2 0 obj\n<</Type/Pages/Kids[3 0 R]/Count 1>>\nendobj\n3 0 obj\n<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 200]/Contents 4 0 R>>\nendobj\n4 0 obj\n<</Length ${packed.length}/Filter/FlateDecode>>\nstream\n`;
        return Buffer.concat([
          Buffer.from(head),
          packed,
          Buffer.from('\nendstream\nendobj\ntrailer\n<</Root 1 0 R>>\n%%EOF'),
        ]);
      },
    ],
  ])('sends back %s, and goes on', async (_, make) => {
    const seen = await ordered(make());
    expect(seen.verdict).toBe('back');
    expect(seen.lines[0]!.says.length).toBeGreaterThan(10);
    expect(seen.lines[0]!.says).not.toMatch(/\/|node|Error:/);
  });

  it('refuses a file that is larger than it was said to be, or came in another state', async () => {
    const { id } = placeOrder({ ...orderFor(good), file: { ...orderFor(good).file, size: 100 } });
    expect((await refusal(() => addToFile(id, 0, streamOf(good)))).status).toBe(413);
    const other = placeOrder({ ...orderFor(good), file: { ...orderFor(good).file, sha256: 'a'.repeat(64) } });
    expect(await refusal(() => addToFile(other.id, 0, streamOf(good)))).toMatchObject({ status: 422, received: 0 });
    expect(seenOrder(other.id)).toMatchObject({ received: 0, stage: 'arriving' });
    expect(orderAskedSchema.safeParse({ ...orderFor(good), file: { ...orderFor(good).file, size: 2e9 } }).success).toBe(
      false,
    );
  });

  it('keeps what came of a file whose sender vanished', async () => {
    const { id } = placeOrder(orderFor(good));
    const broken = new ReadableStream<Uint8Array>({
      start(on) {
        on.enqueue(good.slice(0, 30_000));
      },
      pull() {
        throw new Error('gone');
      },
    });
    expect(await refusal(() => addToFile(id, 0, broken))).toMatchObject({ status: 400, received: 30_000 });
    await addToFile(id, 30_000, streamOf(good.subarray(30_000)));
    await checkNext();
    expect(seenOrder(id).verdict).toBe('accepted');
  });

  it('takes fifty orders of two clients at once, none lost, none twice, a restart in the middle', async () => {
    // What is said of each is tried above: here it is said at once.
    const { takeIn } = DESK;
    DESK.takeIn = async () => ({ verdict: 'back', lines: [] });
    const small = new TextEncoder().encode('%PDF-1.4\nnot much');
    const before = listOrders(1000).length;
    const all = Array.from({ length: 50 }, (_, i) =>
      orderFor(small, { client: i % 2 ? 'Hollin & Fen' : 'Tern & Teal', piece: `Piece ${i}` }),
    );
    const half = all.slice(0, 25);
    const placed = half.map(placeOrder);
    await Promise.all(placed.slice(0, 10).map(({ id }) => addToFile(id, 0, streamOf(small))));
    closeShelf();
    // After the restart each client sends all of its orders again, not knowing which had come.
    const again = all.map(placeOrder);
    expect(again.slice(0, 25).map(({ id }) => id)).toEqual(placed.map(({ id }) => id));
    await Promise.all(
      again
        .filter(({ stage }) => stage === 'arriving')
        .map(({ id, received }) => addToFile(id, received, streamOf(small.subarray(received)))),
    );
    const orders = listOrders(1000);
    expect(orders.length).toBe(before + 50);
    expect(new Set(orders.map(({ asked }) => asked.key)).size).toBe(orders.length);
    expect(orders.slice(0, 50).every(({ received }) => received === small.length)).toBe(true);
    await checkNext();
    DESK.takeIn = takeIn;
    expect(
      listOrders(1000)
        .slice(0, 50)
        .every(({ verdict }) => verdict === 'back'),
    ).toBe(true);
  });

  it('keeps so many orders and no more', () => {
    BOUNDS.kept = 20;
    placeOrder(orderFor(good));
    expect(listOrders(1000).length).toBeLessThanOrEqual(20);
    BOUNDS.arriving = 1;
    expect(() => placeOrder(orderFor(good))).toThrow(/Too many files/);
  });
});
