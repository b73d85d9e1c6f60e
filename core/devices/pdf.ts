import { type Plates, platesInOrder, splitPlates } from '../colour/ink';
import { type Box, bottom } from '../geometry/box';
import { type Matrix, multiply } from '../geometry/matrix';
import { asCubic, boxPath, type Path } from '../geometry/path';
import { type Colour, type Coverage, isShade, type Shade } from '../scene/colour';
import { type GlyphRun, type ImageRef, imageKey, runMatrix, type Tone } from '../scene/device';
import { runOutline } from '../scene/run-outline';
import type { Font, Glyph } from '../type/font';
import type { PatchDevice } from './flat/flat';
import type { Patch } from './flat/patch';

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
  /** With the fewest pixels an inch that any of them is drawn at. */
  images: Map<string, { key: string; image: ImageRef; ppi: number }>;
  /** Separations by plate name; `All` among them. */
  plates: Map<string, string>;
  /** Spaces of several plates that one colour mixes, by the plates' names. */
  mixtures: Map<string, { key: string; plates: Plates }>;
  patches: { key: string; patch: Patch }[];
  /** Colour that runs, by what it is written as. */
  shades: Map<string, { key: string; shade: Shade | Coverage }>;
  tones: Map<Tone, { key: string; colour: Plates }[]>;
  /** Contents drawn as one thing. An inner one comes before the one it lies in. */
  forms: PdfForm[];
  /** Graphics states, by what they set. */
  states: Map<string, { key: string; state: PdfState }>;
}

/** What a graphics state sets: an amount that covers, a form whose grey says how much shows, or whether inks overprint. */
export type PdfState = { opacity: number } | { mask: string } | { overprint: boolean };

/** A piece of content with the names it uses. A grey one is a mask; a shared one is drawn at several places as it is. */
export interface PdfForm {
  key: string;
  content: string;
  names: ReadonlySet<string>;
  isMask: boolean;
  shared?: boolean;
  /** Its own sheet's, points. */
  size: { width: number; height: number };
}

