import * as hb from 'harfbuzzjs';
import type { Box } from '../geometry/box';
import { type Path, parsePath, pathBounds } from '../geometry/path';

/** A glyph as shaped; all measures in font units, y up. */
export interface Glyph {
  id: number;
  /** Index of the first UTF-16 unit it stands for. */
  cluster: number;
  advance: number;
  dx: number;
  dy: number;
}

/** One typeface, ready to shape. Measures in font units, y up. */
export interface Font {
  bytes: Uint8Array;
  upem: number;
  ascent: number;
  /** Below the baseline, so negative. */
  descent: number;
  postscriptName: string;
  shape(text: string): Glyph[];
  advance(glyph: number): number;
  outline(glyph: number): Path;
  /** The exact box around a glyph's outline; undefined for one without ink. */
  ink(glyph: number): Box | undefined;
  /** A table of the font file, for writers that must describe it. */
  table(tag: string): Uint8Array | undefined;
}

const POSTSCRIPT_NAME = 6;

/** The PostScript name in a `name` table (OpenType, name ID 6). */
function postscriptName(table: Uint8Array | undefined): string {
  if (!table) return 'Unnamed';
  const view = new DataView(table.buffer, table.byteOffset, table.byteLength);
  const storage = view.getUint16(4);
  for (let i = 0; i < view.getUint16(2); i++) {
    const at = 6 + 12 * i;
    if (view.getUint16(at + 6) !== POSTSCRIPT_NAME) continue;
    const start = storage + view.getUint16(at + 10);
    const raw = table.subarray(start, start + view.getUint16(at + 8));
    return String.fromCharCode(...raw).replace(/[^!-~]|[[\](){}<>/%]/g, '');
  }
  return 'Unnamed';
}

function kept<T>(make: (glyph: number) => T): (glyph: number) => T {
  const found = new Map<number, T>();
  return (glyph) => {
    if (!found.has(glyph)) found.set(glyph, make(glyph));
    return found.get(glyph)!;
  };
}

/** Opens the bytes of a TrueType or OpenType font. */
export function openFont(bytes: Uint8Array): Font {
  const face = new hb.Face(new hb.Blob(bytes.slice().buffer));
  const font = new hb.Font(face);
  const extents = font.hExtents();
  const outline = kept((glyph) => {
    const data = font.glyphToPath(glyph);
    return data === '' ? [] : parsePath(data);
  });
  return {
    bytes,
    upem: face.upem,
    ascent: extents.ascender,
    descent: extents.descender,
    postscriptName: postscriptName(face.referenceTable('name')),
    shape(text) {
      const buffer = new hb.Buffer();
      buffer.addText(text);
      buffer.guessSegmentProperties();
      hb.shape(font, buffer);
      const places = buffer.getGlyphPositions();
      return buffer.getGlyphInfos().map(({ codepoint, cluster }, i) => {
        const place = places[i]!;
        return { id: codepoint, cluster, advance: place.xAdvance ?? 0, dx: place.xOffset ?? 0, dy: place.yOffset ?? 0 };
      });
    },
    advance: kept((glyph) => font.glyphHAdvance(glyph)),
    outline,
    ink: kept((glyph) => pathBounds(outline(glyph))),
    table: (tag) => face.referenceTable(tag),
  };
}

/** All fonts a job can use, by typeface id. Throws for an id it does not have. */
export interface FontBook {
  font(typeface: string): Font;
}

/** Opens fonts on first use. */
export function createFontBook(files: Readonly<Record<string, Uint8Array>>): FontBook {
  const open = new Map<string, Font>();
  return {
    font(typeface) {
      const bytes = files[typeface];
      if (!bytes) throw new Error(`The typeface ${typeface} is not here.`);
      const found = open.get(typeface) ?? openFont(bytes);
      open.set(typeface, found);
      return found;
    },
  };
}
