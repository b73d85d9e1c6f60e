import './fixtures';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { renameJob } from '../../core/job/edits/job';
import { step } from '../../core/job/history';
import { binJob, keepBundle, loadJob, openJob } from '../../src/store/kept-jobs';
import { planWrite } from '../../src/store/plan-write';
import { type Rows, TABLES, writeJob } from '../../src/store/write-job';
import { createWriter } from '../../src/store/writer';
import { asWorker, type FakeWorker, fakeWorker } from '../fake-worker';
import { emptyShelf, smallJob } from './fixtures';

/** A write that gives the job a name, and what the shelf is at before it. */
async function renaming(name: string): Promise<[Rows, number]> {
  const { history, written } = (await openJob('job-1'))!;
  const named = step(history, 'Name', renameJob(history.job, name), name);
  const { written: _written, head, ...rows } = planWrite(named, undefined, written);
  return [{ ...rows, head: { ...head, by: 'this page' } }, written.revision];
}
const nameKept = async (): Promise<string | undefined> => (await loadJob('job-1'))?.name;

/** All that the shelf holds of jobs and their steps. */
const kept = () => Promise.all(TABLES().map((table) => table.toArray()));

beforeEach(async () => {
  await emptyShelf();
  await keepBundle({ job: smallJob(), assets: {} });
});

describe('writing on a thread of its own', () => {
  it('is the page’s until the thread is there, then the thread’s', async () => {
    const write = vi.fn(writeJob);
    const writer = createWriter(() => asWorker(fakeWorker({ ready: async () => undefined, write })));
    expect(await writer.write(...(await renaming('One')))).toBe('written');
    expect(write).not.toHaveBeenCalled();
    await writer.ready();
    expect(await writer.write(...(await renaming('Two')))).toBe('written');
    expect(write).toHaveBeenCalledTimes(1);
    expect(await nameKept()).toBe('Two');
  });
  it('says that somebody else has written, or deleted the job', async () => {
    const writer = createWriter(() => asWorker(fakeWorker({ ready: async () => undefined, write: writeJob })));
    await writer.ready();
    const mine = await renaming('Mine');
    await writeJob(...(await renaming('Theirs')));
    const theirs = await kept();
    expect(await writer.write(...mine)).toBe('newer');
    expect(await kept()).toEqual(theirs);
    expect(await nameKept()).toBe('Theirs');
    const late = await renaming('Late');
    await binJob('job-1', 'Theirs');
    const binned = await kept();
    expect(await writer.write(...late)).toBe('gone');
    expect(await kept()).toEqual(binned);
  });
  it('that has no room says so by its name', async () => {
    const full = (): never => {
      throw Object.assign(new Error('full'), { name: 'QuotaExceededError' });
    };
    const writer = createWriter(() => asWorker(fakeWorker({ ready: async () => undefined, write: full })));
    await writer.ready();
    await expect(writer.write(...(await renaming('One')))).rejects.toMatchObject({ name: 'QuotaExceededError' });
  });
  it.each([
    ['before it has written', false],
    ['after it has written', true],
  ])('goes on in the page where the thread dies %s, and nothing is written twice', async (_when, hasWritten) => {
    const made: FakeWorker = fakeWorker({
      ready: async () => undefined,
      async write(...asked: Parameters<typeof writeJob>) {
        if (hasWritten) await writeJob(...asked);
        made.die();
        await new Promise(() => undefined);
      },
    });
    const writer = createWriter(() => asWorker(made));
    await writer.ready();
    const before = (await openJob('job-1'))!.written.revision;
    expect(await writer.write(...(await renaming('One')))).toBe('written');
    expect(await nameKept()).toBe('One');
    expect((await openJob('job-1'))!.written.revision).toBe(before + 1);
    expect(await writer.write(...(await renaming('Two')))).toBe('written');
    expect(await nameKept()).toBe('Two');
  });
});
