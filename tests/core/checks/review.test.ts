import { describe, expect, it } from 'vitest';
import { findingKey } from '../../../core/checks/check';
import { fixAll } from '../../../core/checks/fix-all';
import { acceptance } from '../../../core/checks/let-stand';
import { layPiece, platesFound } from '../../../core/checks/on-plates';
import { type Review, review, type Seen } from '../../../core/checks/review';
import { readJob } from '../../../core/files/read-job';
import { accept } from '../../../core/job/edits/accepted';
import { addInk } from '../../../core/job/edits/inks';
import type { Job } from '../../../core/job/schema';
import { ownId } from '../../../core/type/own-font';
import { TYPEFACES } from '../../../core/type/typefaces';
import { checkKit, kit } from '../../kit';
import { EDGES } from './corpus/edges';
import { area, ink, jobOf, pictured, words } from './corpus/fault';
import { INKS } from './corpus/inks';
import { KINDS } from './corpus/kinds';
import { PICTURES } from './corpus/pictures';
import { WORDS } from './corpus/words';

const AT = '2026-11-26T10:00:00.000Z';
const SEEN: Seen = { ...checkKit, plates: [], misspelt: new Map() };
const looked = (job: Job, seen: Partial<Seen> = {}): Review => review(job, job.pieces[0]!, { ...SEEN, ...seen });
const typo = (text: string, ...wrong: string[]) => ({
  job: jobOf([words('w', text, 20, 20)]),
  seen: { misspelt: new Map(wrong.map((word) => [word, []])) },
});

describe('a review', () => {
  it('has what the job, the plates and the dictionary tell in one list, the gravest first', () => {
    const wet = {
      id: 'wet',
      name: 'Wet',
      kind: 'process',
      cmyk: [1, 1, 1, 1] as [number, number, number, number],
    } as const;
    const job = addInk(
      jobOf([area('pool', 30, 20, 30, 20, ink('wet')), area('short', 0, 0, 20, 20), words('w', 'Potery', 20, 45)]),
      wet,
    );
    const plates = layPiece(job, job.pieces[0]!, checkKit, { picture: () => undefined }).flatMap(platesFound);
    const { open } = looked(job, { plates, misspelt: new Map([['Potery', ['Pottery']]]) });
    expect(open.map(({ check }) => check)).toEqual(expect.arrayContaining(['total-ink', 'short-of-bleed', 'spelling']));
    const ranks = open.map(({ severity }) => ['stop', 'warn', 'advise'].indexOf(severity));
    expect(ranks).toEqual([...ranks].sort());
    expect(open.find(({ check }) => check === 'total-ink')!.fix).toBeDefined();
  });
  it('tells every finding of a piece from every other, whatever they say', () => {
    for (const { faulty, says } of [...EDGES, ...PICTURES, ...WORDS, ...INKS, ...KINDS]) {
      const keys = looked(faulty).open.map(findingKey);
      expect(new Set(keys).size, says).toBe(keys.length);
    }
    const twice = typo('Potery and cermics', 'Potery', 'cermics');
    const keys = looked(twice.job, twice.seen).open.map(findingKey);
    expect(new Set(keys).size).toBe(keys.length);
  });
  it('never takes what was not read for nothing found', () => {
    const missed = [{ what: 'plates' as const, says: 'The plates could not be read.' }];
    expect(looked(jobOf([words('w', 'Iris Calloway', 20, 20)]), { missed })).toMatchObject({
      open: [],
      unread: missed,
    });
  });
});

