/**
 * Lengths as people type them. Inside the app every length is a number of points: 1 pt = 1/72 in
 * (ISO 32000-1, 8.3.2.3, the user space unit) and 1 in = 25.4 mm exactly.
 */

export const UNITS = ['mm', 'cm', 'in', 'pt', 'pc'] as const;
export type Unit = (typeof UNITS)[number];
/** The two units a whole piece can be measured in. */
export type PieceUnit = 'mm' | 'in';

export const POINTS_PER: Readonly<Record<Unit, number>> = { mm: 72 / 25.4, cm: 720 / 25.4, in: 72, pt: 1, pc: 12 };

/** A length given in `unit`, in points. */
export const toPoints = (value: number, unit: Unit): number => value * POINTS_PER[unit];
/** A measure that is round in a piece's unit: so many millimetres, or so many inches, in points. */
export const roundIn = (unit: PieceUnit, mm: number, inches: number): number =>
  unit === 'mm' ? toPoints(mm, 'mm') : toPoints(inches, 'in');
/** Lengths as they were measured in a file, to a tenth of a millimetre or a hundredth of an inch: `85.0 × 55.0 mm`. */
export const asMeasured = (points: readonly number[], unit: PieceUnit): string =>
  `${points.map((each) => fromPoints(each, unit).toFixed(unit === 'mm' ? 1 : 2)).join(' × ')} ${unit}`;

/** A number in words with the minus that belongs before it, not a hyphen. */
export const withMinus = (said: string): string => said.replace('-', '−');

/** What a length may be, in words: `Enter 0 to 105.8 mm.` Bounds in points; none where they are infinite. */
export function boundsWords(least: number, most: number, unit: Unit): string {
  const parts = 10 ** (unit === 'in' ? 3 : 2);
  // Rounded into what is allowed, so that what is said can be entered.
  const inside = (points: number, by: (value: number) => number): number =>
    toPoints(by(fromPoints(points, unit) * parts) / parts, unit);
  const low = inside(least, (value) => Math.ceil(value - 1e-6));
  const high = inside(most, (value) => Math.floor(value + 1e-6));
  if (!Number.isFinite(most)) return `Enter ${withMinus(formatLength(low, unit))} or more.`;
  return `Enter ${withMinus(formatNumber(low, unit))} to ${formatLength(high, unit)}.`;
}

/** A length in points, given in `unit`. */
export const fromPoints = (points: number, unit: Unit): number => points / POINTS_PER[unit];

const otherUnit: Record<PieceUnit, PieceUnit> = { mm: 'in', in: 'mm' };
/** The unit shown small beside the chosen one. */
export const echoUnit = (unit: PieceUnit): PieceUnit => otherUnit[unit];

/** Inch users think in sixteenths; anything finer is shown as a decimal. */
const FRACTION = 16;
const DECIMALS: Record<Unit, number> = { mm: 3, cm: 4, in: 4, pt: 3, pc: 4 };

const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);
const decimal = (value: number, digits: number): string => {
  const text = trimZeros(value.toFixed(digits));
  return text === '-0' ? '0' : text;
};

function fraction(value: number): string | undefined {
  const sixteenths = Math.round(value * FRACTION);
  if (Math.abs(value - sixteenths / FRACTION) > 0.00005) return undefined;
  const whole = Math.floor(Math.abs(sixteenths) / FRACTION);
  let top = Math.abs(sixteenths) % FRACTION;
  let bottom = FRACTION;
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const parts = [whole > 0 || top === 0 ? `${whole}` : '', top > 0 ? `${top}/${bottom}` : ''].filter(Boolean);
  return `${sixteenths < 0 ? '-' : ''}${parts.join(' ')}`;
}

/**
 * A length in points as text without its unit: inches as a mixed fraction where they fall on a
 * sixteenth, everything else as a decimal of at most `digits` places.
 */
