import './fixtures';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { writeJobFile } from '../../core/files/job-file';
import { removePiece } from '../../core/job/edits/pieces';
import type { Job } from '../../core/job/schema';
import { JOB_VERSION } from '../../core/job/schema';
import { bytesOf, clearUnused, keepAsset } from '../../src/store/assets';
import {
  BIN_DAYS,
  binLetter,
  binned,
  binPiece,
  binTemplate,
  clearOldBin,
  emptyBin,
  restore,
} from '../../src/store/bin';
import { binJob, keepBundle, listJobs, loadJob } from '../../src/store/kept-jobs';
import { rawFile, repairJob } from '../../src/store/repair';
import { closeSession, flush, openSession } from '../../src/store/saving';
import { act, jobIn, undoStep, useSession } from '../../src/store/session';
import { db } from '../../src/store/shelf';
import { keepVersion, versionHourly, versionsOf } from '../../src/store/versions';
import { openDemo } from '../kit';
import { emptyShelf, smallJob } from './fixtures';

const demo = openDemo();
const DAY = 24 * 3600 * 1000;
beforeEach(emptyShelf);
afterEach(closeSession);

const now = (): Job => jobIn(useSession.getState())!;
/** A row as a broken or an older app left it. */
const putRow = (id: string, job: unknown): Promise<unknown> =>
  db.jobs.put({ id, changed: '2026-01-01T00:00:00.000Z', at: 0, job: job as Job });

describe('the list of jobs', () => {
  it.each<[string, unknown, RegExp]>([
    ['no pieces', { ...smallJob('bad'), pieces: undefined }, /broken/],
    ['an ink that is missing', { ...smallJob('bad'), inks: [] }, /ink/],
    ['a version that is newer', { ...smallJob('bad'), version: 99 }, /newer/],
    ['nothing at all', {}, /not a Tidy Edge job/],
  ])('names one with %s, and shows the others', async (_, broken, says) => {
    await keepBundle({ job: smallJob('good'), assets: {} });
    await putRow('bad', broken);
    const all = await listJobs();
    expect(all.map(({ id }) => id).sort()).toEqual(['bad', 'good']);
    expect(all.find(({ id }) => id === 'good')).toHaveProperty('job');
    expect((all.find(({ id }) => id === 'bad') as { problem: string }).problem).toMatch(says);
  });
  it('brings older jobs up', async () => {
    const { shops: _s, accepted: _a, ...older } = smallJob('old');
    await putRow('old', { ...older, version: 4 });
    expect(await listJobs()).toMatchObject([{ id: 'old', job: { version: JOB_VERSION } }]);
  });
});

describe('a job that does not open', () => {
  it('is opened without what is broken, which is named; what it was stays as a version', async () => {
    const job = structuredClone(smallJob('bad'));
    const [face] = job.pieces[0]!.faces;
    face!.elements.push({ ...face!.elements[0]!, id: 'too-small', name: 'Crushed panel', width: -4 } as never);
    await putRow('bad', job);
    await expect(openSession('bad')).rejects.toThrow(/broken/);
    const { aside } = await repairJob('bad');
    expect(aside).toHaveLength(1);
    expect(aside[0]).toMatch(/Crushed panel.*width/i);
    await openSession('bad');
    expect(now().pieces[0]!.faces[0]!.elements.map(({ id }) => id)).toEqual(['bad-panel']);
    expect((await versionsOf('bad'))[0]?.why).toBe('before a repair');
  });
  it('goes out as it is, with its pictures', async () => {
    await keepBundle(demo);
    await putRow(demo.job.id, { ...demo.job, inks: 'none' });
    const entries = await rawFile(demo.job.id);
    expect(Object.keys(entries).filter((name) => name.startsWith('assets/'))).toHaveLength(3);
    expect(entries['job.json']).toBeDefined();
  });
});

