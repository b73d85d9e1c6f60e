import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { moveElement, setFrame } from '../../core/job/edits/elements';
import { renameJob } from '../../core/job/edits/job';
import { findElement } from '../../core/job/find';
import { startHistory } from '../../core/job/history';
import type { Job } from '../../core/job/schema';
import { closeSession } from '../../src/store/saving';
import {
  act,
  begin,
  EMPTY_SESSION,
  jobIn,
  redoStep,
  select,
  settle,
  shownJob,
  showPreview,
  takeUp,
  toggleSelected,
  undoStep,
  useSession,
} from '../../src/store/session';
import { smallJob } from './fixtures';

const PANEL = 'job-1-panel';
const now = (): Job => jobIn(useSession.getState())!;
const x = (job: Job | undefined): number | undefined => job && findElement(job, PANEL)?.element.x;
const names = (): string[] => useSession.getState().history!.past.map(({ name }) => name);
const by = (dx: number) => (job: Job) => moveElement(job, PANEL, { x: dx, y: 0 });

// Nothing is written: no job of that id is on any shelf.
beforeEach(() => useSession.setState({ ...EMPTY_SESSION, history: startHistory(smallJob()) }));
afterEach(closeSession);

describe('an edit', () => {
  it('is one step, undone and done again', () => {
    act('Move', by(5));
    expect([x(now()), names()]).toEqual([5, ['Move']]);
    undoStep();
    expect(x(now())).toBe(0);
    redoStep();
    expect(x(now())).toBe(5);
  });
  it('that changes nothing is no step', () => {
    act('Nothing', (job) => job);
    expect(names()).toEqual([]);
  });
  it('that would break the job is refused in words, and changes nothing', () => {
    act('Resize', (job) => setFrame(job, PANEL, { x: 0, y: 0, width: -5, height: 5 }));
    expect(names()).toEqual([]);
    expect(useSession.getState().refused).toMatch(/^Not done: .*width.*at least 0/i);
    act('Move', by(1));
    expect(useSession.getState().refused).toBeUndefined();
  });
});

describe('a gesture', () => {
  it('starts each time from the job before it, and is one step when it is settled', () => {
    const drag = begin('Drag');
    for (const dx of [1, 2, 3]) drag.sketch(by(dx));
    expect([x(now()), names()]).toEqual([3, []]);
    drag.settle();
    expect([x(now()), names()]).toEqual([3, ['Drag']]);
  });
  it('that is dropped has never been', () => {
    const drag = begin('Drag');
    drag.sketch(by(3));
    drag.drop();
    expect([x(now()), names(), useSession.getState().live]).toEqual([0, [], undefined]);
  });
  it('is ended by another of the same name, and cannot come back', () => {
    const first = begin('Write a letter', 'typing');
    first.sketch(by(3));
    const second = begin('Write a letter', 'typing');
    second.sketch(by(4));
    expect(first.sketch(by(100))).toBe(false);
    first.drop();
    second.settle();
    expect([x(now()), names()]).toEqual([7, ['Write a letter', 'Write a letter']]);
  });
  it('is settled by an edit, an undo and a redo before they do what they do', () => {
    const typing = begin('Edit text', 'typing');
    typing.sketch(by(3));
    act('Fix', by(10));
    expect([x(now()), names()]).toEqual([13, ['Edit text', 'Fix']]);
    const more = begin('Edit text', 'typing');
    more.sketch(by(1));
    undoStep();
    expect(x(now())).toBe(13);
    expect(more.isOpen()).toBe(false);
  });
  it('that passes a limit stays where it last could be', () => {
    const pull = begin('Resize');
    pull.sketch((job) => setFrame(job, PANEL, { x: 2, y: 0, width: 5, height: 5 }));
    expect(pull.sketch((job) => setFrame(job, PANEL, { x: 3, y: 0, width: -5, height: 5 }))).toBe(false);
    pull.settle();
    expect(x(now())).toBe(2);
  });
  it('that comes to nothing is no step', () => {
    const drag = begin('Drag');
    drag.sketch((job) => job);
    settle();
    expect(names()).toEqual([]);
  });
});

describe('a preview', () => {
  it('is shown, and is neither the job nor a step', () => {
    const drop = showPreview(by(50));
    expect([x(shownJob(useSession.getState())), x(now())]).toEqual([50, 0]);
    settle();
    expect(names()).toEqual([]);
    drop();
    expect(x(shownJob(useSession.getState()))).toBe(0);
  });
  it('is over when anything is done, and an older one does not end a newer', () => {
    const drop = showPreview(by(50));
    act('Move', by(1));
    expect(x(shownJob(useSession.getState()))).toBe(1);
    showPreview(by(20));
    drop();
    expect(x(shownJob(useSession.getState()))).toBe(21);
  });
  it('lies over a gesture that goes on, and leaves it as it is', () => {
    const typing = begin('Edit text', 'typing');
    typing.sketch(by(3));
    const drop = showPreview(by(50));
    expect(x(shownJob(useSession.getState()))).toBe(53);
    drop();
    typing.settle();
    expect([x(now()), names()]).toEqual([3, ['Edit text']]);
  });
});

describe('another’s work', () => {
  it('is taken up, with what is not written yet done again on top', () => {
    act('Move', by(5));
    const theirs = renameJob(smallJob(), 'Renamed elsewhere');
    takeUp({ ...startHistory(theirs), at: 3 });
    expect([now().name, x(now())]).toEqual(['Renamed elsewhere', 5]);
  });
  it('does not end a gesture that goes on', () => {
    const drag = begin('Drag');
    drag.sketch(by(3));
    takeUp(startHistory(renameJob(smallJob(), 'Renamed elsewhere')));
    expect([now().name, x(now())]).toEqual(['Renamed elsewhere', 3]);
    drag.sketch(by(4));
    drag.settle();
    expect([now().name, x(now())]).toEqual(['Renamed elsewhere', 4]);
  });
  it('is not done twice where it is what was done here', () => {
    act('Move', by(5));
    takeUp(useSession.getState().history!);
    expect(x(now())).toBe(5);
  });
});

describe('the selection', () => {
  it('is added to and taken from', () => {
    select('a');
    toggleSelected('b', 'c');
    expect(useSession.getState().selected).toEqual(['a', 'b', 'c']);
    toggleSelected('a', 'c');
    expect(useSession.getState().selected).toEqual(['b']);
  });
});
