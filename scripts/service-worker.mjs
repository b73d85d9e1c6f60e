// Writes the service worker of a built app, with the list of the app's files in it.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join, relative, sep } from 'node:path';
import { build } from 'esbuild';
import { filesIn } from './sources-hash.mjs';

/** A file's address: a page is at the name of its folder. */
const addressOf = (client, file) =>
  `/${relative(client, file).split(sep).join('/')}`.replace(/\/?index\.html$/, '') || '/';

/** `client` is the folder that is served, `root` the project's. */
export async function writeServiceWorker(client, root) {
  const files = filesIn(client)
    .filter((file) => !file.endsWith('sw.js'))
    .map((file) => ({
      url: addressOf(client, file),
      // Names in _astro change with what is in them.
      revision: file.includes(`${sep}_astro${sep}`)
        ? null
        : createHash('sha256').update(readFileSync(file)).digest('hex').slice(0, 20),
    }));
  await build({
    entryPoints: [join(root, 'src/offline/worker.ts')],
    outfile: join(client, 'sw.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { FILES: JSON.stringify(files), 'process.env.NODE_ENV': '"production"' },
    logLevel: 'error',
  });
}
