import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addLetter,
  changeLetter,
  movedConditions,
  removeLetter,
  setParagraphShown,
} from '../../../core/job/edits/letters';
import { addTable, setRun } from '../../../core/job/edits/runs';
import type { LetterText } from '../../../core/job/letters';
import { plainText } from '../../../core/job/look';
import type { Job } from '../../../core/job/schema';
import { checkRun } from '../../../core/run/check-run';
import { letterForRow } from '../../../core/run/letter-row';
import { facesFor, rowPlan } from '../../../core/run/row-piece';
import { type Cells, rowsOf } from '../../../core/run/rows';
import { proveRows } from '../../../core/run/write/prove-run';
import { openRun } from '../../../core/run/write/rows';
import { openSheetRun } from '../../../core/run/write/sheets';
import { sourcesOf } from '../../../core/scene/sources';
import { shopOf } from '../../../core/trade/shops';
import { checkKit, kit, openDemo } from '../../kit';
import { tableWith } from './staff';

const CELLS: Cells = [
  ['Ana Abara', '1 Mill Lane\nLittle Hollin', 'yes', '12'],
  ['Béla Ødegård', '', '', '3'],
  ['Chidi O’Neill', 'The Old Forge', 'yes', ''],
];
const LETTER: LetterText = {
  id: 'spring',
  name: 'Spring offer',
  changed: '2026-01-01T00:00:00.000Z',
  recipient: '{name}\n{street}\nEngland',
  date: '1 March 2026',
  salutation: 'Dear {name},',
  body: 'Spring is here.\nYou have been a member since year {years}.\nYour card is enclosed.\n{street}\nYours, Iris',
};

function written(letter = LETTER, cells = CELLS) {
  const { job: demo, assets } = openDemo();
  const table = tableWith(['Name', 'Street', 'Member', 'Years'], cells);
  const withLetter = addLetter(addTable(demo, table, 'letterhead'), 'letterhead', letter);
  const job = setRun(withLetter, 'letterhead', { letter: letter.id });
  const piece = job.pieces.find(({ id }) => id === 'letterhead')!;
  const rows = rowsOf(table, { people: [], firm: {}, country: 'GB', file: cells });
  return { job, piece, rows, assets, plan: rowPlan(job, piece, rows, sourcesOf(job, kit.fonts)) };
}
const said = (job: Job, letter: LetterText, rows: ReturnType<typeof written>['rows'], row: number): string => {
  const made = written(letter);
  expect(made.job.name).toBe(job.name);
  return facesFor({ ...made.plan, rows }, row)
    .faces.flatMap(({ elements }) => elements)
    .flatMap((element) => (element.kind === 'words' && element.id.startsWith('spring-') ? [plainText(element)] : []))
    .join('\n');
};

describe('a letter to each row', () => {
  it('has the row’s words for what it quotes; lines that only quote and are empty close up', () => {
    const { rows } = written();
    expect(letterForRow(LETTER, rows, 0)).toMatchObject({
      recipient: 'Ana Abara\n1 Mill Lane\nLittle Hollin\nEngland',
      salutation: 'Dear Ana Abara,',
    });
    expect(letterForRow(LETTER, rows, 0).body.split('\n')[3]).toBe('1 Mill Lane\u2028Little Hollin');
    expect(letterForRow(LETTER, rows, 1)).toMatchObject({ recipient: 'Béla Ødegård\nEngland' });
    expect(letterForRow(LETTER, rows, 1).body.split('\n')).toHaveLength(4);
    // Braces about what is no column stay as they were typed.
    expect(letterForRow({ ...LETTER, date: '{when}' }, rows, 0).date).toBe('{when}');
  });

  it('has the paragraphs that the row gets', () => {
    const letter = {
      ...LETTER,
      shown: [{ line: 2, when: { every: true, tests: [{ of: 'member', test: 'is' as const, to: 'Yes' }] } }],
    };
    const { job, rows } = written(letter);
    expect([0, 1, 2].map((row) => said(job, letter, rows, row).includes('Your card is enclosed'))).toEqual([
      true,
      false,
      true,
    ]);
  });

  it('keeps what a paragraph is shown for while others are typed and deleted', () => {
    const when = { every: true, tests: [{ of: 'member', test: 'is not empty' as const, to: '' }] };
    fc.assert(
      fc.property(
        fc.uniqueArray(
          fc.string({ minLength: 1, maxLength: 6 }).filter((t) => !t.includes('\n')),
          { minLength: 2, maxLength: 8 },
        ),
        fc.nat(),
        fc.nat(),
        fc.boolean(),
        (lines, mark, at, isAdded) => {
          const marked = mark % lines.length;
          const other = at % lines.length;
          if (!isAdded && other === marked) return;
          const next = isAdded ? lines.toSpliced(other, 0, 'typed between them') : lines.toSpliced(other, 1);
          const moved = movedConditions([{ line: marked, when }], lines.join('\n'), next.join('\n'));
          expect(moved?.map(({ line }) => next[line])).toEqual([lines[marked]]);
        },
      ),
    );
    const { job } = written();
    const shown = setParagraphShown(job, 'letterhead', 'spring', 1, when);
    const typed = changeLetter(shown, 'letterhead', 'spring', { body: `New.\n${LETTER.body}` });
    const letterOf = (from: Job) =>
      from.pieces.find(({ id }) => id === 'letterhead')!.letters!.find(({ id }) => id === 'spring');
    expect(letterOf(typed)?.shown).toEqual([{ line: 2, when }]);
    expect(letterOf(setParagraphShown(typed, 'letterhead', 'spring', 2, undefined))?.shown).toBeUndefined();
    const gone = removeLetter(typed, 'letterhead', 'spring');
    expect(gone.pieces.find(({ id }) => id === 'letterhead')?.run?.letter).toBeUndefined();
  });

  it('is written as many pages as it takes, each as it is drawn', () => {
    const long = { ...LETTER, body: `${LETTER.body}\n${'A good deal more to say to {name}. '.repeat(160)}` };
    const { job, piece, rows, assets } = written(long);
    const on = { ...kit, press: checkKit.press, assets };
    const asked = { pieceId: 'letterhead', shop: shopOf('metric-offset'), marks: true, standard: 'PDF/X-4' as const };
    const writer = openRun(job, asked, rows, on);
    const pages = rows.numbers.map((row) => writer.payload(row).pages.length);
    expect(pages.every((count) => count >= 2)).toBe(true);
    const proven = proveRows(job, asked, rows, rows.numbers, on);
    expect(proven.rows.filter(({ right }) => !right)).toEqual([]);
    expect(() =>
      openSheetRun(job, { ...asked, order: rows.numbers, sheets: 'across', leaders: false }, rows, on),
    ).toThrow(/Letters are not laid on press sheets/);
    const without = { ...job, pieces: job.pieces.map((each) => (each === piece ? { ...each, letters: [] } : each)) };
    expect(() => openRun(without, asked, rows, on)).toThrow(/letter .* is not there/);
  });

  it('is checked: a name in braces that is no column is an error of every row', async () => {
    const { plan, rows } = written({ ...LETTER, date: '{day}' });
    const { findings } = await checkRun(plan, rows.numbers, checkKit);
    expect(findings.map(({ severity, problem, rows: having }) => [severity, problem, having])).toContainEqual([
      'stop',
      'The letter quotes {day}, which is no column of People',
      [0, 1, 2],
    ]);
    const { findings: none } = await checkRun(written().plan, rows.numbers, checkKit);
    // Its own words are what the address field and the place of the letter are for.
    expect(none.filter(({ severity }) => severity !== 'advise')).toEqual([]);
  });
});
