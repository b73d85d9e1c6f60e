import bwipjs from 'bwip-js/generic';
import type { Box } from '../geometry/box';
import { boxPath, type Path } from '../geometry/path';
import { checkDigit, figuresAt } from './digits';
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
interface Bars {
  sbs: number[];
}

const HELP: Record<Symbology, string> = {
  qrcode: 'A QR code holds up to about 2,000 characters. Shorten it.',
  code128: 'Code 128 holds letters, figures and signs of plain ASCII. Shorten it, or leave out other signs.',
  ean13: 'EAN-13 is 12 figures, or 13 with the right check digit at the end.',
};

/** Runs of dark modules, each joined with the same run in the rows below it. */
function darkBoxes({ pixs, pixx, pixy }: Matrix, quiet: number): Box[] {
  const open = new Map<string, Box>();
  const done: Box[] = [];
  for (let y = 0; y < pixy; y++) {
    const here = new Set<string>();
    for (let x = 0; x < pixx; x++) {
      if (!pixs[y * pixx + x]) continue;
      const start = x;
      while (x + 1 < pixx && pixs[y * pixx + x + 1]) x++;
      const key = `${start} ${x}`;
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

/** Makes a code. Throws CodeError for content it cannot hold. */
export function symbolOf(symbology: Symbology, text: string): Symbol {
  const { quiet, square } = SYMBOLOGIES[symbology];
  const isPlain = /^[\x20-\x7e]*$/.test(text);
  const refused = new CodeError(`${SYMBOLOGIES[symbology].name} cannot hold that. ${HELP[symbology]}`);
  if (!square && !isPlain) throw refused;
  // Letters beyond ASCII are UTF-8, and the code says so (ECI 26): readers guess otherwise.
  const isUtf8 = [...text].some((character) => character > '\x7e');
  const said = isUtf8 ? { text: `^ECI000026${text.replaceAll('^', '^^')}`, parsefnc: true } : { text };
  let made: Matrix | Bars;
  try {
    const [found] = bwipjs.raw({
      bcid: symbology,
      ...said,
      ...(square ? { eclevel: 'M' } : {}),
    } as never) as unknown as (Matrix | Bars)[];
    made = found!;
  } catch {
    throw refused;
  }
  if ('pixs' in made)
    return {
      columns: made.pixx + quiet[0] + quiet[1],
      rows: made.pixy + quiet[0] + quiet[1],
      dark: darkBoxes(made, quiet[0]),
    };
  let at: number = quiet[0];
  const dark: Box[] = [];
  made.sbs.forEach((width, i) => {
    if (i % 2 === 0) dark.push({ x: at, y: 0, width, height: 1 });
    at += width;
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
