import { type GlyphRun, runMatrix } from '../../scene/device';
import type { Glyph } from '../../type/font';
import { hex4, numbers, pdfNumber, pdfWidth, utf16Hex } from './numbers';
import { across, named, type PdfPage, up } from './page';
import { type FontUse, kept } from './uses';

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

/** Begins what stands for these words together; `EMC` ends it. */
export const telling = (text: string): string => `/Span <</ActualText <FEFF${utf16Hex(text)}>>> BDC`;

/** Runs of clusters whose glyphs say their words by themselves are shown together; others carry ActualText. */
function shown(run: GlyphRun, use: FontUse, isTold: boolean): string {
  const parts: string[] = [];
  let plain: Glyph[] = [];
  const flush = (): void => {
    if (plain.length > 0) parts.push(showing(plain, run));
    plain = [];
  };
  for (const { glyphs, text } of clustersOf(run)) {
    const [only] = glyphs;
    const known = use.glyphs.get(only!.id);
    if (glyphs.length === 1 && (known === text || (known === undefined && !use.isWhole))) {
      if (!use.isWhole) use.glyphs.set(only!.id, text);
      plain.push(only!);
      continue;
    }
    flush();
    for (const glyph of glyphs) {
      if (use.glyphs.has(glyph.id)) continue;
      if (use.isWhole) throw new Error(`The glyph ${glyph.id} of ${use.typeface} was not foreseen.`);
      use.glyphs.set(glyph.id, text);
    }
    // Within words that are told as a whole, a part of them is not told again.
    parts.push(...(isTold ? [showing(glyphs, run)] : [telling(text), showing(glyphs, run), 'EMC']));
  }
  flush();
  return parts.join('\n');
}

function textMatrix(page: PdfPage, run: GlyphRun): string {
  const [a, b, c, d] = runMatrix(run);
  // The page's y grows upwards, so a turn goes the other way round.
  return `${numbers(a, -b, -c, d, across(page, run.x), up(page, run.baseline))} Tm`;
}

/** What shows a run inside BT and ET. */
export function textOps(page: PdfPage, run: GlyphRun): string[] {
  const { typeface, font } = run;
  const { fonts } = page.uses;
  const use = kept(fonts, typeface, () => ({ key: `F${fonts.size + 1}`, typeface, font, glyphs: new Map() }));
  return [`${named(page, use.key)} ${pdfNumber(run.size)} Tf`, textMatrix(page, run), shown(run, use, page.isTold)];
}
