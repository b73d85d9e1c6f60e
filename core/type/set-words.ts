import type { Box } from '../geometry/box';
import type { Font, Glyph } from './font';

export const ALIGNMENTS = ['left', 'centre', 'right'] as const;
export type Alignment = (typeof ALIGNMENTS)[number];

/** Words to be set: `size` in points, `leading` as a factor of it, `width` in points or null to grow with the words. */
export interface WordsSetting {
  text: string;
  size: number;
  leading: number;
  align: Alignment;
  width: number | null;
}

/** A line set at its place: x and baseline in points from the frame's anchor and top. */
export interface Line {
  text: string;
  glyphs: Glyph[];
  x: number;
  baseline: number;
  width: number;
}

/** Set words. `frame` is relative to the anchor: the left edge, centre or right edge as aligned. */
export interface SetWords {
  lines: Line[];
  frame: Box;
}

const widthOf = (glyphs: readonly Glyph[]): number => glyphs.reduce((sum, glyph) => sum + glyph.advance, 0);

/** Where a line may end: after a run of spaces, or after a hyphen between letters. */
const BREAK_AFTER = /\s+|(?<=\p{L})-(?=\p{L})/gu;

function pieces(paragraph: string): string[] {
  const ends = [...paragraph.matchAll(BREAK_AFTER)].map((m) => m.index + m[0].length);
  return [0, ...ends].map((start, i) => paragraph.slice(start, ends[i] ?? paragraph.length)).filter((p) => p !== '');
}

/** Breaks a paragraph so that no line is wider than `width` font units, one word a line at the least. */
function breakLines(paragraph: string, font: Font, width: number): string[] {
  const fits = (text: string): boolean => widthOf(font.shape(text.trimEnd())) <= width;
  const lines: string[] = [];
  let line = '';
  for (const piece of pieces(paragraph)) {
    if (line !== '' && !fits(line + piece)) {
      lines.push(line.trimEnd());
      line = '';
    }
    line += piece;
  }
  return [...lines, line.trimEnd()];
}

const anchorOf: Record<Alignment, number> = { left: 0, centre: 0.5, right: 1 };

/** The part of a frame's width that lies left of its anchor, 0 to 1. */
export const anchorShare = (align: Alignment): number => anchorOf[align];

/** Sets words in lines: shaped by HarfBuzz, broken at the frame's width, first baseline one ascent below the top. */
export function setWords(setting: WordsSetting, font: Font): SetWords {
  const scale = setting.size / font.upem;
  const share = anchorShare(setting.align);
  const texts = setting.text
    .replace(/\t/g, ' ')
    .split('\n')
    .flatMap((p) => (setting.width === null ? [p] : breakLines(p, font, setting.width / scale)));
  const shaped = texts.map((text) => ({ text, glyphs: font.shape(text) }));
  const widths = shaped.map(({ glyphs }) => widthOf(glyphs) * scale);
  const frameWidth = setting.width ?? Math.max(...widths);
  const left = setting.width === null ? -share * frameWidth : 0;
  const step = setting.size * setting.leading;
  const ascent = font.ascent * scale;
  return {
    lines: shaped.map(({ text, glyphs }, i) => ({
      text,
      glyphs,
      width: widths[i]!,
      x: left + share * (frameWidth - widths[i]!),
      baseline: ascent + i * step,
    })),
    frame: { x: left, y: 0, width: frameWidth, height: ascent - font.descent * scale + (shaped.length - 1) * step },
  };
}
