import Dexie, { type Table } from 'dexie';
import { assetsInUse, type JobBundle, readJob, readJobFile, writeJobFile } from '../../core/files/job-file';
import type { LastProof } from '../../core/files/proof/proof';
import { templateOf } from '../../core/job/edits/adopt';
import type { Job } from '../../core/job/schema';
import type { Kind } from '../../core/trade/schema';
import demoUrl from '../../demo/hollin-and-fen.tidyedge?url';
import { findOwnFonts, findOwnProfiles } from '../../workers/kit';

interface StoredAsset {
  hash: string;
  bytes: Uint8Array;
}

/** The last file made of a piece, and the state of the job it was made from. */
interface Exported {
  piece: string;
  at: string;
  changed: string;
}

/** A piece kept to begin others with: a job file of its own, so that nothing done to a copy reaches it. */
export interface Template {
  id: string;
  name: string;
  kind: Kind;
  file: Uint8Array;
}

/** What is kept of the last proof of a piece. */
interface KeptProof {
  piece: string;
  last: LastProof;
}

class Shelf extends Dexie {
  jobs!: Table<Job, string>;
  assets!: Table<StoredAsset, string>;
  /** One row once the demo job has been laid out, so that a deleted demo stays deleted. */
  notes!: Table<{ key: string }, string>;
  exported!: Table<Exported, string>;
  templates!: Table<Template, string>;
  proofs!: Table<KeptProof, string>;

  constructor() {
    super('tidy-edge');
    this.version(1).stores({ jobs: 'id, changed', assets: 'hash', notes: 'key' });
    this.version(2).stores({ exported: 'piece' });
    this.version(3).stores({ templates: 'id, kind' });
    this.version(4).stores({ proofs: 'piece' });
  }
}

export const db = new Shelf();

/** Keeps a whole job with its pictures; all of it or nothing. */
export const keepBundle = ({ job, assets }: JobBundle): Promise<unknown> =>
  db.transaction('rw', db.jobs, db.assets, async () => {
    await db.assets.bulkPut(Object.entries(assets).map(([hash, bytes]) => ({ hash, bytes })));
    await db.jobs.put(job);
  });

/** The job of that id, checked like one that comes from outside: an older app may have written it. */
export async function loadJob(id: string): Promise<Job | undefined> {
  const stored = await db.jobs.get(id);
  return stored && readJob(stored);
}

/** The bytes of the pictures a job shows, of its own fonts and its own profiles. */
export async function loadAssets(job: Job): Promise<Record<string, Uint8Array>> {
  const rows = await db.assets.bulkGet([
    ...assetsInUse(job),
    ...Object.keys(job.fonts),
    ...Object.keys(job.conditions),
  ]);
  return Object.fromEntries(rows.flatMap((row) => (row ? [[row.hash, row.bytes] as const] : [])));
}

findOwnProfiles(async (hash) => (await db.assets.get(hash))?.bytes);
findOwnFonts(async (hash) => (await db.assets.get(hash))?.bytes);

const exportKey = (job: Job, pieceId: string): string => `${job.id} ${pieceId}`;
/** Notes that a piece has been exported as it is now. */
export const noteExport = (job: Job, pieceId: string): Promise<unknown> =>
  db.exported.put({ piece: exportKey(job, pieceId), at: new Date().toISOString(), changed: job.changed });
export const lastExport = (job: Job, pieceId: string): Promise<Exported | undefined> =>
  db.exported.get(exportKey(job, pieceId));

export const lastProof = async (job: Job, pieceId: string): Promise<LastProof | undefined> =>
  (await db.proofs.get(exportKey(job, pieceId)))?.last;
export const keepProof = (job: Job, pieceId: string, last: LastProof): Promise<unknown> =>
  db.proofs.put({ piece: exportKey(job, pieceId), last });

/** Keeps a piece as a template, as it is now. */
export async function keepTemplate(job: Job, pieceId: string, id: string): Promise<void> {
  const only = templateOf(job, pieceId);
  const { name, kind } = only.pieces[0]!;
  await db.templates.put({ id, name, kind, file: writeJobFile({ job: only, assets: await loadAssets(only) }) });
}

export const keepAsset = (hash: string, bytes: Uint8Array): Promise<unknown> => db.assets.put({ hash, bytes });

export async function layOutDemo(): Promise<void> {
  const answer = await fetch(demoUrl);
  await keepBundle(readJobFile(new Uint8Array(await answer.arrayBuffer())));
  await db.notes.put({ key: 'demo' });
}

/** The demo job is there the first time the app is opened. */
export async function layOutDemoOnce(): Promise<void> {
  if (!(await db.notes.get('demo'))) await layOutDemo();
}
