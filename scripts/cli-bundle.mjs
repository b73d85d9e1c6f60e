// Bundles the command line into build/, so that starting it compiles nothing.
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const SOURCES = ['core', 'cli', 'package-lock.json'];
export const bundle = join(root, 'build/tidy.js');

/** A part so old is of no bundle that still runs, in milliseconds: an hour. */
const OLD = 3_600_000;

const newest = (path) => {
  const info = statSync(path);
  return info.isDirectory()
    ? readdirSync(path).reduce((most, name) => Math.max(most, newest(join(path, name))), 0)
    : info.mtimeMs;
};
const isBundled = () =>
  existsSync(bundle) && statSync(bundle).mtimeMs >= Math.max(...SOURCES.map((name) => newest(join(root, name))));

/** Makes the bundle where a source is newer. What it is started by comes last, so that it is never found without the rest. */
export async function bundleCli() {
  if (isBundled()) return;
  const { build } = await import('esbuild');
  const made = join(dirname(bundle), `new-${process.pid}`);
  await build({
    entryPoints: [join(root, 'cli/tidy.ts')],
    outdir: made,
    bundle: true,
    // Each command loads only what it needs.
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    minify: true,
    keepNames: true,
    alias: { '@noble/hashes/sha2.js': join(root, 'cli/sha256.ts') },
    // Packages that look for files beside themselves stay where they are.
    external: ['harfbuzzjs', 'lcms-wasm', 'pdfjs-dist', 'nspell', 'paper', 'bwip-js'],
    banner: {
      js: "import { createRequire as __makeRequire } from 'node:module'; const require = __makeRequire(import.meta.url);",
    },
    chunkNames: 'tidy-[hash]',
    logLevel: 'error',
  });
  mkdirSync(dirname(bundle), { recursive: true });
  const parts = readdirSync(made).filter((name) => name !== basename(bundle));
  for (const name of [...parts, basename(bundle)]) renameSync(join(made, name), join(dirname(bundle), name));
  rmSync(made, { recursive: true });
  // Parts of bundles before it: a command that was begun with one may still load more of it.
  for (const name of readdirSync(dirname(bundle)).filter((each) => each.startsWith('tidy-') && !parts.includes(each)))
    if (Date.now() - statSync(join(dirname(bundle), name)).mtimeMs > OLD) rmSync(join(dirname(bundle), name));
}
