import { type Zippable, zipSync } from 'fflate';
import type * as z from 'zod';
import { allElements } from '../job/drawn';
import { migrate } from '../job/migrate';
import { type Asset, JOB_VERSION, type Job } from '../job/schema';
import type { Table } from '../job/table';
import { jobSchema } from '../job/whole';
import { isSideways, probePicture } from '../picture/probe';
import { takeFont } from '../type/take-font';
import { hashOf } from './hash';
import { cellsOfWhole, openWhole } from './pdf-in/whole';
import { readZip, ZipTooLarge } from './zip-in';

/** A job and the bytes of its pictures and fonts by hash. */
export interface JobBundle {
  job: Job;
  assets: Record<string, Uint8Array>;
}

/** A job file that cannot be opened; the message says why and what to do. */
export class JobFileError extends Error {}

/** What a job file may hold, in bytes unpacked. */
export const FILE_LIMITS = { job: 50_000_000, total: 1_000_000_000, entries: 2_000 } as const;

const EXTENSION: Record<Asset['type'], string> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/tiff': 'tif',
  'application/pdf': 'pdf',
};
/** TrueType or CFF outlines: OpenType files of both kinds are called otf. */
export const fontPath = (hash: string): string => `fonts/${hash}.otf`;
export const profilePath = (hash: string): string => `profiles/${hash}.icc`;
export const tablePath = (hash: string): string => `tables/${hash}.csv`;
export const assetPath = (hash: string, asset: Pick<Asset, 'type'>): string =>
  `assets/${hash}.${EXTENSION[asset.type]}`;

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

/** The file that a table's rows are in, if they are in one. */
const rowsFile = ({ source }: Table): string[] => ('file' in source ? [source.file] : []);
/** The files of tables that go along with the job; a linked one stays where it is. */
const keptTables = (job: Job): Map<string, string> =>
  new Map(job.tables.flatMap(({ source, name }) => (source.kind === 'file' ? [[source.file, name] as const] : [])));

/** Pictures that some element still shows, those of people and of rows, and underlays. */
export const assetsInUse = (job: Job): Set<string> =>
  new Set([
    ...allElements(job).flatMap((e) => (e.kind === 'picture' ? [e.asset] : [])),
    ...job.people.flatMap(({ picture }) => picture ?? []),
    ...job.pieces.flatMap((piece) => piece.faces.flatMap(({ underlay }) => underlay?.asset ?? [])),
    ...job.tables.flatMap(({ pictures }) => Object.values(pictures)),
  ]);

/** The hash of every file a job needs: the pictures it shows, its own fonts and profiles, the rows of its tables. */
export const filesOf = (job: Job): string[] => [
  ...assetsInUse(job),
  ...Object.keys(job.fonts),
  ...Object.keys(job.conditions),
  ...job.tables.flatMap(rowsFile),
];

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

const explain = (error: z.ZodError): string => {
  const first = error.issues[0];
  const where = first?.path.length ? ` at ${first.path.join('.')}` : '';
  return `${first?.message ?? 'unknown'}${where}`;
};

/** Checks a job that comes from outside. Throws JobFileError: newer, foreign, or broken. */
export function readJob(json: unknown): Job {
  const { format, version } = (json ?? {}) as { format?: unknown; version?: unknown };
  if (format !== 'tidyedge')
    throw new JobFileError('This file is not a Tidy Edge job. Choose a file that ends in .tidyedge.');
  if (typeof version === 'number' && version > JOB_VERSION)
    throw new JobFileError(
      `This job was saved by a newer Tidy Edge (file version ${version}, this one reads ${JOB_VERSION}). Update the app, then open it.`,
    );
  const read = jobSchema.safeParse(migrate(json));
  if (!read.success)
    throw new JobFileError(`This job file is broken: ${explain(read.error)}. Ask for it to be saved again.`);
  return read.data;
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

/**
 * Opens a job file. Everything in it is checked: the zip's sizes before unpacking, job.json against the schema, every
 * picture and font against its hash and its limits. Throws JobFileError, PictureError or FontError; nothing outside is touched.
 */
export function readJobFile(bytes: Uint8Array): JobBundle {
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
    holdAgainst(asset, picture);
    assets[hash] = picture;
  }
  for (const [hash, { family }] of Object.entries(job.fonts)) {
    const font = entries[fontPath(hash)];
    if (!font) throw new JobFileError(`The font ${family} is missing from this file. Ask for it to be saved again.`);
    if (hashOf(font) !== hash)
      throw new JobFileError(`The font ${family} in this file is damaged. Ask for it to be saved again.`);
    takeFont(font);
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
