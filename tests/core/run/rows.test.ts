import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingKey } from '../../../core/checks/check';
import { review } from '../../../core/checks/review';
import {
  addRow,
  askingColumn,
  bringBack,
  leaveOut,
  removeColumn,
  removeRows,
  setByRow,
  setCell,
  setFaceShown,
  setRun,
  showCells,
  tableOf,
} from '../../../core/job/edits/runs';
import { lookOf, plainText } from '../../../core/job/look';
import { makePicture } from '../../../core/job/make';
import type { Element, Words } from '../../../core/job/schema';
import { jobFault } from '../../../core/job/whole';
import { checkRun } from '../../../core/run/check-run';
import { imposed, placesOf } from '../../../core/run/impose';
import { hardRows, measureRow } from '../../../core/run/measure';
import { rowsPrinted, tallyOf } from '../../../core/run/order';
import { facesFor, followersOn, rowPlan } from '../../../core/run/row-piece';
import { sourcesOf } from '../../../core/scene/sources';
import { wordsSet } from '../../../core/scene/words';
import { cuttingPlan } from '../../../core/sheet/cutting';
import { checkKit, kit, makePng, mm, withPicture } from '../../kit';
import { codeOf, NAMES, readRows, staffCard } from './staff';

const CELLS = NAMES.map((name, i) => [name, i % 2 ? 'Gardener' : '']);
const textOf = (elements: readonly Element[], id: string): string =>
  plainText(elements.find((e) => e.id === id) as Words);

describe('a piece for a row', () => {
  it('says what the row says, and leaves what does not change as it is', () => {
    const { plan, piece } = staffCard(CELLS);
    const [face] = facesFor(plan, 1).faces;
    expect(textOf(face!.elements, 'name')).toBe('Béla Montgomery');
    expect(textOf(face!.elements, 'title')).toBe('Gardener');
    expect(face!.elements[0]).toBe(piece.faces[0]!.elements[0]);
    expect([...followersOn(piece.faces)].sort()).toEqual(['name', 'title']);
  });

  it('has a code for the row, and is told of where it cannot be made', () => {
    const { plan } = staffCard(CELLS, [codeOf('name')]);
    expect(facesFor(plan, 0).faces[0]!.elements.find(({ id }) => id === 'code')).toMatchObject({ text: 'Ana Abara' });
    const { faces, faults } = facesFor(plan, 5);
    expect(faces[0]!.elements.some(({ id }) => id === 'code')).toBe(false);
    expect(faults).toMatchObject([{ kind: 'no code', problem: 'The code has nothing to say' }]);
  });

  it('shows elements, and sides, for some rows only', () => {
    const { job, piece, rows } = staffCard(CELLS);
    const shown = { every: true, tests: [{ of: 'title', test: 'is not empty' as const, to: '' }] };
    const changed = setByRow(job, 'band', { shown });
    const plan = rowPlan(changed, changed.pieces[0]!, rows, sourcesOf(changed, kit.fonts));
    expect([0, 1].map((row) => facesFor(plan, row).faces[0]!.elements.some(({ id }) => id === 'band'))).toEqual([
      false,
      true,
    ]);
    const sided = setFaceShown(job, piece.faces[0]!.id, shown);
    const sides = rowPlan(sided, sided.pieces[0]!, rows, sourcesOf(sided, kit.fonts));
    expect([0, 1].map((row) => facesFor(sides, row).faces.length)).toEqual([0, 1]);
  });

  it('is printed in the ink that the row names', () => {
    const { job, rows } = staffCard(CELLS);
    const changed = setByRow(job, 'band', { ink: { of: 'title', inks: [{ is: 'gardener', ink: 'copper' }] } });
    expect(jobFault(changed)).toBeUndefined();
    const plan = rowPlan(changed, changed.pieces[0]!, rows, sourcesOf(changed, kit.fonts));
    const inkOf = (row: number) => facesFor(plan, row).faces[0]!.elements.find(({ id }) => id === 'band');
    expect([inkOf(0), inkOf(1)]).toMatchObject([{ paint: { ink: 'green' } }, { paint: { ink: 'copper' } }]);
    expect(
      jobFault(setByRow(job, 'band', { ink: { of: 'title', inks: [{ is: 'x', ink: 'nowhere' }] } }))?.message,
    ).toMatch(/ink nowhere is missing/);
  });

  it('shows the picture that the row names, and is told of one that is not here', () => {
    const { job, table, piece } = staffCard(CELLS.map(([name], i) => [name!, i === 0 ? 'Ana.PNG' : 'gone.png']));
    const { job: with_, hash } = withPicture(
      job,
      makePng(40, 40, () => [200, 30, 30]),
    );
    const picture = {
      ...makePicture({ id: 'face', asset: hash, x: mm(5), y: mm(30), width: mm(15), height: mm(15) }),
      byRow: { from: 'title' },
    };
    const named = { ...table, pictures: { 'ana.png': hash } };
    const changed = {
      ...with_,
      tables: [named],
      pieces: [{ ...piece, faces: [{ ...piece.faces[0]!, elements: [...piece.faces[0]!.elements, picture] }] }],
    };
    const cells = CELLS.map(([name], i) => [name!, i === 0 ? 'Ana.PNG' : 'gone.png']);
    const plan = rowPlan(changed, changed.pieces[0]!, readRows(changed, named, cells), sourcesOf(changed, kit.fonts));
    expect(facesFor(plan, 0).faults).toEqual([]);
    expect(facesFor(plan, 1).faults).toMatchObject([{ kind: 'no picture', said: 'gone.png' }]);
  });
});

