import { describe, expect, it } from 'vitest';
import { newRun } from '../../../core/job/edits/runs';
import { statusList } from '../../../core/run/lists';
import { gridFor, linesOf, PAGE } from '../../../core/run/proof/pages';
import { rowsOf } from '../../../core/run/rows';
import { rowStatuses, statesCounted } from '../../../core/run/status';
import { tableWith } from './staff';

const cells = [['Ana'], ['=2+5'], ['Chidi'], ['Dara']];
const table = tableWith(['Name'], cells);
const rows = rowsOf(table, { people: [], firm: {}, file: cells });
const run = {
  ...newRun('people'),
  leftOut: [
    { row: 3, why: 'has left' },
    { row: 99, why: 'is not there' },
  ],
};
const found = [
  { severity: 'warn' as const, problem: 'Text is small', rows: [0, 1, 3] },
  { severity: 'stop' as const, problem: 'Text is cut off', rows: [1] },
  { severity: 'advise' as const, problem: 'Two spaces', rows: [2] },
];

describe('the status of each row', () => {
  it('ties: every row is printed or left out, once, with the gravest of what was found', () => {
    const statuses = rowStatuses(run, rows, found);
    expect([...statuses.values()]).toEqual([
      { row: 0, state: 'warning', why: 'Text is small' },
      { row: 1, state: 'error', why: 'Text is small; Text is cut off' },
      { row: 2, state: 'printed', why: '' },
      { row: 3, state: 'left out', why: 'has left' },
    ]);
    expect(statesCounted(statuses.values())).toEqual({ printed: 1, warning: 1, error: 1, 'left out': 1 });
  });

  it('goes along as a list in which nothing is a formula', () => {
    const list = statusList(rows, rowStatuses(run, rows, found).values());
    expect(list.split('\n').slice(0, 3)).toEqual([
      'Row,Name,Status,Why',
      '1,Ana,warning,Text is small',
      `2,"'=2+5",error,Text is small; Text is cut off`,
    ]);
  });
});

describe('pages of a proof', () => {
  it('have room for what lies on them, whatever the size of the piece', () => {
    for (const [width, height] of [
      [240, 156],
      [595, 842],
      [1190, 842],
      [60, 60],
      [1700, 300],
    ] as const)
      for (const wanted of [2, 12]) {
        const { at, columns, lines, scale } = gridFor({ width, height }, wanted);
        expect(scale).toBeLessThanOrEqual(1);
        const last = at(columns * lines - 1);
        expect(last.x + width * scale).toBeLessThanOrEqual(PAGE.width);
        expect(last.y + last.height).toBeLessThanOrEqual(PAGE.height);
      }
  });

  it('break words into lines, and words that are too long', () => {
    expect(linesOf('one two three', 7)).toEqual(['one two', 'three']);
    expect(linesOf('abcdefghij', 4)).toEqual(['abcd', 'efgh', 'ij']);
  });
});
