import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { loadKit } from '../cli/kit';
import { hashOf } from '../core/files/hash';
import { readJobFile } from '../core/files/job-file';
import type { JobBundle } from '../core/files/job-parts';
import { addAsset, addElement } from '../core/job/edits/elements';
import { addInk } from '../core/job/edits/inks';
import { addPiece } from '../core/job/edits/job';
import { makeJob, makePiece } from '../core/job/make';
import type { Element, Job } from '../core/job/schema';
import { probePicture } from '../core/picture/probe';
import { toPoints } from '../core/units/length';

/** What most tests stand on. */
export { makePng } from './png';

export const kit = await loadKit();
/** What checks work with: the fonts, and the press most shops have. */
export const checkKit = { fonts: kit.fonts, press: kit.press('general-coated') };
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