describe('text made to fit', () => {
  const fitted = (name: string, fit: { least: number; lines: number; width?: number }) => {
    const { job, table } = staffCard([[name, '']]);
    const changed = setByRow(job, 'name', { fit });
    const plan = rowPlan(
      changed,
      changed.pieces[0]!,
      readRows(changed, table, [[name, '']]),
      sourcesOf(changed, kit.fonts),
    );
    const { faces, faults } = facesFor(plan, 0);
    const words = faces[0]!.elements.find(({ id }) => id === 'name') as Words;
    return { faults, words, size: lookOf(words, []).lettering.size, set: wordsSet(words, plan.sources) };
  };
  it('keeps its size where there is room, gets smaller down to a size, then takes two lines, then is a fault', () => {
    expect(fitted('Ana', { least: 6, lines: 2, width: 90 }).size).toBe(9);
    const smaller = fitted('Ana Montgomery of Fen Lane', { least: 6, lines: 1, width: 90 });
    expect(smaller.size).toBeLessThan(9);
    expect(smaller.size).toBeGreaterThanOrEqual(6);
    expect(Math.max(...smaller.set.lines.map(({ width }) => width))).toBeLessThanOrEqual(90.01);
    const two = fitted('Dara van der Berg-Łukasiewicz Featherstonehaugh', { least: 8, lines: 2, width: 110 });
    expect(two.set.lines).toHaveLength(2);
    expect(two.faults).toEqual([]);
    expect(fitted('x'.repeat(300), { least: 6, lines: 2, width: 90 }).faults).toMatchObject([{ kind: 'does not fit' }]);
  });
  it('never leaves more than it may, whatever it says', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[A-Za-z ]{1,60}$/), fc.integer({ min: 1, max: 2 }), (name, lines) => {
        const { set, faults, size } = fitted(name.trim() || 'x', { least: 6, lines, width: 100 });
        if (faults.length > 0) return;
        expect(size).toBeGreaterThanOrEqual(6);
        expect(set.lines.length).toBeLessThanOrEqual(lines);
        for (const { width } of set.lines) expect(width).toBeLessThanOrEqual(100.01);
      }),
      { numRuns: 60 },
    );
  });
});

