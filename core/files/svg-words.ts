import { dataUrl } from '../devices/data-url';
import { type Colour, isShade } from '../scene/colour';
import { type GlyphRun, runMatrix } from '../scene/device';
import { placed, runData } from '../scene/run-outline';
import type { Font } from '../type/font';
import type { FontCutter } from '../type/subset';
import { escapeXml } from './xml';

/** The fonts that words of an SVG file are set in, what each is called there, and the glyphs in use. */
export type SvgFonts = Map<Font, { family: string; glyphs: Set<number> }>;

/** Whether a run can be text: its font may go along, and a gradient does not turn with the letters. */
export const staysText = ({ font, angle }: GlyphRun, colour: Colour): boolean =>
  font.embedding !== 'forbidden' && !(angle && isShade(colour));

/** Features that reshape letters unasked: they are off, since every letter is placed by itself. */
const PLAIN = { kern: 0, liga: 0, clig: 0, calt: 0, ccmp: 0, locl: 0 };

const STYLE = `text{white-space:pre;font-kerning:none;font-feature-settings:${Object.keys(PLAIN)
  .map((tag) => `"${tag}" 0`)
  .join(',')}}`;

/** The character that a font shows as this glyph of itself; undefined for ligatures, small capitals and their like. */
function plainCharacter({ font, text, glyphs }: GlyphRun, index: number): string | undefined {
  const { id, cluster } = glyphs[index]!;
  const character = text[cluster];
  const next = glyphs[index + 1]?.cluster ?? text.length;
  if (character === undefined || next !== cluster + 1 || glyphs[index - 1]?.cluster === cluster) return undefined;
  const plain = font.shape({ text: character, features: PLAIN });
  return plain.length === 1 && plain[0]!.id === id ? character : undefined;
}

const round = (n: number): string => `${Math.round(n * 10_000) / 10_000}`;

/** Its name in the file, then its own: a program that reads no embedded fonts looks for that. */
const families = (family: string, font: Font): string =>
  escapeXml(`${family},'${font.postscriptName.replace(/['\\]/g, '')}'`);

/** A run as text, each letter at its own place; glyphs that no character stands for by itself are outlines. */
export function wordsText(run: GlyphRun, fill: string, fonts: SvgFonts): string {
  const { font, size, angle } = run;
  const used = fonts.get(font) ?? { family: `words-${fonts.size + 1}`, glyphs: new Set<number>() };
  fonts.set(font, used);
  const from = angle ? { x: 0, y: 0 } : { x: run.x, y: run.baseline };
  const letters: { character: string; x: number; y: number }[] = [];
  let outlines = '';
  for (const [i, { id, x, y }] of [...placed(run)].entries()) {
    const character = plainCharacter(run, i);
    if (character === undefined) {
      const glyph = { ...run.glyphs[i]!, dx: 0, dy: 0 };
      outlines += runData({ font, size, text: '', typeface: '', glyphs: [glyph], x: from.x + x, baseline: from.y + y });
    } else {
      used.glyphs.add(id);
      letters.push({ character, x: from.x + x, y: from.y + y });
    }
  }
  const [first] = letters;
  const even = letters.every(({ y }) => y === first?.y);
  const ys = even && first ? round(first.y) : letters.map(({ y }) => round(y)).join(' ');
  const words = first
    ? `<text font-family="${families(used.family, font)}" font-size="${round(size)}" fill="${fill}" x="${letters.map(({ x }) => round(x)).join(' ')}" y="${ys}">${escapeXml(letters.map(({ character }) => character).join(''))}</text>`
    : '';
  const drawn = words + (outlines === '' ? '' : `<path d="${outlines}" fill="${fill}"/>`);
  return angle
    ? `<g transform="matrix(${runMatrix(run)
        .map((n) => n.toPrecision(9))
        .join(' ')})">${drawn}</g>`
    : drawn;
}

/** What the words of a file need of their fonts, inside it: cut down, unless a font's maker wants it whole. */
export function fontFaces(fonts: SvgFonts, { subset }: FontCutter): string {
  if (fonts.size === 0) return '';
  const faces = [...fonts].map(([font, { family, glyphs }]) => {
    const program = font.embedding === 'whole' ? font.bytes : subset(font.bytes, glyphs);
    return `@font-face{font-family:${family};src:url(${dataUrl('font/otf', program)})}`;
  });
  return `<style>${STYLE}\n${faces.join('\n')}</style>\n`;
}
