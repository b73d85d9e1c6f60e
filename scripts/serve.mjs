// Serves the built app on this machine: its files, its endpoints, and what a browser is told about both.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';
import { bundleCli } from './cli-bundle.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const client = join(root, 'dist/client');
const { handler } = await import(join(root, 'dist/server/entry.mjs'));

/** The hashes of the scripts that stand in the pages themselves. */
function inlineHashes() {
  const pages = readdirSync(client, { recursive: true }).filter((name) => name.endsWith('.html'));
  const scripts = pages.flatMap((name) =>
    [...readFileSync(join(client, name), 'utf8').matchAll(/<script(?:\s[^>]*)?>([\s\S]*?)<\/script>/g)].map(
      (m) => m[1],
    ),
  );
  return [...new Set(scripts.filter(Boolean))].map(
    (script) => `'sha256-${createHash('sha256').update(script).digest('base64')}'`,
  );
}

// Nothing comes from elsewhere, and nothing of a page is run that was not built.
const POLICY = [
  `default-src 'none'`,
  `script-src 'self' 'wasm-unsafe-eval' ${inlineHashes().join(' ')}`,
  // Styles of single elements are set by React and the words editor.
  `style-src 'self' 'unsafe-inline'`,
  `img-src 'self' blob: data:`,
  `font-src 'self' data:`,
  `connect-src 'self' blob: data:`,
  `worker-src 'self'`,
  `manifest-src 'self'`,
  `form-action 'self'`,
  `base-uri 'none'`,
  `frame-ancestors 'none'`,
].join('; ');
const HEADERS = {
  'Content-Security-Policy': POLICY,
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'X-Frame-Options': 'DENY',
  'Cross-Origin-Opener-Policy': 'same-origin',
};

const files = sirv(client, {
  etag: true,
  // Names in _astro change with what is in them; everything else is asked for again.
  setHeaders: (response, path) =>
    response.setHeader(
      'Cache-Control',
      path.startsWith('/_astro/') ? 'public, max-age=31536000, immutable' : 'no-cache',
    ),
});

// Runs of many rows are written by the command line.
await bundleCli();
// What is still being written ends with the server.
for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP']) process.once(signal, () => process.exit(0));

const port = Number(process.env.PORT ?? 4321);
createServer((request, response) => {
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  // A file that a newer build has taken away ends the answer that wanted it, not the server.
  response.on('pipe', (file) => file.on('error', () => response.destroy()));
  files(request, response, () => handler(request, response));
}).listen(port, process.env.HOST ?? '127.0.0.1');
