import type { Path, Segment } from '../../../geometry/path';
import { latin } from '../parsed/latin';

/** Fonts of Type 1 as programs of letters by name (Adobe Type 1 Font Format, 1990; from memory). Units of the font, y up. */
export interface Type1 {
  /** The codes that the font itself gives its letters. */
  codes: ReadonlyMap<number, string>;
  has(name: string): boolean;
  outline(name: string): Path | undefined;
}

const EEXEC = 55665;
const CHARSTRING = 4330;
/** Bytes of chance before what is encrypted. */
const BEFORE = 4;

function decrypted(bytes: Uint8Array, key: number, skip: number): Uint8Array {
  const out = new Uint8Array(bytes.length);
  let r = key;
  for (const [i, byte] of bytes.entries()) {
    out[i] = byte ^ (r >> 8);
    r = ((byte + r) * 52845 + 22719) & 0xffff;
  }
  return out.subarray(skip);
}

/** What is encrypted may be written as hexadecimal digits. */
function plainBytes(bytes: Uint8Array): Uint8Array {
  const head = latin(bytes.subarray(0, 4));
  if (!/^[0-9a-fA-F\s]{4}$/.test(head)) return bytes;
  const digits = latin(bytes).replace(/[^0-9a-fA-F]/g, '');
  return Uint8Array.from({ length: digits.length >> 1 }, (_, i) => Number.parseInt(digits.slice(2 * i, 2 * i + 2), 16));
}

/** Procedures with their bytes: `key length RD bytes`. */
function proceduresIn(text: string, bytes: Uint8Array, pattern: RegExp, skip: number): Map<string, Uint8Array> {
  const found = new Map<string, Uint8Array>();
  for (const match of text.matchAll(pattern)) {
    const from = match.index + match[0].length;
    const length = Number(match[2]);
    if (!found.has(match[1]!) && from + length <= bytes.length)
      found.set(match[1]!, decrypted(bytes.subarray(from, from + length), CHARSTRING, skip));
  }
  return found;
}

/** A program while it runs. */
interface Run {
  path: Segment[];
  x: number;
  y: number;
  stack: number[];
  /** What other subroutines hand back. */
  handed: number[];
  /** The points of a flex, where one is going on. */
  flex: { x: number; y: number }[] | undefined;
  isOpen: boolean;
  ended: boolean;
  steps: number;
}

const MOST_STEPS = 20_000;
const MOST_DEEP = 12;

/** The letters that accented ones are made of, by the codes of Adobe's own encoding; the accents among them. */
const STANDARD: Readonly<Record<number, string>> = {
  193: 'grave',
  194: 'acute',
  195: 'circumflex',
  196: 'tilde',
  197: 'macron',
  198: 'breve',
  199: 'dotaccent',
  200: 'dieresis',
  202: 'ring',
  203: 'cedilla',
  205: 'hungarumlaut',
  206: 'ogonek',
  207: 'caron',
  245: 'dotlessi',
};
const standardName = (code: number): string => STANDARD[code] ?? String.fromCharCode(code);

export function readType1(bytes: Uint8Array): Type1 {
  const whole = latin(bytes);
  const mark = whole.indexOf('eexec');
  const clear = whole.slice(0, mark < 0 ? whole.length : mark);
  let from = mark + 5;
  while (mark >= 0 && /[\s]/.test(whole[from] ?? '')) from++;
  const secret = decrypted(plainBytes(bytes.subarray(from)), EEXEC, BEFORE);
  const text = latin(secret);
  const skip = Number(/\/lenIV\s+(-?\d+)/.exec(text)?.[1] ?? BEFORE);
  const subrs = proceduresIn(text, secret, /dup\s+(\d+)\s+(\d+)\s+(?:RD|-\||\S+)\s/g, Math.max(0, skip));
  const letters = proceduresIn(text, secret, /\/([^\s/{}[\]()<>%]+)\s+(\d+)\s+(?:RD|-\|)\s/g, Math.max(0, skip));
  const codes = new Map<number, string>();
  for (const match of clear.matchAll(/dup\s+(\d+)\s*\/(\S+)\s+put/g)) codes.set(Number(match[1]), match[2]!);
  return {
    codes,
    has: (name) => letters.has(name),
    outline(name) {
      const program = letters.get(name);
      if (!program) return undefined;
      const run = blankRun();
      interpret(program, run, subrs, letters, 0);
      return run.path;
    },
  };
}

const blankRun = (): Run => ({
  path: [],
  x: 0,
  y: 0,
  stack: [],
  handed: [],
  flex: undefined,
  isOpen: false,
  ended: false,
  steps: 0,
});

function moveBy(run: Run, dx: number, dy: number): void {
  run.x += dx;
  run.y += dy;
  if (run.flex) {
    run.flex.push({ x: run.x, y: run.y });
    return;
  }
  if (run.isOpen) run.path.push(['Z']);
  run.path.push(['M', run.x, run.y]);
  run.isOpen = true;
}

function lineBy(run: Run, dx: number, dy: number): void {
  run.x += dx;
  run.y += dy;
  run.path.push(['L', run.x, run.y]);
}

