import { zlibSync } from 'fflate';
import { bytesOf, LOCAL, type LocalObject, type Payload, placedBody, SHARED_PICTURE } from './objects';

/**
 * A PDF put together as its rows come: what all rows share first, then each row's own objects and pages, the page tree and
 * the table of places last. What is kept meanwhile is a few numbers a row, so that a hundred thousand rows take no memory.
 * The same rows give the same bytes, whoever made them and in however many parts.
 */

/** What a file has before its rows, and what its end is made of. */
export interface Frame {
  /** From the head of the file to the first object of a row. */
  shared: Uint8Array;
  /** Where each of the shared objects begins; 0 for those that are written at the end. Index 0 is object 1. */
  offsets: number[];
  catalog: number;
  info: number;
  /** Numbers that are kept free for the roots of pages and of document parts, and for the list of rows. */
  pages: number;
  parts: number;
  list: number;
  /** Entries that every page takes from the root: a box, a group. */
  inherited: string;
  /** Entries of a page of each kind, its shared content and resources as numbers of objects. */
  kinds: { entries: string; content: number; resources: number }[];
  /** 32 hexadecimal digits that tell the job and what was asked of it. */
  id: string;
  /** Whether rows are document parts (ISO 16612-2), and what the levels of their tree are called. */
  variable: boolean;
}

/** Bytes are handed on as they come. */
export type Sink = (bytes: Uint8Array) => void;

/** Pages under one node of the tree: readers then open a page of a large file without reading all of it. */
const PAGES_A_NODE = 256;
const PARTS_A_NODE = 512;

/** A list of numbers that grows without boxing them. */
function numberList() {
  let kept = new Float64Array(1024);
  let length = 0;
  return {
    push(n: number): void {
      if (length === kept.length) {
        const more = new Float64Array(kept.length * 2);
        more.set(kept);
        kept = more;
      }
      kept[length++] = n;
    },
    set(i: number, n: number): void {
      kept[i] = n;
    },
    get: (i: number): number => kept[i]!,
    get length() {
      return length;
    },
  };
}

export interface Assembler {
  add(payload: Payload): void;
  /** Writes what comes after the rows. The file is whole then. */
  end(): { bytes: number; pages: number };
}

