// Bundles the command line into build/, so that starting it compiles nothing.
import { existsSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const SOURCES = ['core', 'cli', 'package-lock.json'];
export const bundle = join(root, 'build/tidy.js');

const newest = (path) => {
  const info = statSync(path);
  return info.isDirectory()
    ? readdirSync(path).reduce((most, name) => Math.max(most, newest(join(path, name))), 0)
    : info.mtimeMs;
};
const isBundled = () =>
  existsSync(bundle) && statSync(bundle).mtimeMs >= Math.max(...SOURCES.map((name) => newest(join(root, name))));

/** Makes the bundle where a source is newer. */
export async function bundleCli() {
  if (isBundled()) return;
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(root, 'cli/tidy.ts')],
    outdir: join(root, 'build'),
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
}
