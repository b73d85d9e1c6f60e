import { unzlibSync } from 'fflate';
import { ExportError } from '../../files/pdf/asked';
import type { Frame } from './assemble';
import { LOCAL, type LocalObject, type Payload, SHARED_PICTURE } from './objects';

/**
 * Parts of a run put together: each part is a file of its own, with the list of its rows. What is joined is, byte for byte,
 * the file that would have been written at once.
 */

const latin = new TextDecoder('latin1');
const said = (bytes: Uint8Array, from: number, to: number): string => latin.decode(bytes.subarray(from, to));

/** A file of rows, opened: its frame, and its rows one after another. */
export interface Part {
  name: string;
  frame: Frame;
  rows: number[];
  payload(i: number): Payload;
}

const broken = (name: string): ExportError =>
  new ExportError(`${name} is no part of a run, or was cut short. Write it again with --rows.`);

function numberAfter(text: string, word: string): number | undefined {
  const found = new RegExp(`${word} (\\d+) 0 R`).exec(text);
  return found ? Number(found[1]) : undefined;
}

/** Where each object begins, by its number from 1; 0 for those that are free. */
function offsetsOf(bytes: Uint8Array, name: string): { offsets: number[]; trailer: string } {
  const tail = said(bytes, Math.max(0, bytes.length - 64), bytes.length);
  const start = Number(/startxref\n(\d+)\n%%EOF\n$/.exec(tail)?.[1] ?? Number.NaN);
  const head = /^xref\n0 (\d+)\n/.exec(said(bytes, start, start + 40));
  if (!head) throw broken(name);
  const count = Number(head[1]);
  const from = start + head[0].length;
  const table = said(bytes, from, from + 20 * count);
  const offsets = Array.from({ length: count - 1 }, (_, i) => {
    const line = table.slice(20 * (i + 1), 20 * (i + 2));
    return line[17] === 'n' ? Number(line.slice(0, 10)) : 0;
  });
  return { offsets, trailer: said(bytes, from + 20 * count, bytes.length) };
}

const END = '\nendobj\n\n';

/** The body of an object: from after `n 0 obj` to `endobj`. An object ends where the next one begins. */
function bodies(bytes: Uint8Array, offsets: readonly number[], name: string) {
  const starts = Float64Array.from(offsets.filter((at) => at > 0)).sort();
  const after = (at: number): number => {
    let [low, high] = [0, starts.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (starts[middle]! > at) high = middle;
      else low = middle + 1;
    }
    return low < starts.length ? starts[low]! : bytes.lastIndexOf(0x78);
  };
  return (number: number): Uint8Array => {
    const at = offsets[number - 1] ?? 0;
    const head = `${number} 0 obj\n`;
    if (at === 0 || said(bytes, at, at + head.length) !== head) throw broken(name);
    const next = after(at);
    // Of the last object the table of places begins where it ends.
    const text = said(bytes, next - END.length, next);
    const end = text === END ? next - END.length : endOf(bytes, at);
    return bytes.subarray(at + head.length, end);
  };
}
function endOf(bytes: Uint8Array, from: number): number {
  for (let at = from; at < bytes.length; at++)
    if (bytes[at] === 0x0a && said(bytes, at, at + END.length) === END) return at;
  return bytes.length;
}

/** The numbers in a body's dictionary, those of its row as they were before they had a place. */
function unplaced(body: Uint8Array, toLocal: (number: number) => number | undefined): LocalObject {
  const stream = said(body, 0, body.length).indexOf('stream');
  const head = stream < 0 ? body.length : stream;
  const text = said(body, 0, head);
  let refers = false;
  const changed = text.replace(/\b(\d+) 0 R\b/g, (all, number: string) => {
    const local = toLocal(Number(number));
    if (local === undefined) return all;
    refers = true;
    return `${local} 0 R`;
  });
  if (!refers) return { body, refers };
  const start = Uint8Array.from(changed, (sign) => sign.charCodeAt(0));
  const joined = new Uint8Array(start.length + body.length - head);
  joined.set(start);
  joined.set(body.subarray(head), start.length);
  return { body: joined, refers };
}

