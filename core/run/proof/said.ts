import type { Job, Piece } from '../../job/schema';
import type { RunChecked } from '../check-run';
import { type Rows, rowTitle } from '../rows';
import { type RowStatus, statesCounted } from '../status';
import { linesOf, TEXT } from './pages';

/** What the proof of a run says in words: the count that ties, what was found, and what is left out. */

/** Rows named after a cause or a heading, at most: all of them are in the list that goes along. */
const MOST_NAMED = 40;
const SEVERITY = { stop: 'Error', warn: 'Warning', advise: 'Advice' } as const;

export function proofLines(
  job: Job,
  piece: Piece,
  rows: Rows,
  { findings, hard, unread }: Pick<RunChecked, 'findings' | 'hard' | 'unread'>,
  statuses: readonly RowStatus[],
): string[] {
  const counts = statesCounted(statuses);
  const printed = statuses.length - counts['left out'];
  const name = (row: number): string => `${row + 1} ${rowTitle(rows, row)}`.trim();
  const named = (some: readonly number[]): string =>
    `${some.slice(0, MOST_NAMED).map(name).join('; ')}${some.length > MOST_NAMED ? `; and ${some.length - MOST_NAMED} more` : ''}`;
  const out = statuses.filter(({ state }) => state === 'left out');
  const say = (text: string, indent = ''): string[] => linesOf(text, TEXT.signs).map((line) => `${indent}${line}`);
  return [
    ...say(`${job.name}: ${piece.name}, printed for the rows of ${rows.table.name}`),
    '',
    `${statuses.length} rows in = ${printed} printed + ${out.length} left out`,
    `Of the printed: ${counts.error} with an error, ${counts.warning} with a warning`,
    '',
    ...(out.length > 0
      ? ['Left out', ...out.slice(0, 200).flatMap(({ row, why }) => say(`${name(row)}: ${why}`, '  ')), '']
      : []),
    findings.length > 0 ? 'What was found' : 'No findings in any row.',
    ...findings.flatMap(({ severity, problem, rows: having }) => [
      ...say(`${SEVERITY[severity]}: ${problem}`, '  '),
      ...say(
        having.length >= printed
          ? 'In every row'
          : `${having.length === 1 ? 'In one row' : `In ${having.length} rows`}: ${named(having)}`,
        '    ',
      ),
    ]),
    ...(unread.length > 0 ? say(`Not looked at one by one: ${named(unread)}`, '  ') : []),
    '',
    'The rows to look at first are on the next pages, then all rows.',
    ...hard.flatMap(({ row, why }) => say(`${name(row)}: ${why.join(', ')}`, '  ')),
    '',
    '',
    'Please read every word, name and number. Colours on a screen are not those of the press.',
    'Once this is signed, it is printed as it is.',
    '',
    'Name                                        Date                                        Signature',
    '______________________________      ____________________      ______________________________',
  ];
}
