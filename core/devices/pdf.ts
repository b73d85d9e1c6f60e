import { type Plates, splitPlates } from '../colour/ink';
import type { Box } from '../geometry/box';
import { bottom } from '../geometry/box';
import { asCubic, type Path } from '../geometry/path';
import { type Device, type GlyphRun, runMatrix } from '../scene/device';
import type { Font, Glyph } from '../type/font';
import { runOutline } from './run-outline';

/** A font as a document uses it: its glyphs, each with the words it stands for. */
export interface FontUse {
  key: string;
  typeface: string;
  font: Font;
  glyphs: Map<number, string>;
}

/** What the pages of one document share; the writer makes PDF objects of it. Keys are resource names. */
export interface PdfUses {
  fonts: Map<string, FontUse>;
  images: Map<string, string>;
  /** Separations by plate name; `All` among them. */
  plates: Map<string, string>;
}

export const noUses = (): PdfUses => ({ fonts: new Map(), images: new Map(), plates: new Map() });

/** A number as PDF writes it, to a ten-thousandth. */
export const pdfNumber = (n: number): string => {
  const text = (Math.round(n * 10_000) / 10_000).toFixed(4).replace(/\.?0+$/, '');
  return text === '-0' ? '0' : text;
};
const numbers = (...n: number[]): string => n.map(pdfNumber).join(' ');
const hex4 = (n: number): string => n.toString(16).padStart(4, '0').toUpperCase();

/** Words as a PDF hexadecimal string in UTF-16BE. */
export const utf16Hex = (text: string): string =>
  Array.from({ length: text.length }, (_, i) => hex4(text.charCodeAt(i))).join('');

/** The width of a glyph in thousandths of the size, as the font's W array has it. */
export const pdfWidth = (font: Font, glyph: number): number => Math.round((font.advance(glyph) * 1000) / font.upem);

const keyOf = (map: Map<string, string>, name: string, letter: string): string => {
  const key = map.get(name) ?? `${letter}${map.size + 1}`;
  map.set(name, key);
  return key;
};

interface Cluster {
  glyphs: Glyph[];
  text: string;
}

/** Glyphs of a run by cluster, each with the stretch of words it stands for (HarfBuzz's monotone clusters). */
function clustersOf({ glyphs, text }: GlyphRun): Cluster[] {
  const starts = [...new Set(glyphs.map((g) => g.cluster))].sort((a, b) => a - b);
  const endOf = new Map(starts.map((start, i) => [start, starts[i + 1] ?? text.length]));
  const clusters: Cluster[] = [];
  let last: number | undefined;
  for (const glyph of glyphs) {
    if (glyph.cluster === last) clusters.at(-1)!.glyphs.push(glyph);
    else clusters.push({ glyphs: [glyph], text: text.slice(glyph.cluster, endOf.get(glyph.cluster)) });
    last = glyph.cluster;
  }
  return clusters;
}

/**
 * A device that writes one page's content stream (ISO 32000-1, 8 and 9). `media` is the sheet in the piece's
 * coordinates; the stream's origin is its lower left corner. Words are text, or the outlines of their letters.
 */
