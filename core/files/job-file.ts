import { type Zippable, zipSync } from 'fflate';
import type { Asset, Job } from '../job/schema';
import { isSideways, probePicture } from '../picture/probe';
import { takeFont } from '../type/take-font';
import { assetPath, assetsInUse, fontPath, type JobBundle, keptTables, profilePath, tablePath } from './job-parts';
import { cellsOfWhole, openWhole } from './pdf-in/whole';
import { JobFileError } from './read-job';
import { unpackJobFile } from './unpack-job';

/** The same value with the keys of every object in order, so that equal jobs are equal bytes. */
function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, ordered(v)]),
  );
}

// The oldest time a zip can hold: a file saved twice is the same file.
const ZIP_TIME = new Date(1980, 0, 1);

/** Writes `name.tidyedge`: a zip of job.json, the pictures in use and the fonts, byte for byte the same for the same job. */
export function writeJobFile({ job, assets }: JobBundle): Uint8Array {
  const used = assetsInUse(job);
  const kept: Job = {
    ...job,
    assets: Object.fromEntries(Object.entries(job.assets).filter(([hash]) => used.has(hash))),
  };
  const entries: Zippable = {
    'job.json': [new TextEncoder().encode(`${JSON.stringify(ordered(kept), null, 1)}\n`), { level: 6 }],
  };
  for (const hash of [...used].sort()) {
    const bytes = assets[hash];
    if (!bytes)
      throw new JobFileError(`The picture ${job.assets[hash]?.name ?? hash} is missing. Put it in again, then save.`);
    // JPEG and PNG are packed already.
    entries[assetPath(hash, job.assets[hash]!)] = [bytes, { level: 0 }];
  }
  for (const hash of Object.keys(job.fonts).sort()) {
    const bytes = assets[hash];
    if (!bytes) throw new JobFileError(`The font ${job.fonts[hash]!.family} is missing. Add it again, then save.`);
    entries[fontPath(hash)] = [bytes, { level: 6 }];
  }
  for (const hash of Object.keys(job.conditions).sort()) {
    const bytes = assets[hash];
    if (!bytes)
      throw new JobFileError(`The profile ${job.conditions[hash]!.name} is missing. Load it again, then save.`);
    entries[profilePath(hash)] = [bytes, { level: 6 }];
  }
  for (const [hash, name] of [...keptTables(job)].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const bytes = assets[hash];
    if (!bytes) throw new JobFileError(`The rows of the table ${name} are missing. Import its file again, then save.`);
    entries[tablePath(hash)] = [bytes, { level: 6 }];
  }
  return zipSync(entries, { mtime: ZIP_TIME });
}

/** What a job says of a picture is what its checks go by: the file has to agree. */
function holdAgainst(asset: Asset, bytes: Uint8Array): void {
  if (asset.type === 'application/pdf' && asset.page) {
    const { width, height } = cellsOfWhole(openWhole(bytes));
    if (width !== asset.width || height !== asset.height)
      throw new JobFileError(
        `The page ${asset.name} in this file is of another size than the job says. Ask for it to be saved again.`,
      );
    return;
  }
  const { type, width, height, orientation } = probePicture(bytes);
  const upright = isSideways(orientation) ? [height, width] : [width, height];
  if (type !== asset.type || upright[0] !== asset.width || upright[1] !== asset.height)
    throw new JobFileError(
      `The picture ${asset.name} in this file has ${upright.join(' × ')} pixels, and the job says ${asset.width} × ${asset.height}. Ask for it to be saved again.`,
    );
}

/** Holds the pictures and fonts of an unpacked job against what it says of them, and against their limits. */
export function holdParts(bundle: JobBundle): JobBundle {
  const { job, assets } = bundle;
  for (const [hash, asset] of Object.entries(job.assets)) holdAgainst(asset, assets[hash]!);
  for (const hash of Object.keys(job.fonts)) takeFont(assets[hash]!);
  return bundle;
}

/**
 * Opens a job file. Everything in it is checked: its parts as `unpackJobFile` does, every picture against what the job says
 * of it, every font against its limits. Throws JobFileError, PictureError or FontError; nothing outside is touched.
 */
export const readJobFile = (bytes: Uint8Array): JobBundle => holdParts(unpackJobFile(bytes));
