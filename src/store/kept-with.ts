import { writeJobFile } from '../../core/files/job-file';
import type { LastProof } from '../../core/files/proof/proof';
import { templateOf } from '../../core/job/edits/adopt';
import type { Job } from '../../core/job/schema';
import { loadAssets } from './assets';
import { db } from './shelf';

/** What is kept beside jobs: exports, proofs, templates. */

const exportKey = (job: Job, pieceId: string): string => `${job.id} ${pieceId}`;
/** Notes that a piece has been exported as it is now. */
export const noteExport = (job: Job, pieceId: string): Promise<unknown> =>
  db.exported.put({ piece: exportKey(job, pieceId), at: new Date().toISOString(), changed: job.changed });
export const lastExport = (job: Job, pieceId: string) => db.exported.get(exportKey(job, pieceId));

export const lastProof = async (job: Job, pieceId: string): Promise<LastProof | undefined> =>
  (await db.proofs.get(exportKey(job, pieceId)))?.last;
export const keepProof = (job: Job, pieceId: string, last: LastProof): Promise<unknown> =>
  db.proofs.put({ piece: exportKey(job, pieceId), last });

/** Keeps a piece as a template, as it is now. Throws with words where one of its files is missing. */
export async function keepTemplate(job: Job, pieceId: string, id: string): Promise<void> {
  const only = templateOf(job, pieceId);
  const { name, kind } = only.pieces[0]!;
  await db.templates.put({ id, name, kind, file: writeJobFile({ job: only, assets: await loadAssets(only) }) });
}
