import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readInkList } from '../../../core/files/ink-list';
import { readPeopleCsv } from '../../../core/files/people-csv';
import { readJob } from '../../../core/files/read-job';
import { crossFaults } from '../../../core/job/cross-faults';
import { addElement, removeElement } from '../../../core/job/edits/elements';
import { addInk } from '../../../core/job/edits/inks';
import { addLetter } from '../../../core/job/edits/letters';
import { keepShop } from '../../../core/job/edits/shops';
import { setParagraphs } from '../../../core/job/edits/words';
import { faultWords } from '../../../core/job/fault-words';
import { paragraphsOf } from '../../../core/job/look';
import { makeRule, makeShape, makeWords } from '../../../core/job/make';
import type { Element, Job } from '../../../core/job/schema';
import { jobFault, jobSchema } from '../../../core/job/whole';
import { JOB_LIMITS } from '../../../core/trade/job-limits';
import { SHOPS } from '../../../core/trade/shops';
import { cardWith, checkKit, openDemo } from '../../kit';

const shape = (change: object): Element =>
  ({ ...makeShape({ id: 'bad', x: 0, y: 0, width: 10, height: 10 }), ...change }) as Element;
const demo = openDemo().job;
const onCard = (element: Element): Job => cardWith([makeWords({ id: 'name', text: 'A name', x: 20, y: 20 }), element]);
const many = <T>(count: number, make: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => make(i));
/** A card with so many shapes on its front, put there at once. */
function crowded(count: number): Job {
  const job = cardWith([]);
  const [card] = job.pieces;
  const [front, ...rest] = card!.faces;
  const elements = many(count, (i) => makeShape({ id: `s${i}`, x: 0, y: 0, width: 1, height: 1 }));
  return { ...job, pieces: [{ ...card!, faces: [{ ...front!, elements }, ...rest] }] };
}
const people = (count: number) =>
  many(count, (i) => ({ id: `p${i}`, name: `Person ${i}`, title: '', direct: '', mail: '' }));
const [shop] = SHOPS;
const withShop = (change: object): Job => ({ ...demo, shops: [{ ...shop!, id: 'own', ...change }] }) as unknown as Job;

/** Ways in which a job was kept that no longer opened; each with a word of what is said. */
const LOCKING: [string, Job, RegExp][] = [
  [
    'a path too long to keep',
    onCard(shape({ outline: `M0 0${'L1 1'.repeat(1_000_001)}` })),
    /outline.*4,000,000 char/i,
  ],
  [
    'a gradient of 101 colours',
    onCard(
      shape({
        paint: {
          kind: 'linear',
          place: [1, 0, 0, 1, 0, 0],
          stops: many(101, (i) => ({ ink: 'black', tint: 1, at: i / 100 })),
        },
      }),
    ),
    /100|Invalid|not right/,
  ],
  [
    'a ring of radius −5',
    onCard(shape({ repeat: { kind: 'ring', count: 3, radius: -5, turning: true, sweep: 360 } })),
    /radius.*at least 0/i,
  ],
  [
    'a dash of next to nothing',
    onCard(
      makeRule({ id: 'r', x: 0, y: 0, width: 10, height: 1 }) &&
        ({ ...makeRule({ id: 'r', x: 0, y: 0, width: 10, height: 1 }), dash: [0.00001, 0.00001] } as Element),
    ),
    /at least 0.05/,
  ],
  ['too many elements on a side', crowded(JOB_LIMITS.elements + 1), /at most 20,000 elements/],
  ['too many people', { ...demo, people: people(JOB_LIMITS.people + 1) }, /at most 10,000 people/],
  [
    'a letter named with one space',
    addLetter(demo, 'letterhead', {
      id: 'x',
      name: ' ',
      changed: demo.changed,
      recipient: '',
      date: '',
      salutation: '',
      body: '',
    }),
    /name.*empty/i,
  ],
  [
    'a style with a name of 121 letters',
    { ...demo, styles: demo.styles.map((s) => ({ ...s, name: 'x'.repeat(121) })) },
    /120/,
  ],
  [
    'a spelling word that is too long',
    { ...demo, spelling: { ...demo.spelling, words: ['x'.repeat(121)] } },
    /120|words/,
  ],
  ['an ink that is missing', onCard(shape({ paint: { ink: 'nowhere', tint: 1 } })), /ink nowhere is missing/],
  ['a shop whose total ink is 0', withShop({ limits: { ...shop!.limits, totalInk: 0 } }), /total ink.*at least 1/i],
  [
    'a shop whose light tint is 400 %',
    withShop({ limits: { ...shop!.limits, tint: { least: 4, most: 1 } } }),
    /at most 1/,
  ],
];

describe('what would not open again', () => {
  it.each(LOCKING)('%s is found, and said in words', (_, job, says) => {
    expect(jobSchema.safeParse(job).success).toBe(false);
    const fault = jobFault(job);
    expect(fault).toBeDefined();
    expect(faultWords(job, fault!)).toMatch(says);
  });
  it('is found in an element, with its piece and side by name', () => {
    const job = onCard(shape({ width: -1 }));
    expect(faultWords(job, jobFault(job)!)).toContain('Front');
  });
});

