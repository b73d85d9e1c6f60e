import './fixtures';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readJob } from '../../core/files/read-job';
import { moveElement } from '../../core/job/edits/elements';
import { renameJob } from '../../core/job/edits/job';
import { findElement } from '../../core/job/find';
import type { Job } from '../../core/job/schema';
import { binJob, keepBundle, loadJob, openJob } from '../../src/store/kept-jobs';
import { closeSession, flush, keepAfterAll, openSession, useSaving } from '../../src/store/saving';
import { act, begin, jobIn, redoStep, undoStep, useSession } from '../../src/store/session';
import { db } from '../../src/store/shelf';
import { emptyShelf, smallJob } from './fixtures';

const PANEL = 'job-1-panel';
const now = (): Job => jobIn(useSession.getState())!;
const x = (job: Job | undefined): number | undefined => job && findElement(job, PANEL)?.element.x;
const by = (dx: number) => (job: Job) => moveElement(job, PANEL, { x: dx, y: 0 });
const until = (state: string) => vi.waitFor(() => expect(useSaving.getState().state).toBe(state), { timeout: 8000 });
/** The page is left and opened again. */
async function reopen(): Promise<void> {
  await flush();
  closeSession();
  await openSession('job-1');
}

beforeEach(async () => {
  await emptyShelf();
  await keepBundle({ job: smallJob(), assets: {} });
  await openSession('job-1');
});
afterEach(() => {
  vi.restoreAllMocks();
  closeSession();
});

describe('what is done', () => {
  it('is on the shelf a moment later, and the job that is there can be opened', async () => {
    act('Move', by(5));
    expect(useSaving.getState().state).toBe('saving');
    await until('saved');
    expect(x(await loadJob('job-1'))).toBe(5);
  });
  it('is there after any steps, undone and done again, with its history', async () => {
    const doing = fc.constantFrom('act', 'act', 'act', 'undo', 'redo', 'drag', 'reopen');
    await fc.assert(
      fc.asyncProperty(fc.array(doing, { maxLength: 25 }), async (all) => {
        closeSession();
        await keepBundle({ job: smallJob(), assets: {} });
        await openSession('job-1');
        let n = 1;
        for (const what of all) {
          if (what === 'act') act(`Step ${n}`, by(n++));
          if (what === 'undo') undoStep();
          if (what === 'redo') redoStep();
          if (what === 'drag') {
            const drag = begin('Drag');
            drag.sketch(by(n++));
            drag.settle();
          }
          if (what === 'reopen') await reopen();
        }
        const before = useSession.getState().history!;
        await reopen();
        const after = useSession.getState().history!;
        const told = ({ job, past, future }: typeof after) => [
          x(job),
          past.map((step) => [step.name, x(step.before)]),
          future.map((step) => [step.name, x(step.before)]),
        ];
        expect(told(after)).toEqual(told(before));
        expect(() => readJob(JSON.parse(JSON.stringify(after.job)))).not.toThrow();
      }),
      { numRuns: 40 },
    );
  });
  it('keeps 300 steps, through as many more', async () => {
    for (let i = 0; i < 330; i++) act('Move', by(1));
    await reopen();
    expect([x(now()), useSession.getState().history!.past.length]).toEqual([330, 300]);
    for (let i = 0; i < 400; i++) undoStep();
    expect(x(now())).toBe(30);
    await reopen();
    expect([x(now()), useSession.getState().history!.future.length]).toEqual([30, 300]);
    expect(await db.steps.count()).toBe(300);
  });
  it('in the middle of a gesture is there when the tab is gone, as a step', async () => {
    const drag = begin('Drag');
    drag.sketch(by(3));
    await vi.waitFor(async () => expect((await db.heads.get('job-1'))?.live?.name).toBe('Drag'));
    // The tab is killed here: nothing is settled.
    closeSession();
    await openSession('job-1');
    expect([x(now()), useSession.getState().history!.past.at(-1)?.name]).toEqual([3, 'Drag']);
  });
  it('let go of while it is being written, is written at once', async () => {
    const drag = begin('Drag');
    const { transaction } = db;
    vi.spyOn(db, 'transaction').mockImplementationOnce(((...asked: Parameters<typeof transaction>) => {
      const going = transaction.apply(db, asked);
      drag.sketch(by(4));
      drag.settle();
      return going;
    }) as typeof transaction);
    drag.sketch(by(3));
    // The gesture is written a moment after it began; from then on no moment is waited for.
    await vi.waitFor(() => expect(useSession.getState().history?.past).toHaveLength(1), { interval: 1 });
    const waits = vi.spyOn(globalThis, 'setTimeout');
    await until('saved');
    expect(waits.mock.calls.filter(([, wait]) => wait! > 0 && wait! <= 80)).toEqual([]);
    closeSession();
    expect(x(await loadJob('job-1'))).toBe(4);
  });
  it('that goes on is written while no timer has its turn', async () => {
    const drag = begin('Drag');
    const { setTimeout: later } = globalThis;
    // Moves of a pointer keep the page's own timers waiting.
    vi.spyOn(globalThis, 'setTimeout').mockImplementation(((...asked: Parameters<typeof later>) =>
      asked[1] && asked[1] <= 80 ? (0 as never) : later(...asked)) as typeof later);
    for (let i = 1; i <= 6; i++) {
      // So long after the last write, of whatever went before too, it is time.
      await new Promise((resolve) => later(resolve, 90));
      drag.sketch(by(i));
      await vi.waitFor(async () => expect(x(await loadJob('job-1'))).toBe(i));
    }
    drag.drop();
  });
  it('costs a small write, whatever the job holds', async () => {
    act('Move', by(5));
    await flush();
    const step = (await db.steps.toArray())[0]!;
    expect(JSON.stringify(step).length).toBeLessThan(700);
  });
});

