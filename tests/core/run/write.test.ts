import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parsePdf } from '../../../core/files/pdf/parsed/file';
import { viewFile } from '../../../core/files/pdf/parsed/view';
import { held } from '../../../core/files/pdf/rules';
import { heldAsVariable } from '../../../core/files/pdf/rules/variable';
import { setByRow } from '../../../core/job/edits/runs';
import { makePicture } from '../../../core/job/make';
import { rowsOf } from '../../../core/run/rows';
import { assembler } from '../../../core/run/write/assemble';
import { openPart, refuseStrangers } from '../../../core/run/write/join';
import type { Payload } from '../../../core/run/write/objects';
import { proveRows, smallFile } from '../../../core/run/write/prove-run';
import { openRun, type RunAsked } from '../../../core/run/write/rows';
import { shopOf } from '../../../core/trade/shops';
import { isDeep } from '../../deep';
import { kit, makePng, mm, withPicture } from '../../kit';
import { codeOf, NAMES, staffCard } from './staff';

const shop = shopOf('metric-offset');
const on = { ...kit, press: kit.press(shop.condition), assets: {} as Record<string, Uint8Array> };
const asked = (more: Partial<RunAsked> = {}): RunAsked => ({
  pieceId: 'card',
  shop,
  marks: true,
  standard: 'PDF/X-4',
  ...more,
});

const CELLS = Array.from({ length: 40 }, (_, i) => [`${NAMES[i % 5]} ${i}`, i % 3 ? `Gardener no. ${i}` : '']);

/** A run with a code, something that shines through by row, and pictures that several rows share. */
function richRun() {
  const made = staffCard(
    CELLS.map(([name, title], i) => [name!, title!, `p${i % 3}.png`]),
    [codeOf('name')],
    [{ key: 'photo', name: 'Photo', type: 'picture', at: 2 }],
  );
  let { job } = made;
  const assets: Record<string, Uint8Array> = {};
  const pictures: Record<string, string> = {};
  for (let i = 0; i < 3; i++) {
    const with_ = withPicture(
      job,
      makePng(30, 30, (x, y) => [40 * i, (8 * x) % 256, (8 * y) % 256]),
    );
    job = with_.job;
    Object.assign(assets, with_.assets);
    pictures[`p${i}.png`] = with_.hash;
  }
  const [piece] = job.pieces;
  const [face] = piece!.faces;
  const photo = {
    ...makePicture({ id: 'photo', asset: pictures['p0.png']!, x: mm(30), y: mm(30), width: mm(12), height: mm(12) }),
    byRow: { from: 'photo' },
    opacity: 0.8,
  };
  job = {
    ...job,
    pieces: [{ ...piece!, faces: [{ ...face!, elements: [...face!.elements, photo] }] }],
    tables: [{ ...made.table, pictures }],
  };
  const cells = CELLS.map(([name, title], i) => [name!, title!, `p${i % 3}.png`]);
  const rows = rowsOf(job.tables[0]!, { people: [], firm: {}, country: 'GB', file: cells });
  return { job, rows, kit: { ...on, assets } };
}
const rich = richRun();

/** The rows from one place to another as a file. */
function part(from: number, to: number, how = asked({ variable: true })): Uint8Array {
  const writer = openRun(rich.job, how, rich.rows, rich.kit);
  return smallFile(
    writer.frame,
    rich.rows.numbers.slice(from, to).map((row) => writer.payload(row)),
  );
}
const whole = part(0, CELLS.length);

