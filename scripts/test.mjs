// Everything there is to check, one after the other; the last line counts it all.
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { isBuilt } from './start.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results);
const env = {
  ...process.env,
  PATH: `${join(root, 'node_modules/.bin')}:${process.env.PATH}`,
  ASTRO_TELEMETRY_DISABLED: '1',
  CI: 'true',
};
const total = { passed: 0, failed: 0 };
/** What failed and how it says so, told once more at the end. */
const failures = [];

const run = (command, args) => spawnSync(command, args, { cwd: root, stdio: 'inherit', env }).status === 0;
const count = (name, passed, failed) => {
  total.passed += passed;
  total.failed += failed;
  console.log(`\n== ${name}: ${passed} passed, ${failed} failed\n`);
};
const whole = (name, work) => {
  let passed = false;
  try {
    passed = work();
  } catch (error) {
    console.error(error.message);
  }
  if (!passed) failures.push(name);
  count(name, passed ? 1 : 0, passed ? 0 : 1);
};
const report = (file) => JSON.parse(readFileSync(join(results, file), 'utf8'));

// Building leaves half of the machine idle: what else takes one core is done beside it.
const builder = isBuilt()
  ? undefined
  : spawn(process.execPath, ['-e', "import('./scripts/start.mjs').then(({ build }) => build())"], {
      cwd: root,
      stdio: 'inherit',
      env,
    });
const built = builder ? new Promise((done) => builder.once('exit', (code) => done(code === 0))) : Promise.resolve(true);

whole('lint', () => run('biome', ['check', '.']));
// The pages are checked when the app is built: they hold nothing but its root.
whole('types', () => run('tsc', ['--noEmit']));
whole('floors', () =>
  run('depcruise', ['--config', 'floors.config.cjs', 'core', 'workers', 'src', 'cli', 'demo', 'scripts', 'tests']),
);
const isBuiltNow = await built;
whole('build', () => isBuiltNow);

const unitsDone = run('vitest', [
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${join(results, 'unit.json')}`,
]);
try {
  const { numPassedTests, numFailedTests, numFailedTestSuites, numTotalTests, testResults } = report('unit.json');
  for (const { name, message, assertionResults } of testResults) {
    if (message) failures.push(`${name}: ${message}`);
    for (const { status, fullName, failureMessages } of assertionResults)
      if (status === 'failed') failures.push(`${name} › ${fullName}: ${failureMessages.join(' ')}`);
  }
  count(
    'unit and outside tests',
    numPassedTests,
    Math.max(numFailedTests, unitsDone && numTotalTests > 0 ? 0 : Math.max(1, numFailedTestSuites)),
  );
} catch {
  count('unit and outside tests', 0, 1);
}
const e2eDone = run('playwright', ['test']);
try {
  const { passed, failed } = report('e2e.json');
  failures.push(...failed);
  count('end to end tests', passed, Math.max(failed.length, e2eDone && passed > 0 ? 0 : 1));
} catch {
  count('end to end tests', 0, 1);
}

for (const failure of failures) console.log(`✗ ${failure.slice(0, 600)}\n`);
console.log(`${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed > 0 ? 1 : 0);
