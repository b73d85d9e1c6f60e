import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';

/** What took long to work out, kept from run to run: the same question has the same answer until the app changes. */

const folder = join(process.env['XDG_CACHE_HOME'] ?? join(homedir(), '.cache'), 'tidy-edge');
/** Answers kept at most; those that were made first go first. */
const MOST = 2000;

/** The app itself, as it is: another version may answer otherwise. */
const app = (): string => {
  const script = process.argv[1] ?? '';
  const entry = script.endsWith('tidy.mjs') ? join(script, '../../build/tidy.js') : script;
  return createHash('sha256').update(readFileSync(entry)).digest('hex');
};

function prune(): void {
  const names = readdirSync(folder);
  if (names.length <= MOST) return;
  const byAge = names
    .map((name) => ({ name, made: statSync(join(folder, name)).mtimeMs }))
    .sort((a, b) => a.made - b.made);
  for (const { name } of byAge.slice(0, names.length - MOST)) rmSync(join(folder, name), { force: true });
}

/** The file that the answer to a question is kept in: `asked` tells the question whole. Undefined where the app cannot read itself. */
function fileOf(asked: unknown): string | undefined {
  try {
    const key = createHash('sha256').update(app()).update(JSON.stringify(asked)).digest('hex');
    return join(folder, `${key}.json`);
  } catch {
    return undefined;
  }
}

/** The answer that was kept; undefined where none is, or it cannot be read. */
function recall<T>(file: string | undefined): T | undefined {
  if (!file) return undefined;
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as T;
  } catch {
    return undefined;
  }
}

/** Keeps an answer, and gives it back; where nothing can be kept, it is worked out each time. */
function keep<T>(file: string | undefined, answer: T): T {
  if (!file) return answer;
  try {
    mkdirSync(folder, { recursive: true });
    // Whole or not at all: another run may read it at the same time.
    const whole = `${file}.${process.pid}`;
    writeFileSync(whole, JSON.stringify(answer));
    renameSync(whole, file);
    prune();
  } catch {
    // No room, or a folder that cannot be written to.
  }
  return answer;
}

/** The answer to a question, as it was kept; else it is worked out and kept. */
export function kept<T>(asked: unknown, workOut: () => T): T {
  const file = fileOf(asked);
  return recall<T>(file) ?? keep(file, workOut());
}

/** The same where it takes its time. */
export async function keptLater<T>(asked: unknown, workOut: () => Promise<T>): Promise<T> {
  const file = fileOf(asked);
  return recall<T>(file) ?? keep(file, await workOut());
}