describe('a write that fails', () => {
  it('three times is seen, tried again, and holds the newest state', async () => {
    const full = Object.assign(new Error('full'), { name: 'QuotaExceededError' });
    const put = vi
      .spyOn(db.heads, 'put')
      .mockRejectedValueOnce(full)
      .mockRejectedValueOnce(full)
      .mockRejectedValueOnce(full);
    act('Move', by(5));
    await until('failed');
    expect(useSaving.getState().why).toMatch(/storage is full.*Delete jobs/);
    act('Move', by(1));
    await until('saved');
    expect(put.mock.calls.length).toBeGreaterThanOrEqual(4);
    expect(x(await loadJob('job-1'))).toBe(6);
  }, 20_000);
  it('keeps another job from being opened over it', async () => {
    await keepBundle({ job: smallJob('job-2'), assets: {} });
    vi.spyOn(db.heads, 'put').mockRejectedValue(new Error('The disk is gone.'));
    act('Move', by(5));
    await until('failed');
    await expect(openSession('job-2')).rejects.toThrow(/Bramble Bakery is not saved yet: The disk is gone/);
    expect(x(now())).toBe(5);
  });
});

describe('somebody else', () => {
  /** Another tab does something, from what it last saw. */
  async function elsewhere(edit: (job: Job) => Job): Promise<void> {
    const opened = (await openJob('job-1'))!;
    const job = edit(opened.history.job);
    await db.jobs.put({ id: 'job-1', changed: job.changed, at: 100, job });
    await db.steps.where('job').equals('job-1').delete();
    await db.heads.put({ id: 'job-1', revision: opened.written.revision + 1, changed: job.changed, at: 100, top: 100 });
  }
  it('is never overwritten: what is done here goes on top of what was done there', async () => {
    await elsewhere((job) => renameJob(job, 'Renamed'));
    act('Move', by(5));
    await flush();
    const kept = (await loadJob('job-1'))!;
    expect([kept.name, x(kept), now().name]).toEqual(['Renamed', 5, 'Renamed']);
  });
  it('is taken up when the job is opened again, before anything is done', async () => {
    await elsewhere((job) => renameJob(job, 'Renamed'));
    await openSession('job-1');
    expect(now().name).toBe('Renamed');
  });
  it('that deletes the job is told of; nothing brings it back by itself, and it can be kept', async () => {
    await binJob('job-1', 'Bramble Bakery');
    act('Move', by(5));
    await vi.waitFor(() => expect(useSaving.getState().gone).toBe(true));
    expect(await db.jobs.count()).toBe(0);
    await keepAfterAll();
    expect(x(await loadJob('job-1'))).toBe(5);
    expect(await db.bin.count()).toBe(0);
    act('Move', by(1));
    await flush();
    expect(x(await loadJob('job-1'))).toBe(6);
  });
});