describe('real work fits', () => {
  it.each<[string, Job]>([
    [
      'the outlines of a text of a thousand letters',
      onCard(shape({ outline: `M0 0${'C0.1 0.2 0.3 0.4 0.5 0.6'.repeat(30_000)}Z` })),
    ],
    [
      'a logo of 5,000 parts',
      {
        ...demo,
        logos: [
          {
            ...demo.logos[0]!,
            elements: many(5000, (i) =>
              makeShape({ id: `l${i}`, x: 0, y: 0, width: 1, height: 1, paint: { ink: demo.inks[0]!.id, tint: 1 } }),
            ),
          },
        ],
      },
    ],
    ['a staff of 5,000', { ...demo, people: people(5000) }],
    [
      '300 colours of a drawing',
      many(300, (i) => i).reduce(
        (job, i) => addInk(job, { id: `i${i}`, name: `Ink ${i}`, kind: 'process', cmyk: [0, 0, 0, i / 300] }),
        demo,
      ),
    ],
    ['44,000 letters in a text', setParagraphs(demo, 'name', paragraphsOf('A word or two. '.repeat(2934)))],
    ['6,000 lines', setParagraphs(demo, 'name', paragraphsOf('line\n'.repeat(6000)))],
    [
      '40 stops',
      onCard(
        shape({
          paint: {
            kind: 'linear',
            place: [1, 0, 0, 1, 0, 0],
            stops: many(40, (i) => ({ ink: 'black', tint: 1, at: i / 39 })),
          },
        }),
      ),
    ],
  ])('%s', (_, job) => {
    expect(jobFault(job)).toBeUndefined();
    expect(() => readJob(JSON.parse(JSON.stringify(job)))).not.toThrow();
  });
});

describe('looking at the parts', () => {
  it('says the same as looking at the whole, whatever is broken', () => {
    // Any one value of the job, replaced by any other.
    const paths: (string | number)[][] = [];
    const walk = (value: unknown, path: (string | number)[]): void => {
      if (path.length > 0) paths.push(path);
      if (Array.isArray(value)) for (const [i, v] of value.slice(0, 3).entries()) walk(v, [...path, i]);
      else if (typeof value === 'object' && value !== null)
        for (const [k, v] of Object.entries(value)) walk(v, [...path, k]);
    };
    const small: Job = { ...demo, pieces: demo.pieces.slice(0, 2) };
    walk(small, []);
    const nonsense = fc.constantFrom<unknown>(
      null,
      '',
      ' ',
      'nonsense',
      -1,
      0,
      1e9,
      Number.NaN,
      [],
      {},
      'x'.repeat(500),
      undefined,
    );
    fc.assert(
      fc.property(fc.constantFrom(...paths), nonsense, (path, value) => {
        const job = structuredClone(small);
        let at = job as unknown as Record<string | number, unknown>;
        for (const key of path.slice(0, -1)) at = at[key] as typeof at;
        at[path.at(-1)!] = value;
        let parts: unknown;
        try {
          parts = jobFault(job);
        } catch {
          // A list that is none: the whole refuses it too.
          parts = {};
        }
        expect(parts === undefined).toBe(jobSchema.safeParse(job).success);
      }),
      { numRuns: 400 },
    );
  });
  it('reads again what an edit changed, and nothing else', () => {
    let read = 0;
    const counted = <T extends object>(element: T): T =>
      new Proxy(element, {
        get(target, name, receiver) {
          if (name === 'width') read++;
          return Reflect.get(target, name, receiver);
        },
      });
    const job = crowded(300);
    const [piece] = job.pieces;
    const [face] = piece!.faces;
    const with300 = (elements: NonNullable<typeof face>['elements']) =>
      ({ ...job, pieces: [{ ...piece!, faces: [{ ...face!, elements }] }] }) as typeof job;
    const elements = face!.elements.map(counted);
    expect(jobFault(with300(elements))).toBeUndefined();
    expect(read).toBeGreaterThanOrEqual(elements.length);
    const once = read / elements.length;
    read = 0;
    expect(jobFault(with300([...elements.slice(1), counted({ ...face!.elements[0]! })]))).toBeUndefined();
    expect(read).toBeGreaterThan(0);
    expect(read).toBeLessThanOrEqual(2 * once);
  });
});

describe('importers', () => {
  it('people of two tables of 5,000 fit, and of more the rest is refused in words', () => {
    const table = (n: number): string => `name,title\n${many(n, (i) => `Person ${i},Gardener`).join('\n')}`;
    expect(readPeopleCsv(table(5000))).toHaveLength(5000);
    expect(() => readPeopleCsv(table(10_001))).toThrow(/10,000|10000/);
  });
  it('whatever an ink list says, the job that takes it either opens or is refused in words', () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 100 }),
      fc.integer().map(String),
      fc.constant('1e99'),
      fc.constant(''),
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 1, maxLength: 9 }), { maxLength: 6 }), (rows) => {
        let inks: ReturnType<typeof readInkList>['inks'];
        try {
          inks = readInkList(
            new TextEncoder().encode(rows.map((row) => row.join(',')).join('\n')),
            checkKit.press,
          ).inks;
        } catch (error) {
          expect((error as Error).message.length).toBeGreaterThan(10);
          return;
        }
        expect(
          jobFault({
            ...demo,
            inks: [...demo.inks, ...inks.map((ink, i) => ({ ...ink, id: `n${i}` }))] as Job['inks'],
          }),
        ).toBeUndefined();
      }),
      { numRuns: 100 },
    );
  });
  it('a shop spec is held against the same limits', () => {
    const job = keepShop(demo, { ...shop!, id: 'mine' });
    expect(jobFault(job)).toBeUndefined();
  });
});

describe('what parts say of one another', () => {
  it('is told in time with the size of the job', () => {
    const job = crowded(15_000);
    expect(crossFaults(job)).toEqual([]);
    expect(crossFaults(removeElement(job, 's3'))).toEqual([]);
    expect(
      crossFaults(addElement(job, job.pieces[0]!.faces[0]!.id, job.pieces[0]!.faces[0]!.elements[0]!))[0],
    ).toContain('twice');
  });
});
