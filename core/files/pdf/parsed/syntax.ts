/** The objects of a PDF file as they are written (ISO 32000-1, 7.2 and 7.3). */
export type Value = null | boolean | number | Name | Text | Ref | Stream | Dict | Value[] | Operator;

export class Name {
  constructor(readonly name: string) {}
}
/** The bytes of a string, a character each. */
export class Text {
  constructor(readonly text: string) {}
}
export class Ref {
  constructor(
    readonly number: number,
    readonly generation: number,
  ) {}
}
/** A word that is none of the others: `obj`, or an operator of a content. */
export class Operator {
  constructor(readonly word: string) {}
}
export type Dict = Map<string, Value>;
export class Stream {
  constructor(
    readonly dict: Dict,
    readonly raw: Uint8Array,
  ) {}
}

/** The bytes are not what the standard says; the message tells where. */
export class SyntaxFault extends Error {}

/** The file may be sound, but what is in it is not open; the message says what to do. */
export class Encrypted extends SyntaxFault {}

/** What is wrong with a file, and what to do: what the fault says itself, or `otherwise`. */
export const faultSaid = (fault: SyntaxFault, otherwise: string): string =>
  fault instanceof Encrypted ? `${fault.message}.` : `${fault.message}. ${otherwise}`;

const UTF8 = new TextDecoder('utf-8', { fatal: true });
/** A name's bytes as UTF-8 where they are that (ISO 32000-1, 7.3.5); else as they are, one character a byte. */
function inUtf8(word: string): string {
  if (!/[\x80-\xff]/.test(word)) return word;
  try {
    return UTF8.decode(Uint8Array.from(word, (character) => character.charCodeAt(0)));
  } catch {
    return word;
  }
}

const WHITE = new Set([0, 9, 10, 12, 13, 32]);
const DELIMITERS = new Set([...'()<>[]{}/%'].map((c) => c.charCodeAt(0)));
const CLOSE = { array: new Operator(']'), dict: new Operator('>>') };
const MOST_NESTED = 200;

/** What a backslash and a letter stand for in a string (table 3). */
const ESCAPES: Record<string, string> = { n: '\n', r: '\r', t: '\t', b: '\b', f: '\f' };

/** What ends the bytes of a stream. */
export const STREAM_END = 'endstream';

/** Where a word begins in bytes from a place on; -1 where it does not come. */
export function placeOfWord(bytes: Uint8Array, word: string, from: number): number {
  const first = word.charCodeAt(0);
  for (let at = bytes.indexOf(first, from); at >= 0; at = bytes.indexOf(first, at + 1)) {
    let k = 1;
    while (k < word.length && bytes[at + k] === word.charCodeAt(k)) k++;
    if (k === word.length) return at;
  }
  return -1;
}

/** Reads values one after another from bytes; with `repairs`, what has no place in a dictionary is passed over. */
export class Reader {
  private nested = 0;
  /** Whether something was passed over. */
  repaired = false;
  constructor(
    private readonly bytes: Uint8Array,
    public at = 0,
    private readonly repairs = false,
  ) {}