describe('edits of a run', () => {
  it('type over, add, delete, leave out and bring back, and the job can be kept', () => {
    const { job, table } = staffCard(CELLS);
    const rowsIn = (j: typeof job) => readRows(j, tableOf(j, 'people')!, CELLS);
    let now = addRow(setCell(job, 'people', 0, 'name', 'Anna'), 'people');
    now = removeRows(now, 'people', [1, 2]);
    expect(rowsIn(now).numbers).toEqual([0, 3, 4, 5, 6]);
    expect(rowsIn(now).cell(0, 'name')).toBe('Anna');
    now = leaveOut(now, 'card', [3, 6], 'moved away');
    const run = () => now.pieces[0]!.run!;
    expect(rowsPrinted(run(), rowsIn(now))).toEqual([0, 4, 5]);
    expect(tallyOf(run(), rowsIn(now))).toEqual({
      rows: 5,
      printed: 3,
      leftOut: [
        { row: 3, why: 'moved away' },
        { row: 6, why: 'moved away' },
      ],
    });
    now = bringBack(now, 'card', [3]);
    expect(rowsPrinted(setRun(now, 'card', { by: 'name' }).pieces[0]!.run!, rowsIn(now))).toEqual([5, 0, 3, 4]);
    expect(jobFault(now)).toBeUndefined();
    expect(table.cells).toEqual({});
  });
  it('name a table that is not there, or a column twice: such a job is not kept', () => {
    const { job, table } = staffCard(CELLS);
    expect(jobFault({ ...job, tables: [] })?.message).toMatch(/table people is missing/);
    expect(
      jobFault({ ...job, tables: [{ ...table, columns: [table.columns[0]!, table.columns[0]!] }] })?.message,
    ).toMatch(/column name is twice/);
  });
  it('find where a column is asked, and show a row in the layout', () => {
    const { job, piece, rows } = staffCard(CELLS);
    expect(askingColumn(piece, 'name')).toEqual(['name']);
    expect(tableOf(removeColumn(job, 'people', 'title'), 'people')!.columns).toHaveLength(1);
    const shown = showCells(job, 'card', (key) => rows.cell(4, key));
    expect(textOf(shown.pieces[0]!.faces[0]!.elements, 'name')).toBe('Eun-ji Ødegård');
  });
});

describe('hard rows', () => {
  it('are the longest, the emptiest, the widest and the ends', () => {
    const { plan, rows } = staffCard(CELLS);
    const hard = hardRows(rows.numbers.map((row) => measureRow(plan, row)));
    const why = (row: number) => hard.find((each) => each.row === row)?.why;
    expect(why(3)).toEqual(expect.arrayContaining(['longest text', 'widest']));
    expect(why(5)).toEqual(expect.arrayContaining(['last']));
    expect(why(0)).toContain('first');
  });
});

describe('a run that is checked', () => {
  /** What a review of every row by itself finds, as rows by finding. */
  function oneByOne({ job, piece, rows, plan }: ReturnType<typeof staffCard>): Map<string, number[]> {
    const found = new Map<string, number[]>();
    for (const row of rows.numbers) {
      const made = { ...piece, faces: facesFor(plan, row).faces };
      const { open } = review({ ...job, pieces: [made] }, made, { ...checkKit, plates: [], misspelt: new Map() });
      for (const key of new Set(open.map(findingKey))) found.set(key, [...(found.get(key) ?? []), row]);
    }
    return found;
  }

  it('finds in each row what checking that row alone finds', async () => {
    const name = fc.stringMatching(/^[A-Za-zÉø .'-]{0,70}$/);
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(name, name), { minLength: 2, maxLength: 14 }), async (cells) => {
        const made = staffCard(cells.map(([a, b]) => [a, b]));
        const { findings, unread } = await checkRun(made.plan, made.rows.numbers, checkKit);
        expect(unread).toEqual([]);
        const rows = new Map(findings.map(({ key, rows: found }) => [key, found]));
        expect(rows).toEqual(oneByOne(made));
      }),
      { numRuns: 25 },
    );
  });

  it('names the rows whose text runs past the edge, and no other', async () => {
    const cells = [
      ...CELLS.slice(0, 5),
      ['Wilhelmina Featherstonehaugh-Rowntree of Great Fenwick and Little Hollin', ''],
    ];
    const made = staffCard(cells.map((row) => [row[0]!, row[1]!]));
    const { findings } = await checkRun(made.plan, made.rows.numbers, checkKit);
    const past = findings.filter(({ check, element }) => check === 'outside-safe' && element === 'name');
    expect(past.map(({ rows }) => rows)).toEqual([[5]]);
  });

  it('names rows whose address cannot be delivered', async () => {
    const address = {
      key: 'address',
      name: 'Address',
      type: 'text' as const,
      made: { kind: 'address' as const, from: 'GB', parts: { name: 'name', town: 'title' } },
    };
    const made = staffCard(
      [
        ['Ada', 'Oslo'],
        ['Bo', ''],
      ],
      [],
      [address],
    );
    const { findings } = await checkRun(made.plan, made.rows.numbers, checkKit);
    expect(findings.find(({ problem }) => problem === 'The address has no town')?.rows).toEqual([1]);
    expect(findings.find(({ problem }) => problem === 'The address has no postcode')?.rows).toEqual([0, 1]);
  });
});