/** Begins a file. What it is made of is written to the sink in order. */
export function assembler(frame: Frame, sink: Sink): Assembler {
  let at = 0;
  const put = (bytes: Uint8Array): void => {
    sink(bytes);
    at += bytes.length;
  };
  const say = (text: string): void => put(bytesOf(text));
  const offsets = numberList();
  for (const offset of frame.offsets) offsets.push(offset);
  put(frame.shared);
  const next = (): number => {
    offsets.push(0);
    return offsets.length;
  };
  const begin = (number: number): void => {
    offsets.set(number - 1, at);
    say(`${number} 0 obj\n`);
  };
  const object = (number: number, body: string | Uint8Array[]): void => {
    begin(number);
    if (typeof body === 'string') say(body);
    else for (const part of body) put(part);
    say('\nendobj\n\n');
  };

  const nodes: { number: number; count: number }[] = [];
  let node: { number: number; kids: number[] } | undefined;
  const closeNode = (): void => {
    if (!node) return;
    const kids = node.kids.map((kid) => `${kid} 0 R`).join(' ');
    object(node.number, `<</Type/Pages/Parent ${frame.pages} 0 R/Count ${node.kids.length}/Kids[${kids}]>>`);
    nodes.push({ number: node.number, count: node.kids.length });
    node = undefined;
  };
  const pictures = new Map<string, number>();
  const parts: number[] = [];
  let partNode: { number: number; kids: number[] } | undefined;
  const closeParts = (): void => {
    if (!partNode) return;
    const kids = partNode.kids.map((kid) => `${kid} 0 R`).join(' ');
    object(partNode.number, `<</Type/DPart/Parent ${frame.parts} 0 R/DParts[[${kids}]]>>`);
    parts.push(partNode.number);
    partNode = undefined;
  };
  const { shared, info, inherited, kinds } = frame;
  const list: string[] = [
    JSON.stringify({ shared: shared.length, count: frame.offsets.length, info, inherited, kinds }),
  ];
  let pages = 0;

  function addObjects(objects: readonly LocalObject[], numbers: readonly number[], shown: readonly number[]): void {
    const numberOf = (local: number): number =>
      local >= SHARED_PICTURE ? shown[local - SHARED_PICTURE]! : numbers[local - LOCAL]!;
    for (const [i, each] of objects.entries()) object(numbers[i]!, placedBody(each, numberOf));
  }

  return {
    add({ unit, objects, pictures: seen, pages: own, metadata }) {
      const told: string[] = [];
      const shown = seen.map(({ key, objects: made }) => {
        const found = pictures.get(key);
        if (found !== undefined) {
          told.push(key);
          return found;
        }
        if (made.length === 0) throw new Error(`The picture ${key} was not handed on.`);
        const numbers = made.map(next);
        addObjects(made, numbers, []);
        // The picture itself is the last: what it needs comes before it.
        pictures.set(key, numbers.at(-1)!);
        told.push(`${key}:${numbers[0]}:${numbers.length}`);
        return numbers.at(-1)!;
      });
      const numbers = objects.map(next);
      addObjects(objects, numbers, shown);
      const part = frame.variable ? next() : 0;
      const written: number[] = [];
      for (const page of own) {
        node ??= { number: next(), kids: [] };
        const kind = frame.kinds[page.face]!;
        const number = next();
        const content = page.content < 0 ? kind.content : numbers[page.content]!;
        const resources = page.resources < 0 ? kind.resources : numbers[page.resources]!;
        const inPart = part ? `/DPart ${part} 0 R` : '';
        object(
          number,
          `<</Type/Page/Parent ${node.number} 0 R${kind.entries}${inPart}/Resources ${resources} 0 R/Contents ${content} 0 R>>`,
        );
        node.kids.push(number);
        written.push(number);
        pages++;
        if (node.kids.length === PAGES_A_NODE) closeNode();
      }
      if (part && written.length > 0) {
        partNode ??= { number: next(), kids: [] };
        const [first] = written;
        const last = written.at(-1)!;
        const span = last === first ? `/Start ${first} 0 R` : `/Start ${first} 0 R/End ${last} 0 R`;
        object(part, `<</Type/DPart/Parent ${partNode.number} 0 R${span}${metadata ? `/DPM${metadata}` : ''}>>`);
        partNode.kids.push(part);
        if (partNode.kids.length === PARTS_A_NODE) closeParts();
      }
      const sides = own.map(({ face, content, resources }) => `${face}.${content}.${resources}`).join('+');
      list.push([unit, numbers[0] ?? 0, numbers.length, part, sides, told.join('+')].join(','));
    },
    end() {
      closeNode();
      closeParts();
      const kids = nodes.map(({ number }) => `${number} 0 R`).join(' ');
      object(frame.pages, `<</Type/Pages/Count ${pages}/Kids[${kids}]${frame.inherited}>>`);
      if (frame.variable) object(frame.parts, `<</Type/DPart/DParts[[${parts.map((n) => `${n} 0 R`).join(' ')}]]>>`);
      const packed = zlibSync(bytesOf(list.join('\n')), { level: 5 });
      object(frame.list, [
        bytesOf(`<</Filter/FlateDecode/Length ${packed.length}>>\nstream\n`),
        packed,
        bytesOf('\nendstream'),
      ]);
      const start = at;
      say(`xref\n0 ${offsets.length + 1}\n0000000000 65535 f \n`);
      let lines = '';
      for (let i = 0; i < offsets.length; i++) {
        // A number that was kept free and not needed is free.
        const offset = offsets.get(i);
        lines += offset > 0 ? `${`${offset}`.padStart(10, '0')} 00000 n \n` : '0000000000 00000 f \n';
        if (lines.length > 60_000) {
          say(lines);
          lines = '';
        }
      }
      say(lines);
      say(
        `trailer\n<</Size ${offsets.length + 1}/Root ${frame.catalog} 0 R/Info ${frame.info} 0 R/ID[<${frame.id}><${frame.id}>]>>\nstartxref\n${start}\n%%EOF\n`,
      );
      return { bytes: at, pages };
    },
  };
}