  private char(offset = 0): string {
    const byte = this.bytes[this.at + offset];
    return byte === undefined ? '' : String.fromCharCode(byte);
  }
  private fault(what: string): never {
    throw new SyntaxFault(`${what} at byte ${this.at}`);
  }
  /** Past white space and comments; whether there is more. */
  skip(): boolean {
    for (; this.at < this.bytes.length; this.at++) {
      if (this.char() === '%') while (this.at < this.bytes.length && !/[\r\n]/.test(this.char())) this.at++;
      else if (!WHITE.has(this.bytes[this.at]!)) return true;
    }
    return false;
  }
  private word(): string {
    const from = this.at;
    while (this.at < this.bytes.length && !WHITE.has(this.bytes[this.at]!) && !DELIMITERS.has(this.bytes[this.at]!))
      this.at++;
    return String.fromCharCode(...this.bytes.subarray(from, this.at));
  }
  private name(): Name {
    this.at++;
    const word = this.word().replace(/#([0-9a-f]{2})/gi, (_, hex: string) => String.fromCharCode(parseInt(hex, 16)));
    return new Name(inUtf8(word));
  }
  private literal(): Text {
    let out = '';
    let depth = 1;
    for (this.at++; ; this.at++) {
      const c = this.char();
      if (c === '') this.fault('A string without an end');
      if (c === '\\') {
        this.at++;
        const octal = /^[0-7]{1,3}/.exec(this.char() + this.char(1) + this.char(2))?.[0];
        if (octal) {
          out += String.fromCharCode(parseInt(octal, 8) & 255);
          this.at += octal.length - 1;
        } else if (this.char() === '\r') this.at += this.char(1) === '\n' ? 1 : 0;
        else if (this.char() !== '\n') out += ESCAPES[this.char()] ?? this.char();
        continue;
      }
      if (c === '(') depth++;
      if (c === ')' && --depth === 0) break;
      out += c;
    }
    this.at++;
    return new Text(out);
  }
  private hex(): Text {
    const from = ++this.at;
    while (this.at < this.bytes.length && this.char() !== '>') this.at++;
    if (this.at >= this.bytes.length) this.fault('A hexadecimal string without an end');
    const digits = String.fromCharCode(...this.bytes.subarray(from, this.at++)).replace(/\s/g, '');
    if (/[^0-9a-f]/i.test(digits)) this.fault('A hexadecimal string with other letters');
    return new Text(digits.replace(/..?/g, (pair) => String.fromCharCode(parseInt(pair.padEnd(2, '0'), 16))));
  }
  private until(close: Operator): Value[] {
    if (++this.nested > MOST_NESTED) this.fault('Objects nested too deep');
    const values: Value[] = [];
    for (;;) {
      const value = this.value();
      if (value === close) break;
      if (value === CLOSE.array || value === CLOSE.dict) this.fault('Brackets that do not match');
      if (value instanceof Operator && value.word === 'R') {
        const [generation, number] = [values.pop(), values.pop()];
        if (typeof number !== 'number' || typeof generation !== 'number') this.fault('A reference to nothing');
        values.push(new Ref(number, generation));
      } else if (this.repairs && value instanceof Operator && value.word === 'stream') this.passStream();
      else values.push(value);
    }
    this.nested--;
    return values;
  }
  private dict(): Dict {
    this.at += 2;
    const values = this.until(CLOSE.dict);
    const dict: Dict = new Map();
    for (let i = 0; i < values.length; ) {
      const [key, value] = [values[i], values[i + 1]];
      const isEntry = key instanceof Name && value !== undefined && !(this.repairs && value instanceof Operator);
      if (!isEntry && !this.repairs) this.fault('A dictionary without a name for a value');
      if (isEntry) dict.set(key.name, value);
      else this.repaired = true;
      i += isEntry ? 2 : 1;
    }
    return dict;
  }
  /** Past the bytes of a stream that stands where none can. */
  private passStream(): void {
    const at = placeOfWord(this.bytes, STREAM_END, this.at);
    if (at < 0) this.fault('A stream without an end');
    this.at = at + STREAM_END.length;
    this.repaired = true;
  }
  /** The next value. Throws SyntaxFault where there is none. */
  value(): Value {
    if (!this.skip()) this.fault('Nothing where a value should be');
    const c = this.char();
    if (c === '/') return this.name();
    if (c === '(') return this.literal();
    if (c === '<') return this.char(1) === '<' ? this.dict() : this.hex();
    if (c === '[') {
      this.at++;
      return this.until(CLOSE.array);
    }
    if (c === ']' || (c === '>' && this.char(1) === '>')) {
      this.at += c === ']' ? 1 : 2;
      return c === ']' ? CLOSE.array : CLOSE.dict;
    }
    if (c === '{' || c === '}' || c === ')' || c === '>') {
      this.at++;
      return new Operator(c);
    }
    const word = this.word();
    if (/^[+-]?(\d+\.?\d*|\.\d+)$/.test(word)) return Number(word);
    // What some programs write for a number: two signs, a sign within, or nothing but a point.
    if (/^[+-]{0,2}[\d.]+[-\d.]*$/.test(word)) return Number.parseFloat(word.replace(/^[+-]*(?=[+-])/, '')) || 0;
    if (word === 'true' || word === 'false') return word === 'true';
    return word === 'null' ? null : new Operator(word);
  }
}
