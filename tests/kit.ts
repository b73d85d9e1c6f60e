import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { deflateSync } from 'node:zlib';
import { loadKit } from '../cli/kit';
import { hashOf } from '../core/files/hash';
import { type JobBundle, readJobFile } from '../core/files/job-file';
import { addAsset, addElement } from '../core/job/edits/elements';
import { addInk, addPiece } from '../core/job/edits/job';
import { makeJob, makePiece } from '../core/job/make';
import type { Element, Job } from '../core/job/schema';
import { probePicture } from '../core/picture/probe';
import { toPoints } from '../core/units/length';

/** What most tests stand on. */

export const kit = await loadKit();
export const mm = (n: number): number => toPoints(n, 'mm');
export const inch = (n: number): number => toPoints(n, 'in');

export const fileHere = (path: string): string => fileURLToPath(new URL(path, import.meta.url));
export const demoFile = fileHere('../demo/hollin-and-fen.tidyedge');
export const openDemo = (): JobBundle => readJobFile(new Uint8Array(readFileSync(demoFile)));

const CHANGED = '2026-03-04T05:06:07.000Z';

/** A job with one card of 85 × 55 mm, one or two faces, a green and a spot ink, and the given elements on its front. */
export function cardWith(elements: Element[], options: Partial<Parameters<typeof makePiece>[0]> = {}): Job {
  let job = makeJob('job', 'Test job', CHANGED);
  job = addInk(job, { id: 'green', name: 'Green', kind: 'process', cmyk: [0.8, 0.2, 0.7, 0.3] });
  job = addInk(job, { id: 'copper', name: 'Copper', kind: 'spot', cmyk: [0.2, 0.6, 0.8, 0.1] });
  job = addPiece(
    job,
    makePiece({
      id: 'card',
      name: 'Card',
      kind: 'card',
      width: mm(85),
      height: mm(55),
      unit: 'mm',
      shop: 'metric-offset',
      faces: 1,
      ...options,
    }),
  );
  return elements.reduce((j, element) => addElement(j, 'card-1', element), job);
}

export function withPicture(
  job: Job,
  bytes: Uint8Array,
  name = 'Picture',
): { job: Job; hash: string; assets: Record<string, Uint8Array> } {
  const hash = hashOf(bytes);
  const { type, width, height } = probePicture(bytes);
  return { job: addAsset(job, hash, { name, type, width, height }), hash, assets: { [hash]: bytes } };
}

function crc32(bytes: Uint8Array): number {
  let crc = ~0;
  for (const byte of bytes) {
    crc ^= byte;
    for (let i = 0; i < 8; i++) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
  }
  return ~crc >>> 0;
}

function chunk(type: string, data: Uint8Array): Uint8Array {
  const out = new Uint8Array(12 + data.length);
  const view = new DataView(out.buffer);
  view.setUint32(0, data.length);
  out.set(new TextEncoder().encode(type), 4);
  out.set(data, 8);
  view.setUint32(8 + data.length, crc32(out.subarray(4, 8 + data.length)));
  return out;
}

/** A PNG written without any of the project's packages; `pixel` gives RGB or RGBA bytes. */
export function makePng(width: number, height: number, pixel: (x: number, y: number) => number[]): Uint8Array {
  const channels = pixel(0, 0).length;
  const rows = new Uint8Array(height * (1 + width * channels));
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rows.set(pixel(x, y), y * (1 + width * channels) + 1 + x * channels);
  const head = new Uint8Array(13);
  const view = new DataView(head.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  head.set([8, channels === 4 ? 6 : 2, 0, 0, 0], 8);
  return Uint8Array.from([
    0x89,
    0x50,
    0x4e,
    0x47,
    0x0d,
    0x0a,
    0x1a,
    0x0a,
    ...chunk('IHDR', head),
    ...chunk('IDAT', deflateSync(rows)),
    ...chunk('IEND', new Uint8Array()),
  ]);
}
