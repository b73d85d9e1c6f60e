import { asCubic, type Path, type Quadratic } from '../geometry/path';
import type { Font } from './font';

/**
 * A bare CFF font made of outlines (Adobe Technical Notes 5176 and 5177): how the letters of a font go into a file as text
 * where its own program cannot, since it is CFF2 or names its glyphs by CIDs. It is CID-keyed, and the CID of a glyph is the
 * number that the font itself gives it.
 */

type Bytes = readonly number[];

/** Operators of a dictionary; those of two bytes begin with 12. */
const OP = {
  fontBox: [5],
  charset: [15],
  charStrings: [17],
  private: [18],
  fontMatrix: [12, 7],
  registry: [12, 30],
  cidCount: [12, 34],
  fontDicts: [12, 36],
  fontDictOf: [12, 37],
} as const;
/** Steps of a glyph's program (Technical Note 5177, 4). */
const STEP = { line: 5, curve: 8, end: 14, move: 21 } as const;
/** The first string of a font's own, after the standard ones. */
const FIRST_STRING = 391;

const short = (n: number): Bytes => [(n >> 8) & 255, n & 255];
const long = (n: number): Bytes => [...short(n >> 16), ...short(n)];

/** An operand that takes five bytes whatever it is: offsets are put in once they are known. */
const fixed = (n: number): Bytes => [29, ...long(n)];

/** A real number of a dictionary, 0 or more and no smaller than a millionth: half a byte a digit (Technical Note 5176, table 5). */
function real(n: number): Bytes {
  const halves = [...String(n)].map((sign) => (sign === '.' ? 10 : Number(sign)));
  const ended = [...halves, 15, ...(halves.length % 2 === 0 ? [15] : [])];
  return [30, ...Array.from({ length: ended.length / 2 }, (_, i) => ended[2 * i]! * 16 + ended[2 * i + 1]!)];
}

/** A number of a glyph's program, to a 65,536th (Technical Note 5177, 3.2). */
function operand(n: number): Bytes {
  if (!Number.isInteger(n)) return [255, ...long(Math.round(n * 65_536))];
  if (n >= -107 && n <= 107) return [n + 139];
  if (n >= 108 && n <= 1131) return [247 + ((n - 108) >> 8), (n - 108) & 255];
  if (n >= -1131 && n <= -108) return [251 + ((-n - 108) >> 8), (-n - 108) & 255];
  return [28, ...short(n)];
}

/** An index: how many there are, where each begins, and they themselves. */
function index(items: readonly Bytes[]): number[] {
  if (items.length === 0) return [0, 0];
  const out = [...short(items.length), 4];
  let at = 1;
  for (const item of items) {
    out.push(...long(at));
    at += item.length;
  }
  out.push(...long(at));
  for (const item of items) for (const byte of item) out.push(byte);
  return out;
}

/** Rounded where it stands and not step by step: no outline drifts. */
const onGrid = (n: number): number => Math.round(n * 65_536) / 65_536;

/** The program of a glyph: its width, then its outline in steps from point to point. */
function charString(path: Path, width: number): number[] {
  const out: number[] = [...operand(onGrid(width))];
  let [x, y] = [0, 0];
  const go = (points: readonly number[], step: number): void => {
    for (let i = 0; i < points.length; i += 2) {
      const [toX, toY] = [onGrid(points[i]!), onGrid(points[i + 1]!)];
      out.push(...operand(toX - x), ...operand(toY - y));
      [x, y] = [toX, toY];
    }
    out.push(step);
  };
  for (const segment of path) {
    const [op, ...points] = segment;
    if (op === 'M') go(points, STEP.move);
    else if (op === 'L') go(points, STEP.line);
    else if (op === 'C') go(points, STEP.curve);
    else if (op === 'Q') go(asCubic({ x, y }, segment as Quadratic).slice(1) as number[], STEP.curve);
  }
  out.push(STEP.end);
  return out;
}

/** The font program of some glyphs of a font, .notdef among them. */
export function cffOfOutlines(font: Font, glyphs: readonly number[]): Uint8Array {
  const others = [...new Set(glyphs)].filter((glyph) => glyph > 0).sort((a, b) => a - b);
  const letters = [...new TextEncoder().encode(font.postscriptName)];
  const strings = index(['Adobe', 'Identity'].map((text) => [...new TextEncoder().encode(text)]));
  const charStrings = index([0, ...others].map((glyph) => charString(font.outline(glyph), font.advance(glyph))));
  const charset = [0, ...others.flatMap(short)];
  // All glyphs go by the one font dictionary, whose private part says nothing: widths stand in full.
  const fontDictOf = [3, ...short(1), ...short(0), 0, ...short(others.length + 1)];
  const head = [1, 0, 4, 4, ...index([letters])];
  const scale = 1 / font.upem;
  const top = (at: { charset: number; fontDictOf: number; charStrings: number; fontDicts: number }): number[] => [
    ...fixed(FIRST_STRING),
    ...fixed(FIRST_STRING + 1),
    ...fixed(0),
    ...OP.registry,
    ...[scale, 0, 0, scale, 0, 0].flatMap(real),
    ...OP.fontMatrix,
    ...[0, font.descent, font.upem, font.ascent].flatMap((n) => fixed(Math.round(n))),
    ...OP.fontBox,
    ...fixed((others.at(-1) ?? 0) + 1),
    ...OP.cidCount,
    ...fixed(at.charset),
    ...OP.charset,
    ...fixed(at.fontDictOf),
    ...OP.fontDictOf,
    ...fixed(at.charStrings),
    ...OP.charStrings,
    ...fixed(at.fontDicts),
    ...OP.fontDicts,
  ];
  const nowhere = { charset: 0, fontDictOf: 0, charStrings: 0, fontDicts: 0 };
  const noSubroutines = index([]);
  const start = head.length + index([top(nowhere)]).length + strings.length + noSubroutines.length;
  const at = {
    charset: start,
    fontDictOf: start + charset.length,
    charStrings: start + charset.length + fontDictOf.length,
    fontDicts: start + charset.length + fontDictOf.length + charStrings.length,
  };
  const fontDict = (privateAt: number): Bytes => [...fixed(0), ...fixed(privateAt), ...OP.private];
  const end = at.fontDicts + index([fontDict(0)]).length;
  return Uint8Array.from([
    ...head,
    ...index([top(at)]),
    ...strings,
    ...noSubroutines,
    ...charset,
    ...fontDictOf,
    ...charStrings,
    ...index([fontDict(end)]),
  ]);
}
