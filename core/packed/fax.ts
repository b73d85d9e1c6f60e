/**
 * Pictures packed as a fax sends them: in one dimension, or by how a row differs from the one above (ITU-T T.4 and T.6; the
 * tables of runs are T.4's 2 and 3).
 */

export interface FaxKind {
  /** Pixels in a row. */
  columns: number;
  rows: number;
  /** Less than 0: every row by the one above (T.6). 0: no row. More: each row says it. */
  k: number;
  /** Each row begins with a whole byte. */
  aligned: boolean;
  /** The first pixel is in the lowest bit of a byte, instead of its highest. */
  lowFirst?: boolean;
}

const WHITE_ENDS =
  '00110101 000111 0111 1000 1011 1100 1110 1111 10011 10100 00111 01000 001000 000011 110100 110101 101010 101011 0100111 0001100 0001000 0010111 0000011 0000100 0101000 0101011 0010011 0100100 0011000 00000010 00000011 00011010 00011011 00010010 00010011 00010100 00010101 00010110 00010111 00101000 00101001 00101010 00101011 00101100 00101101 00000100 00000101 00001010 00001011 01010010 01010011 01010100 01010101 00100100 00100101 01011000 01011001 01011010 01011011 01001010 01001011 00110010 00110011 00110100';
const BLACK_ENDS =
  '0000110111 010 11 10 011 0011 0010 00011 000101 000100 0000100 0000101 0000111 00000100 00000111 000011000 0000010111 0000011000 0000001000 00001100111 00001101000 00001101100 00000110111 00000101000 00000010111 00000011000 000011001010 000011001011 000011001100 000011001101 000001101000 000001101001 000001101010 000001101011 000011010010 000011010011 000011010100 000011010101 000011010110 000011010111 000001101100 000001101101 000011011010 000011011011 000001010100 000001010101 000001010110 000001010111 000001100100 000001100101 000001010010 000001010011 000000100100 000000110111 000000111000 000000100111 000000101000 000001011000 000001011001 000000101011 000000101100 000001011010 000001100110 000001100111';
const WHITE_MORE =
  '11011 10010 010111 0110111 00110110 00110111 01100100 01100101 01101000 01100111 011001100 011001101 011010010 011010011 011010100 011010101 011010110 011010111 011011000 011011001 011011010 011011011 010011000 010011001 010011010 011000 010011011';
const BLACK_MORE =
  '0000001111 000011001000 000011001001 000001011011 000000110011 000000110100 000000110101 0000001101100 0000001101101 0000001001010 0000001001011 0000001001100 0000001001101 0000001110010 0000001110011 0000001110100 0000001110101 0000001110110 0000001110111 0000001010010 0000001010011 0000001010100 0000001010101 0000001011010 0000001011011 0000001100100 0000001100101';
const EITHER_MORE =
  '00000001000 00000001100 00000001101 000000010010 000000010011 000000010100 000000010101 000000010110 000000010111 000000011100 000000011101 000000011110 000000011111';

const LONGEST = 13;
const NONE = -1;
/** What a code stands for, at the number that its bits are after a leading 1. */
type Codes = Int16Array;

function codes(...lists: (readonly [written: string, first: number, step: number])[]): Codes {
  const table: Codes = new Int16Array(2 << LONGEST).fill(NONE);
  for (const [written, first, step] of lists)
    for (const [i, bits] of written.split(' ').entries()) table[Number.parseInt(`1${bits}`, 2)] = first + i * step;
  return table;
}

const RUNS: readonly Codes[] = [
  codes([WHITE_ENDS, 0, 1], [WHITE_MORE, 64, 64], [EITHER_MORE, 1792, 64]),
  codes([BLACK_ENDS, 0, 1], [BLACK_MORE, 64, 64], [EITHER_MORE, 1792, 64]),
];

/** How far to the right of the change above a change lies, from 3 pixels to its left on; that it is passed over; that two runs follow. */
const [FARTHEST_LEFT, PASS, RUNS_FOLLOW] = [3, 7, 8];
const MODES = codes(['0000010 000010 010 1 011 000011 0000011', 0, 1], ['0001', PASS, 1], ['001', RUNS_FOLLOW, 1]);

/** Zeros before the 1 that ends a row. */
const END_OF_ROW = 11;

class Bits {
  at = 0;
  private readonly length: number;
  constructor(
    private readonly bytes: Uint8Array,
    private readonly lowFirst: boolean,
  ) {
    this.length = bytes.length * 8;
  }

