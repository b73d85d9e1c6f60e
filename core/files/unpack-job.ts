import { hashOf } from './hash';
import { assetPath, fontPath, type JobBundle, keptTables, profilePath, tablePath } from './job-parts';
import { JobFileError, readJob } from './read-job';
import { readZip, ZipTooLarge } from './zip-in';

/** What a job file may hold, in bytes unpacked. */
export const FILE_LIMITS = { job: 50_000_000, total: 1_000_000_000, entries: 2_000 } as const;

const LIMITS = {
  ...FILE_LIMITS,
  most: (name: string): number => (name === 'job.json' ? FILE_LIMITS.job : FILE_LIMITS.total),
};
const isOurs = (name: string): boolean => name === 'job.json' || /^(assets|fonts|profiles|tables)\//.test(name);

function unpack(bytes: Uint8Array): Record<string, Uint8Array> {
  try {
    return readZip(bytes, isOurs, LIMITS);
  } catch (error) {
    throw new JobFileError(
      error instanceof ZipTooLarge
        ? 'This file unpacks to far more than a job can hold, so it was not opened. Ask for it to be saved again.'
        : 'This job file is damaged or cut short. Get it again from where it came from.',
    );
  }
}

/**
 * A job file's parts: the zip's sizes are checked before unpacking, job.json against the schema, every file against its
 * hash; what its pictures and fonts are is not looked at. Throws JobFileError; nothing outside is touched.
 */
export function unpackJobFile(bytes: Uint8Array): JobBundle {
  if (bytes.length === 0) throw new JobFileError('This file is empty. Get it again from where it came from.');
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b)
    throw new JobFileError('This file is not a Tidy Edge job. Choose a file that ends in .tidyedge.');
  const entries = unpack(bytes);
  const text = entries['job.json'];
  if (!text) throw new JobFileError('This file is not a Tidy Edge job: there is no job.json in it.');
  let json: unknown;
  try {
    json = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(text));
  } catch {
    throw new JobFileError('This job file is broken: its job.json cannot be read. Ask for it to be saved again.');
  }
  const job = readJob(json);
  const assets: Record<string, Uint8Array> = {};
  for (const [hash, asset] of Object.entries(job.assets)) {
    const picture = entries[assetPath(hash, asset)];
    if (!picture)
      throw new JobFileError(`The picture ${asset.name} is missing from this file. Ask for it to be saved again.`);
    if (hashOf(picture) !== hash)
      throw new JobFileError(`The picture ${asset.name} in this file is damaged. Ask for it to be saved again.`);
    assets[hash] = picture;
  }
  for (const [hash, { family }] of Object.entries(job.fonts)) {
    const font = entries[fontPath(hash)];
    if (!font) throw new JobFileError(`The font ${family} is missing from this file. Ask for it to be saved again.`);
    if (hashOf(font) !== hash)
      throw new JobFileError(`The font ${family} in this file is damaged. Ask for it to be saved again.`);
    assets[hash] = font;
  }
  for (const [hash, { name }] of Object.entries(job.conditions)) {
    const profile = entries[profilePath(hash)];
    if (!profile)
      throw new JobFileError(`The profile ${name} is missing from this file. Ask for it to be saved again.`);
    if (hashOf(profile) !== hash)
      throw new JobFileError(`The profile ${name} in this file is damaged. Ask for it to be saved again.`);
    assets[hash] = profile;
  }
  for (const [hash, name] of keptTables(job)) {
    const rows = entries[tablePath(hash)];
    if (!rows)
      throw new JobFileError(`The rows of the table ${name} are missing from this file. Ask for it to be saved again.`);
    if (hashOf(rows) !== hash)
      throw new JobFileError(`The rows of the table ${name} in this file are damaged. Ask for it to be saved again.`);
    assets[hash] = rows;
  }
  return { job, assets };
}
