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
/** What a corpus says of how many came out in one way. */
const counted = (said, what) => Number(new RegExp(`${what}: (\\d+)`).exec(said)?.[1] ?? 0);
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
count('all pieces, sheets and standards, 200 jobs of chance; unit and outside tests', numPassedTests, numFailedTests);

// Drawings that others made, beside Chromium's own rendering: Debian's clip art, unpacked into a folder of the results.
const drawings = join(results, 'drawings');
mkdirSync(drawings, { recursive: true });
run('sh', ['-c', `cd ${drawings} && apt-get download -qq openclipart-svg && dpkg-deb -x openclipart-svg*.deb .`]);
const seen = run('tsx', ['tests/corpora/drawings.ts', drawings, '--every', '7'], ['ignore', 'pipe', 'inherit']).stdout;
console.log(seen);
const of = (what) => counted(seen, what);
// At least 99 of a hundred that are drawn without a word are as Chromium has them, and none is a fault.
const isRight = of('the same') > 0 && of('a fault') === 0 && of('wrong') <= 0.01 * (of('the same') + of('wrong'));
count(`drawings of others: ${seen.trim()}`, isRight ? 1 : 0, isRight ? 0 : 1);

// Pages that others made, beside poppler's rendering: PDFs of a dozen writers, from Debian's packages.
const PAGES = [
  'golang-github-jung-kurt-gofpdf-dev',
  'golang-gonum-v1-plot-dev',
  'python-matplotlib-data',
  'labplot-data',
  'cups-filters',
  'fonts-texgyre',
  'therion-doc',
  'debian-history',
  'warmux-data',
  'expeyes',
  'asymptote-doc',
  'simh',
  'king',
];
const pages = join(results, 'pages');
mkdirSync(pages, { recursive: true });
const unpack = 'for f in *.deb; do dpkg-deb -x "$f" .; rm "$f"; done; find . -name "*.pdf.gz" -exec gunzip -f {} +';
run('sh', ['-c', `cd ${pages} && apt-get download -qq ${PAGES.join(' ')} && ${unpack}`]);
const drawn = run('tsx', ['tests/corpora/pages.ts', pages, '--every', '2'], ['ignore', 'pipe', 'inherit']).stdout;
console.log(drawn);
const like = (what) => counted(drawn, what);
const isLike =
  like('the same') > 0 && like('a fault') === 0 && like('wrong') <= 0.03 * (like('the same') + like('wrong'));
count(`pages of others: ${drawn.trim()}`, isLike ? 1 : 0, isLike ? 0 : 1);

// What is found in files of others, and in what other writers make of a page, beside what general-purpose tools say of them.
const WRITERS = ['python3-reportlab', 'img2pdf', 'librsvg2-bin', 'groff', 'mupdf-tools', 'enscript'];
run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...WRITERS], 'ignore');
const written = join(results, 'written');
run('tsx', ['tests/corpora/written.ts', written]);
const looked = run(
  'tsx',
  ['tests/corpora/inspected.ts', pages, written, '--every', '2'],
  ['ignore', 'pipe', 'inherit'],
).stdout;
console.log(looked);
const found = (what) => counted(looked, what);
const isFound =
  found('\\nthe same') > 0 &&
  found('a fault') === 0 &&
  found('not the same') <= 0.03 * (found('\\nthe same') + found('not the same'));
count(`files of others, looked into: ${looked.trim()}`, isFound ? 1 : 0, isFound ? 0 : 1);

// Shares of a run on a queue, a worker killed among them.
if (run('which', ['redis-server'], 'ignore').status !== 0) run('apt-get', ['install', '-y', '-qq', 'redis-server']);
const queued = run('node', ['tests/queue/kill-a-worker.mjs'], ['ignore', 'pipe', 'inherit']).stdout;
const isWhole = queued.includes('1 passed');
count('a queue of shares, a worker killed', isWhole ? 1 : 0, isWhole ? 0 : 1);

if (!isBuilt()) build();
const { stdout } = run('tsx', ['tests/kill/run.ts', kills], ['ignore', 'pipe', 'inherit']);
console.log(stdout);
const [, passed = '0', failed = '1'] = /(\d+) passed, (\d+) failed\s*$/.exec(stdout) ?? [];
count(`kills in the middle of the work, of ${kills}`, Number(passed), Number(failed));

console.log(told.join('\n'));
console.log(`${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed > 0 ? 1 : 0);
