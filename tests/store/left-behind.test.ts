import './fixtures';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { moveElement } from '../../core/job/edits/elements';
import { renameJob } from '../../core/job/edits/job';
import { findElement } from '../../core/job/find';
import type { Job } from '../../core/job/schema';
import { binJob, keepBundle, loadJob, openJob } from '../../src/store/kept-jobs';
import { takeLeft } from '../../src/store/left-behind';
import { planWrite } from '../../src/store/plan-write';
import { closeSession, flush, leave, openSession } from '../../src/store/saving';
import { act, begin } from '../../src/store/session';
import { db } from '../../src/store/shelf';
import { writeJob } from '../../src/store/write-job';
import { emptyShelf, smallJob } from './fixtures';

const PANEL = 'job-1-panel';
const x = (job: Job | undefined): number | undefined => job && findElement(job, PANEL)?.element.x;
const by = (dx: number) => (job: Job) => moveElement(job, PANEL, { x: dx, y: 0 });

/** What lies in local storage, and how much of it there is room for. */
let lying: Record<string, string>;
let room: number;

beforeEach(async () => {
  lying = {};
  room = 5_000_000;
  vi.stubGlobal(
    'localStorage',
    new Proxy(lying, {
      get: (_, name) =>
        ({
          getItem: (key: string) => lying[key] ?? null,
          removeItem: (key: string) => delete lying[key],
          setItem(key: string, value: string) {
            if (value.length > room) throw new DOMException('Full', 'QuotaExceededError');
            lying[key] = value;
          },
        })[name as string],
    }),
  );
  await emptyShelf();
  await keepBundle({ job: smallJob(), assets: {} });
  await openSession('job-1');
});
afterEach(() => {
  closeSession();
  vi.unstubAllGlobals();
});

/** Something is done, and the page goes at once: no write of it gets to the shelf. */
async function doneAndGone(...doing: (() => void)[]): Promise<void> {
  const writes = vi.spyOn(db, 'transaction').mockRejectedValue(new Error('The page is gone.'));
  for (const each of doing) each();
  leave();
  await flush();
  closeSession();
  writes.mockRestore();
}

describe('a page that is left at once', () => {
  it('has its last steps on the shelf when the job is opened again, with what can be undone', async () => {
    await doneAndGone(
      () => act('One', by(5)),
      () => act('Two', by(5)),
    );
    expect(x(await loadJob('job-1'))).toBe(0);
    expect(Object.keys(lying)).toHaveLength(1);
    await openSession('job-1');
    const opened = await openJob('job-1');
    expect([x(opened!.history.job), opened!.history.past.map(({ name }) => name)]).toEqual([10, ['One', 'Two']]);
    expect(lying).toEqual({});
  });
  it('has what a gesture had come to', async () => {
    await doneAndGone(() => begin('Drag').sketch(by(7)));
    await openSession('job-1');
    expect(x(await loadJob('job-1'))).toBe(7);
  });
  it('leaves nothing when all is written', async () => {
    act('One', by(5));
    await flush();
    leave();
    expect(lying).toEqual({});
  });
  it('leaves a newer state than the write that was under way', async () => {
    act('One', by(5));
    const writing = flush();
    act('Two', by(5));
    leave();
    const left = { ...lying };
    await writing;
    closeSession();
    // The shelf has the first step only where the second write never came.
    Object.assign(lying, left);
    await takeLeft();
    await openSession('job-1');
    expect(x(await loadJob('job-1'))).toBe(10);
  });
});

describe('what was left behind', () => {
  it('does not overwrite what somebody else wrote since', async () => {
    await doneAndGone(() => act('Mine', by(5)));
    const opened = (await openJob('job-1'))!;
    const theirs = { ...opened.history, job: renameJob(opened.history.job, 'Theirs') };
    await writeJob(planWrite(theirs, undefined, opened.written), opened.written.revision);
    const again = (await openJob('job-1'))!;
    await writeJob(planWrite(again.history, undefined, again.written), again.written.revision);
    await takeLeft();
    expect(x(await loadJob('job-1'))).toBe(0);
    expect(lying).toEqual({});
  });
  it('revives no job that was deleted', async () => {
    await doneAndGone(() => act('Mine', by(5)));
    await binJob('job-1', 'Bramble Bakery');
    await takeLeft();
    expect(await loadJob('job-1')).toBeUndefined();
  });
  it('is nothing where there is no room, or where it is half a note', async () => {
    room = 10;
    await doneAndGone(() => act('Mine', by(5)));
    expect(lying).toEqual({});
    lying['left-behind job-1'] = '{"put":[';
    await openSession('job-1');
    expect(lying).toEqual({});
  });
});
