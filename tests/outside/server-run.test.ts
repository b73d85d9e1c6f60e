import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, describe, expect, it, vi } from 'vitest';
import { askedSchema, BOUNDS, dropRun, type RunSeen, runFile, seenRun, takeRun } from '../../src/server/runs';
import { fileHere } from '../kit';
import { tidy } from './tidy';
import { folder, tidyUp } from './tools';

afterAll(tidyUp);

const demo = readFileSync(fileHere('../demo/spring-runs.tidyedge'));
const streamOf = (bytes: Uint8Array): ReadableStream<Uint8Array> => new Blob([bytes as BlobPart]).stream();
const asked = { piece: 'voucher', as: 'pdfvt1' as const, rows: '0..19' };
const folders = (): string[] => readdirSync(tmpdir()).filter((name) => /^tidy-run-\w{6}$/.test(name));
const ended = (id: string): Promise<RunSeen> =>
  vi.waitUntil(() => (['ready', 'failed'].includes(seenRun(id)?.state ?? '') ? seenRun(id) : undefined), {
    timeout: 200_000,
    interval: 100,
  }) as Promise<RunSeen>;

describe('runs written by the server', () => {
  const bounds = { ...BOUNDS };
  afterEach(() => void Object.assign(BOUNDS, bounds));

  it('are, byte for byte, what the command line writes; nothing is left of one that was deleted', async () => {
    const before = folders().length;
    const id = await takeRun(asked, streamOf(demo));
    expect(await ended(id)).toMatchObject({ state: 'ready', said: expect.stringContaining('20 rows, 20 pages') });
    const file = new Uint8Array(await new Response(runFile(id)!.body).arrayBuffer());
    const own = join(folder, 'server-own.pdf');
    const { status } = tidy(
      'run',
      fileHere('../demo/spring-runs.tidyedge'),
      '--piece',
      'voucher',
      '--rows',
      asked.rows,
      '--as',
      'pdfvt1',
      '--out',
      own,
    );
    expect(status).toBe(0);
    expect(Buffer.from(file).equals(readFileSync(own))).toBe(true);
    expect(dropRun(id)).toBe(true);
    expect([dropRun(id), seenRun(id), runFile(id), folders().length]).toEqual([false, undefined, undefined, before]);
  });

  it('say why they cannot be written, and the next one is', async () => {
    const bad = await takeRun(asked, streamOf(new TextEncoder().encode('no job at all')));
    const none = await takeRun({ ...asked, piece: 'no-such-piece' }, streamOf(demo));
    const good = await takeRun({ ...asked, rows: '0..3' }, streamOf(demo));
    expect(await ended(good)).toMatchObject({ state: 'ready', said: expect.stringContaining('4 rows') });
    expect(seenRun(bad)).toMatchObject({ state: 'failed', said: expect.stringMatching(/job/i) });
    expect(seenRun(none)).toMatchObject({ state: 'failed', said: expect.stringContaining('Name a piece') });
    for (const id of [bad, none, good]) dropRun(id);
  });

  it('are stopped with all of their processes, and wait in line no longer than they may', async () => {
    const slow = await takeRun({ piece: 'mailing', as: asked.as }, streamOf(demo));
    await vi.waitUntil(() => seenRun(slow)?.state === 'writing', { timeout: 100_000 });
    const second = await takeRun(asked, streamOf(demo));
    expect(seenRun(second)).toMatchObject({ state: 'waiting', before: 1 });
    BOUNDS.waiting = 2;
    await expect(takeRun(asked, streamOf(demo))).rejects.toThrow(/Too many runs/);
    dropRun(second);
    dropRun(slow);
    const left = () =>
      execFileSync('ps', ['-eo', 'args'], { encoding: 'utf8' })
        .split('\n')
        .filter((line) => /tidy-run-\w{6}\/job/.test(line));
    await vi.waitUntil(() => left().length === 0, { timeout: 30_000, interval: 100 });
  });

  it('take no more than they may, and nothing that is asked for otherwise', async () => {
    BOUNDS.upload = 1000;
    await expect(takeRun(asked, streamOf(demo))).rejects.toThrow(/too large/);
    for (const wrong of [
      {},
      { piece: '../x', as: 'pdfx4' },
      { piece: 'card', as: 'exe' },
      { piece: 'card', as: 'pdfx4', rows: '0; rm' },
      { ...asked, out: '/etc' },
    ])
      expect(askedSchema.safeParse(wrong).success).toBe(false);
  });
});