describe('the bin', () => {
  beforeEach(async () => {
    await keepBundle(demo);
    await openSession(demo.job.id);
  });
  const only = async () => {
    const all = await binned();
    expect(all).toHaveLength(1);
    return all[0]!;
  };
  it('gives a job back whole, with its history', async () => {
    act('Rename', (job) => ({ ...job, name: 'Renamed' }));
    await flush();
    closeSession();
    await binJob(demo.job.id, 'Renamed');
    expect(await listJobs()).toEqual([]);
    await restore(await only());
    await openSession(demo.job.id);
    expect(now().name).toBe('Renamed');
    undoStep();
    expect(now().name).toBe(demo.job.name);
  });
  it('gives a piece back at its place, with what it needs', async () => {
    await binPiece(now(), 'letterhead');
    act('Delete piece', (job) => removePiece(job, 'letterhead'));
    act('Delete all styles', (job) => ({ ...job, accepted: [] }));
    await restore(await only());
    expect(now().pieces).toEqual(demo.job.pieces);
  });
  it('gives a letter back to its letterhead', async () => {
    const letter = demo.job.pieces.find(({ id }) => id === 'letterhead')!.letters![0]!;
    await binLetter(now(), 'letterhead', letter);
    act('Delete letter', (job) => ({
      ...job,
      pieces: job.pieces.map((piece) => (piece.id === 'letterhead' ? { ...piece, letters: [] } : piece)),
    }));
    await restore(await only());
    expect(now().pieces.find(({ id }) => id === 'letterhead')!.letters).toEqual([letter]);
  });
  it('gives a template back', async () => {
    const file = writeJobFile(demo);
    await db.templates.put({ id: 't', name: 'Plain', kind: 'card', file });
    await binTemplate((await db.templates.get('t'))!);
    expect(await db.templates.count()).toBe(0);
    await restore(await only());
    // Compared as bytes: the matcher would look at millions of them one by one.
    expect(Buffer.compare((await db.templates.get('t'))!.file, file)).toBe(0);
  });
  it('says so where what it belongs to is gone, and keeps it', async () => {
    await binPiece(now(), 'letterhead');
    closeSession();
    await db.jobs.clear();
    await expect(restore(await only())).rejects.toThrow(/Restore that job first/);
    expect(await db.bin.count()).toBe(1);
  });
  it('is cleared after a month, with the steps and versions that waited', async () => {
    act('Rename', (job) => ({ ...job, name: 'Renamed' }));
    await keepVersion(now(), 'named', 'First');
    await flush();
    closeSession();
    await binJob(demo.job.id, 'Renamed');
    await clearOldBin(Date.now() + (BIN_DAYS - 1) * DAY);
    expect([await db.bin.count(), await db.steps.count()]).toEqual([1, 1]);
    await clearOldBin(Date.now() + (BIN_DAYS + 1) * DAY);
    expect([await db.bin.count(), await db.steps.count(), await db.versions.count()]).toEqual([0, 0, 0]);
    await emptyBin();
  });
});

describe('versions', () => {
  it('are kept hourly at most, the newest first', async () => {
    const job = smallJob('versioned');
    const start = Date.now();
    await versionHourly(job, start);
    await versionHourly(job, start + 60_000);
    expect(await versionsOf(job.id)).toHaveLength(1);
    await versionHourly(job, start + 2 * 3600 * 1000);
    await keepVersion(job, 'named', 'Client proof');
    const all = await versionsOf(job.id);
    expect(all).toHaveLength(3);
    expect(all.map(({ why }) => why)).toContain('named');
  });
});

describe('stored files', () => {
  const [hash] = Object.keys(demo.assets);
  const old = (): Promise<unknown> => db.assets.toCollection().modify({ put: 0 });
  it('stay while a job, a step, a version or the bin names them, and go when nothing does', async () => {
    await keepBundle(demo);
    await keepAsset('f'.repeat(64), new Uint8Array(3));
    await old();
    expect(await clearUnused()).toBe(1);
    expect(await bytesOf(hash!)).toBeDefined();
    await binJob(demo.job.id, demo.job.name);
    expect(await clearUnused()).toBe(0);
    await emptyBin();
    expect(await clearUnused()).toBe(3);
    expect(await bytesOf(hash!)).toBeUndefined();
  });
  it('that have just come stay: an edit that names them may be on its way', async () => {
    await keepAsset('f'.repeat(64), new Uint8Array(3));
    expect(await clearUnused()).toBe(0);
  });
  it('are cleared while others write: nobody waits for all of it', async () => {
    await keepBundle(demo);
    await keepAsset('f'.repeat(64), new Uint8Array(3));
    await old();
    await openSession(demo.job.id);
    const clearing = clearUnused();
    let isCleared = false;
    void clearing.then(() => {
      isCleared = true;
    });
    act('Rename', (job) => ({ ...job, name: 'Meanwhile' }));
    await flush();
    expect(isCleared).toBe(false);
    expect(await clearing).toBe(1);
    expect((await loadJob(demo.job.id))?.name).toBe('Meanwhile');
  });
  it('of an undone step stay, so that it can be done again', async () => {
    await keepBundle(demo);
    await openSession(demo.job.id);
    act('Delete all', (job) => ({ ...job, pieces: job.pieces.slice(0, 1) }));
    await flush();
    closeSession();
    await old();
    expect(await clearUnused()).toBe(0);
    expect((await loadJob(demo.job.id))?.pieces).toHaveLength(1);
  });
});