  /** Past the end there are zeros. */
  peek(ahead: number): number {
    const at = this.at + ahead;
    const byte = this.bytes[at >> 3] ?? 0;
    return (byte >> (this.lowFirst ? at & 7 : 7 - (at & 7))) & 1;
  }

  /** What the next bits stand for; NONE where that is nothing, and then none is taken. */
  take(table: Codes): number {
    let key = 1;
    for (let n = 0; n < LONGEST; n++) {
      key = (key << 1) | this.peek(n);
      const found = table[key]!;
      if (found !== NONE) {
        this.at += n + 1;
        return found;
      }
    }
    return NONE;
  }

  align(): void {
    this.at = (this.at + 7) & ~7;
  }

  /** Takes the end of a row and the zeros that fill up before it, where one comes next. */
  takeEndOfRow(): boolean {
    let zeros = 0;
    while (this.at + zeros < this.length && this.peek(zeros) === 0) zeros++;
    if (zeros < END_OF_ROW || this.at + zeros >= this.length) return false;
    this.at += zeros + 1;
    return true;
  }
}

/** The length of a run of a colour, 0 white; NONE where there is none. */
function takeRun(bits: Bits, colour: number): number {
  let length = 0;
  for (;;) {
    const part = bits.take(RUNS[colour]!);
    if (part === NONE) return NONE;
    length += part;
    if (part < 64) return length;
  }
}

/** Where the colour changes along a row, white first; undefined where the row is damaged. */
function plainRow(bits: Bits, columns: number): number[] | undefined {
  const changes: number[] = [];
  let [at, colour] = [0, 0];
  while (at < columns) {
    const run = takeRun(bits, colour);
    if (run === NONE || at + run > columns) return undefined;
    at += run;
    changes.push(at);
    colour = 1 - colour;
  }
  return changes;
}

function rowByTheOneAbove(bits: Bits, columns: number, above: readonly number[]): number[] | undefined {
  const changes: number[] = [];
  let [at, colour, next] = [0, 0, 0];
  const isAtStart = (): boolean => at === 0 && changes.length === 0;
  while (at < columns) {
    // The first change above that lies to the right, to the other colour.
    while (next > 0 && (above[next - 1] ?? columns) > at) next--;
    while (next < above.length && ((!isAtStart() && above[next]! <= at) || (next & 1) !== colour)) next++;
    const change = above[next] ?? columns;
    const mode = bits.take(MODES);
    if (mode === NONE) return undefined;
    if (mode === PASS) at = above[next + 1] ?? columns;
    else if (mode === RUNS_FOLLOW) {
      for (const of of [colour, 1 - colour]) {
        const run = takeRun(bits, of);
        if (run === NONE || at + run > columns) return undefined;
        at += run;
        changes.push(at);
      }
    } else {
      const to = change + mode - FARTHEST_LEFT;
      if (to < at || to > columns) return undefined;
      at = to;
      changes.push(at);
      colour = 1 - colour;
    }
  }
  return changes;
}

function blacken(out: Uint8Array, start: number, changes: readonly number[], columns: number): void {
  for (let i = 0; i < changes.length; i += 2)
    for (let x = changes[i]!, end = changes[i + 1] ?? columns; x < end; x++) out[start + (x >> 3)]! |= 128 >> (x & 7);
}

/**
 * The rows of a picture, each of whole bytes, black 1; `rows` are those that could be read, and what is missing of the others
 * is white.
 */
export function unpackFax(packed: Uint8Array, kind: FaxKind): { bytes: Uint8Array; rows: number } {
  const { columns, rows, k, aligned } = kind;
  const wide = Math.ceil(columns / 8);
  const out = new Uint8Array(wide * rows);
  const bits = new Bits(packed, kind.lowFirst ?? false);
  let above: number[] = [];
  for (let y = 0; y < rows; y++) {
    if (aligned) bits.align();
    let isPlain = k === 0;
    if (k >= 0) {
      const ended = bits.takeEndOfRow();
      if (k > 0) {
        isPlain = !ended || bits.peek(0) === 1;
        if (ended) bits.at++;
      }
    }
    const changes = isPlain ? plainRow(bits, columns) : rowByTheOneAbove(bits, columns, above);
    if (!changes) return { bytes: out, rows: y };
    blacken(out, y * wide, changes, columns);
    above = changes;
  }
  return { bytes: out, rows };
}
