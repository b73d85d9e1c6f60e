import '../store/fixtures';
import { describe, expect, it } from 'vitest';
import { moveElement } from '../../core/job/edits/elements';
import { type History, redo, startHistory, step, undo } from '../../core/job/history';
import { JOB_VERSION } from '../../core/job/schema';
import { openKept } from '../../src/store/open-kept';
import { planWrite, type Written } from '../../src/store/plan-write';
import type { JobRow, StepRow } from '../../src/store/shelf';
import { smallJob } from '../store/fixtures';

const NOTHING: Written = { revision: 0, whole: 0, steps: new Map() };
const PANEL = 'job-1-panel';
let n = 0;
const moved = (history: History, dx = 1): History =>
  step(history, 'Move', moveElement(history.job, PANEL, { x: dx, y: 0 }), `s${n++}`);
const times = (count: number, history: History, by: (h: History) => History): History =>
  Array.from({ length: count }).reduce<History>((h) => by(h), history);

describe('a write', () => {
  it('the first time is the whole job', () => {
    const plan = planWrite(startHistory(smallJob()), undefined, NOTHING);
    expect(plan.row?.job.id).toBe('job-1');
    expect([plan.put, plan.head.revision]).toEqual([[], 1]);
  });
  it('of one more step is that step, and nothing whole', () => {
    const start = startHistory(smallJob());
    const { written } = planWrite(start, undefined, NOTHING);
    const plan = planWrite(moved(start), undefined, written);
    expect([plan.put.length, plan.remove, plan.row]).toEqual([1, [], undefined]);
    expect(plan.head).toMatchObject({ at: 1, top: 1, revision: 2 });
  });
  it('of an undo moves the head alone; of another step instead, it takes the others’ place', () => {
    const done = times(3, startHistory(smallJob()), moved);
    const { written } = planWrite(done, undefined, { ...NOTHING, revision: 1 });
    const undone = planWrite(undo(done), undefined, written);
    expect([undone.put, undone.remove, undone.head.at, undone.head.top]).toEqual([[], [], 2, 3]);
    const other = planWrite(moved(undo(undo(done)), 9), undefined, undone.written);
    expect(other.put.map(({ number }) => number)).toEqual([2]);
    expect([other.remove, other.head.top]).toEqual([[3], 2]);
  });
  it('is whole every twenty steps, and when the whole one would be out of reach', () => {
    const start = startHistory(smallJob());
    const first = planWrite(start, undefined, NOTHING).written;
    expect(planWrite(times(19, start, moved), undefined, first).row).toBeUndefined();
    const far = times(20, start, moved);
    const whole = planWrite(far, undefined, first);
    expect(whole.row?.at).toBe(20);
    // The steps that led to the whole state are replaced: it could not be gone back from.
    expect(planWrite(moved(times(5, far, undo), 9), undefined, whole.written).row?.at).toBe(16);
  });
  it('holds the gesture that goes on, from the state before it', () => {
    const start = startHistory(smallJob());
    const job = moveElement(start.job, PANEL, { x: 7, y: 0 });
    const { head } = planWrite(start, { name: 'Drag', job }, { ...NOTHING, revision: 3 });
    expect(head.live?.name).toBe('Drag');
    expect(JSON.stringify(head.live?.patch).length).toBeLessThan(200);
    expect(planWrite(start, { name: 'Drag', job: start.job }, NOTHING).head.live).toBeUndefined();
  });
});

describe('what was written', () => {
  /** A shelf that only knows what it was told to write. */
  function shelf() {
    let row: JobRow | undefined;
    let head: Parameters<typeof openKept>[1];
    const steps = new Map<number, StepRow>();
    let written = NOTHING;
    return {
      write(history: History): void {
        const plan = planWrite(history, undefined, written);
        for (const number of plan.remove) steps.delete(number);
        for (const each of plan.put) steps.set(each.number, JSON.parse(JSON.stringify(each)));
        row = plan.row ?? row;
        head = plan.head;
        written = plan.written;
      },
      open: () => openKept(row!, head, [...steps.values()]),
    };
  }
  it('is put together again from wherever the whole state lies', () => {
    const kept = shelf();
    let history = startHistory(smallJob());
    kept.write(history);
    for (let i = 0; i < 47; i++) {
      history = i % 7 === 5 ? undo(undo(history)) : i % 7 === 6 ? redo(history) : moved(history);
      kept.write(history);
      const opened = kept.open();
      expect(opened.history.job).toEqual(history.job);
      expect(opened.history.past.map(({ id }) => id)).toEqual(history.past.map(({ id }) => id));
      expect(opened.history.future.map(({ id }) => id)).toEqual(history.future.map(({ id }) => id));
      expect(opened.history.at).toBe(history.at);
    }
  });
  it('is opened without its steps where those are an older version’s', () => {
    const { shops: _s, accepted: _a, ...older } = smallJob();
    const row = { id: 'job-1', changed: older.changed, at: 4, job: { ...older, version: 4 } } as unknown as JobRow;
    const opened = openKept(row, { id: 'job-1', revision: 9, changed: older.changed, at: 7, top: 7 }, []);
    expect([opened.history.past, opened.written.revision, opened.history.job.version]).toEqual([[], 9, JOB_VERSION]);
  });
  it('with a step missing is told of, not opened as something else', () => {
    const job = smallJob();
    const row: JobRow = { id: 'job-1', changed: job.changed, at: 0, job };
    expect(() => openKept(row, { id: 'job-1', revision: 9, changed: job.changed, at: 3, top: 3 }, [])).toThrow(
      /missing/,
    );
  });
});
