import { addLetter } from '../../core/job/edits/letters';
import { restorePiece } from '../../core/job/edits/pieces';
import type { LetterText } from '../../core/job/letters';
import type { Job } from '../../core/job/schema';
import { loadJob, unbinJob } from './kept-jobs';
import { openSession } from './saving';
import { act } from './session';
import { type Binned, db, type Template } from './shelf';

/** What was deleted, as long as it can come back whole. */

export const BIN_DAYS = 30;
const DAY = 24 * 3600 * 1000;

const now = (): string => new Date().toISOString();

/** A piece that is deleted, with the job that it was deleted from. */
export function binPiece(job: Job, pieceId: string): Promise<unknown> {
  const place = job.pieces.findIndex(({ id }) => id === pieceId);
  const piece = job.pieces[place];
  if (!piece) return Promise.resolve();
  const { id, name: jobName } = job;
  const key = `piece ${id} ${pieceId}`;
  const state: Job = { ...job, pieces: [piece], people: [], accepted: [] };
  return db.bin.put({
    id: key,
    kind: 'piece',
    at: now(),
    name: piece.name,
    job: id,
    jobName,
    piece: pieceId,
    place,
    state,
  });
}

export const binLetter = (job: Job, piece: string, letter: LetterText): Promise<unknown> =>
  db.bin.put({
    id: `letter ${job.id} ${letter.id}`,
    kind: 'letter',
    at: now(),
    name: letter.name,
    job: job.id,
    jobName: job.name,
    piece,
    letter,
  });

export const binTemplate = (template: Template): Promise<unknown> =>
  db.transaction('rw', db.bin, db.templates, async () => {
    await db.bin.put({ id: `template ${template.id}`, kind: 'template', at: now(), name: template.name, template });
    await db.templates.delete(template.id);
  });

/** All that is in the bin, the last deleted first. */
export const binned = async (): Promise<Binned[]> => (await db.bin.toArray()).sort((a, b) => (a.at < b.at ? 1 : -1));

/** Brings something back as it was. Throws with words where that cannot be. */
export async function restore(each: Binned): Promise<void> {
  if (each.kind === 'job') return unbinJob(each);
  if (each.kind === 'template') await db.templates.put(each.template);
  else {
    const job = await loadJob(each.job);
    if (!job) throw new Error(`${each.name} belongs to ${each.jobName}, which is not here. Restore that job first.`);
    await openSession(each.job);
    if (each.kind === 'piece') act('Restore piece', (j) => restorePiece(j, each.state, each.place));
    else if (job.pieces.some(({ id }) => id === each.piece))
      act('Restore letter', (j) => addLetter(j, each.piece, each.letter));
    else throw new Error(`The letterhead of ${each.name} is not here. Restore that piece first.`);
  }
  await db.bin.delete(each.id);
}

/** Deletes for good what has lain in the bin for a month, with what waited for it. */
async function remove(all: readonly Binned[]): Promise<void> {
  await db.transaction('rw', [db.bin, db.steps, db.versions, db.jobs], async () => {
    for (const each of all) {
      await db.bin.delete(each.id);
      if (each.kind !== 'job' || (await db.jobs.where('id').equals(each.row.id).count()) > 0) continue;
      await db.steps.where('job').equals(each.row.id).delete();
      await db.versions.where('job').equals(each.row.id).delete();
    }
  });
}
export const emptyBin = async (): Promise<void> => remove(await binned());
export const clearOldBin = async (at = Date.now()): Promise<void> =>
  remove((await binned()).filter((each) => at - Date.parse(each.at) > BIN_DAYS * DAY));
