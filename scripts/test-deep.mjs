// What is only large: everything that `npm test` looks at some of, and a thousand kills. Says what it ran; the last line counts it.
//   npm run test:deep -- [kills]
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, isBuilt } from './start.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const results = join(root, 'test-results');
mkdirSync(results, { recursive: true });
const kills = process.argv[2] ?? '1000';
const env = { ...process.env, PATH: `${join(root, 'node_modules/.bin')}:${process.env.PATH}`, DEEP: '1' };
const run = (command, args, stdio = 'inherit') => spawnSync(command, args, { cwd: root, env, stdio, encoding: 'utf8' });
const total = { passed: 0, failed: 0 };
const told = [];
function count(what, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  told.push(`${what}: ${passed} passed, ${failed} failed`);
}

const report = join(results, 'deep.json');
run('vitest', [
  'run',
  'tests/outside',
  'tests/core',
  'tests/store',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${report}`,
]);
const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(report, 'utf8'));
count('all pieces, sheets and standards; unit and outside tests', numPassedTests, numFailedTests);

if (!isBuilt()) build();
const { stdout } = run('tsx', ['tests/kill/run.ts', kills], ['ignore', 'pipe', 'inherit']);
console.log(stdout);
const [, passed = '0', failed = '1'] = /(\d+) passed, (\d+) failed\s*$/.exec(stdout) ?? [];
count(`kills in the middle of the work, of ${kills}`, Number(passed), Number(failed));

console.log(told.join('\n'));
console.log(`${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed > 0 ? 1 : 0);
