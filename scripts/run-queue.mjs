// A run written by many processes, on one machine or several: shares of its rows are jobs of a BullMQ queue on Redis.
//   npm run queue -- JOB.tidyedge --piece ID [--as pdfx4] [--parts 20] [--workers 2] [--redis URL] --out FILE
//   npm run queue -- work [--redis URL]            a worker on another machine that sees the same folder
// A share is a file that is there whole or not at all, under a name that its content tells: done twice, it is the same.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { Queue, QueueEvents, Worker } from 'bullmq';
import { Redis } from 'ioredis';
import { bundle, bundleCli } from './cli-bundle.mjs';

const QUEUE = 'tidy-run-shares';
/** Whoever has not been heard of for so long is dead, and its share is taken up again; milliseconds. */
const HEARD_WITHIN = 5000;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    piece: { type: 'string' },
    as: { type: 'string', default: 'pdfx4' },
    parts: { type: 'string', default: '20' },
    workers: { type: 'string', default: '2' },
    redis: { type: 'string' },
    out: { type: 'string' },
    keep: { type: 'boolean' },
  },
});

/** Runs the command line in a process of its own: this one stays free to tell the queue that it lives. */
const tidy = (args) =>
  new Promise((done, fail) => {
    const child = spawn(process.execPath, [bundle, ...args], { stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    let error = '';
    child.stdout.on('data', (chunk) => (said += chunk));
    child.stderr.on('data', (chunk) => (error += chunk));
    child.on('close', (code) => (code === 0 ? done(said) : fail(new Error(error.trim() || `exit ${code}`))));
  });

/** A connection of its own for each that asks: one that waits for jobs can do nothing else. */
const connectionOf = (url) => new Redis(url, { maxRetriesPerRequest: null });

const answers = (port) =>
  new Promise((tell) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.end();
      tell(true);
    });
    socket.on('error', () => tell(false));
  });

/** A Redis of our own, for as long as this goes on. */
async function startRedis() {
  if (spawnSync('which', ['redis-server']).status !== 0)
    throw new Error('Redis is not installed. Install it (apt-get install redis-server), or name one with --redis.');
  const port = 16_379;
  const folder = mkdtempSync(join(tmpdir(), 'tidy-queue-'));
  const server = spawn('redis-server', ['--port', `${port}`, '--dir', folder, '--save', '', '--bind', '127.0.0.1'], {
    stdio: 'ignore',
  });
  for (let i = 0; i < 100 && !(await answers(port)); i++) await new Promise((go) => setTimeout(go, 50));
  return {
    url: `redis://127.0.0.1:${port}`,
    stop() {
      server.kill();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Takes shares from the queue until it is told to end. */
function startWorker(url) {
  const worker = new Worker(
    QUEUE,
    async ({ data: { job, piece, as, rows, part } }) => {
      if (existsSync(part)) return 'was there';
      mkdirSync(dirname(part), { recursive: true });
      await tidy(['run', job, '--piece', piece, '--as', as, '--rows', rows, '--out', part]);
      return 'written';
    },
    { connection: connectionOf(url), lockDuration: HEARD_WITHIN, stalledInterval: HEARD_WITHIN, maxStalledCount: 10 },
  );
  worker.on('error', () => undefined);
  return worker;
}

/** Shares of so many rows, as `--rows` takes them. */
function sharesOf(count, parts) {
  const size = Math.ceil(count / parts);
  return Array.from({ length: Math.ceil(count / size) }, (_, i) => [i * size, Math.min(count, (i + 1) * size) - 1]);
}

async function lead() {
  const [given] = positionals;
  if (!given || !values.piece || !values.out) throw new Error('Name a job, --piece and --out.');
  const job = resolve(given);
  const checked = JSON.parse(await tidy(['run', job, '--piece', values.piece, '--check', '--json']));
  const own = values.redis ? undefined : await startRedis();
  const url = values.redis ?? own.url;
  const mark = createHash('sha256').update(readFileSync(job)).update(JSON.stringify(values)).digest('hex').slice(0, 16);
  const folder = join(dirname(resolve(values.out)), `.parts-${mark}`);
  const workers = Array.from({ length: Number(values.workers) }, () =>
    spawn(process.execPath, [fileURLToPath(import.meta.url), 'work', '--redis', url], { stdio: 'inherit' }),
  );
  const queue = new Queue(QUEUE, { connection: connectionOf(url) });
  const events = new QueueEvents(QUEUE, { connection: connectionOf(url) });
  try {
    await events.waitUntilReady();
    const shares = sharesOf(checked.printed, Number(values.parts));
    const jobs = await queue.addBulk(
      shares.map(([from, to], i) => ({
        name: 'share',
        data: {
          job,
          piece: values.piece,
          as: values.as,
          rows: `${from}..${to}`,
          part: join(folder, `part-${`${i}`.padStart(5, '0')}.pdf`),
        },
        // The same share asked for twice is one job.
        opts: { jobId: `${mark}-${from}-${to}`, attempts: 3, removeOnComplete: false },
      })),
    );
    console.log(
      `${jobs.length} shares of ${checked.printed} rows; workers ${workers.map(({ pid }) => pid).join(', ')}`,
    );
    await Promise.all(jobs.map((each) => each.waitUntilFinished(events)));
    console.log((await tidy(['run', '--join', folder, '--out', values.out])).trim());
    if (!values.keep) rmSync(folder, { recursive: true, force: true });
  } finally {
    for (const worker of workers) worker.kill();
    await events.close();
    await queue.close();
    own?.stop();
  }
}

await bundleCli();
try {
  if (positionals[0] === 'work') {
    const worker = startWorker(values.redis ?? 'redis://127.0.0.1:6379');
    for (const signal of ['SIGTERM', 'SIGINT'])
      process.on(signal, () => void worker.close(true).then(() => process.exit(0)));
  } else {
    await lead();
    process.exit(0);
  }
} catch (error) {
  console.error(error.message);
  // Connections that are still open would keep this from ending.
  process.exit(2);
}