describe('a run', () => {
  it('has a page a side a row, what rows share once, and the same bytes each time', () => {
    const view = viewFile(parsePdf(whole));
    expect(view.pages).toHaveLength(CELLS.length);
    expect(part(0, CELLS.length)).toEqual(whole);
    const images = view.streams.filter(({ dict }) => (dict.get('Subtype') as { name?: string })?.name === 'Image');
    expect(images).toHaveLength(3);
    // Forty rows cost a fraction of forty files.
    expect(whole.length).toBeLessThan(part(0, 1).length + 40 * 6000);
  });

  it('holds every rule of PDF/X-4 and of PDF/VT-1', () => {
    const view = viewFile(parsePdf(whole));
    for (const { says, faults } of [...held(view, 'PDF/X-4'), ...heldAsVariable(view)])
      expect([says, faults]).toEqual([says, []]);
  });

  it.each(['PDF/X-4', 'PDF/X-1a:2001', 'PDF/X-1a:2003'] as const)(
    'is drawn in the file as it is on the stage, row by row, as %s',
    (standard) => {
      const { job, rows } = standard === 'PDF/X-4' ? rich : staffCard(CELLS, [codeOf('name')]);
      const { rows: proven } = proveRows(
        job,
        asked({ standard }),
        rows,
        [0, 3, 17],
        standard === 'PDF/X-4' ? rich.kit : on,
      );
      expect(proven.filter(({ right }) => !right)).toEqual([]);
      expect(proven.length).toBeGreaterThanOrEqual(12);
    },
  );

  it('is joined, from however many parts, to the bytes that it has when it is written at once', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: CELLS.length - 1 }), { maxLength: 4 }), (cuts) => {
        const ends = [0, ...cuts.sort((a, b) => a - b), CELLS.length];
        const parts = ends.slice(1).map((to, i) => openPart(`part-${i}.pdf`, part(ends[i]!, to)));
        refuseStrangers(parts);
        const payloads = parts.flatMap((each) => each.rows.map((_, i): Payload => each.payload(i)));
        expect(Buffer.compare(smallFile(parts[0]!.frame, payloads), whole)).toBe(0);
      }),
      { numRuns: isDeep ? 20 : 3 },
    );
  });

  it('is not joined with parts of another run, with rows twice, or with a file that was cut short', () => {
    const [a, b] = [openPart('a.pdf', part(0, 10)), openPart('b.pdf', part(5, 12))];
    expect(() => refuseStrangers([a, b])).toThrow(/Row 6 is in a.pdf and in b.pdf/);
    const other = openPart('c.pdf', part(12, 14, asked({ variable: false })));
    expect(() => refuseStrangers([a, other])).toThrow(/of another run/);
    expect(() => openPart('d.pdf', whole.subarray(0, whole.length - 40))).toThrow(/cut short/);
    expect(() => openPart('e.pdf', new TextEncoder().encode('%PDF-1.6 hello'))).toThrow(/no part of a run/);
  });

  it('is refused, with the row, where what a row names is not there', () => {
    const { job, rows } = staffCard(
      [
        ['Ada', ''],
        ['', ''],
      ],
      [codeOf('name')],
    );
    const writer = openRun(job, asked(), rows, on);
    expect(() => writer.payload(1)).toThrow(/Row 2.*nothing to say/);
  });

  it('is refused as PDF/X-1a where something see-through changes with the rows, and named', () => {
    const { job, rows } = staffCard(CELLS);
    const soft = {
      ...job,
      pieces: job.pieces.map((piece) => ({
        ...piece,
        faces: piece.faces.map((face) => ({
          ...face,
          elements: face.elements.map((e) => (e.id === 'name' ? { ...e, opacity: 0.5 } : e)),
        })),
      })),
    };
    expect(() => openRun(soft, asked({ standard: 'PDF/X-1a:2001' }), rows, on).payload(0)).toThrow(/see-through/);
    expect(() => openRun(job, asked({ standard: 'PDF/X-1a:2001', variable: true }), rows, on)).toThrow(
      /PDF\/VT-1 is built on PDF\/X-4/,
    );
  });

  it('gives letters of many scripts, cases and ligatures by the font that all rows share', () => {
    const names = [
      'Ελένη',
      'Дарья',
      'Trần Thị Mỹ',
      'ĐẶNG',
      'office flag',
      'Ångström',
      'ﬁnal',
      'İstanbul',
      '1⁄2',
      'naïve ẞ',
    ];
    const { job, rows } = staffCard(names.map((name) => [name, name]));
    const cased = setByRow(job, 'name', { fit: { least: 6, lines: 1, width: 120 } });
    const { rows: proven } = proveRows(cased, asked(), rows, rows.numbers, on);
    expect(proven.filter(({ right }) => !right)).toEqual([]);
  });
});

describe('the rules of PDF/VT-1', () => {
  const text = new TextDecoder('latin1').decode(whole);
  /** The file with some of its text changed, its length kept so that all places stay right. */
  const broken = (from: RegExp, to: (found: string) => string): Uint8Array => {
    const found = from.exec(text)!;
    const changed = to(found[0]).padEnd(found[0].length, ' ').slice(0, found[0].length);
    return Uint8Array.from(text.slice(0, found.index) + changed + text.slice(found.index + found[0].length), (sign) =>
      sign.charCodeAt(0),
    );
  };
  const faultsOf = (bytes: Uint8Array): string[] =>
    heldAsVariable(viewFile(parsePdf(bytes))).flatMap(({ id, faults }) => (faults.length > 0 ? [id] : []));
  it.each([
    ['vt-version', /PDF\/VT-1</, (found: string) => found.replace('VT-1', 'VT-9')],
    ['vt-root', /\/Type \/DPartRoot\n/, (found: string) => found.replace('DPartRoot', 'DPartRoof')],
    ['vt-parents', /\/Type\/DPart\/Parent \d+ 0 R\/Start/, (found: string) => found.replace(/Parent \d+/, 'Parent 1')],
    ['vt-pages', /\/DPart \d+ 0 R/, (found: string) => found.replace(/\d+/, '1')],
    ['vt-metadata', /\/DPM<<.*?>>>>/s, () => '/DPM 7>>'],
  ])('%s finds a file that goes against it', (id, from, to) => {
    expect(faultsOf(whole)).toEqual([]);
    expect(faultsOf(broken(from, to))).toContain(id);
  });
});

describe('a file that is written as it is made', () => {
  it('keeps its places right however many pages a node of the tree has', () => {
    const chunks: Uint8Array[] = [];
    const { job, rows } = staffCard(Array.from({ length: 600 }, (_, i) => [`N${i}`, '']));
    const writer = openRun(job, asked({ variable: true }), rows, on);
    const file = assembler(writer.frame, (bytes) => chunks.push(bytes));
    for (const row of rows.numbers) file.add(writer.payload(row));
    const { bytes, pages } = file.end();
    const joined = new Uint8Array(Buffer.concat(chunks));
    expect([joined.length, pages]).toEqual([bytes, 600]);
    const view = viewFile(parsePdf(joined));
    expect(view.pages).toHaveLength(600);
    expect(heldAsVariable(view).flatMap(({ faults }) => faults)).toEqual([]);
  });
});

it('a file a row has its pictures, though another row shows them too', () => {
  const writer = openRun(rich.job, asked(), rich.rows, rich.kit);
  const alone = [0, 3].map((row) => {
    writer.begin();
    return smallFile(writer.frame, [writer.payload(row)]);
  });
  const images = alone.map(
    (bytes) =>
      [
        ...Buffer.from(bytes)
          .toString('latin1')
          .matchAll(/\/Subtype ?\/Image/g),
      ].length,
  );
  expect(images[0]).toBeGreaterThan(0);
  expect(images[1]).toBe(images[0]);
});
