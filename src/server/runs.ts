import { type ChildProcess, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import * as z from 'zod';

/**
 * Runs written by the machine that serves the app, on all of its cores: a queue of them, one at a time, each a process of the
 * command line. What is asked for, how much waits, how long it takes and how long it is kept are bounded.
 */

export const BOUNDS = {
  /** A job file, in bytes. */
  upload: 400_000_000,
  /** Runs that wait or are written. */
  waiting: 8,
  /** Runs that are there at all, finished ones included. */
  kept: 20,
  /** How long one may take, and how long it is kept once it is done; milliseconds. */
  work: 60 * 60_000,
  keep: 60 * 60_000,
};

export const askedSchema = z.strictObject({
  piece: z.string().regex(/^[\w-]{1,64}$/),
  as: z.enum(['pdfx4', 'pdfvt1', 'pdfx1a', 'pdfx1a2003']),
  /** Rows by their place in the run: all where it is left out. */
  rows: z
    .string()
    .regex(/^[\d.,]{1,20000}$/)
    .optional(),
});
export type RunAskedFor = z.infer<typeof askedSchema>;

export type RunState = 'waiting' | 'writing' | 'ready' | 'failed';
export interface RunSeen {
  state: RunState;
  /** 0 to 1. */
  done: number;
  /** How many are before it. */
  before: number;
  /** What is to be said of it: how much was written, or why it was not. */
  said: string;
  /** Of the file, in bytes. */
  size: number;
}

interface Held extends Omit<RunSeen, 'before'> {
  id: string;
  folder: string;
  asked: RunAskedFor;
  child?: ChildProcess;
  ends?: NodeJS.Timeout;
}

/** Why something is refused; the status of the answer that says so. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

const held = new Map<string, Held>();
const waiting: string[] = [];
let now: string | undefined;

const isOpen = ({ state }: Held): boolean => state === 'waiting' || state === 'writing';
const jobIn = ({ folder }: Held): string => join(folder, 'job.tidyedge');
const fileIn = ({ folder }: Held): string => join(folder, 'run.pdf');

/** Takes a job in, as its bytes come. Throws Refused. */
export async function takeRun(asked: RunAskedFor, body: ReadableStream<Uint8Array>): Promise<string> {
  if ([...held.values()].filter(isOpen).length >= BOUNDS.waiting)
    throw new Refused(503, 'Too many runs are waiting on the server. Try again later, or export in the browser.');
  // The oldest that is done makes room for the newest.
  for (const [id, each] of held) if (held.size >= BOUNDS.kept && !isOpen(each)) dropRun(id);
  const id = randomBytes(16).toString('hex');
  const run: Held = {
    id,
    asked,
    folder: mkdtempSync(join(tmpdir(), 'tidy-run-')),
    state: 'waiting',
    done: 0,
    said: '',
    size: 0,
  };
  held.set(id, run);
  let size = 0;
  const counted = new TransformStream<Uint8Array, Uint8Array>({
    transform(chunk, on) {
      size += chunk.length;
      if (size > BOUNDS.upload) throw new Refused(413, 'The job is too large for the server. Use the command line.');
      on.enqueue(chunk);
    },
  });
  try {
    await pipeline(Readable.fromWeb(body.pipeThrough(counted) as never), createWriteStream(jobIn(run)));
  } catch (error) {
    dropRun(id);
    throw error instanceof Refused ? error : new Refused(400, 'The job did not arrive whole. Try again.');
  }
  if (!held.has(id)) throw new Refused(410, 'The run was cancelled.');
  waiting.push(id);
  next();
  return id;
}

/** Begins the one that has waited longest, where none is being written. */
function next(): void {
  if (now !== undefined) return;
  const id = waiting.shift();
  const run = id === undefined ? undefined : held.get(id);
  if (!run) return;
  now = run.id;
  run.state = 'writing';
  const { piece, as, rows } = run.asked;
  const args = ['--piece', piece, '--as', as, ...(rows ? ['--rows', rows] : [])];
  const spread = ['--workers', `${availableParallelism()}`, '--progress'];
  const child = spawn(
    process.execPath,
    [join(process.cwd(), 'build/tidy.js'), 'run', jobIn(run), ...args, ...spread, '--out', fileIn(run)],
    // A group of its own: its processes are stopped with it.
    { stdio: ['ignore', 'pipe', 'pipe'], detached: true },
  );
  run.child = child;
  const late = setTimeout(() => stop(child), BOUNDS.work);
  let out = '';
  let problem = '';
  child.stdout.on('data', (chunk: Buffer) => {
    out = `${out}${chunk}`.slice(-2000);
  });
  createInterface({ input: child.stderr }).on('line', (line) => {
    const told = line.startsWith('{') ? (JSON.parse(line) as { done?: number }) : undefined;
    if (typeof told?.done === 'number') run.done = told.done;
    else problem = `${problem}${line}\n`.slice(0, 2000);
  });
  const end = (code: number | null): void => {
    clearTimeout(late);
    if (now === run.id) now = undefined;
    if (held.has(run.id)) {
      const isWhole = code === 0 && existsSync(fileIn(run));
      run.state = isWhole ? 'ready' : 'failed';
      run.done = 1;
      run.size = isWhole ? statSync(fileIn(run)).size : 0;
      run.said = isWhole
        ? out.trim()
        : problem.trim() || 'The server could not write the run. Export it in the browser.';
      run.ends = setTimeout(() => dropRun(run.id), BOUNDS.keep);
      run.ends.unref();
    }
    next();
  };
  let over = false;
  const once = (code: number | null): void => {
    if (!over) end(code);
    over = true;
  };
  child.on('error', () => once(null));
  child.on('close', once);
}

function stop(child: ChildProcess): void {
  try {
    if (child.pid) process.kill(-child.pid, 'SIGTERM');
  } catch {
    // It has ended by itself.
  }
}

export function seenRun(id: string): RunSeen | undefined {
  const run = held.get(id);
  if (!run) return undefined;
  const { state, done, said, size } = run;
  return { state, done, said, size, before: Math.max(0, waiting.indexOf(id) + (now === undefined ? 0 : 1)) };
}

/** The file of a run that is ready. */
export function runFile(id: string): { body: ReadableStream; size: number } | undefined {
  const run = held.get(id);
  if (run?.state !== 'ready') return undefined;
  return { body: Readable.toWeb(createReadStream(fileIn(run))) as ReadableStream, size: run.size };
}

/** Stops a run and deletes all there is of it; whether it was there. */
export function dropRun(id: string): boolean {
  const run = held.get(id);
  if (!run) return false;
  held.delete(id);
  clearTimeout(run.ends);
  const at = waiting.indexOf(id);
  if (at >= 0) waiting.splice(at, 1);
  if (run.child && run.state === 'writing') stop(run.child);
  rmSync(run.folder, { recursive: true, force: true });
  return true;
}

// What is left of others goes with the server.
process.once('exit', () => {
  for (const id of [...held.keys()]) dropRun(id);
});