function curveBy(run: Run, n: readonly number[]): void {
  const [dx1 = 0, dy1 = 0, dx2 = 0, dy2 = 0, dx3 = 0, dy3 = 0] = n;
  const [x1, y1] = [run.x + dx1, run.y + dy1];
  const [x2, y2] = [x1 + dx2, y1 + dy2];
  run.x = x2 + dx3;
  run.y = y2 + dy3;
  run.path.push(['C', x1, y1, x2, y2, run.x, run.y]);
}

/** The subroutines that are not the font's own: flex is drawn as the two curves that it stands for. */
function callOther(run: Run): void {
  const number = run.stack.pop() ?? 0;
  const count = run.stack.pop() ?? 0;
  const given = count > 0 ? run.stack.splice(-count) : [];
  if (number === 1) run.flex = [];
  else if (number === 0 && run.flex) {
    const [, a, b, c, d, e, f] = run.flex;
    if (a && b && c && d && e && f)
      run.path.push(['C', a.x, a.y, b.x, b.y, c.x, c.y], ['C', d.x, d.y, e.x, e.y, f.x, f.y]);
    run.flex = undefined;
    run.handed = [run.y, run.x];
  } else if (number !== 2) run.handed = number === 3 ? [3] : given.reverse();
}

type Command = (run: Run, n: readonly number[]) => void;

const COMMANDS: Readonly<Record<number, Command>> = {
  4: (run, [dy = 0]) => moveBy(run, 0, dy),
  5: (run, [dx = 0, dy = 0]) => lineBy(run, dx, dy),
  6: (run, [dx = 0]) => lineBy(run, dx, 0),
  7: (run, [dy = 0]) => lineBy(run, 0, dy),
  8: curveBy,
  9: (run) => {
    if (run.isOpen) run.path.push(['Z']);
    run.isOpen = false;
  },
  13: (run, [side = 0]) => {
    run.x = side;
  },
  21: (run, [dx = 0, dy = 0]) => moveBy(run, dx, dy),
  22: (run, [dx = 0]) => moveBy(run, dx, 0),
  30: (run, [dy1 = 0, dx2 = 0, dy2 = 0, dx3 = 0]) => curveBy(run, [0, dy1, dx2, dy2, dx3, 0]),
  31: (run, [dx1 = 0, dx2 = 0, dy2 = 0, dy3 = 0]) => curveBy(run, [dx1, 0, dx2, dy2, 0, dy3]),
};
const CALL = 10;
const RETURN = 11;
const ESCAPE = 12;
const END = 14;

function interpret(
  program: Uint8Array,
  run: Run,
  subrs: ReadonlyMap<string, Uint8Array>,
  letters: ReadonlyMap<string, Uint8Array>,
  deep: number,
): void {
  if (deep > MOST_DEEP) return;
  for (let i = 0; i < program.length && !run.ended; ) {
    if (++run.steps > MOST_STEPS) return;
    const byte = program[i++]!;
    if (byte >= 32) {
      if (byte <= 246) run.stack.push(byte - 139);
      else if (byte <= 250) run.stack.push((byte - 247) * 256 + program[i++]! + 108);
      else if (byte <= 254) run.stack.push(-(byte - 251) * 256 - program[i++]! - 108);
      else {
        run.stack.push((program[i]! << 24) | (program[i + 1]! << 16) | (program[i + 2]! << 8) | program[i + 3]!);
        i += 4;
      }
      continue;
    }
    if (byte === RETURN) return;
    if (byte === END) run.ended = true;
    else if (byte === CALL) {
      const called = subrs.get(String(run.stack.pop()));
      if (called) interpret(called, run, subrs, letters, deep + 1);
    } else if (byte === ESCAPE) escaped(program[i++]!, run, subrs, letters, deep);
    else {
      COMMANDS[byte]?.(run, run.stack);
      run.stack = [];
    }
  }
}

function escaped(
  command: number,
  run: Run,
  subrs: ReadonlyMap<string, Uint8Array>,
  letters: ReadonlyMap<string, Uint8Array>,
  deep: number,
): void {
  const { stack } = run;
  if (command === 12) {
    const [b, a] = [stack.pop() ?? 1, stack.pop() ?? 0];
    stack.push(a / b);
  } else if (command === 16) callOther(run);
  else if (command === 17) stack.push(run.handed.pop() ?? 0);
  else if (command === 6) {
    const [side = 0, dx = 0, dy = 0, base = 0, accent = 0] = stack;
    const own = run.x;
    for (const [code, x, y] of [
      [base, 0, 0],
      [accent, own - side + dx, dy],
    ] as const) {
      const program = letters.get(standardName(code));
      const part = blankRun();
      if (program) interpret(program, part, subrs, letters, deep + 1);
      for (const [op, ...n] of part.path)
        run.path.push([op, ...n.map((each, k) => each + (k % 2 === 0 ? x : y))] as unknown as Segment);
    }
    run.ended = true;
  } else {
    if (command === 7) [run.x = 0, run.y = 0] = stack;
    run.stack = [];
  }
}
