// Installs what is missing, quietly where nothing is. Plain Node: it runs before anything is installed.
//   node scripts/install.mjs          npm packages
//   node scripts/install.mjs --test   and the Debian packages that the tests check against
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const DEBIAN = {
  '/usr/lib/chromium/chromium-headless-shell': 'chromium-headless-shell',
  gs: 'ghostscript',
  pdfinfo: 'poppler-utils',
  qpdf: 'qpdf',
  xmllint: 'libxml2-utils',
  transicc: 'liblcms2-utils',
  'hb-shape': 'libharfbuzz-bin',
  zbarimg: 'zbar-tools',
  opj_compress: 'libopenjp2-tools',
  // A font with CFF outlines, as designers have them.
  '/usr/share/fonts/opentype/cantarell/Cantarell-Regular.otf': 'fonts-cantarell',
  '/usr/share/unicode/auxiliary/LineBreakTest.txt': 'unicode-data',
};

/** The lock that npm keeps of what it last installed is older than ours: something is missing. */
function packagesMissing() {
  const installed = join(root, 'node_modules/.package-lock.json');
  if (!existsSync(installed)) return true;
  const wanted = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')).packages;
  const have = JSON.parse(readFileSync(installed, 'utf8')).packages;
  const isStale = Object.entries(wanted).some(
    ([path, { version, optional }]) => path !== '' && !optional && have[path]?.version !== version,
  );
  return isStale && statSync(join(root, 'package-lock.json')).size > 0;
}

const run = (command, args) => {
  // Everything goes to stderr: stdout belongs to the command this is run for.
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', process.stderr, process.stderr],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
  if (status !== 0) {
    console.error(`${command} ${args.join(' ')} failed. Put that right, then run this again.`);
    process.exit(1);
  }
};

const has = (command) => {
  if (command.startsWith('/')) return existsSync(command);
  try {
    execFileSync('which', [command], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
};

/** Browsers cannot list a folder: the rule sets of post are listed for them here, so that a new one is only a new file. */
function listPostRules() {
  const folder = join(root, 'core/trade/post');
  const names = readdirSync(folder).flatMap((name) => (name.endsWith('.json') ? [name.slice(0, -5)] : []));
  const idOf = (name) => name.replace(/-./g, (part) => part[1].toUpperCase());
  const lines = [
    '// Made by scripts/install.mjs from the files of this folder.',
    ...names.map((name) => `import ${idOf(name)} from './${name}.json' with { type: 'json' };`),
    '',
    `export const FILES: readonly unknown[] = [${names.map(idOf).join(', ')}];`,
    '',
  ];
  const list = join(folder, 'files.ts');
  const text = lines.join('\n');
  if (!existsSync(list) || readFileSync(list, 'utf8') !== text) writeFileSync(list, text);
}

listPostRules();
if (packagesMissing()) {
  console.error('Installing npm packages…');
  // No package needs a script of its own to be installed, and none gets to run one.
  run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund']);
}
if (process.argv.includes('--test')) {
  const missing = Object.entries(DEBIAN).flatMap(([command, name]) => (has(command) ? [] : [name]));
  if (missing.length > 0) {
    console.error(`Installing Debian packages: ${missing.join(', ')}…`);
    run('apt-get', ['update', '-qq']);
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing]);
  }
}
