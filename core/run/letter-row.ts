import { quoteOfColumn } from '../job/edits/runs';
import type { LetterText } from '../job/letters';
import { makeWords } from '../job/make';
import type { Face, Job, Piece, Words } from '../job/schema';
import { letterPages } from '../scene/letter-pages';
import type { SceneSources } from '../scene/sources';
import { holds } from './condition';
import type { Rows } from './rows';

/** A letter written to each row: what its words quote filled in, and the paragraphs that the row gets. */

/** A column in the words of a letter: its key in braces. */
const QUOTED = /\{([a-z][a-z0-9-]{0,39})\}/g;

export const columnInLetter = (key: string): string => `{${key}}`;

/** The letter that a piece is printed with for each row. */
export const letterOfRun = ({ run, letters }: Pick<Piece, 'run' | 'letters'>): LetterText | undefined =>
  run?.letter === undefined ? undefined : letters?.find(({ id }) => id === run.letter);

const FIELDS = ['recipient', 'date', 'salutation', 'body'] as const;

/** The columns that a letter quotes or asks, of those that the table has. */
export function columnsOfLetter(letter: LetterText, { table }: Rows): string[] {
  const known = new Set(table.columns.map(({ key }) => key));
  const quoted = FIELDS.flatMap((field) => [...letter[field].matchAll(QUOTED)].map(([, key]) => key!));
  const asked = (letter.shown ?? []).flatMap(({ when }) => when.tests.map(({ of }) => of));
  return [...new Set([...quoted, ...asked])].filter((key) => known.has(key));
}

/** What in a letter stands in braces and is no column of the table. */
export function strangersInLetter(letter: LetterText, { table }: Rows): string[] {
  const known = new Set(table.columns.map(({ key }) => key));
  return [...new Set(FIELDS.flatMap((field) => [...letter[field].matchAll(QUOTED)].map(([, key]) => key!)))].filter(
    (key) => !known.has(key),
  );
}

/** A letter as a row gets it. Lines that only quote, and whose cells are all empty, close up. */
export function letterForRow(letter: LetterText, { table, cell }: Rows, row: number): LetterText {
  const known = new Set(table.columns.map(({ key }) => key));
  const filled = (line: string, breaks: string): string | undefined => {
    let quotes = 0;
    let said = '';
    const text = line.replace(QUOTED, (whole, key: string) => {
      if (!known.has(key)) return whole;
      quotes++;
      const found = cell(row, key);
      said += found;
      return found.replace(/\r?\n/g, breaks);
    });
    return quotes > 0 && said === '' && text.replace(/[\s,;.:·|–-]/g, '') === '' ? undefined : text;
  };
  const lines = (text: string, breaks: string, shown: (line: number) => boolean = () => true): string =>
    text
      .split('\n')
      .flatMap((line, i) => (shown(i) ? (filled(line, breaks) ?? []) : []))
      .join('\n');
  const when = new Map((letter.shown ?? []).map((each) => [each.line, each.when]));
  const isShown = (line: number): boolean => {
    const asked = when.get(line);
    return !asked || holds(asked, (key) => cell(row, key));
  };
  return {
    ...letter,
    recipient: lines(letter.recipient, '\n'),
    date: filled(letter.date, ' ') ?? '',
    salutation: filled(letter.salutation, ' ') ?? '',
    body: lines(letter.body, '\u2028', isShown),
  };
}

/** The sheets of a letter to a row: the sides of the letterhead as they are for it, with the letter's words on them. */
export function letterFaces(
  job: Job,
  piece: Piece,
  letter: LetterText,
  rows: Rows,
  row: number,
  sides: readonly Face[],
  sources: SceneSources,
): Face[] {
  const sheets = letterPages(piece, letterForRow(letter, rows, row), job, sources, false);
  return sheets.map(({ elements, name }, n) => {
    const side = sides[Math.min(n, sides.length - 1, 1)]!;
    const art = side.elements.filter((element) => !element.sample);
    return {
      ...side,
      name,
      id: n < sides.length && n < 2 ? side.id : `${side.id}~${n + 1}`,
      elements: [...art, ...elements],
    };
  });
}

/** The side of the letterhead that a sheet of a letter is on. */
export const sideOfSheet = (face: string): string => face.replace(/~\d+$/, '');

/** All that a letter may say, as words that quote columns: what its typeface has to have. */
export function wordsOfLetter(letter: LetterText, rows: Rows, typeface: string): Words {
  const words = makeWords({ id: 'letter', text: '', x: 0, y: 0, lettering: { typeface } });
  const quotes = columnsOfLetter(letter, rows).map((key) => ({ text: '', quote: quoteOfColumn(key) }));
  return { ...words, paragraphs: [{ spans: [...FIELDS.map((field) => ({ text: letter[field] })), ...quotes] }] };
}
