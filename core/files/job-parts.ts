import { allElements } from '../job/drawn';
import type { Asset, Job } from '../job/schema';
import type { Table } from '../job/table';

/** The files that go along with a job, and what they are called in its own file. */

/** A job and the bytes of its pictures and fonts by hash. */
export interface JobBundle {
  job: Job;
  assets: Record<string, Uint8Array>;
}

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

/** The file that a table's rows are in, if they are in one. */
const rowsFile = ({ source }: Table): string[] => ('file' in source ? [source.file] : []);
/** The files of tables that go along with the job; a linked one stays where it is. */
export const keptTables = (job: Job): Map<string, string> =>
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
