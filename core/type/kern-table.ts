/**
 * Kerning by the old `kern` table (OpenType specification, kern; Apple's TrueType manual, kern), in which fonts of before
 * OpenType keep it. The HarfBuzz that ships goes by GPOS alone.
 */

/** What kerning asks and changes of a glyph, in font units. */
interface Placed {
  id: number;
  advance: number;
  dx: number;
}

/** How much nearer two neighbours stand, in font units, by both their numbers in one. */
type Pairs = ReadonlyMap<number, number>;
const both = (left: number, right: number): number => left * 65_536 + right;

interface Subtable {
  at: number;
  format: number;
  isHorizontal: boolean;
  isCumulative: boolean;
}

/** The subtables of either kind of head: Microsoft's has version 0, Apple's 1.0 in four bytes. */
function* subtables(view: DataView): Generator<Subtable> {
  const isApple = view.getUint16(0) === 1;
  const count = isApple ? view.getUint32(4) : view.getUint16(2);
  let at = isApple ? 8 : 4;
  for (let i = 0; i < count && at + 8 <= view.byteLength; i++) {
    const length = isApple ? view.getUint32(at) : view.getUint16(at + 2);
    const coverage = view.getUint16(at + 4);
    yield isApple
      ? {
          at: at + 8,
          format: coverage & 0xff,
          // Upright text, steps across the line and variations are not what is asked for.
          isHorizontal: (coverage & 0xe000) === 0,
          isCumulative: true,
        }
      : {
          at: at + 6,
          format: coverage >> 8,
          // Horizontal, and neither least values nor steps across the line.
          isHorizontal: (coverage & 0b111) === 1,
          isCumulative: (coverage & 0b1000) === 0,
        };
    // A length that leads nowhere: that of one large table overflows its two bytes.
    at += Math.max(length, 8);
  }
}

/** The pairs of a `kern` table; a table that is cut short says as much as is there. */
function pairsOf(table: Uint8Array): Pairs {
  const view = new DataView(table.buffer, table.byteOffset, table.byteLength);
  const pairs = new Map<number, number>();
  if (table.length < 8) return pairs;
  for (const { at, format, isHorizontal, isCumulative } of subtables(view)) {
    if (format !== 0 || !isHorizontal || at + 8 > table.length) continue;
    const count = Math.min(view.getUint16(at), Math.floor((table.length - at - 8) / 6));
    for (let row = at + 8; row < at + 8 + 6 * count; row += 6) {
      const key = both(view.getUint16(row), view.getUint16(row + 2));
      pairs.set(key, view.getInt16(row + 4) + (isCumulative ? (pairs.get(key) ?? 0) : 0));
    }
  }
  return pairs;
}

const KERN = 0x6b65726e;

/** Whether a GPOS table has a feature for kerning (OpenType specification, chapter 2, feature list). */
function kernsByGpos(gpos: Uint8Array | undefined): boolean {
  if (!gpos || gpos.length < 10) return false;
  const view = new DataView(gpos.buffer, gpos.byteOffset, gpos.byteLength);
  const list = view.getUint16(6);
  if (list + 2 > gpos.length) return false;
  const count = view.getUint16(list);
  for (let at = list + 2; at < list + 2 + 6 * count && at + 4 <= gpos.length; at += 6)
    if (view.getUint32(at) === KERN) return true;
  return false;
}

/** Kerns a run from left to right: half of it between the letters, half before the second, as HarfBuzz has it. */
function kerned<G extends Placed>(glyphs: readonly G[], pairs: Pairs): readonly G[] {
  const out = glyphs.map((glyph) => ({ ...glyph }));
  // Marks stand on a letter and not between two.
  const letters = out.filter(({ advance }) => advance !== 0);
  letters.forEach((right, i) => {
    const left = letters[i - 1];
    const step = left && pairs.get(both(left.id, right.id));
    if (!left || !step) return;
    const first = step >> 1;
    left.advance += first;
    right.advance += step - first;
    right.dx += step - first;
  });
  return out;
}

/** What kerns a font's runs; undefined where its GPOS does, or nothing can. */
export function oldKerning(
  table: (tag: string) => Uint8Array | undefined,
): (<G extends Placed>(glyphs: readonly G[]) => readonly G[]) | undefined {
  const kern = table('kern');
  if (!kern || kern.length === 0 || kernsByGpos(table('GPOS'))) return undefined;
  const pairs = pairsOf(kern);
  return pairs.size === 0 ? undefined : (glyphs) => kerned(glyphs, pairs);
}
