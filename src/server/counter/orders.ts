import { createHash, randomBytes } from 'node:crypto';
import { createReadStream, existsSync, rmSync, statSync, truncateSync } from 'node:fs';
import { open } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { cameBack, daysLost, type Fault } from '../../../core/files/counter/came-back';
import {
  type Answer,
  MOST_BYTES,
  type OrderAsked,
  type OrderSeen,
  type Stage,
} from '../../../core/files/counter/order';
import { shopOf } from '../../../core/trade/shops';
import { COUNTERS, DESK } from './intake';
import { fileOf, shelf } from './shelf';

/** The counter of the simulated print shops: orders that come in, what is said of them, and where they are. */

export const BOUNDS = {
  /** Orders that are kept; the oldest make room. */
  kept: 500,
  /** Orders whose file has not come whole. */
  arriving: 100,
  /** How long one may wait for its file, milliseconds. */
  patience: 24 * 3_600_000,
  /** A working day of the simulated shops, in milliseconds. */
  day: Number(process.env['TIDY_DAY_MS'] ?? 20_000),
};

/** What time it is, in milliseconds: production goes by it. */
export const CLOCK = { now: (): number => Date.now() };

/** Why something is refused; the status of the answer that says so. */
export class CounterError extends Error {
  constructor(
    readonly status: number,
    message: string,
    /** How much has arrived, where that is what differs. */
    readonly received?: number,
  ) {
    super(message);
  }
}

interface Row {
  id: string;
  asked: string;
  received: number;
  stage: Stage;
  verdict: string | null;
  lines: string;
  answer: string | null;
  made: number;
  approved: number | null;
  faults: string;
}

const rowOf = (id: string): Row | undefined =>
  (shelf().get('SELECT * FROM orders WHERE id = ?', [id]) ?? undefined) as Row | undefined;

/** The stages of production, and how many working days each takes at a shop. */
function productionOf(asked: OrderAsked, faults: readonly Fault[]): { stage: Stage; days: number }[] {
  const days = shopOf(asked.shop).prices?.days ?? { print: 3, finish: 1 };
  const press = Math.max(0.5, days.print / 3);
  return [
    { stage: 'plates', days: press },
    { stage: 'press', days: press + daysLost(faults) },
    { stage: 'cutting', days: press },
    ...(asked.finishing.length > 0 ? [{ stage: 'finishing' as const, days: Math.max(0.5, days.finish) }] : []),
  ];
}

/** Where an order is now: production goes by the time since it was approved. */
function stageNow({ stage, approved, asked, faults }: Row, now: number): Stage {
  if (stage !== 'plates' || approved === null) return stage;
  let left = (now - approved) / BOUNDS.day;
  for (const each of productionOf(JSON.parse(asked) as OrderAsked, JSON.parse(faults) as Fault[])) {
    if (left < each.days) return each.stage;
    left -= each.days;
  }
  return 'sent';
}

/** What came back of an order is the same each time it is looked at. */
function cameOf({ id, asked, faults }: Row): OrderSeen['came'] {
  const shop = shopOf((JSON.parse(asked) as OrderAsked).shop);
  return cameBack(Number.parseInt(id.slice(0, 8), 16) / 2 ** 32, JSON.parse(faults) as Fault[], shop.tolerance);
}

function seenOf(row: Row): OrderSeen {
  const stage = stageNow(row, CLOCK.now());
  return {
    id: row.id,
    asked: JSON.parse(row.asked) as OrderAsked,
    received: row.received,
    stage,
    ...(row.verdict === null ? {} : { verdict: row.verdict as NonNullable<OrderSeen['verdict']> }),
    lines: JSON.parse(row.lines) as OrderSeen['lines'],
    ...(row.answer === null ? {} : { answer: JSON.parse(row.answer) as Answer }),
    made: new Date(row.made).toISOString(),
    faults: JSON.parse(row.faults) as Fault[],
    ...(stage === 'sent' ? { came: cameOf(row) } : {}),
  };
}

/** Switches on what will go wrong with an order. Throws once it has been sent. */
export function setFaults(id: string, faults: readonly Fault[]): OrderSeen {
  const row = rowOf(id);
  if (!row) throw new CounterError(404, 'The shop does not know this order.');
  const stage = stageNow(row, CLOCK.now());
  if (stage === 'sent' || stage === 'refused') throw new CounterError(409, 'This order is done.');
  shelf().run('UPDATE orders SET faults = ?, changed = ? WHERE id = ?', [JSON.stringify(faults), CLOCK.now(), id]);
  return seenOrder(id);
}

/** The file of an order as the shop has it. */
export function orderFile(id: string): ReadableStream<Uint8Array> {
  const row = rowOf(id);
  if (!row || !existsSync(fileOf(id))) throw new CounterError(404, 'The shop does not know this order.');
  if (row.stage === 'arriving') throw new CounterError(409, 'This file has not come whole.', row.received);
  return Readable.toWeb(createReadStream(fileOf(id))) as ReadableStream<Uint8Array>;
}

export function seenOrder(id: string): OrderSeen {
  const row = rowOf(id);
  if (!row) throw new CounterError(404, 'The shop does not know this order.');
  return seenOf(row);
}

export const listOrders = (most = 100): OrderSeen[] =>
  (shelf().all('SELECT * FROM orders ORDER BY made DESC LIMIT ?', [most]) as unknown as Row[]).map(seenOf);

function drop(id: string): void {
  shelf().run('DELETE FROM orders WHERE id = ?', [id]);
  rmSync(fileOf(id), { force: true });
}

