import type { Rows } from './rows';

/** Rows that may be the same: nothing is merged, they are shown beside one another. */

export interface Alike {
  rows: number[];
  /** Whether they are the same to the letter, but for capitals and spaces. */
  exact: boolean;
}

/** Ways of writing one word in addresses (from memory of the posts' lists of abbreviations). */
const SHORT: Readonly<Record<string, string>> = {
  street: 'st',
  str: 'st',
  strasse: 'st',
  straße: 'st',
  road: 'rd',
  avenue: 'ave',
  av: 'ave',
  lane: 'ln',
  drive: 'dr',
  square: 'sq',
  court: 'ct',
  boulevard: 'blvd',
  apartment: 'apt',
  flat: 'apt',
  north: 'n',
  south: 's',
  east: 'e',
  west: 'w',
  mister: 'mr',
  saint: 'st',
};

/** What is the same but for spelling: no accents, signs or capitals, words in order, short forms for long. */
function folded(text: string): string {
  const words = text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
    .split(' ');
  return words
    .map((word) => SHORT[word] ?? word)
    .sort()
    .join(' ');
}
const exactly = (text: string): string => text.toLowerCase().replace(/\s+/g, ' ').trim();

/** Letters without those that are doubled or mistaken: names that sound alike come out the same. */
const bare = (text: string): string =>
  text
    .replace(/(.)\1+/g, '$1')
    .replace(/ph/g, 'f')
    .replace(/[ckq]+/g, 'k')
    .replace(/[iy]/g, 'i');

/** Groups of rows that say the same in some columns, but for spelling; in the order of their first. */
export function alikeRows(rows: Rows, keys: readonly string[]): Alike[] {
  const groups = new Map<string, number[]>();
  for (const row of rows.numbers) {
    const said = keys.map((key) => rows.cell(row, key));
    if (said.every((text) => text === '')) continue;
    const mark = said.map((text) => bare(folded(text))).join('|');
    const group = groups.get(mark);
    if (group) group.push(row);
    else groups.set(mark, [row]);
  }
  return [...groups.values()].flatMap((group): Alike[] => {
    if (group.length < 2) return [];
    const spelt = new Set(group.map((row) => keys.map((key) => exactly(rows.cell(row, key))).join('|')));
    return [{ rows: group, exact: spelt.size === 1 }];
  });
}
