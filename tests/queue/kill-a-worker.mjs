// A worker of the queue is killed in the middle of twenty shares: the file is the one that is written at once. Last line: N passed, N failed.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const folder = mkdtempSync(join(tmpdir(), 'tidy-queue-test-'));
const JOB = ['demo/spring-runs.tidyedge', '--piece', 'voucher'];
const [all, whole] = ['all.pdf', 'whole.pdf'].map((name) => join(folder, name));

const parts = () =>
  readdirSync(folder)
    .filter((name) => name.startsWith('.parts-'))
    .flatMap((name) => readdirSync(join(folder, name)).filter((each) => each.endsWith('.pdf')));

const leader = spawn(process.execPath, ['scripts/run-queue.mjs', ...JOB, '--parts', '20', '--out', all], { cwd: root });
let killed = 0;
let said = '';
leader.stdout.on('data', (chunk) => (said += chunk));
// Once some shares are there and others are being written, a worker dies.
const watch = setInterval(() => {
  const [, pid] = /workers (\d+)/.exec(said) ?? [];
  if (!pid || parts().length < 3) return;
  clearInterval(watch);
  killed = Number(pid);
  process.kill(killed, 'SIGKILL');
}, 50);
const code = await new Promise((done) => leader.on('close', done));
clearInterval(watch);
spawnSync(process.execPath, ['scripts/tidy.mjs', 'run', ...JOB, '--out', whole], { cwd: root });
const isSame = code === 0 && killed > 0 && readFileSync(all).equals(readFileSync(whole));
rmSync(folder, { recursive: true, force: true });
console.log(`a worker killed among twenty shares: ${isSame ? 'the file is whole' : said}`);
console.log(isSame ? '1 passed, 0 failed' : '0 passed, 1 failed');
