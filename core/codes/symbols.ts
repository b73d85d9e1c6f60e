import { Byte, Charset, Encoder } from '@nuintun/qrcode';
import bwipjs from 'bwip-js/generic';
import { encodeQR } from 'qr';
import type { Box } from '../geometry/box';
import { boxPath, type Path } from '../geometry/path';
import { checkDigit, figuresAt } from './digits';
import packageNames from './package-names.json' with { type: 'json' };
import { SYMBOLOGIES, type Symbology } from './symbologies';

/** A code that cannot be made; the message says why and what to do. */
export class CodeError extends Error {}

/** A code in modules, quiet zone included: how large it is, and its dark parts. */
export interface Symbol {
  columns: number;
  rows: number;
  dark: readonly Box[];
}

interface Matrix {
  pixs: number[];
  pixx: number;
  pixy: number;
}
/** Widths of bars and gaps by turns; of each bar, how far above the foot it begins and how high it is. */
interface Bars {
  sbs: number[];
  bhs: number[];
  bbs: number[];
}
/** What the package of the codes calls them, where that is something else. */
/** What the package calls them; the app is built with these and no others. */
const PACKAGE_NAMES: Partial<Record<Symbology, string>> = packageNames;

const HELP: Record<Symbology, string> = {
  qrcode: 'A QR code holds up to about 2,000 characters. Shorten it.',
  code128: 'Code 128 holds letters, figures and signs of plain ASCII. Shorten it, or leave out other signs.',
  ean13: 'EAN-13 is 12 figures, or 13 with the right check digit at the end.',
  imb: 'It is 20 figures, and 5, 9 or 11 of the ZIP code after them.',
  royalmail: 'It is a postcode and delivery point suffix: capitals and figures, as LE28HS9Z.',
  kix: 'It is a postcode and house number: capitals, figures and X, as 2500GG30250.',
  auspost: 'It begins with 11, 59 or 62 and eight figures of the delivery point.',
  identcode: 'It is 11 figures, or 12 with the right check digit at the end.',
  leitcode: 'It is 13 figures, or 14 with the right check digit at the end.',
};

/** Runs of dark modules, each joined with the same run in the rows below it. */
function darkBoxes({ pixs, pixx, pixy }: Matrix, quiet: number): Box[] {
  // A run by where it starts and ends, as one number.
  const open = new Map<number, Box>();
  const done: Box[] = [];
  for (let y = 0; y < pixy; y++) {
    const here = new Set<number>();
    for (let x = 0; x < pixx; x++) {
      if (!pixs[y * pixx + x]) continue;
      const start = x;
      while (x + 1 < pixx && pixs[y * pixx + x + 1]) x++;
      const key = start * pixx + x;
      here.add(key);
      const above = open.get(key);
      if (above) above.height++;
      else open.set(key, { x: start + quiet, y: y + quiet, width: x - start + 1, height: 1 });
    }
    for (const [key, box] of open)
      if (!here.has(key)) {
        done.push(box);
        open.delete(key);
      }
  }
  return [...done, ...open.values()];
}

/** The modules of a QR code, correction of medium grade, the mask by the standard's own score (ISO/IEC 18004). */
function qrMatrix(text: string): Matrix {
  if (/^[\0-\x7e]*$/.test(text)) {
    const border = 1;
    const cells = encodeQR(text, 'raw', { ecc: 'medium', border });
    const size = cells.length - 2 * border;
    const pixs = new Array<number>(size * size);
    for (let y = 0; y < size; y++)
      for (let x = 0; x < size; x++) pixs[y * size + x] = cells[y + border]![x + border] ? 1 : 0;
    return { pixs, pixx: size, pixy: size };
  }
  // Letters beyond ASCII are UTF-8, and the code says so (ECI 26): readers guess otherwise.
  const made = new Encoder({ level: 'M' }).encode(new Byte(text, Charset.UTF_8));
  const { size } = made;
  const pixs = Array.from({ length: size * size }, (_, i) => made.get(i % size, Math.floor(i / size)));
  return { pixs, pixx: size, pixy: size };
}

/** Makes a code. Throws CodeError for content it cannot hold. */
export function symbolOf(symbology: Symbology, text: string): Symbol {
  const { quiet, square } = SYMBOLOGIES[symbology];
  const isPlain = /^[\x20-\x7e]*$/.test(text);
  const refused = new CodeError(`${SYMBOLOGIES[symbology].name} cannot hold that. ${HELP[symbology]}`);
  if (!square && !isPlain) throw refused;
  let made: Matrix | Bars;
  try {
    made = square
      ? qrMatrix(text)
      : (bwipjs.raw({ bcid: PACKAGE_NAMES[symbology] ?? symbology, text } as never) as unknown as Bars[])[0]!;
  } catch {
    throw refused;
  }
  if ('pixs' in made)
    return {
      columns: made.pixx + quiet[0] + quiet[1],
      rows: made.pixy + quiet[0] + quiet[1],
      dark: darkBoxes(made, quiet[0]),
    };
  const { sbs, bhs, bbs } = made;
  const unit = Math.min(...sbs);
  const highest = Math.max(...bhs.map((height, i) => height + bbs[i]!));
  let at: number = quiet[0];
  const dark: Box[] = [];
  sbs.forEach((width, i) => {
    const [height, foot] = [bhs[i / 2]! / highest, bbs[i / 2]! / highest];
    if (i % 2 === 0) dark.push({ x: at, y: 1 - foot - height, width: width / unit, height });
    at += width / unit;
  });
  return { columns: at + quiet[1], rows: 1, dark };
}

