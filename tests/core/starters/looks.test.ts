import { describe, expect, it } from 'vitest';
import { openReviewer } from '../../../cli/review';
import { unusedInks } from '../../../core/checks/rules/unused-ink';
import { readJob } from '../../../core/files/read-job';
import { setFirmDetail } from '../../../core/job/edits/house';
import type { Job, Words } from '../../../core/job/schema';
import { sourcesOf } from '../../../core/scene/sources';
import { wordsSet } from '../../../core/scene/words';
import { beginPiece, LOOKS, STARTERS, starterOf, startersOf } from '../../../core/starters';
import { clientOf } from '../../../core/starters/said';
import { beginSet, usualFaces } from '../../../core/starters/usual';
import { COUNTRIES } from '../../../core/trade/countries';
import { KINDS, type Kind } from '../../../core/trade/schema';
import { measuresOf, sizesOf } from '../../../core/trade/sizes';
import { kit, openDemo } from '../../kit';
import { CLIENTS, type Client } from './firms';

const DEEP = process.env['DEEP'] === '1';
const { job: demo, assets } = openDemo();
const reviewer = openReviewer(kit, assets);
const newIds = () => {
  let n = 0;
  return () => `s${++n}`;
};

/** What follows from the size that was asked for, and from details that are not there yet: no look can help it. */
const NOT_THE_LOOK: readonly string[] = ['post-size', 'placeholder-words'];

interface Asked {
  look: (typeof LOOKS)[number];
  kind: Kind;
  size: { width: number; height: number; unit: 'mm' | 'in' };
  says: string;
}

/** Every look on every kind at every size, both ways up. */
const ALL: readonly Asked[] = LOOKS.flatMap((look) =>
  KINDS.flatMap((kind) =>
    sizesOf(kind).flatMap((row) => {
      const { width, height, unit } = measuresOf(row);
      const says = `${look.id} ${kind} ${row.name}`;
      const wide = { look, kind, size: { width, height, unit }, says };
      if (kind === 'envelope' || width === height) return [wide];
      return [wide, { look, kind, size: { width: height, height: width, unit }, says: `${says} turned` }];
    }),
  ),
);

const begun = (job: Job, { look, kind, size }: Asked): Job => {
  const asked = { id: 'p', name: 'New', kind, ...size, shop: 'metric-offset', faces: usualFaces(kind) };
  return beginPiece({ ...job, pieces: [] }, asked, starterOf(look, kind), newIds(), kit.fonts);
};

function faultsOf(client: Client, asked: Asked): string[] {
  const job = readJob(JSON.parse(JSON.stringify(begun(client.job, asked))));
  const piece = job.pieces[0]!;
  const { open, unread } = reviewer.review(job, piece);
  const names = new Map(piece.faces.flatMap(({ elements }) => elements.map((e) => [e.id, e.name] as const)));
  return [
    ...unread.map((each) => `${client.name}, ${asked.says}: ${JSON.stringify(each)}`),
    ...open
      .filter(({ check }) => !NOT_THE_LOOK.includes(check))
      .map((f) => `${client.name}, ${asked.says}: ${f.check}, ${names.get(f.element ?? '')}: ${f.problem}`),
  ];
}

