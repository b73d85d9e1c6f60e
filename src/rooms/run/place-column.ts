import { nanoid } from 'nanoid';
import { inkBounds } from '../../../core/devices/bounds';
import { type Box, outset } from '../../../core/geometry/box';
import { freeRoom } from '../../../core/geometry/free-room';
import { addElement } from '../../../core/job/edits/elements';
import { quoteOfColumn } from '../../../core/job/edits/runs';
import { makeCode, makeWords } from '../../../core/job/make';
import type { Element } from '../../../core/job/schema';
import type { Column } from '../../../core/job/table';
import type { Rows } from '../../../core/run/rows';
import { elementBox } from '../../../core/scene/face';
import { toPoints } from '../../../core/units/length';
import type { Bench } from '../../bench/bench';
import { act, select } from '../../store/session';

/** What covers this much of the safe zone is a ground: things are placed on it. */
const GROUND = 0.6;

/** Where a box of a size lies free on the side that is shown; undefined where it nowhere does. */
function placeFor({ piece, face, shop, sources }: Bench, size: Size): { x: number; y: number } | undefined {
  const safe = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, -shop.safe[piece.kind]);
  const taken = face.elements.flatMap((element): Box[] => {
    if (element.hidden) return [];
    const box = inkBounds(element, sources) ?? elementBox(element, sources);
    return box.width * box.height > GROUND * safe.width * safe.height ? [] : [outset(box, 3)];
  });
  return freeRoom(safe, taken, size);
}
type Size = { width: number; height: number };
const middle = ({ piece }: Bench, { width, height }: Size) => ({
  x: (piece.width - width) / 2,
  y: (piece.height - height) / 2,
});

/** Room is looked for as wide as the longest text asks, then as most of them do. */
const SHARES = [1, 0.9, 0.75, 0.5, 0];

/** The text that is longer than so much of all a column says, 0 to 1. */
const textAt = (sorted: readonly string[], share: number): string =>
  sorted[Math.floor(share * (sorted.length - 1))] ?? '';

type Ink = { ink: string; tint: number };

function wordsFor(
  bench: Bench,
  { numbers, cell }: Rows,
  column: Column,
  said: string,
  id: string,
  paint: Ink,
): Element {
  const sorted = numbers.map((row) => cell(row, column.key)).sort((a, b) => a.length - b.length);
  const words = (text: string) =>
    makeWords({ id, text: text || column.name, x: 0, y: 0, lettering: { size: 9, paint } });
  const sizes = SHARES.map((share) => elementBox(words(textAt(sorted, share)), bench.sources));
  const found = sizes.map((size) => placeFor(bench, size)).find((at) => at !== undefined);
  const text = said.replace(/\r?\n/g, '\u2028');
  const at = found ?? middle(bench, sizes.at(-1)!);
  return { ...words(said), ...at, paragraphs: [{ spans: [{ text, quote: quoteOfColumn(column.key) }] }] };
}

function codeFor(bench: Bench, column: Column, said: string, id: string, paint: Ink): Element {
  const size = { width: toPoints(20, 'mm'), height: toPoints(20, 'mm') };
  const at = placeFor(bench, size) ?? middle(bench, size);
  const code = makeCode({ id, symbology: 'qrcode', text: said || column.name, ...at, ...size, paint });
  return { ...code, byRow: { from: column.key } };
}

/** Places a column on the side that is shown: as text that quotes it, or as a code that holds it. */
export function placeColumn(bench: Bench, rows: Rows, column: Column, as: 'words' | 'code', said: string): void {
  const id = nanoid(10);
  const ink = bench.job.inks.find((each) => each.id === 'black') ?? bench.job.inks[0]!;
  const paint = { ink: ink.id, tint: 1 };
  const element =
    as === 'code' ? codeFor(bench, column, said, id, paint) : wordsFor(bench, rows, column, said, id, paint);
  act(`Place ${column.name}`, (job) => addElement(job, bench.face.id, element));
  select(id);
}
