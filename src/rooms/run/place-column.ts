import { nanoid } from 'nanoid';
import { isAddress } from '../../../core/checks/meant-for';
import { codeColumns } from '../../../core/codes/symbols';
import { bottom } from '../../../core/geometry/box';
import { addElement } from '../../../core/job/edits/elements';
import { quoteOfColumn } from '../../../core/job/edits/runs';
import { makeCode, makeWords } from '../../../core/job/make';
import type { Element } from '../../../core/job/schema';
import type { Column } from '../../../core/job/table';
import type { Rows } from '../../../core/run/rows';
import { elementBox } from '../../../core/scene/face';
import { roundIn, toPoints } from '../../../core/units/length';
import type { Bench } from '../../bench/bench';
import { freePlace, inMiddle, isFree, roomOn } from '../../bench/free-place';
import { act, select } from '../../store/session';

/** What lies free of everything else lies so many points from it. */
const CLEAR = 3;

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
  const room = roomOn(bench);
  const found = sizes.map((size) => freePlace(room, size, CLEAR)).find((at) => at !== undefined);
  const text = said.replace(/\r?\n/g, '\u2028');
  const at = found ?? inMiddle(bench, sizes.at(-1)!);
  return { ...words(said), ...at, paragraphs: [{ spans: [{ text, quote: quoteOfColumn(column.key) }] }] };
}

function codeFor(bench: Bench, column: Column, said: string, id: string, paint: Ink): Element {
  const side = roundIn(bench.unit, 20, 3 / 4);
  const size = { width: side, height: side };
  const at = freePlace(roomOn(bench), size, CLEAR) ?? inMiddle(bench, size);
  const code = makeCode({ id, symbology: 'qrcode', text: said || column.name, ...at, ...size, paint });
  return { ...code, byRow: { from: column.key } };
}

/** From the code to the address that it belongs to, and a bar's share of it high: common practice. */
const TO_ADDRESS = toPoints(4, 'mm');
const HIGH = toPoints(5, 'mm');
/** A bar with its space, as wide as all of these posts read (USPS-B-3200: 20 to 24 an inch; Royal Mail alike; from memory). */
const BAR = toPoints(0.55, 'mm');

/** The post's own code: below the address or above it, where there is room; only for rows whose address has one. */
function postCodeFor(bench: Bench, { numbers, cell }: Rows, column: Column, id: string, paint: Ink): Element {
  const symbology = (column.made as Extract<Column['made'], { kind: 'post' }>).code;
  const said = numbers.map((row) => cell(row, column.key)).filter((text) => text !== '');
  const longest = said.reduce((a, b) => (b.length > a.length ? b : a), '');
  const text = longest || SAMPLES[symbology];
  const size = { width: codeColumns(symbology, text) * BAR, height: HIGH };
  const address = bench.face.elements.find((element) => isAddress(element, bench.job, bench.sheet));
  const safe = bench.shop.safe[bench.piece.kind];
  const beside = address && elementBox(address, bench.sources);
  const wished = beside
    ? [bottom(beside) + TO_ADDRESS, beside.y - TO_ADDRESS - size.height].flatMap((y) =>
        [beside.x, bench.piece.width - safe - size.width].map((x) => ({ x, y })),
      )
    : [];
  const room = roomOn(bench);
  const at =
    wished.find((each) => isFree(room, { ...each, ...size })) ?? freePlace(room, size, CLEAR) ?? inMiddle(bench, size);
  const when = { every: true, tests: [{ of: column.key, test: 'is not empty' as const, to: '' }] };
  return { ...makeCode({ id, symbology, text, ...at, ...size, paint }), byRow: { from: column.key, shown: when } };
}
const SAMPLES = { royalmail: 'LE28HS9Z', kix: '2500GG30250', imb: '0123456709498765432101234567891' } as const;

/** Places a column on the side that is shown: as text that quotes it, or as a code that holds it. */
export function placeColumn(bench: Bench, rows: Rows, column: Column, as: 'words' | 'code', said: string): void {
  const id = nanoid(10);
  const ink = bench.job.inks.find((each) => each.id === 'black') ?? bench.job.inks[0]!;
  const paint = { ink: ink.id, tint: 1 };
  const element =
    as === 'code' && column.made?.kind === 'post'
      ? postCodeFor(bench, rows, column, id, paint)
      : as === 'code'
        ? codeFor(bench, column, said, id, paint)
        : wordsFor(bench, rows, column, said, id, paint);
  act(`Place ${column.name}`, (job) => addElement(job, bench.face.id, element));
  select(id);
}
