import { closeSync, mkdirSync, openSync, readdirSync, readFileSync, renameSync, writeSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { assembler, type Frame } from '../core/run/write/assemble';
import { openPart, refuseStrangers } from '../core/run/write/join';
import type { Payload } from '../core/run/write/objects';

/** Files of a run on the disk. */

/** A file that is there whole or not at all: a killed process leaves nothing that looks finished. */
export function writeWhole(path: string, frame: Frame, payloads: Iterable<Payload>): { bytes: number; pages: number } {
  mkdirSync(dirname(path), { recursive: true });
  const half = `${path}.part`;
  const file = openSync(half, 'w');
  // Writing by the megabyte is ten times faster than by the object.
  let waiting: Uint8Array[] = [];
  let size = 0;
  const flush = (): void => {
    if (size > 0) writeSync(file, Buffer.concat(waiting));
    waiting = [];
    size = 0;
  };
  let made: { bytes: number; pages: number };
  try {
    const out = assembler(frame, (bytes) => {
      waiting.push(bytes);
      size += bytes.length;
      if (size > 4_000_000) flush();
    });
    for (const payload of payloads) out.add(payload);
    made = out.end();
    flush();
  } finally {
    closeSync(file);
  }
  renameSync(half, path);
  return made;
}

/** Joins the parts in a folder, in the order of their names: `part-2` before `part-10`. */
export function joinParts(folder: string, out: string): string {
  const names = readdirSync(folder)
    .filter((name) => name.toLowerCase().endsWith('.pdf'))
    .sort(new Intl.Collator('en', { numeric: true }).compare);
  const parts = names.map((name) => openPart(name, new Uint8Array(readFileSync(join(folder, name)))));
  refuseStrangers(parts);
  function* payloads(): Iterable<Payload> {
    for (const part of parts) for (let i = 0; i < part.rows.length; i++) yield part.payload(i);
  }
  const { pages } = writeWhole(out, parts[0]!.frame, payloads());
  return `${parts.length} parts, ${parts.reduce((sum, { rows }) => sum + rows.length, 0)} rows, ${pages} pages.`;
}

/** Makes one thing after another, and says how far it is. */
export function* each<A, B>(all: readonly A[], make: (one: A) => B, tell: (done: number) => void): Iterable<B> {
  for (const [i, one] of all.entries()) {
    if (i % 20 === 0) tell(i / all.length);
    yield make(one);
  }
}

export const upTo = (count: number): number[] => Array.from({ length: count }, (_, n) => n);
