import { describe, expect, it, vi } from 'vitest';
import { hire } from '../../workers/hire';
import { asWorker, type FakeWorker, fakeWorker } from '../fake-worker';

/** What the worker of these tests does. */
const work = {
  ready: async (): Promise<void> => undefined,
  twice: async (n: number): Promise<number> => 2 * n,
  fail: async (): Promise<void> => {
    throw new Error('That picture is none.');
  },
  trap: async (): Promise<void> => {
    throw Object.assign(new Error('unreachable'), { name: 'RuntimeError' });
  },
  never: (): Promise<void> => new Promise(() => undefined),
};
type Work = typeof work;

const worker = (api: Partial<Work> = work): FakeWorker => fakeWorker(api);

describe('a hired worker', () => {
  it('is started when it is first asked, once, and answers', async () => {
    const make = vi.fn(() => asWorker(worker()));
    const { room, dismiss } = hire<Work>(make);
    expect(make).not.toHaveBeenCalled();
    expect(await Promise.all([room.twice(2), room.twice(4)])).toEqual([4, 8]);
    expect(make).toHaveBeenCalledTimes(1);
    dismiss();
  });
  it('is prepared before its first work', async () => {
    const begin = vi.fn(async () => undefined);
    const { room, dismiss } = hire<Work>(() => asWorker(worker()), { begin });
    await room.twice(1);
    expect(begin).toHaveBeenCalledTimes(1);
    dismiss();
  });
  it('hands its errors on in its own words, and goes on', async () => {
    const make = vi.fn(() => asWorker(worker()));
    const { room, dismiss } = hire<Work>(make);
    await expect(room.fail()).rejects.toThrow('That picture is none.');
    expect(await room.twice(3)).toBe(6);
    expect(make).toHaveBeenCalledTimes(1);
    dismiss();
  });
  it('that dies is told of by whoever waits for it, and is another one the next time', async () => {
    const all: FakeWorker[] = [];
    const { room, dismiss } = hire<Work>(() => asWorker(all[all.push(worker()) - 1]!));
    const waiting = room.never();
    await vi.waitFor(() => expect(all).toHaveLength(1));
    await room.twice(1);
    all[0]!.die();
    await expect(waiting).rejects.toThrow(/A part of the app stopped \(out of memory\)\. Try again/);
    expect(all[0]!.terminate).toHaveBeenCalled();
    expect(await room.twice(5)).toBe(10);
    expect(all).toHaveLength(2);
    dismiss();
  });
  it('that takes longer than a work may is stopped, and says so in the words of that work', async () => {
    const all: FakeWorker[] = [];
    const limits = { never: { within: 50, words: 'This drawing takes too long.' } };
    const { room, dismiss } = hire<Work>(() => asWorker(all[all.push(worker()) - 1]!), { limits });
    await expect(room.never()).rejects.toThrow('This drawing takes too long.');
    expect(all[0]!.terminate).toHaveBeenCalled();
    expect(await room.twice(5)).toBe(10);
    expect(all).toHaveLength(2);
    dismiss();
  });
  it('whose wasm has trapped is not asked again', async () => {
    const all: FakeWorker[] = [];
    const { room, dismiss } = hire<Work>(() => asWorker(all[all.push(worker()) - 1]!));
    await expect(room.trap()).rejects.toThrow();
    expect(await room.twice(5)).toBe(10);
    expect(all).toHaveLength(2);
    dismiss();
  });
  it('that does not load is told of in words, and is tried again the next time', async () => {
    let isThere = false;
    const broken = {
      ...work,
      ready: async (): Promise<void> => {
        if (!isThere) throw new Error('Failed to fetch');
      },
    };
    const { room, dismiss } = hire<Work>(() => asWorker(worker(broken)));
    await expect(room.twice(1)).rejects.toThrow(/did not load \(Failed to fetch\)/);
    isThere = true;
    expect(await room.twice(1)).toBe(2);
    dismiss();
  });
});
