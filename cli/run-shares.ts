import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline';
import { rangesOf } from '../core/units/ranges';
import { CliError } from './given';
import { joinParts } from './run-files';

/**
 * A run written by several processes of this machine at once, a share of the rows each, and joined: byte for byte the file
 * that one of them would have written.
 */

/** What a process says of itself, a line each, where it is asked for progress. */
export const progressLine = (done: number, what: string): string => `${JSON.stringify({ done, what })}\n`;

/** Shares of so many places in a run, from and to, as even as they can be. */
export const sharesOf = (count: number, shares: number): [number, number][] =>
  Array.from({ length: Math.min(count, shares) }, (_, i): [number, number] => [
    Math.floor((count * i) / Math.min(count, shares)),
    Math.floor((count * (i + 1)) / Math.min(count, shares)) - 1,
  ]);

/** Writes each share by a process of its own, and joins them. `args` are what each is told besides its rows. Throws CliError. */
export async function writeInShares(
  places: readonly number[],
  workers: number,
  args: readonly string[],
  out: string,
  tell: (done: number) => void,
): Promise<string> {
  // Beside the file that comes of it: on the same disk, where there is room for it.
  const folder = mkdtempSync(join(dirname(out), '.shares-'));
  const children: ReturnType<typeof spawn>[] = [];
  try {
    const shares = sharesOf(places.length, workers);
    const done = shares.map(() => 0);
    await Promise.all(
      shares.map(([from, to], i) => {
        const rows = rangesOf(places.slice(from, to + 1));
        const part = join(folder, `part-${String(i).padStart(4, '0')}.pdf`);
        const child = spawn(
          process.execPath,
          [process.argv[1]!, 'run', ...args, '--rows', rows, '--progress', '--out', part],
          { stdio: ['ignore', 'ignore', 'pipe'] },
        );
        children.push(child);
        return new Promise<void>((ready, fail) => {
          let said = '';
          createInterface({ input: child.stderr! }).on('line', (line) => {
            try {
              done[i] = (JSON.parse(line) as { done: number }).done;
              tell(done.reduce((sum, each) => sum + each, 0) / done.length);
            } catch {
              said += `${line}\n`;
            }
          });
          child.on('error', fail);
          child.on('close', (code) =>
            code === 0 ? ready() : fail(new CliError(said.trim() || 'A share of the rows could not be written.')),
          );
        });
      }),
    );
    return joinParts(folder, out);
  } finally {
    for (const child of children) child.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}