describe('looks', () => {
  it('are eight a kind, each with a name of its own', () => {
    expect(LOOKS).toHaveLength(8);
    for (const kind of KINDS) expect(startersOf(kind), kind).toHaveLength(8);
    expect(new Set(STARTERS.map(({ id }) => id)).size).toBe(STARTERS.length);
  });

  // Each client sees other sizes of each look: a prime step goes through all of them by turns; the deep run takes more.
  const step = DEEP ? 5 : 89;
  it.each(CLIENTS.map((client, c) => [client.name, client, c] as const))('of %s have no finding', (_, client, c) => {
    const tried = ALL.filter((_each, i) => (i + c * 13) % step === 0);
    expect(tried.flatMap((asked) => faultsOf(client, asked))).toEqual([]);
  });

  it('are seen to fail: a line of a card that is made too long does not fit', () => {
    const job = begun(CLIENTS[0]!.job, ALL.find(({ says }) => says === 'display card 85 × 55')!);
    const long = setFirmDetail(job, 'name', 'A name that goes on and on '.repeat(7));
    expect(reviewer.review(long, long.pieces[0]!).open.map(({ check }) => check)).toContain('hidden-words');
  });

  it.each(COUNTRIES.map(({ code }) => [code]))('a set in %s has no finding at all', (code) => {
    const firm = CLIENTS[0]!.job;
    // Each country is tried with another look.
    const look = LOOKS[COUNTRIES.findIndex((each) => each.code === code) % LOOKS.length]!;
    const made = beginSet({ ...firm, country: code }, look, KINDS, newIds(), kit.fonts);
    const job = readJob(JSON.parse(JSON.stringify(made)));
    expect(job.pieces.map(({ kind }) => kind)).toEqual([...KINDS]);
    const found = job.pieces.flatMap((piece) =>
      reviewer.review(job, piece).open.map((f) => `${piece.name}: ${f.check}, ${f.problem}`),
    );
    expect(found).toEqual([]);
  });

  it.each(LOOKS.map((look) => [look.id, look] as const))('a set in %s uses every colour of the client', (_, look) => {
    const three = CLIENTS.find(({ name }) => name.endsWith('none, three'))!.job;
    expect(unusedInks(beginSet(three, look, KINDS, newIds(), kit.fonts))).toEqual([]);
  });

  it('say what is missing where a client has told nothing, and follow it once it is there', () => {
    const nobody = CLIENTS.at(-1)!.job;
    const job = begun(nobody, ALL.find(({ says }) => says === 'margin card 85 × 55')!);
    const text = (now: Job) => JSON.stringify(now.pieces);
    expect(text(job)).toContain('"Person’s name"');
    const found = reviewer.review(job, job.pieces[0]!).open.filter(({ check }) => check === 'placeholder-words');
    expect(found.map(({ problem }) => problem)).toContainEqual(expect.stringContaining('fill it in under House style'));
    const told = setFirmDetail(job, 'phone', '01632 960 777');
    expect(text(told)).toContain('01632 960 777');
    expect(text(told)).not.toContain('"text":"Phone"');
  });

  it.each([
    ['US', ['{firm.street!}', '{firm.town!}, {firm.region!} {firm.postcode!}']],
    ['DE', ['{firm.street!}', '{firm.postcode!} {firm.town!}']],
    ['GB', ['{firm.street!}', '{firm.town!} {firm.postcode!}']],
  ])('ask for an address as it is written in %s', (country, lines) => {
    expect(clientOf({ ...demo, firm: {}, country }, {}).address(true)).toEqual(lines);
    expect(clientOf({ ...demo, firm: {}, country }, {}).address(false)).toEqual([]);
  });

  it('set names and text on half points, in the two typefaces of the house', () => {
    for (const asked of ALL.filter((_, i) => i % 23 === 0)) {
      const piece = begun({ ...demo, pieces: [] }, asked).pieces[0]!;
      const words = piece.faces.flatMap(({ elements }) =>
        elements.flatMap((e) => (e.kind === 'words' && !e.logo && !e.part && !e.sample ? [e] : [])),
      );
      const looks = words.flatMap(({ lettering, paragraphs }) => [
        lettering,
        ...paragraphs.flatMap(({ spans }) => spans),
      ]);
      for (const { size } of looks) if (size) expect(size * 2, asked.says).toBeCloseTo(Math.round(size * 2), 6);
      for (const { typeface } of looks)
        if (typeface) expect([demo.roles.heading, demo.roles.text], asked.says).toContain(typeface);
    }
  });

  it('break an address that no line holds before its @ or a dot, and only then', () => {
    const long = CLIENTS.find(({ job }) => job.people[0]?.mail.startsWith('maximiliane'))!.job;
    const job = begun(long, ALL.find(({ says }) => says === 'panel card 85 × 55 turned')!);
    const words = job.pieces[0]!.faces[0]!.elements.filter((e): e is Words => e.kind === 'words');
    const lines = words.flatMap((each) =>
      wordsSet(each, sourcesOf(job, kit.fonts)).lines.map(({ text }) => text.trim()),
    );
    const mail = job.people[0]!.mail;
    const parts = lines.filter((line) => line !== '' && mail.includes(line));
    expect(parts.join('')).toBe(mail);
    for (const part of parts.slice(1)) expect(part).toMatch(/^[@.]/);
  });
});
