import type { Finding } from '../core/checks/check';
import { hashOf } from '../core/files/hash';

/** What plates told, kept by the browser from visit to visit: what was laid once is not laid again to be counted. */

/** The checks of another version of the app may say something else. */
const NAME = `findings-${import.meta.env['SOURCES']}`;
/** Kept at most; the oldest go first. */
const MOST = 500;

async function store(): Promise<Cache | undefined> {
  if (typeof caches === 'undefined') return undefined;
  try {
    for (const name of await caches.keys()) if (/^findings-/.test(name) && name !== NAME) await caches.delete(name);
    return await caches.open(NAME);
  } catch {
    return undefined;
  }
}
let opened: Promise<Cache | undefined> | undefined;

/** The findings that were kept for what is asked; else they are worked out, and kept where there is room. */
export async function keptFindings(asked: unknown, workOut: () => Promise<Finding[]>): Promise<Finding[]> {
  opened ??= store();
  const cache = await opened;
  const address = `/findings/${hashOf(new TextEncoder().encode(JSON.stringify(asked)))}`;
  try {
    const found = await cache?.match(address);
    if (found) return (await found.json()) as Finding[];
  } catch {
    // Damaged: worked out anew.
  }
  // What mends a finding is no plain data, and is looked for where it is shown.
  const findings = (await workOut()).map(({ fix: _fix, orElse: _else, ...plain }): Finding => plain);
  try {
    await cache?.put(address, new Response(JSON.stringify(findings)));
    const keys = (await cache?.keys()) ?? [];
    for (const old of keys.slice(0, Math.max(0, keys.length - MOST))) await cache?.delete(old);
  } catch {
    // No room: nothing is lost.
  }
  return findings;
}
