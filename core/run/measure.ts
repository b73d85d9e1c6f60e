import { codeColumns } from '../codes/symbols';
import { inkBounds } from '../devices/bounds';
import type { Box } from '../geometry/box';
import { isOfLetter } from '../job/letters';
import { plainText } from '../job/look';
import type { Element, Face } from '../job/schema';
import type { SceneSources } from '../scene/sources';
import { wordsSet } from '../scene/words';
import { facesFor, type RowFault, type RowPlan } from './row-piece';

/** Every row measured: how far what changes reaches, and what of it can make a finding. */

/** An element as it is in a row. */
export interface Measured {
  face: string;
  id: string;
  /** The box of its ink; undefined where it is not there or empty. */
  ink: Box | undefined;
  /** Lines and letters of text; 0 of anything else. */
  lines: number;
  letters: number;
  /** What tells it from other rows besides its size. */
  kind: string;
}

export interface RowMeasured {
  row: number;
  elements: Measured[];
  faults: readonly RowFault[];
  /** Rows of one class differ only in sizes. */
  key: string;
}

/** What in a text may be found fault with, whatever its size: a letter each. The checks themselves are asked for one of each kind. */
const MARKS: readonly [string, RegExp][] = [
  ['s', /[^\S\u2028\n]{2}/u],
  ['q', /["']/],
  ['h', /\s-\s|\d-\d|--/],
  ['p', /lorem|placeholder|xxx|\btbc\b|\btbd\b|\?\?/i],
  ['r', /\p{Script=Arabic}|\p{Script=Hebrew}/u],
  ['l', /https?:|www\.|@/i],
];

/** Typefaces that lack some letter of a text. */
const hasMissing = (element: Extract<Element, { kind: 'words' }>, sources: SceneSources): boolean =>
  wordsSet(element, sources).lines.some(({ runs }) => runs.some(({ glyphs }) => glyphs.some(({ id }) => id === 0)));

function kindOf(element: Element, sources: SceneSources, isLetter: boolean): Omit<Measured, 'face' | 'id' | 'ink'> {
  if (element.kind === 'words') {
    const set = wordsSet(element, sources);
    const text = plainText(element);
    const marks = MARKS.flatMap(([mark, pattern]) => (pattern.test(text) ? [mark] : [])).join('');
    const size = element.lettering.size ?? '';
    const missing = hasMissing(element, sources) ? 'm' : '';
    const ink = element.lettering.paint?.ink ?? '';
    const lines = set.lines.length;
    // The words of a letter stand in boxes of their own, however many lines they take.
    const kind = `${isLetter ? '' : lines}/${isLetter ? '' : set.hidden.length > 0 ? 'cut' : ''}/${marks}${missing}/${size}/${ink}`;
    return { lines, letters: text.length, kind };
  }
  const kind =
    element.kind === 'picture'
      ? element.asset
      : element.kind === 'code'
        ? `${codeColumns(element.symbology, element.text)} ${element.paint.ink}`
        : element.kind === 'rule' || element.kind === 'shape'
          ? JSON.stringify(element.paint)
          : '';
  return { lines: 0, letters: 0, kind };
}

/** A row's faces, and all that changes on them measured. */
export function measureRow(plan: RowPlan, row: number): RowMeasured & { faces: Face[] } {
  const { faces, faults } = facesFor(plan, row);
  const { letter } = plan;
  const isWritten = (id: string): boolean => letter !== undefined && isOfLetter(letter, id);
  const elements = faces.flatMap((face) =>
    face.elements.flatMap((element): Measured[] => {
      if (!plan.changing.has(element.id) || element.hidden || element.sample) return [];
      // A code fills its frame, whatever it says.
      const ink = element.kind === 'code' && !element.turn ? element : inkBounds(element, plan.sources);
      return [{ face: face.id, id: element.id, ink, ...kindOf(element, plan.sources, isWritten(element.id)) }];
    }),
  );
  const key = [
    faces.map(({ id }) => id).join('+'),
    ...elements.map(({ id, kind, ink }) => `${id}:${kind}${ink ? '' : '-'}`),
    ...faults.map(({ kind, element }) => `${kind} ${element}`),
  ].join('|');
  return { row, elements, faults, key, faces };
}

/** Why a row is hard. */
export const HARD = [
  'longest text',
  'emptiest',
  'widest',
  'tallest',
  'does not fit',
  'a picture is missing',
  'first',
  'last',
] as const;
export type Hard = (typeof HARD)[number];
export interface HardRow {
  row: number;
  why: Hard[];
}

/** The rows to look at first: the extremes of all that were measured, by what they are extreme in. */
export function hardRows(measured: readonly RowMeasured[]): HardRow[] {
  const found = new Map<number, Hard[]>();
  const note = (row: number | undefined, why: Hard): void => {
    if (row === undefined) return;
    const known = found.get(row) ?? [];
    if (!known.includes(why)) found.set(row, [...known, why]);
  };
  const most = (of: (each: RowMeasured) => number): number | undefined => {
    let best: { row: number; value: number } | undefined;
    for (const each of measured) {
      const value = of(each);
      if (!best || value > best.value) best = { row: each.row, value };
    }
    return best?.row;
  };
  for (const { row } of measured.filter(({ faults }) => faults.some(({ kind }) => kind === 'does not fit')).slice(0, 3))
    note(row, 'does not fit');
  for (const { row } of measured.filter(({ faults }) => faults.some(({ kind }) => kind === 'no picture')).slice(0, 3))
    note(row, 'a picture is missing');
  const letters = ({ elements }: RowMeasured): number => elements.reduce((sum, each) => sum + each.letters, 0);
  note(most(letters), 'longest text');
  note(
    most((each) => -letters(each)),
    'emptiest',
  );
  // Of each element by itself: the widest name need not be in the row with the longest address.
  const ids = new Set(measured.flatMap(({ elements }) => elements.map(({ id }) => id)));
  const sizeOf = (each: RowMeasured, id: string, side: 'width' | 'height'): number =>
    each.elements.find((element) => element.id === id)?.ink?.[side] ?? 0;
  for (const id of ids) {
    note(
      most((each) => sizeOf(each, id, 'width')),
      'widest',
    );
    note(
      most((each) => sizeOf(each, id, 'height')),
      'tallest',
    );
  }
  note(measured[0]?.row, 'first');
  note(measured.at(-1)?.row, 'last');
  return [...found].map(([row, why]) => ({ row, why }));
}