export const formatNumber = (points: number, unit: Unit, digits: number = DECIMALS[unit]): string =>
  (unit === 'in' ? fraction(fromPoints(points, unit)) : undefined) ?? decimal(fromPoints(points, unit), digits);

/** A length in points as text with its unit: `88.9 mm`, `3 1/2 in`. */
export const formatLength = (points: number, unit: Unit, digits?: number): string =>
  `${formatNumber(points, unit, digits)} ${unit}`;

/** Width and height in points as text: `85 × 55 mm`. */
export const formatSize = (width: number, height: number, unit: Unit, digits?: number): string =>
  `${formatNumber(width, unit, digits)} × ${formatLength(height, unit, digits)}`;

export type ParsedLength = { ok: true; points: number } | { ok: false; message: string };

const SPELLINGS: Record<string, Unit> = {
  mm: 'mm',
  millimetre: 'mm',
  millimetres: 'mm',
  millimeter: 'mm',
  millimeters: 'mm',
  cm: 'cm',
  centimetre: 'cm',
  centimetres: 'cm',
  centimeter: 'cm',
  centimeters: 'cm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  pt: 'pt',
  pts: 'pt',
  point: 'pt',
  points: 'pt',
  pc: 'pc',
  pica: 'pc',
  picas: 'pc',
};

type Token =
  | { kind: 'number'; value: number }
  | { kind: 'unit'; unit: Unit }
  | { kind: 'sign'; sign: '+' | '-' | '*' | '/' | '(' | ')' };

/** A plain number until a unit makes a length of it. */
interface Quantity {
  value: number;
  length: boolean;
}

class Nonsense extends Error {}

const VULGAR: Record<string, string> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

const normalise = (text: string): string =>
  text
    .replace(/[¼½¾⅛⅜⅝⅞⅓⅔]/g, (glyph) => ` ${VULGAR[glyph]}`)
    .replace(/[″”“]|''|’’/g, '"')
    .replace(/[×✕·]/g, '*')
    .replace(/[÷⁄]/g, '/')
    .replace(/[−–]/g, '-')
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .toLowerCase()
    .trim();

