import * as hb from 'harfbuzzjs';
import type { Box } from '../geometry/box';
import { type Path, parsePath, pathBounds } from '../geometry/path';
import { type Embedding, embeddingOf } from './embedding';
import { featureNames } from './features';
import { oldKerning } from './kern-table';
import { type Program, programOf } from './program';

/** A glyph as shaped; all measures in font units, y up. */
export interface Glyph {
  id: number;
  /** Index of the first UTF-16 unit it stands for. */
  cluster: number;
  advance: number;
  dx: number;
  dy: number;
}

/** How a run of text is shaped: which features, and which way it runs. */
export interface ShapeRequest {
  text: string;
  features?: Readonly<Record<string, number>>;
  /** Left to right where it is left out; the script is HarfBuzz's guess. */
  rightToLeft?: boolean;
}

/** One typeface, ready to shape. Measures in font units, y up. */
export interface Font {
  bytes: Uint8Array;
  upem: number;
  ascent: number;
  /** Below the baseline, so negative. */
  descent: number;
  underline: { position: number; thickness: number };
  postscriptName: string;
  /** What the font's maker lets be done with it in an exported file. */
  embedding: Embedding;
  program: Program;
  /** A string of its name table, in English where it has that; empty for one it lacks. */
  name(id: number): string;
  /** The features a person may choose, by tag, under the names the font gives or the standard's own. */
  features: ReadonlyMap<string, string>;
  /** Shapes text; the answer is kept, so the same request costs nothing the second time. */
  shape(request: ShapeRequest): readonly Glyph[];
  /** Whether the font has a glyph for a character. */
  has(codePoint: number): boolean;
  /** How many glyphs it has. */
  glyphCount: number;
  advance(glyph: number): number;
  outline(glyph: number): Path;
  /** The exact box around a glyph's outline; undefined for one without ink. */
  ink(glyph: number): Box | undefined;
  /** A table of the font file, for writers that must describe it. */
  table(tag: string): Uint8Array | undefined;
}

function kept<K, T>(make: (key: K) => T): (key: K) => T {
  const found = new Map<K, T>();
  return (key) => {
    if (!found.has(key)) found.set(key, make(key));
    return found.get(key)!;
  };
}

/** OpenType `name` table, name ID 6; only characters that a PDF name can hold are kept. */
const POSTSCRIPT_NAME = 6;

/** Shaped runs kept at most for each font; the oldest go first. */
const MOST_RUNS = 20_000;
/** How often a shaped run was there already: for the bench. */
export const shapingCount = { asked: 0, shaped: 0 };

const featureText = (features: Readonly<Record<string, number>>): string =>
  Object.entries(features)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([tag, value]) => `${tag}=${value}`)
    .join(',');

/** Opens the bytes of a TrueType or OpenType font. */
export function openFont(bytes: Uint8Array): Font {
  const face = new hb.Face(new hb.Blob(new Uint8Array(bytes).buffer));
  const font = new hb.Font(face);
  const extents = font.hExtents();
  const outline = kept((glyph: number) => {
    const data = font.glyphToPath(glyph);
    return data === '' ? [] : parsePath(data);
  });
  const runs = new Map<string, readonly Glyph[]>();

  function shape({ text, features = {}, rightToLeft = false }: ShapeRequest): readonly Glyph[] {
    const settings = featureText(features);
    const key = `${rightToLeft ? '<' : '>'}${settings}|${text}`;
    shapingCount.asked++;
    const found = runs.get(key);
    if (found) return found;
    shapingCount.shaped++;
    const buffer = new hb.Buffer();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    buffer.setDirection(rightToLeft ? hb.Direction.RTL : hb.Direction.LTR);
    const chosen = settings === '' ? [] : settings.split(',').flatMap((each) => hb.Feature.fromString(each) ?? []);
    hb.shape(font, buffer, chosen);
    const places = buffer.getGlyphPositions();
    const shaped = buffer.getGlyphInfos().map(({ codepoint, cluster }, i) => {
      const place = places[i]!;
      return { id: codepoint, cluster, advance: place.xAdvance ?? 0, dx: place.xOffset ?? 0, dy: place.yOffset ?? 0 };
    });
    const glyphs = kern && !rightToLeft && features['kern'] !== 0 ? kern(shaped) : shaped;
    if (runs.size >= MOST_RUNS) runs.delete(runs.keys().next().value!);
    runs.set(key, glyphs);
    return glyphs;
  }

  // A table is lent from the wasm heap, which moves when it grows: copied before anything else is asked for.
  const table = (tag: string): Uint8Array | undefined => face.referenceTable(tag)?.slice();
  const read = (tag: string): DataView | undefined => {
    const found = table(tag);
    return found && found.length > 0 ? new DataView(found.buffer, found.byteOffset, found.byteLength) : undefined;
  };
  const kern = oldKerning(table);
  const view = read('post');
  const os2 = read('OS/2');
  const covered = new Set(face.collectUnicodes());
  return {
    bytes,
    upem: face.upem,
    ascent: extents.ascender,
    descent: extents.descender,
    underline: { position: view?.getInt16(8) ?? -face.upem / 10, thickness: view?.getInt16(10) || face.upem / 20 },
    embedding: embeddingOf(os2 && os2.byteLength >= 10 ? os2.getUint16(8) : 0),
    program: programOf(bytes),
    name: (id) => face.getName(id, 'en'),
    postscriptName: face.getName(POSTSCRIPT_NAME, 'en').replace(/[^!-~]|[[\](){}<>/%]/g, '') || 'Unnamed',
    features: featureNames(face),
    shape,
    has: (codePoint) => covered.has(codePoint),
    glyphCount: read('maxp')?.getUint16(4) ?? 0,
    advance: kept((glyph) => font.glyphHAdvance(glyph)),
    outline,
    ink: kept((glyph) => pathBounds(outline(glyph))),
    table,
  };
}

/** All fonts a job can use, by typeface id. Throws for an id it does not have. */
export interface FontBook {
  font(typeface: string): Font;
  has(typeface: string): boolean;
  /** Opens a typeface anew the next time: another file has come in place of the one it was opened from. */
  forget(typeface: string): void;
}

/** Opens fonts on first use; `bytesOf` finds a typeface's file. */
export function createFontBook(bytesOf: (typeface: string) => Uint8Array | undefined): FontBook {
  const open = new Map<string, Font>();
  return {
    forget: (typeface) => void open.delete(typeface),
    has: (typeface) => open.has(typeface) || bytesOf(typeface) !== undefined,
    font(typeface) {
      const found = open.get(typeface);
      if (found) return found;
      const bytes = bytesOf(typeface);
      if (!bytes) throw new Error(`The typeface ${typeface} is not here.`);
      const font = openFont(bytes);
      open.set(typeface, font);
      return font;
    },
  };
}
