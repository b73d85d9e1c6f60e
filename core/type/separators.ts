import type { SetRun } from './set-run';
import type { Paragraph } from './style';

/** What stands between the details of a row. */
export const SEPARATORS = {
  '·': 'middle dot',
  '•': 'bullet',
  '|': 'vertical bar',
  '–': 'en dash',
  '/': 'slash',
} as const;
export type Separator = keyof typeof SEPARATORS;
export const SEPARATOR_SIGNS = Object.keys(SEPARATORS) as Separator[];

const NO_BREAK_SPACE = '\u00a0';

/** Details joined to one line, a separator between each two; it stays with what it follows. */
export function joined(paragraphs: readonly Paragraph[], separator: Separator): Paragraph {
  const details = paragraphs.filter(({ spans }) => spans.some((span) => span.text.trim() !== ''));
  const between = { text: `${NO_BREAK_SPACE}${separator} ` };
  return {
    ...details[0],
    spans: details.flatMap(({ spans }, i) => (i === 0 ? spans : [between, ...spans])),
  };
}

/** The separator that a line of a row would end with is left out, like the spaces there. */
export const HANGING = /(?:\u00a0[·•|–/])?[ \t\u2028\n]+$|\u00a0[·•|–/]$/u;

const isSpace = (character: string | undefined): boolean => character === ' ' || character === NO_BREAK_SPACE;

interface Inked {
  run: number;
  index: number;
  left: number;
  right: number;
  isSeparator: boolean;
}

/** Where the ink of each glyph of a line is, in points. */
function inkedGlyphs(runs: readonly SetRun[]): Inked[] {
  const out: Inked[] = [];
  runs.forEach(({ font, lettering, text, glyphs, x }, run) => {
    const scale = lettering.size / font.upem;
    let pen = x;
    glyphs.forEach(({ id, cluster, advance, dx }, index) => {
      const ink = font.ink(id);
      const start = pen + dx * scale;
      pen += advance * scale;
      if (!ink) return;
      const isSeparator =
        (SEPARATOR_SIGNS as string[]).includes(text[cluster] ?? '') &&
        isSpace(text[cluster - 1]) &&
        isSpace(text[cluster + 1]);
      out.push({ run, index, left: start + ink.x * scale, right: start + (ink.x + ink.width) * scale, isSeparator });
    });
  });
  return out;
}

/**
 * Separators between spaces are set in the middle of the white they stand in, so that it is equal on both sides: the
 * letters beside them have different sides. Nothing else moves.
 */
export function centreSeparators(runs: readonly SetRun[]): readonly SetRun[] {
  if (!runs.some(({ text }) => SEPARATOR_SIGNS.some((sign) => text.includes(sign)))) return runs;
  const inked = inkedGlyphs(runs);
  const moved = runs.map((run) => ({ ...run, glyphs: [...run.glyphs] }));
  inked.forEach(({ run, index, left, right, isSeparator }, i) => {
    const [before, after] = [inked[i - 1], inked[i + 1]];
    if (!isSeparator || !before || !after) return;
    const { font, lettering, glyphs } = moved[run]!;
    const by = ((before.right + after.left) / 2 - (left + right) / 2) * (font.upem / lettering.size);
    const glyph = glyphs[index]!;
    glyphs[index] = { ...glyph, dx: glyph.dx + by };
  });
  return moved;
}
