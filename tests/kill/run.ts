import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { seeded } from '../../core/geometry/blot';
import { isLost, type Killed, killAgain } from './kill';

/** `npm run kill -- [how many] [seed] [browsers at once]`: kills the browser in the middle of the work, again and again, and counts what is lost. */

const PORT = 4360;
const [many = 1000, seed = 1, atOnce = 2] = process.argv.slice(2).map(Number);
/** What was on the stage so long before must be there again, in milliseconds. */
const HELD = 250;
/** On a machine so busy that a small write takes long, what was there for so many of those. */
const WRITES = 5;
/** Kills on one job, before another browser begins with a new one. */
const IN_A_ROW = 10;

const server = spawn(process.execPath, [fileURLToPath(new URL('../../scripts/serve.mjs', import.meta.url))], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: ['ignore', 'ignore', 'inherit'],
});
process.on('exit', () => server.kill());
await new Promise((resolve) => setTimeout(resolve, 1500));

const random = seeded(seed);
const all: Killed[] = [];
let broken = 0;
const going = async (): Promise<void> => {
  while (all.length + broken < many)
    try {
      await killAgain(`http://127.0.0.1:${PORT}`, random, Math.min(IN_A_ROW, many - all.length), (killed) => {
        all.push(killed);
        if (isLost(killed, HELD, WRITES)) console.log(JSON.stringify(killed));
      });
    } catch (error) {
      broken++;
      console.log(`not counted: ${(error as Error).message.split('\n')[0]}`);
    }
};

/** What has come of it so far; whether nothing was lost. */
function tally(): boolean {
  const lost = all.flatMap((each) => (each.turned ? [] : (each.lost ?? []))).sort((a, b) => a - b);
  const BINS = [0, 25, 50, 100, 150, 200, 250, 500, 1000, Number.POSITIVE_INFINITY];
  console.log(`${all.length} kills, ${all.reduce((sum, { edits }) => sum + edits, 0)} states seen on the stage`);
  console.log(`unreadable: ${all.filter(({ readable }) => !readable).length}`);
  console.log(
    `nothing lost: ${all.length - lost.length}; the oldest lost state was on the stage so long before the kill:`,
  );
  for (const [i, from] of BINS.slice(0, -1).entries()) {
    const count = lost.filter((ms) => ms >= from && ms < BINS[i + 1]!).length;
    if (count > 0) console.log(`  ${from} to ${BINS[i + 1]} ms: ${count}`);
  }
  console.log(
    `undone or done again after they were seen, and not counted: ${all.filter((each) => each.turned).length}`,
  );
  const failed = all.filter((each) => isLost(each, HELD, WRITES)).length;
  const slowest = Math.max(...all.map(({ write }) => write));
  console.log(`the slowest of the small writes before them: ${slowest.toFixed(0)} ms`);
  console.log(`${all.length - failed} passed, ${failed} failed`);
  return failed === 0 && all.length > 0;
}

// One that is stopped tells what it has seen.
process.once('SIGINT', () => process.exit(tally() ? 0 : 1));
await Promise.all(Array.from({ length: atOnce }, going));
server.kill();
process.exit(tally() ? 0 : 1);