export function pdfDevice(
  media: Box,
  uses: PdfUses,
  words: 'text' | 'outlines' = 'text',
): Device & { content(): string } {
  const out: string[] = [];
  const across = (x: number): number => x - media.x;
  const up = (y: number): number => bottom(media) - y;

  function pathOps(path: Path): string {
    const ops: string[] = [];
    let at = { x: 0, y: 0 };
    for (const segment of path) {
      if (segment[0] === 'Z') {
        ops.push('h');
        continue;
      }
      if (segment[0] === 'M' || segment[0] === 'L') {
        ops.push(`${numbers(across(segment[1]), up(segment[2]))} ${segment[0].toLowerCase()}`);
        at = { x: segment[1], y: segment[2] };
        continue;
      }
      const [, x1, y1, x2, y2, x, y] = segment[0] === 'Q' ? asCubic(at, segment) : segment;
      ops.push(`${numbers(across(x1), up(y1), across(x2), up(y2), across(x), up(y))} c`);
      at = { x, y };
    }
    return ops.join('\n');
  }

  /** The operator that takes a colour: process inks as DeviceCMYK, one spot or All as a Separation. */
  function colour(plates: Plates, stroke: boolean): string {
    const { cmyk, spots } = splitPlates(plates);
    if (spots.length === 0) return `${numbers(...cmyk)} ${stroke ? 'K' : 'k'}`;
    if (spots.length > 1 || cmyk.some((a) => a > 0))
      throw new Error('One colour cannot mix a spot ink with other inks.');
    const [name, amount] = spots[0]!;
    const key = keyOf(uses.plates, name, 'S');
    return `/${key} ${stroke ? 'CS' : 'cs'} ${pdfNumber(amount)} ${stroke ? 'SCN' : 'scn'}`;
  }

  function fontUse(run: GlyphRun): FontUse {
    const found = uses.fonts.get(run.typeface) ?? {
      key: `F${uses.fonts.size + 1}`,
      typeface: run.typeface,
      font: run.font,
      glyphs: new Map<number, string>(),
    };
    uses.fonts.set(run.typeface, found);
    return found;
  }

  /** Glyphs as TJ arrays; a rise (Ts) where a mark sits off the line. */
  function showing(glyphs: readonly Glyph[], { font, size }: GlyphRun): string {
    const thousandths = (units: number): number => (units * 1000) / font.upem;
    const ops: string[] = [];
    let items: string[] = [];
    let rise = 0;
    const flush = (): void => {
      if (items.length > 0) ops.push(`[${items.join('')}] TJ`);
      items = [];
    };
    const shift = (amount: number): void => {
      if (Math.abs(amount) > 0.0005) items.push(` ${pdfNumber(-amount)} `);
    };
    for (const glyph of glyphs) {
      if (glyph.dy !== rise) {
        flush();
        rise = glyph.dy;
        ops.push(`${pdfNumber((rise * size) / font.upem)} Ts`);
      }
      shift(thousandths(glyph.dx));
      items.push(`<${hex4(glyph.id)}>`);
      shift(thousandths(glyph.advance - glyph.dx) - pdfWidth(font, glyph.id));
    }
    flush();
    if (rise !== 0) ops.push('0 Ts');
    return ops.join('\n');
  }

  /** Runs of clusters whose glyphs say their words by themselves are shown together; others carry ActualText. */
  function shown(run: GlyphRun, use: FontUse): string {
    const parts: string[] = [];
    let plain: Glyph[] = [];
    const flush = (): void => {
      if (plain.length > 0) parts.push(showing(plain, run));
      plain = [];
    };
    for (const { glyphs, text } of clustersOf(run)) {
      const [only] = glyphs;
      const known = use.glyphs.get(only!.id);
      if (glyphs.length === 1 && (known === undefined || known === text)) {
        use.glyphs.set(only!.id, text);
        plain.push(only!);
        continue;
      }
      flush();
      for (const glyph of glyphs) if (!use.glyphs.has(glyph.id)) use.glyphs.set(glyph.id, text);
      // Within words that are told as a whole, a part of them is not told again.
      parts.push(...(isTold ? [showing(glyphs, run)] : [telling(text), showing(glyphs, run), 'EMC']));
    }
    flush();
    return parts.join('\n');
  }

  /** Begins what stands for these words together; `EMC` ends it. */
  const telling = (text: string): string => `/Span <</ActualText <FEFF${utf16Hex(text)}>>> BDC`;
  let isTold = false;

  return {
    content: () => `${out.join('\n')}\n`,
    beginElement() {},
    endElement() {},
    beginWords: (text) => {
      if (words === 'outlines') return;
      isTold = true;
      out.push(telling(text));
    },
    endWords: () => {
      if (isTold) out.push('EMC');
      isTold = false;
    },
    beginClip: (path) => {
      out.push('q', pathOps(path), 'W n');
    },
    endClip: () => {
      out.push('Q');
    },
    fillPath: (path, plates) => {
      out.push(colour(plates, false), pathOps(path), 'f');
    },
    strokePath: (path, weight, plates) => {
      out.push(colour(plates, true), `${pdfNumber(weight)} w`, pathOps(path), 'S');
    },
    showGlyphs: (run, plates) => {
      if (words === 'outlines' || run.font.program === 'drawn') {
        out.push(colour(plates, false), pathOps(runOutline(run)), 'f');
        return;
      }
      const use = fontUse(run);
      out.push(colour(plates, false), 'BT', `/${use.key} ${pdfNumber(run.size)} Tf`);
      const [a, b, c, d] = runMatrix(run);
      // The page's y grows upwards, so a turn goes the other way round.
      out.push(`${numbers(a, -b, -c, d, across(run.x), up(run.baseline))} Tm`, shown(run, use), 'ET');
    },
    drawImage: ({ asset }, [a, b, c, d, e, f]) => {
      const key = keyOf(uses.images, asset, 'Im');
      // A picture's own space grows upwards from its foot.
      out.push('q', `${numbers(a, -b, -c, d, across(c + e), up(d + f))} cm`, `/${key} Do`, 'Q');
    },
  };
}