export const noUses = (): PdfUses => ({
  fonts: new Map(),
  images: new Map(),
  plates: new Map(),
  mixtures: new Map(),
  patches: [],
  shades: new Map(),
  tones: new Map(),
  forms: [],
  states: new Map(),
});

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
): PatchDevice & { content(): string; names(): ReadonlySet<string> } {
  let out: string[] = [];
  let names = new Set<string>();
  const outer: { out: string[]; names: Set<string> }[] = [];
  /** A resource's name where it is used. */
  const named = (key: string): string => {
    names.add(key);
    return `/${key}`;
  };
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

  /** From the device's space to the page's, for what carries a matrix. */
  const onPage = (matrix: Matrix): Matrix => multiply([1, 0, 0, -1, -media.x, bottom(media)], matrix);

  function shadeKey(shade: Shade | Coverage): string {
    const there = { ...shade, matrix: onPage(shade.matrix) };
    const written = JSON.stringify(there);
    const found = uses.shades.get(written) ?? { key: `P${uses.shades.size + 1}`, shade: there };
    uses.shades.set(written, found);
    return found.key;
  }

  /** A spot ink with others, as one colour of several plates in the order that `platesInOrder` has. */
  function mixture(given: Plates, space: string, set: string): string {
    const order = platesInOrder(Object.keys(given));
    const found = uses.mixtures.get(order.join('\n')) ?? { key: `N${uses.mixtures.size + 1}`, plates: given };
    uses.mixtures.set(order.join('\n'), found);
    return `${named(found.key)} ${space} ${numbers(...order.map((plate) => given[plate] ?? 0))} ${set}`;
  }

  /** The operator that takes a colour: process inks as DeviceCMYK, one spot or All as a Separation, others as patterns. */
  function colour(given: Colour, stroke: boolean): string {
    const [space, set] = stroke ? ['CS', 'SCN'] : ['cs', 'scn'];
    if (isShade(given)) return `/Pattern ${space} ${named(shadeKey(given))} ${set}`;
    const { cmyk, spots } = splitPlates(given);
    if (spots.length === 0) return `${numbers(...cmyk)} ${stroke ? 'K' : 'k'}`;
    if (spots.length > 1 || cmyk.some((a) => a > 0)) return mixture(given, space, set);
    const [name, amount] = spots[0]!;
    return `${named(keyOf(uses.plates, name, 'S'))} ${space} ${pdfNumber(amount)} ${set}`;
  }

  const begin = (): void => {
    outer.push({ out, names });
    out = [];
    names = new Set();
  };
  const addForm = (content: string, used: ReadonlySet<string>, isMask: boolean): string => {
    const key = `X${uses.forms.length + 1}`;
    uses.forms.push({ key, content, names: used, isMask, size: media });
    return key;
  };
  const stateKey = (state: PdfState): string => {
    const written = JSON.stringify(state);
    const found = uses.states.get(written) ?? { key: `G${uses.states.size + 1}`, state };
    uses.states.set(written, found);
    return found.key;
  };
  /** Ends what was begun, and draws it as one thing in that state. */
  const end = (state: PdfState): void => {
    const form = addForm(`${out.join('\n')}\n`, names, false);
    ({ out, names } = outer.pop()!);
    out.push('q', `${named(stateKey(state))} gs`, `${named(form)} Do`, 'Q');
  };
  const masks: string[] = [];
  let overprints = 0;
  const opacities: number[] = [];
  // A picture's own space grows upwards from its foot.
  const imageOps = (key: string, [a, b, c, d, e, f]: Matrix): string[] => [
    'q',
    `${numbers(a, -b, -c, d, across(c + e), up(d + f))} cm`,
    `${named(key)} Do`,
    'Q',
  ];

  const textMatrix = (run: GlyphRun): string => {
    const [a, b, c, d] = runMatrix(run);
    // The page's y grows upwards, so a turn goes the other way round.
    return `${numbers(a, -b, -c, d, across(run.x), up(run.baseline))} Tm`;
  };
  const asOutlines = (run: GlyphRun): boolean => words === 'outlines' || run.font.program === 'drawn';
  /** What shows a run inside BT and ET. */
  const textOps = (run: GlyphRun): string[] => {
    const use = fontUse(run);
    return [`${named(use.key)} ${pdfNumber(run.size)} Tf`, textMatrix(run), shown(run, use)];
  };

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
    names: () => names,
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
    beginGlyphClip: (runs) => {
      out.push('q');
      if (runs.some(asOutlines)) out.push(runs.map((run) => pathOps(runOutline(run))).join('\n'), 'W n');
      else out.push('BT', '7 Tr', ...runs.flatMap(textOps), 'ET');
    },
    endClip: () => {
      out.push('Q');
    },
    beginGroup: (opacity) => {
      opacities.push(opacity);
      begin();
    },
    endGroup: () => end({ opacity: opacities.pop()! }),
    beginFade: (coverage) => {
      const key = shadeKey(coverage);
      const all = pathOps(boxPath(media));
      masks.push(addForm(`/Pattern cs /${key} scn\n${all}\nf\n`, new Set([key]), true));
      begin();
    },
    endFade: () => end({ mask: masks.pop()! }),
    beginOverprint: () => {
      overprints++;
      out.push('q', `${named(stateKey({ overprint: true }))} gs`);
    },
    endOverprint: () => {
      overprints--;
      out.push('Q');
    },
    fillPath: (path, given) => {
      out.push(colour(given, false), pathOps(path), 'f');
    },
    strokePath: (path, pen, given) => {
      const { weight, dash, cap = 'flat', join = 'mitre' } = pen;
      const style = [
        `${pdfNumber(weight)} w`,
        cap === 'flat' ? '' : `${CAPS[cap]} J`,
        join === 'mitre' ? '4 M' : `${JOINS[join]} j`,
        dash ? `[${numbers(...dash)}] 0 d` : '',
      ];
      out.push('q', colour(given, true), style.filter(Boolean).join(' '), pathOps(path), 'S', 'Q');
    },
    showGlyphs: (run, given) => {
      if (asOutlines(run)) out.push(colour(given, false), pathOps(runOutline(run)), 'f');
      else out.push(colour(given, false), 'BT', ...textOps(run), 'ET');
    },
    drawImage: (image, place) => {
      const ppi = (72 * image.width) / Math.hypot(place[0], place[1]);
      const found = uses.images.get(imageKey(image)) ?? { key: `Im${uses.images.size + 1}`, image, ppi };
      uses.images.set(imageKey(image), { ...found, ppi: Math.min(found.ppi, ppi) });
      out.push(...imageOps(found.key, place));
    },
    drawPatch: (patch, place) => {
      const key = `B${uses.patches.length + 1}`;
      uses.patches.push({ key, patch });
      // A patch has all that the press gets there: nothing below it shows through.
      const solid = overprints > 0 ? [`${named(stateKey({ overprint: false }))} gs`] : [];
      const [save, ...rest] = imageOps(key, place);
      out.push(save!, ...solid, ...rest);
    },
    drawTone: (tone, place, given) => {
      const colours = uses.tones.get(tone) ?? [];
      uses.tones.set(tone, colours);
      const written = JSON.stringify(given);
      let found = colours.find((each) => JSON.stringify(each.colour) === written);
      if (!found) {
        const count = [...uses.tones.values()].reduce((sum, each) => sum + each.length, 0);
        found = { key: `T${count + 1}`, colour: given };
        colours.push(found);
      }
      out.push(...imageOps(found.key, place));
    },
  };
}

const CAPS = { flat: 0, round: 1, square: 2 } as const;
const JOINS = { mitre: 0, round: 1, bevel: 2 } as const;
