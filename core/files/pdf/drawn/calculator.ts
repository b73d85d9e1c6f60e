/** Functions that calculate (ISO 32000-1, 7.10.5, table 42): a few of PostScript's operators, on a small stack, without loops. */

type Item = number | boolean;
type Step = number | string | readonly Step[];
export type Program = readonly Step[];

/** What a reader has to allow (ISO 32000-1, annex C); a program of more than so many words is none that anybody wrote. */
const MOST_ON_STACK = 100;
const MOST_WORDS = 20_000;

export class NotCalculable extends Error {}

const degrees = (radians: number): number => (radians * 180) / Math.PI;
const radians = (angle: number): number => (angle * Math.PI) / 180;

const numberOf = (item: Item | undefined): number => {
  if (typeof item !== 'number') throw new NotCalculable('A number is missing.');
  return item;
};
const truthOf = (item: Item | undefined): boolean => {
  if (typeof item !== 'boolean') throw new NotCalculable('Nothing says whether.');
  return item;
};

const one = (of: (a: number) => Item) => (stack: Item[]) => void stack.push(of(numberOf(stack.pop())));
const two = (of: (a: number, b: number) => Item) => (stack: Item[]) => {
  const b = numberOf(stack.pop());
  stack.push(of(numberOf(stack.pop()), b));
};
const equal = (isEqual: boolean) => (stack: Item[]) => {
  const [b, a] = [stack.pop(), stack.pop()];
  stack.push((a === b) === isEqual);
};
/** On two truths, or bit by bit on two whole numbers. */
const logic = (of: (a: number, b: number) => number) => (stack: Item[]) => {
  const [b, a] = [stack.pop(), stack.pop()];
  if (typeof a === 'boolean' && typeof b === 'boolean') stack.push(of(Number(a), Number(b)) !== 0);
  else stack.push(of(numberOf(a), numberOf(b)));
};

/** To the nearest whole number, halves upwards. */
const rounded = (a: number): number => Math.floor(a + 0.5);

const OPERATORS: Readonly<Record<string, (stack: Item[]) => void>> = {
  abs: one(Math.abs),
  add: two((a, b) => a + b),
  atan: two((a, b) => (degrees(Math.atan2(a, b)) + 360) % 360),
  ceiling: one(Math.ceil),
  cos: one((a) => Math.cos(radians(a))),
  cvi: one(Math.trunc),
  cvr: one((a) => a),
  div: two((a, b) => (b === 0 ? 0 : a / b)),
  exp: two((a, b) => a ** b),
  floor: one(Math.floor),
  idiv: two((a, b) => (b === 0 ? 0 : Math.trunc(a / b))),
  ln: one(Math.log),
  log: one(Math.log10),
  mod: two((a, b) => (b === 0 ? 0 : a % b)),
  mul: two((a, b) => a * b),
  neg: one((a) => -a),
  round: one(rounded),
  sin: one((a) => Math.sin(radians(a))),
  sqrt: one(Math.sqrt),
  sub: two((a, b) => a - b),
  truncate: one(Math.trunc),
  and: logic((a, b) => a & b),
  or: logic((a, b) => a | b),
  xor: logic((a, b) => a ^ b),
  not: (stack) => {
    const item = stack.pop();
    stack.push(typeof item === 'boolean' ? !item : ~numberOf(item));
  },
  bitshift: two((a, by) => (by >= 0 ? a << by : a >> -by)),
  eq: equal(true),
  ne: equal(false),
  ge: two((a, b) => a >= b),
  gt: two((a, b) => a > b),
  le: two((a, b) => a <= b),
  lt: two((a, b) => a < b),
  true: (stack) => void stack.push(true),
  false: (stack) => void stack.push(false),
  pop: (stack) => void stack.pop(),
  dup(stack) {
    const item = stack.at(-1);
    if (item === undefined) throw new NotCalculable('Nothing is there to be had twice.');
    stack.push(item);
  },
  exch(stack) {
    const [b, a] = [stack.pop(), stack.pop()];
    if (a === undefined || b === undefined) throw new NotCalculable('Nothing is there to be exchanged.');
    stack.push(b, a);
  },
  copy(stack) {
    const count = numberOf(stack.pop());
    if (!(count >= 0 && count <= stack.length)) throw new NotCalculable('Less is there than is to be copied.');
    stack.push(...stack.slice(stack.length - count));
  },
  index(stack) {
    const item = stack.at(-1 - numberOf(stack.pop()));
    if (item === undefined) throw new NotCalculable('Nothing lies so deep.');
    stack.push(item);
  },
  roll(stack) {
    const by = numberOf(stack.pop());
    const count = numberOf(stack.pop());
    if (!(count >= 0 && count <= stack.length)) throw new NotCalculable('Less is there than is to be rolled.');
    const top = stack.splice(stack.length - count);
    const turn = count === 0 ? 0 : ((by % count) + count) % count;
    stack.push(...top.slice(count - turn), ...top.slice(0, count - turn));
  },
};

/** The words of a program, blocks within blocks. Throws NotCalculable where they make none. */
export function programOf(text: string): Program {
  const words = text.replace(/%[^\r\n]*/g, ' ').match(/[{}]|[^\s{}]+/g) ?? [];
  if (words.length > MOST_WORDS) throw new NotCalculable('A function is too long.');
  const open: Step[][] = [[]];
  for (const word of words) {
    if (word === '{') open.push([]);
    else if (word === '}') {
      const block = open.pop()!;
      if (open.length === 0) throw new NotCalculable('A block ends that never began.');
      open.at(-1)!.push(block);
    } else if (/^[-+]?(\d+\.?\d*|\.\d+)$/.test(word)) open.at(-1)!.push(Number(word));
    else if (word === 'if' || word === 'ifelse' || Object.hasOwn(OPERATORS, word)) open.at(-1)!.push(word);
    else throw new NotCalculable(`Nobody knows the operator ${word}.`);
  }
  const [whole] = open[0]!;
  if (open.length > 1 || open[0]!.length !== 1 || !Array.isArray(whole))
    throw new NotCalculable('A function is no block.');
  return whole as Program;
}

function runBlock(block: Program, stack: Item[]): void {
  for (const [i, step] of block.entries()) {
    if (typeof step === 'number') stack.push(step);
    else if (step === 'if' || step === 'ifelse') {
      const [first, second] = step === 'if' ? [block[i - 1], []] : [block[i - 2], block[i - 1]];
      const chosen = truthOf(stack.pop()) ? first : second;
      if (!Array.isArray(chosen)) throw new NotCalculable('A choice has no block.');
      runBlock(chosen as Program, stack);
    } else if (typeof step === 'string') OPERATORS[step]!(stack);
    if (stack.length > MOST_ON_STACK) throw new NotCalculable('A function takes up too much.');
  }
}

/** What a program makes of some numbers: those that it leaves. Throws NotCalculable. */
export function calculated(program: Program, inputs: readonly number[]): number[] {
  const stack: Item[] = [...inputs];
  runBlock(program, stack);
  return stack.map(numberOf);
}
