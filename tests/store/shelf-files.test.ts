import './fixtures';
import { beforeEach, describe, expect, it } from 'vitest';
import { readJobFile, writeJobFile } from '../../core/files/job-file';
import { filesOf } from '../../core/files/job-parts';
import type { Progress } from '../../core/files/pdf/document';
import { bytesOf, keepAsset } from '../../src/store/assets';
import { db } from '../../src/store/shelf';
import { saveJob } from '../../workers/save-work';
import { keepOnShelf, shelfBytes } from '../../workers/shelf-files';
import { makePng, openDemo, withPicture } from '../kit';
import { emptyShelf, smallJob } from './fixtures';

beforeEach(emptyShelf);

describe('the shelf as workers see it', () => {
  it('has what pages put there, and they have what workers put there', async () => {
    await keepAsset('a', Uint8Array.of(1, 2, 3));
    expect(await shelfBytes('a')).toEqual(Uint8Array.of(1, 2, 3));
    await keepOnShelf('b', Uint8Array.of(4, 5));
    expect(await bytesOf('b')).toEqual(Uint8Array.of(4, 5));
    // Old enough to be cleared only if somebody knows when it came.
    expect((await db.assets.get('b'))?.put).toBeGreaterThan(Date.now() - 60_000);
    expect(await shelfBytes('c')).toBeUndefined();
  });
});

describe('a job saved to a file', () => {
  const told: Progress[] = [];
  const tell = (progress: Progress): void => void told.push(progress);
  beforeEach(() => void told.splice(0));

  it('is byte for byte what the core writes, and says how far it is', async () => {
    const { job, assets } = openDemo();
    for (const [hash, bytes] of Object.entries(assets)) await keepAsset(hash, bytes);
    const expected = writeJobFile({ job, assets });
    const file = await saveJob(job, tell);
    expect(Buffer.compare(Buffer.from(file), Buffer.from(expected))).toBe(0);
    expect(readJobFile(file).job.id).toBe(job.id);
    expect(told.length).toBe(filesOf(job).length + 1);
    expect(told.map(({ done }) => done)).toEqual([...told.map(({ done }) => done)].sort((a, b) => a - b));
    expect(told.every(({ done }) => done >= 0 && done <= 1)).toBe(true);
  });
  it('is not written without one of its pictures, which is named', async () => {
    const { job, hash } = withPicture(
      smallJob('job-1'),
      makePng(20, 20, () => [9, 9, 9]),
      'Fern',
    );
    const shown = {
      ...job,
      people: [{ ...openDemo().job.people[0]!, picture: hash }],
    };
    await expect(saveJob(shown, tell)).rejects.toThrow(/Fern is missing/);
  });
});