const kept = new Map<string, Symbol>();
const MOST_KEPT = 200;

/** How a code lies in its frame: how large a module is each way, and where it begins. Square modules stay square. */
function placed({ columns, rows }: Symbol, symbology: Symbology, { x, y, width, height }: Box): Box {
  if (!SYMBOLOGIES[symbology].square) return { x, y, width: width / columns, height: height / rows };
  const side = Math.min(width / columns, height / rows);
  return { x: x + (width - side * columns) / 2, y: y + (height - side * rows) / 2, width: side, height: side };
}

/** What a QR code's size is told by: how its text is packed, and how much of it there is (ISO/IEC 18004). */
function qrSize(text: string): string {
  if (/^\d*$/.test(text)) return `figures ${text.length}`;
  if (/^[0-9A-Z $%*+./:-]*$/.test(text)) return `capitals ${text.length}`;
  return /^[\0-\x7e]*$/.test(text) ? `signs ${text.length}` : `UTF-8 ${new TextEncoder().encode(text).length}`;
}
const sizes = new Map<string, number>();

/** How many modules wide a code is, its quiet zone included. Throws CodeError for content it cannot hold. */
export function codeColumns(symbology: Symbology, text: string): number {
  if (symbology !== 'qrcode') return known(symbology, text).columns;
  const key = qrSize(text);
  const found = sizes.get(key) ?? known(symbology, text).columns;
  sizes.set(key, found);
  return found;
}

function known(symbology: Symbology, text: string): Symbol {
  const key = `${symbology} ${text}`;
  const found = kept.get(key) ?? symbolOf(symbology, text);
  if (!kept.has(key) && kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(key, found);
  return found;
}

/** The width of one module of a code in a frame, points. */
export const moduleWidth = (symbology: Symbology, text: string, frame: Box): number =>
  placed(known(symbology, text), symbology, frame).width;

const boxesPath = (boxes: readonly Box[]): Path => boxes.flatMap(boxPath);

/** In modules, from memory of the GS1 General Specifications: room for the figures, and how far guard bars go into it. */
const FIGURES = { room: 9, guards: 5, size: 10 };
/** Lower than this many modules, a code has no room for figures. */
const LEAST_WITH_FIGURES = 20;
const EAN_QUIET = SYMBOLOGIES.ean13.quiet[0];
/** The guard bars of an EAN-13, in modules from its first: at both ends and in the middle. */
const isGuard = (x: number): boolean => x < 3 || (x >= 45 && x < 50) || x >= 92;

/** Retail codes carry their figures under the bars, the guard bars between them. */
function eanPath({ dark }: Symbol, text: string, frame: Box, module: Box): Path {
  const side = module.width;
  if (frame.height < LEAST_WITH_FIGURES * side) return boxesPath(dark.map((box) => inFrame(box, module)));
  const plain = frame.height - FIGURES.room * side;
  const bars = dark.map((box) => ({
    ...inFrame(box, module),
    height: isGuard(box.x - EAN_QUIET) ? plain + FIGURES.guards * side : plain,
  }));
  const figures = text.length === 12 ? text + checkDigit(text) : text;
  const middle = (i: number): number => (i === 0 ? -4.5 : i <= 6 ? 3 + 7 * (i - 0.5) : 50 + 7 * (i - 6.5));
  const places = [...figures].map((_, i) => frame.x + (EAN_QUIET + middle(i)) * side);
  return [...boxesPath(bars), ...figuresAt(figures, places, frame.y + frame.height - 0.5 * side, FIGURES.size * side)];
}

const inFrame = (box: Box, module: Box): Box => ({
  x: module.x + box.x * module.width,
  y: module.y + box.y * module.height,
  width: box.width * module.width,
  height: box.height * module.height,
});

/** The dark parts of a code as one path, in a frame that holds its quiet zone too. */
export function symbolPath(symbology: Symbology, text: string, frame: Box): Path {
  const symbol = known(symbology, text);
  const module = placed(symbol, symbology, frame);
  if (symbology === 'ean13') return eanPath(symbol, text, frame, module);
  return boxesPath(symbol.dark.map((box) => inFrame(box, module)));
}