describe('rows on sheets', () => {
  const given = fc.record({
    rows: fc.integer({ min: 1, max: 200 }),
    up: fc.integer({ min: 1, max: 24 }),
    leaders: fc.boolean(),
  });
  it('lie there once each, whichever way', () => {
    fc.assert(
      fc.property(given, fc.constantFrom('cut and stack', 'across'), ({ rows, up, leaders }, way) => {
        const { sheets, at } = imposed(rows, up, way as never, leaders);
        const seen: number[] = [];
        for (let sheet = 0; sheet < sheets; sheet++)
          for (let place = 0; place < up; place++) {
            const lying = at(sheet, place);
            if (typeof lying === 'number') seen.push(lying);
          }
        expect(seen.sort((a, b) => a - b)).toEqual(Array.from({ length: rows }, (_, i) => i));
        expect(
          placesOf(
            Array.from({ length: rows }, (_, i) => i + 7),
            up,
            way as never,
            leaders,
          ).map(({ row }) => row),
        ).toEqual(Array.from({ length: rows }, (_, i) => i + 7));
      }),
    );
  });

  it('come from the guillotine as piles in order, a leader card on each', () => {
    const size = { width: mm(85), height: mm(55) };
    const trims = Array.from({ length: 12 }, (_, i) => ({
      x: mm(10 + 91 * (i % 3)),
      y: mm(20 + 61 * Math.floor(i / 3)),
      ...size,
    }));
    const paper = { x: 0, y: 0, width: mm(320), height: mm(450) };
    fc.assert(
      fc.property(
        given.filter(({ up }) => up <= 12),
        ({ rows, leaders }) => {
          const { sheets, at } = imposed(rows, 12, 'cut and stack', leaders);
          // The sheets lie on one another; each cut parts every pile that lies under the blade.
          let piles = [{ box: paper }];
          for (const cut of cuttingPlan(paper, trims)) {
            piles = piles.flatMap(({ box }) => {
              if (JSON.stringify(box) !== JSON.stringify(cut.pile)) return [{ box }];
              const { axis, at: line } = cut;
              const [low, high] =
                axis === 'x'
                  ? [
                      { ...box, width: line - box.x },
                      { ...box, x: line, width: box.x + box.width - line },
                    ]
                  : [
                      { ...box, height: line - box.y },
                      { ...box, y: line, height: box.y + box.height - line },
                    ];
              if (cut.off === 'pile') return [{ box: low }, { box: high }];
              return [{ box: cut.gauge === 'before' ? low : high }];
            });
          }
          const inOrder = piles
            .map(({ box }) => trims.findIndex((trim) => Math.hypot(trim.x - box.x, trim.y - box.y) < 0.01))
            .sort((a, b) => a - b);
          expect(inOrder).toEqual(trims.map((_, i) => i));
          // Each pile from its top down, and the piles on one another.
          const stacked = inOrder.flatMap((place) => Array.from({ length: sheets }, (_, sheet) => at(sheet, place)));
          expect(stacked.filter((each) => typeof each === 'number')).toEqual(Array.from({ length: rows }, (_, i) => i));
          if (leaders)
            expect(stacked.filter((each) => each === 'leader')).toHaveLength(Math.ceil(rows / Math.ceil(rows / 12)));
        },
      ),
      { numRuns: 40 },
    );
  });
});