// A mixed number (3 1/2), a fraction (1/8) or a decimal with point or comma (88.9, 88,9, .5).
const NUMBER = /^(?:(\d+) +(\d+) ?\/ ?(\d+)|(\d+)\/(\d+)|(\d+(?:[.,]\d+)?|[.,]\d+))(?![\d.,])/;
const WORD = /^(?:[a-z]+|")\.?/;

function readNumber(match: RegExpExecArray): number {
  const [, whole, mixedTop, mixedBottom, top, bottom, plain] = match;
  if (plain !== undefined) return Number(plain.replace(',', '.'));
  const under = Number(mixedBottom ?? bottom);
  if (under === 0) throw new Nonsense('A fraction cannot have 0 below its line.');
  return Number(whole ?? 0) + Number(mixedTop ?? top) / under;
}

function tokenise(text: string): Token[] {
  const tokens: Token[] = [];
  for (let rest = text; rest !== ''; ) {
    const number = NUMBER.exec(rest);
    const word = WORD.exec(rest);
    if (number) tokens.push({ kind: 'number', value: readNumber(number) });
    else if (word) {
      const unit = SPELLINGS[word[0].replace('.', '')];
      if (!unit) throw new Nonsense(`“${word[0]}” is not a unit known here. Use mm, cm, in, pt or pc.`);
      tokens.push({ kind: 'unit', unit });
    } else if ('+-*/()'.includes(rest[0]!)) tokens.push({ kind: 'sign', sign: rest[0] as '+' });
    else throw new Nonsense(`“${rest[0]}” cannot be read in a length. Try 88.9 mm or 3 1/2 in.`);
    rest = rest.slice((number ?? word)?.[0].length ?? 1).trimStart();
  }
  return tokens;
}

/** Recursive descent over sum := product (± product)*, product := factor (×÷ factor)*. */
function evaluate(tokens: Token[], fieldUnit: Unit): Quantity {
  let at = 0;
  const sign = (): string | undefined => {
    const token = tokens[at];
    return token?.kind === 'sign' ? token.sign : undefined;
  };
  const asLength = (q: Quantity): Quantity => (q.length ? q : { value: toPoints(q.value, fieldUnit), length: true });

  function factor(): Quantity {
    const token = tokens[at++];
    if (token?.kind === 'sign' && (token.sign === '-' || token.sign === '+')) {
      const inner = factor();
      return token.sign === '-' ? { ...inner, value: -inner.value } : inner;
    }
    if (token?.kind === 'sign' && token.sign === '(') {
      const inner = sum();
      if (sign() !== ')') throw new Nonsense('A bracket is not closed.');
      at++;
      return withUnit(inner);
    }
    if (token?.kind !== 'number') throw new Nonsense('A number is missing. Try 88.9 mm or 3 1/2 in.');
    return withUnit({ value: token.value, length: false });
  }
  function withUnit(q: Quantity): Quantity {
    const token = tokens[at];
    if (token?.kind !== 'unit') return q;
    if (q.length) throw new Nonsense('A length has two units. Write one after each number.');
    at++;
    return { value: toPoints(q.value, token.unit), length: true };
  }
  function product(): Quantity {
    let left = factor();
    for (let s = sign(); s === '*' || s === '/'; s = sign()) {
      at++;
      const right = factor();
      if (s === '*') {
        if (left.length && right.length)
          throw new Nonsense('A length times a length is an area. Multiply by a number.');
        left = { value: left.value * right.value, length: left.length || right.length };
      } else {
        if (right.length) throw new Nonsense('Divide a length by a plain number.');
        if (right.value === 0) throw new Nonsense('A length cannot be divided by 0.');
        left = { value: left.value / right.value, length: left.length };
      }
    }
    return left;
  }
  function sum(): Quantity {
    let left = product();
    for (let s = sign(); s === '+' || s === '-'; s = sign()) {
      at++;
      let right = product();
      if (left.length || right.length) [left, right] = [asLength(left), asLength(right)];
      left = { value: left.value + (s === '+' ? right.value : -right.value), length: left.length };
    }
    return left;
  }

  const result = asLength(sum());
  if (at < tokens.length) throw new Nonsense('Something is left over at the end. Try 88.9 mm or 3 1/2 in.');
  return result;
}

/** No length in this trade is longer than 10 m. */
const LONGEST = toPoints(10_000, 'mm');

/**
 * Reads a length or a sum of lengths: `3 1/2`, `3.5in`, `3 1/2"`, `88,9 mm`, `1/8 in + 2 mm`, `2 * 3mm`.
 * A bare number takes `fieldUnit`. A comma is always a decimal comma. Never throws: nonsense comes back
 * as `ok: false` with a message that says what to type instead. The result is in points, within ±10 m.
 */
export function parseLength(text: string, fieldUnit: Unit): ParsedLength {
  try {
    const tokens = tokenise(normalise(text));
    if (tokens.length === 0) return { ok: false, message: 'Type a length, for example 88.9 mm or 3 1/2 in.' };
    const { value } = evaluate(tokens, fieldUnit);
    if (!Number.isFinite(value) || Math.abs(value) > LONGEST)
      return { ok: false, message: 'That is longer than 10 metres. Check the number and its unit.' };
    return { ok: true, points: value };
  } catch (error) {
    if (error instanceof Nonsense) return { ok: false, message: error.message };
    throw error;
  }
}

/** For tables of facts: the length in points, or an error if the row is not a length. */
export function lengthOf(text: string): number {
  const parsed = parseLength(text, 'mm');
  if (!parsed.ok) throw new Error(`${text}: ${parsed.message}`);
  return parsed.points;
}