/** Opens a part that `assembler` wrote. Throws ExportError with words for the user. */
export function openPart(name: string, bytes: Uint8Array): Part {
  const { offsets, trailer } = offsetsOf(bytes, name);
  const bodyOf = bodies(bytes, offsets, name);
  const text = (number: number | undefined): string => {
    if (number === undefined) throw broken(name);
    const body = bodyOf(number);
    return said(body, 0, Math.min(body.length, 4_000_000));
  };
  const catalog = numberAfter(trailer, '/Root');
  const root = text(catalog);
  const list = numberAfter(root, '/TDYE_Rows');
  const pages = numberAfter(root, '/Pages');
  const partsRoot = numberAfter(root, '/DPartRoot');
  const parts = partsRoot === undefined ? (pages ?? 0) + 1 : numberAfter(text(partsRoot), '/DPartRootNode');
  const id = /\/ID\[<([0-9a-f]{32})>/.exec(trailer)?.[1];
  if (list === undefined || pages === undefined || catalog === undefined || id === undefined) throw broken(name);
  const packed = bodyOf(list);
  const from = said(packed, 0, 200).indexOf('stream\n') + 7;
  let lines: string[];
  try {
    lines = latin.decode(unzlibSync(packed.subarray(from, packed.length - '\nendstream'.length))).split('\n');
  } catch {
    throw broken(name);
  }
  const [head, ...rows] = lines;
  const told = JSON.parse(head!) as {
    shared: number;
    count: number;
    info: number;
    inherited: string;
    kinds: Frame['kinds'];
  };
  const frame: Frame = {
    shared: bytes.subarray(0, told.shared),
    offsets: offsets
      .slice(0, told.count)
      .map((at, i) => (i + 1 === pages || i + 1 === parts || i + 1 === list ? 0 : at)),
    catalog,
    info: told.info,
    pages,
    parts: parts ?? 0,
    list,
    inherited: told.inherited,
    kinds: told.kinds,
    id,
    variable: partsRoot !== undefined,
  };
  // Pictures stand in the list where they were first shown; later rows name them.
  const seen = new Map<string, number>();
  const read = rows
    .filter((line) => line !== '')
    .map((line) => {
      const [unit, first, count, part, kinds, pictures] = line.split(',') as [
        string,
        string,
        string,
        string,
        string,
        string,
      ];
      const shown =
        pictures === '' ? [] : pictures.split('+').map((each) => each.split(':') as [string, string?, string?]);
      for (const [key, at, many] of shown) if (at !== undefined) seen.set(key, Number(at) + Number(many) - 1);
      return { unit: Number(unit), first: Number(first), count: Number(count), part: Number(part), kinds, shown };
    });
  return {
    name,
    frame,
    rows: read.map(({ unit }) => unit),
    payload(i) {
      const { unit, first, count, part, kinds, shown } = read[i]!;
      const pictureAt = new Map(shown.map(([key], k) => [seen.get(key)!, SHARED_PICTURE + k]));
      const local = (number: number): number | undefined =>
        number >= first && number < first + count ? LOCAL + number - first : pictureAt.get(number);
      const metadata = part ? /\/DPM(<<.*>>)>>$/s.exec(text(part))?.[1] : undefined;
      return {
        unit,
        objects: Array.from({ length: count }, (_, k) => unplaced(bodyOf(first + k), local)),
        pictures: shown.map(([key, at, many]) => ({
          key,
          objects:
            at === undefined
              ? []
              : Array.from({ length: Number(many) }, (_, k) =>
                  unplaced(bodyOf(Number(at) + k), (number) =>
                    number >= Number(at) && number < Number(at) + Number(many)
                      ? LOCAL + number - Number(at)
                      : undefined,
                  ),
                ),
        })),
        pages:
          kinds === ''
            ? []
            : kinds.split('+').map((each) => {
                const [face, content, resources] = each.split('.').map(Number) as [number, number, number];
                return { face, content, resources };
              }),
        ...(metadata ? { metadata } : {}),
      };
    },
  };
}

const sameBytes = (a: Uint8Array, b: Uint8Array): boolean =>
  a.length === b.length && a.every((byte, i) => byte === b[i]);

/** Says in which order parts are joined, and refuses those of other runs, and rows that come twice. Throws ExportError. */
export function refuseStrangers(parts: readonly Part[]): void {
  const [first] = parts;
  if (!first) throw new ExportError('There are no parts to join.');
  const seen = new Map<number, string>();
  for (const { name, frame, rows } of parts) {
    if (frame.id !== first.frame.id || !sameBytes(frame.shared, first.frame.shared))
      throw new ExportError(
        `${name} is of another run than ${first.name}: the job, the table or what was asked differ. Write it again.`,
      );
    for (const row of rows) {
      const before = seen.get(row);
      if (before !== undefined)
        throw new ExportError(`Row ${row + 1} is in ${before} and in ${name}. Leave one of them out.`);
      seen.set(row, name);
    }
  }
}
