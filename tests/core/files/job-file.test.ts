import { unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { hashOf } from '../../../core/files/hash';
import { readJobFile, writeJobFile } from '../../../core/files/job-file';
import { assetsInUse } from '../../../core/files/job-parts';
import { JobFileError } from '../../../core/files/read-job';
import { addElement, removeElement } from '../../../core/job/edits/elements';
import { makePicture, makeWords } from '../../../core/job/make';
import { JOB_VERSION } from '../../../core/job/schema';
import { PictureError } from '../../../core/picture/limits';
import { cardWith, makePng, openDemo, withPicture } from '../../kit';

const picture = makePng(16, 16, (x) => [x * 9, 20, 30]);
const bundle = () => {
  const { job, hash, assets } = withPicture(
    cardWith([makeWords({ id: 'w', text: 'Grüße, “quoted” & <b>', x: 1, y: 2 })]),
    picture,
  );
  return {
    job: addElement(job, 'card-1', makePicture({ id: 'p', x: 0, y: 0, width: 9, height: 9, asset: hash })),
    assets,
  };
};
const zipOf = (json: unknown, extra: Record<string, Uint8Array> = {}): Uint8Array =>
  zipSync({ 'job.json': new TextEncoder().encode(typeof json === 'string' ? json : JSON.stringify(json)), ...extra });

describe('a job file', () => {
  it('opens to the job it was written from', () => {
    const { job, assets } = bundle();
    const back = readJobFile(writeJobFile({ job, assets }));
    expect(back.job).toEqual(job);
    expect(back.assets).toEqual(assets);
  });
  it('is the same bytes when saved twice, also after opening, whatever order its keys were in', () => {
    const { job, assets } = bundle();
    const first = writeJobFile({ job, assets });
    const shuffled = Object.fromEntries(Object.entries(job).reverse()) as typeof job;
    expect(Buffer.from(writeJobFile({ job: shuffled, assets })).equals(first)).toBe(true);
    expect(Buffer.from(writeJobFile(readJobFile(first))).equals(first)).toBe(true);
    const demo = openDemo();
    expect(hashOf(writeJobFile(demo))).toBe(hashOf(writeJobFile(openDemo())));
  });
  it('is a zip of job.json and pictures named by their hash', () => {
    const { job, assets } = bundle();
    expect(Object.keys(unzipSync(writeJobFile({ job, assets })))).toEqual([
      'job.json',
      `assets/${hashOf(picture)}.png`,
    ]);
  });
  it('leaves out pictures that nothing shows', () => {
    const { job, assets } = bundle();
    const without = removeElement(job, 'p');
    expect(assetsInUse(without).size).toBe(0);
    expect(readJobFile(writeJobFile({ job: without, assets })).assets).toEqual({});
  });
  it('says so when a picture’s bytes are missing', () => {
    expect(() => writeJobFile({ job: bundle().job, assets: {} })).toThrow(/missing/);
  });
});

describe('a file that is no good', () => {
  const good = bundle();
  const bytes = writeJobFile(good);
  const asset = `assets/${hashOf(picture)}.png`;
  const json = JSON.parse(JSON.stringify(good.job)) as Record<string, unknown>;
  /** A zip whose directory says that one entry is huge; the entry itself is small. */
  const bomb = (): Uint8Array => {
    const zip = zipOf(json, { [asset]: picture });
    const view = new DataView(zip.buffer);
    for (let i = 0; i + 4 < zip.length; i++)
      if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, 0xfffffff0, true);
    return zip;
  };
  it.each([
    ['empty', () => new Uint8Array(), /empty/],
    ['not a zip', () => new TextEncoder().encode('hello there, this is a letter'), /not a Tidy Edge job/],
    ['a zip of something else', () => zipSync({ 'word/document.xml': new Uint8Array(9) }), /no job\.json/],
    ['cut short', () => bytes.slice(0, bytes.length / 2), /damaged or cut short/],
    ['not JSON', () => zipOf('{"format": "tidyedge",'), /job\.json cannot be read/],
    ['of another format', () => zipOf({ format: 'other', version: 1 }), /not a Tidy Edge job/],
    ['null', () => zipOf('null'), /not a Tidy Edge job/],
    ['newer', () => zipOf({ ...json, version: JOB_VERSION + 1 }), /newer Tidy Edge.*version \d+/],
    ['with an extra field', () => zipOf({ ...json, colour: 'red' }, { [asset]: picture }), /broken.*colour/],
    ['without its inks', () => zipOf({ ...json, inks: undefined }, { [asset]: picture }), /broken.*inks/],
    ['without its picture', () => zipOf(json), /picture Picture is missing/],
    [
      'with another picture under that hash',
      () => zipOf(json, { [asset]: makePng(16, 16, () => [0, 0, 0]) }),
      /damaged/,
    ],
    ['a bomb of declared sizes', bomb, /far more than a job can hold/],
    ['a bomb of zeros', () => zipOf(`{"x":"${'0'.repeat(60_000_000)}"}`), /far more than a job can hold/],
    [
      'a bomb of entries',
      () => zipSync(Object.fromEntries(Array.from({ length: 2500 }, (_, i) => [`assets/${i}`, new Uint8Array(1)]))),
      /far more/,
    ],
  ])('%s is refused in words', (_what, make, words) => {
    const given = make();
    expect(() => readJobFile(given)).toThrow(JobFileError);
    expect(() => readJobFile(given)).toThrow(words);
  });
  it('does not unpack more than the directory promised', () => {
    const zip = zipOf(json, { [asset]: picture });
    const view = new DataView(zip.buffer);
    for (let i = 0; i + 4 < zip.length; i++)
      if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, 10, true);
    expect(() => readJobFile(zip)).toThrow(JobFileError);
  });
  it.each([
    ['pixels', { width: 1600 }],
    ['lines', { height: 4 }],
    ['kind', { type: 'image/jpeg' }],
  ])('refuses a picture that has other %s than the job says', (_, claims) => {
    const hash = hashOf(picture);
    const assets = { [hash]: { ...good.job.assets[hash], ...claims } };
    const path = 'type' in claims ? `assets/${hash}.jpg` : asset;
    expect(() => readJobFile(zipOf({ ...json, assets }, { [path]: picture }))).toThrow(/has 16 × 16 pixels/);
  });
  it('refuses a picture in it that is over the limits', () => {
    const tiny = makePng(2, 2, () => [0, 0, 0]);
    const hash = hashOf(tiny);
    const job = { ...json, assets: { [hash]: { name: 'Tiny', type: 'image/png', width: 2, height: 2 } } };
    const pieces = JSON.parse(JSON.stringify(job['pieces' as never]).replaceAll(hashOf(picture), hash));
    expect(() => readJobFile(zipOf({ ...job, pieces }, { [`assets/${hash}.png`]: tiny }))).toThrow(PictureError);
  });
});