describe('what is missing', () => {
  const job = pictured(20);
  const hash = Object.keys(job.assets)[0]!;
  it('is a picture whose file, or whose entry, is gone', () => {
    expect(looked(job, { filesHere: new Set([hash]) }).unread).toEqual([]);
    expect(looked(job, { filesHere: new Set() }).unread).toMatchObject([{ what: 'picture' }]);
    expect(looked({ ...job, assets: {} }).unread).toMatchObject([{ what: 'picture' }]);
  });
  it('is a typeface that no list has, or whose file is gone', () => {
    const set = (typeface: string): Job => {
      const element = words('w', 'Iris Calloway', 20, 20);
      return jobOf([{ ...element, lettering: { ...element.lettering, typeface } }]);
    };
    expect(looked(set(TYPEFACES[0]!.id)).unread).toEqual([]);
    const own = ownId('ab'.repeat(32));
    expect(looked(set(own)).unread).toMatchObject([{ what: 'typeface', face: 'card-1' }]);
    const font = { family: 'Potter', style: 'Regular', instances: [] };
    const known = { ...set(own), fonts: { ['ab'.repeat(32)]: font } } as unknown as Job;
    expect(looked(known, { filesHere: new Set() }).unread[0]?.says).toContain('Potter');
    expect(looked(known, { filesHere: new Set(['ab'.repeat(32)]) }).unread).toEqual([]);
  });
  it('is the profile of the press', () => {
    const bare = jobOf([]);
    const { shop } = bare.pieces[0]!;
    expect(looked({ ...bare, pressOf: { [shop]: 'cd'.repeat(32) } }).unread).toMatchObject([{ what: 'profile' }]);
  });
  it('cannot be accepted', () => {
    const lost = { filesHere: new Set<string>() };
    const finding = looked(job, lost).open.find(({ check }) => check === 'missing-picture')!;
    const accepted = accept(job, acceptance(finding, job.pieces[0]!.id, 'Never mind.', AT));
    expect(looked(accepted, lost).open.some(({ check }) => check === 'missing-picture')).toBe(true);
  });
});

describe('what is accepted', () => {
  it('is known by rule, element and value, never by how it is worded', () => {
    const { job, seen } = typo('Potery', 'Potery');
    const [finding] = looked(job, seen).open;
    const accepted = accept(job, acceptance({ ...finding!, problem: 'said otherwise' }, 'card', 'A name.', AT));
    expect(looked(accepted, seen)).toMatchObject({ open: [], standing: [{ accepted: { reason: 'A name.' } }] });
  });
  it('is one word of several in the same text', () => {
    const { job, seen } = typo('Potery and cermics', 'Potery', 'cermics');
    const finding = looked(job, seen).open.find(({ of }) => of === 'Potery')!;
    const accepted = accept(job, acceptance(finding, 'card', 'A name.', AT));
    expect(looked(accepted, seen).open.map(({ of }) => of)).toEqual(['cermics']);
  });
  it('loses its wording when an older job is opened, and is known all the same', () => {
    const job = jobOf([area('a', 0, -3, 20, 61)]);
    const [finding] = looked(job).open;
    const old = JSON.parse(JSON.stringify(accept(job, acceptance(finding!, 'card', 'It may.', AT))));
    old.version = 7;
    old.accepted[0].problem = 'as it was worded then';
    expect(looked(readJob(old)).standing).toHaveLength(1);
  });
  it('is left alone when everything is fixed', () => {
    const job = jobOf([area('a', 0, -3, 20, 61), area('b', 50, -3, 20, 61)]);
    const found = looked(job).open.filter(({ check, fix }) => check === 'short-of-bleed' && fix);
    const kept = found.find(({ element }) => element === 'a') ?? found[0]!;
    const accepted = accept(job, acceptance(kept, 'card', 'It may.', AT));
    const find = (now: Job) => looked(now).open;
    const mended = fixAll(accepted, find(accepted), find).job;
    const frame = (of: Job) => of.pieces[0]!.faces[0]!.elements.find(({ id }) => id === kept.element);
    expect(frame(mended)).toEqual(frame(accepted));
  });
});

it('is as the press of another shop has it', () => {
  const job = jobOf([area('a', 10, 10, 20, 20, ink('copper'))]);
  const press = kit.press('general-coated');
  expect(review(job, job.pieces[0]!, { ...SEEN, press }).unread).toEqual([]);
});
