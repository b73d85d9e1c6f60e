import { nanoid } from 'nanoid';
import { inkBounds } from '../../../core/devices/bounds';
import { type Box, outset } from '../../../core/geometry/box';
import { freeRoom } from '../../../core/geometry/free-room';
import { addElement } from '../../../core/job/edits/elements';
import { quoteOfColumn } from '../../../core/job/edits/runs';
import { makeCode, makeWords } from '../../../core/job/make';
import type { Element } from '../../../core/job/schema';
import type { Column, Table } from '../../../core/job/table';
import { elementBox } from '../../../core/scene/face';
import { toPoints } from '../../../core/units/length';
import type { Bench } from '../../bench/bench';
import { act, select } from '../../store/session';

/** What covers this much of the safe zone is a ground: things are placed on it. */
const GROUND = 0.6;

/** Where a box of a size lies free on the side that is shown; the middle where it nowhere does. */
function placeFor(
  { piece, face, shop, sources }: Bench,
  size: { width: number; height: number },
): { x: number; y: number } {
  const safe = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, -shop.safe[piece.kind]);
  const taken = face.elements.flatMap((element): Box[] => {
    if (element.hidden) return [];
    const box = inkBounds(element, sources) ?? elementBox(element, sources);
    return box.width * box.height > GROUND * safe.width * safe.height ? [] : [outset(box, 3)];
  });
  return freeRoom(safe, taken, size) ?? { x: (piece.width - size.width) / 2, y: (piece.height - size.height) / 2 };
}

/** Places a column on the side that is shown: as text that quotes it, or as a code that holds it. */
export function placeColumn(bench: Bench, table: Table, column: Column, as: 'words' | 'code', said: string): void {
  const id = nanoid(10);
  const black = { ink: 'black', tint: 1 };
  const ink = bench.job.inks.some((each) => each.id === 'black') ? black : { ink: bench.job.inks[0]!.id, tint: 1 };
  let element: Element;
  if (as === 'code') {
    const side = toPoints(20, 'mm');
    const at = placeFor(bench, { width: side, height: side });
    const code = makeCode({
      id,
      symbology: 'qrcode',
      text: said || column.name,
      ...at,
      width: side,
      height: side,
      paint: ink,
    });
    element = { ...code, byRow: { from: column.key } };
  } else {
    const words = makeWords({ id, text: said || column.name, x: 0, y: 0, lettering: { size: 9, paint: ink } });
    const { width, height } = elementBox(words, bench.sources);
    const at = placeFor(bench, { width, height });
    const text = (said || '').replace(/\r?\n/g, '\u2028');
    element = { ...words, ...at, paragraphs: [{ spans: [{ text, quote: quoteOfColumn(column.key) }] }] };
  }
  act(`Place ${column.name}`, (job) =>
    job.tables.some(({ id: each }) => each === table.id) ? addElement(job, bench.face.id, element) : job,
  );
  select(id);
}
