// @ts-check
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';
import { writeServiceWorker } from './scripts/service-worker.mjs';
import { sourcesHash } from './scripts/sources-hash.mjs';

/**
 * Of the hundred kinds of code that the package can draw, those that the app has: the others are a megabyte in every
 * room. It looks them up by name, so that a bundler cannot leave them out by itself.
 */
const KINDS_OF_CODE = Object.values(
  JSON.parse(readFileSync(new URL('core/codes/package-names.json', import.meta.url), 'utf8')),
);
const ourCodes = () => ({
  name: 'our-codes',
  /**
   * @param {string} code
   * @param {string} id
   */
  transform(code, id) {
    if (!/bwip-js\/dist\/bwip-js-gen\.mjs(\?|$)/.test(id)) return undefined;
    const kinds = KINDS_OF_CODE.map((kind) => `${kind}: bwipp_${kind}`).join(', ');
    const ours = code
      .replace(/bwipp_lookup\(([\w.]+)\)/g, `({ ${kinds} })[$1]`)
      .replace(/^export function \w+\(opts,dwg\).*$/gm, '');
    if (ours.length > code.length) throw new Error('bwip-js looks its codes up in another way now.');
    return { code: ours, map: null };
  },
});

const root = fileURLToPath(new URL('.', import.meta.url));

/** Writes the service worker once all the app's files are there. */
const offline = {
  name: 'offline',
  hooks: {
    /** @param {{ dir: URL }} built */
    'astro:build:done': ({ dir }) => writeServiceWorker(fileURLToPath(dir), root),
  },
};

export default defineConfig({
  output: 'server',
  // scripts/serve.mjs serves the files and sets the headers.
  adapter: node({ mode: 'middleware' }),
  integrations: [react(), offline],
  devToolbar: { enabled: false },
  // The node adapter trusts only hosts named here; without them form posts answer 403.
  security: { allowedDomains: [{ hostname: '127.0.0.1' }, { hostname: 'localhost' }] },
  server: { host: '127.0.0.1', port: 4321 },
  vite: {
    plugins: [tailwindcss(), ourCodes()],
    // Answers that are kept in the browser are those of this version.
    define: {
      'import.meta.env.SOURCES': JSON.stringify(sourcesHash(root, ['core', 'workers', 'assets', 'package-lock.json'])),
    },
    // wasm loaders use new URL('x.wasm', import.meta.url): bundling them ahead would part the script from its wasm.
    optimizeDeps: {
      exclude: ['harfbuzzjs', 'lcms-wasm'],
      // The scanner does not follow new Worker(): named here, or the first use reloads the page in development.
      entries: ['src/rooms/**/*.tsx', 'workers/**/*.ts'],
    },
    assetsInclude: ['**/*.tidyedge', '**/*.icc'],
    worker: {
      format: 'es',
      plugins: () => [ourCodes()],
      rollupOptions: {
        // Costs a fifth of the whole build, and what it finds to leave out is a twentieth of what the workers load.
        treeshake: false,
        output: { assetFileNames: '_astro/[name].[hash][extname]' },
      },
    },
    build: { chunkSizeWarningLimit: 2000, reportCompressedSize: false },
  },
});