/** Makes room: orders whose file never came, then the oldest. */
function tidyUp(): void {
  const db = shelf();
  const stale = db.all("SELECT id FROM orders WHERE stage = 'arriving' AND changed < ?", [
    CLOCK.now() - BOUNDS.patience,
  ]);
  const count = Number(db.get('SELECT COUNT(*) AS n FROM orders')?.['n'] ?? 0);
  const old = db.all("SELECT id FROM orders WHERE stage <> 'checking' ORDER BY made LIMIT ?", [
    Math.max(0, count - BOUNDS.kept + 1),
  ]);
  for (const { id } of [...stale, ...old] as unknown as { id: string }[]) drop(id);
}

/** Takes an order; one with the same key is the same order. */
export function placeOrder(asked: OrderAsked): OrderSeen {
  if (!COUNTERS[asked.shop]) throw new CounterError(404, 'This shop has no counter here.');
  const db = shelf();
  const known = db.get('SELECT * FROM orders WHERE key = ?', [asked.key]) as Row | null | undefined;
  if (known) {
    if (known.asked !== JSON.stringify(asked)) throw new CounterError(409, 'Another order has this key.');
    return seenOf(known);
  }
  tidyUp();
  const waiting = Number(db.get("SELECT COUNT(*) AS n FROM orders WHERE stage = 'arriving'")?.['n'] ?? 0);
  if (waiting >= BOUNDS.arriving)
    throw new CounterError(503, 'Too many files are on their way to this shop. Try again later.');
  const id = randomBytes(12).toString('hex');
  const now = CLOCK.now();
  db.run('INSERT INTO orders (id, key, asked, stage, made, changed) VALUES (?, ?, ?, ?, ?, ?)', [
    id,
    asked.key,
    JSON.stringify(asked),
    'arriving',
    now,
    now,
  ]);
  return seenOrder(id);
}

/** Files that bytes are being added to: one sender at a time. */
const writing = new Set<string>();

/** Adds bytes to an order's file, from where it broke off. What has come stays, whatever happens to the rest. */
export async function addToFile(id: string, at: number, body: ReadableStream<Uint8Array>): Promise<OrderSeen> {
  const row = rowOf(id);
  if (!row) throw new CounterError(404, 'The shop does not know this order.');
  if (row.stage !== 'arriving') throw new CounterError(409, 'This file has come already.', row.received);
  if (writing.has(id)) throw new CounterError(409, 'This file is being sent already.', row.received);
  if (at !== row.received) throw new CounterError(409, 'The file goes on elsewhere.', row.received);
  const { size, sha256 } = (JSON.parse(row.asked) as OrderAsked).file;
  writing.add(id);
  let received = row.received;
  const path = fileOf(id);
  // What was written but not counted before a restart is written again.
  if (existsSync(path) && statSync(path).size > received) truncateSync(path, received);
  const file = await open(path, 'a');
  const count = (): void =>
    void shelf().run('UPDATE orders SET received = ?, changed = ? WHERE id = ?', [received, CLOCK.now(), id]);
  try {
    for await (const part of body as unknown as AsyncIterable<Uint8Array>) {
      if (received + part.length > Math.min(size, MOST_BYTES))
        throw new CounterError(413, 'The file is larger than it was said to be. Order again.');
      await file.write(part);
      received += part.length;
    }
  } catch (error) {
    if (error instanceof CounterError) throw error;
    throw new CounterError(400, 'The file broke off. Send the rest.', received);
  } finally {
    await file.close();
    count();
    writing.delete(id);
  }
  if (received < size) return seenOrder(id);
  if ((await hashOf(path)) !== sha256) {
    rmSync(path, { force: true });
    shelf().run('UPDATE orders SET received = 0 WHERE id = ?', [id]);
    throw new CounterError(422, 'The file came in another state than it was sent. Send it again.', 0);
  }
  shelf().run("UPDATE orders SET stage = 'checking', changed = ? WHERE id = ?", [CLOCK.now(), id]);
  void checkNext();
  return seenOrder(id);
}

async function hashOf(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const part of createReadStream(path)) hash.update(part as Buffer);
  return hash.digest('hex');
}

let checking: Promise<void> | undefined;

/** Looks at the files that have come, one after another. After a restart it goes on with those that were not looked at. */
export function checkNext(): Promise<void> {
  checking ??= (async () => {
    for (;;) {
      const row = shelf().get("SELECT * FROM orders WHERE stage = 'checking' ORDER BY changed LIMIT 1") as
        | Row
        | null
        | undefined;
      if (!row) break;
      const { verdict, lines } = await DESK.takeIn(fileOf(row.id), JSON.parse(row.asked) as OrderAsked);
      shelf().run("UPDATE orders SET stage = 'answered', verdict = ?, lines = ?, changed = ? WHERE id = ?", [
        verdict,
        JSON.stringify(lines.slice(0, 200)),
        CLOCK.now(),
        row.id,
      ]);
    }
  })().finally(() => {
    checking = undefined;
  });
  return checking;
}

/** The client's yes or no to what the counter said: a yes has it made. */
export function answerOrder(id: string, answer: Answer): OrderSeen {
  const row = rowOf(id);
  if (!row) throw new CounterError(404, 'The shop does not know this order.');
  if (row.stage !== 'answered' || row.answer !== null) throw new CounterError(409, 'There is nothing to answer here.');
  if (answer.isYes && row.verdict === 'back')
    throw new CounterError(409, 'This file was sent back. Mend it, then order again.');
  const now = CLOCK.now();
  shelf().run('UPDATE orders SET answer = ?, stage = ?, approved = ?, changed = ? WHERE id = ?', [
    JSON.stringify(answer),
    answer.isYes ? 'plates' : 'refused',
    answer.isYes ? now : null,
    now,
    id,
  ]);
  return seenOrder(id);
}
