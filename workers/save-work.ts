import { transfer } from 'comlink';
import { writeJobFile } from '../core/files/job-file';
import { filesOf } from '../core/files/job-parts';
import type { Progress } from '../core/files/pdf/document';
import type { Job } from '../core/job/schema';
import { shelfBytes } from './shelf-files';

/** The share of the time that reading the files takes; packing them is the rest. */
const READING = 0.6;

/** A job and all of its files as one file. Throws, naming what is missing. */
export async function saveJob(job: Job, tell: (progress: Progress) => unknown): Promise<Uint8Array> {
  const assets: Record<string, Uint8Array> = {};
  const hashes = filesOf(job);
  for (const [i, hash] of hashes.entries()) {
    await tell({ done: (READING * i) / hashes.length, what: `Reading file ${i + 1} of ${hashes.length}` });
    const bytes = await shelfBytes(hash);
    if (bytes) assets[hash] = bytes;
  }
  await tell({ done: READING, what: 'Packing' });
  const file = writeJobFile({ job, assets });
  return transfer(file, [file.buffer]);
}
