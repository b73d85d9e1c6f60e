import Dexie, { type Table } from 'dexie';
import type { LastProof } from '../../core/files/proof/proof';
import type { LetterText } from '../../core/job/letters';
import type { Patch } from '../../core/job/patch';
import type { Job } from '../../core/job/schema';
import type { Kind } from '../../core/trade/schema';
import { SHELF, type StoredAsset } from '../../workers/shelf-files';

/** What the browser keeps, table by table. Rows may come from an older app: what is read from them is checked. */

/** A job as it was after one of its steps. What was done since is in its steps; where it stands, in its head. */
export interface JobRow {
  id: string;
  changed: string;
  /** The number of the step that `job` is the state after. */
  at: number;
  job: Job;
}

/** Where a job stands. It is written with each change, and is small. */
export interface Head {
  id: string;
  /** Counts all writes of the job: whoever writes says which one they knew. */
  revision: number;
  changed: string;
  /** The number of the step that the job stands after; steps up to `top` can be redone. */
  at: number;
  top: number;
  /** A gesture that goes on: its name, and what it has changed since that step. */
  live?: { name: string; patch: Patch };
  /** The page that wrote this. */
  by?: string;
}

/** One thing that was done: what turns the state before it into the one after it, and back. */
export interface StepRow {
  job: string;
  number: number;
  id: string;
  name: string;
  forth: Patch;
  back: Patch;
}

/** A whole job as it was, kept by itself or when it was asked for. */
export interface Version {
  id: string;
  job: string;
  at: string;
  why: 'named' | 'hand-off' | 'hourly' | 'before a repair' | 'before a restore';
  name: string;
  state: Job;
}

/** What was deleted, as long as it can come back. */
export type Binned = { id: string; at: string; name: string } & (
  | { kind: 'job'; row: JobRow; head: Head | undefined }
  | { kind: 'piece'; job: string; jobName: string; piece: string; place: number; state: Job }
  | { kind: 'letter'; job: string; jobName: string; piece: string; letter: LetterText }
  | { kind: 'template'; template: Template }
);

/** The last file made of a piece, and the state of the job it was made from. */
export interface Exported {
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

/** A picture as the press shows it; made once for each picture, press and wish. */
export interface PreviewRow {
  key: string;
  asset: string;
  image: Blob;
  light: unknown;
  used: number;
}

class Shelf extends Dexie {
  jobs!: Table<JobRow, string>;
  heads!: Table<Head, string>;
  steps!: Table<StepRow, [string, number]>;
  versions!: Table<Version, string>;
  bin!: Table<Binned, string>;
  assets!: Table<StoredAsset, string>;
  previews!: Table<PreviewRow, string>;
  /** One row once the demo job has been laid out, so that a deleted demo stays deleted. */
  notes!: Table<{ key: string }, string>;
  exported!: Table<Exported, string>;
  templates!: Table<Template, string>;
  proofs!: Table<KeptProof, string>;

  constructor() {
    super(SHELF);
    this.version(1).stores({ jobs: 'id, changed', assets: 'hash', notes: 'key' });
    this.version(2).stores({ exported: 'piece' });
    this.version(3).stores({ templates: 'id, kind' });
    this.version(4).stores({ proofs: 'piece' });
    this.version(5)
      .stores({
        heads: 'id',
        steps: '[job+number], job',
        versions: 'id, job',
        bin: 'id, kind',
        previews: 'key, asset, used',
      })
      // Until then a row was the job itself.
      .upgrade((tx) =>
        tx
          .table('jobs')
          .toCollection()
          .modify((row, ref) => {
            ref.value = { id: row.id, changed: String(row.changed ?? ''), at: 0, job: row };
          }),
      );
  }
}

export const db = new Shelf();
