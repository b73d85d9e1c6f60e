import { evenGaps } from './even-gaps';
import type { Font, FontBook, Glyph } from './font';
import { type Run, type Styled, visualOrder } from './runs';
import { centreSeparators, HANGING } from './separators';
import type { SetRun } from './set-run';
import type { Lettering, Setting } from './style';

/** A line before it is placed in its frame: what it holds and how wide it is, in points. */
export interface SetLine {
  start: number;
  end: number;
  runs: SetRun[];
  width: number;
  /** The largest size in it, and the tallest reach above and below its baseline. */
  size: number;
  ascent: number;
  descent: number;
}

const SMALL_CAPITALS = { smcp: 1 };
const UNKERNED = { kern: 0 };

/** The features a run is shaped with: those chosen, and what its case and spacing ask for. */
export function shapingFeatures({ features, letterCase, spacing }: Lettering): Record<string, number> {
  return {
    ...features,
    ...(letterCase === 'small capitals' ? SMALL_CAPITALS : {}),
    ...(spacing === 'kerned' ? {} : UNKERNED),
  };
}

/** A run's glyphs in font units, with its tracking after each letter. */
function shapeRun(text: string, { lettering, level }: Run, font: Font): readonly Glyph[] {
  const shaped = font.shape({ text, features: shapingFeatures(lettering), rightToLeft: (level & 1) === 1 });
  const spaced = lettering.spacing === 'even' ? evenGaps(shaped, font) : shaped;
  if (lettering.tracking === 0) return spaced;
  const extra = (lettering.tracking * font.upem) / 1000;
  // A mark stands on its letter and moves with it: only what advances is spaced.
  return spaced.map((glyph) => (glyph.advance > 0 ? { ...glyph, advance: glyph.advance + extra } : glyph));
}

const widthOf = (glyphs: readonly Glyph[], font: Font, size: number): number =>
  (glyphs.reduce((sum, glyph) => sum + glyph.advance, 0) * size) / font.upem;

/** A paragraph's stretch without what hangs past the end of a line. */
const trimmedEnd = (text: string, start: number, end: number): number =>
  start + text.slice(start, end).replace(HANGING, '').length;

function clip(run: Run, start: number, end: number): Run | undefined {
  const clipped = { ...run, start: Math.max(run.start, start), end: Math.min(run.end, end) };
  return clipped.start < clipped.end ? clipped : undefined;
}

/** The place of the next tab stop after `x`, or of the next of an even row of them. */
const DEFAULT_TAB = 36;
const stopAfter = (x: number, tabs: Setting['tabs']): { at: number; align: 'left' | 'centre' | 'right' } =>
  tabs.filter((tab) => tab.at > x + 0.01).sort((a, b) => a.at - b.at)[0] ?? {
    at: (Math.floor(x / DEFAULT_TAB + 0.001) + 1) * DEFAULT_TAB,
    align: 'left',
  };

/** Sets the stretch between two tabs, from left to right as it is seen. */
function setCell(styled: Styled, fonts: FontBook, start: number, end: number): { runs: SetRun[]; width: number } {
  const inside = styled.runs.flatMap((run) => clip(run, start, end) ?? []);
  let x = 0;
  const runs = visualOrder(inside).map((run): SetRun => {
    const font = fonts.font(run.lettering.typeface);
    const text = styled.text.slice(run.start, run.end);
    const glyphs = shapeRun(text, run, font);
    const width = widthOf(glyphs, font, run.lettering.size);
    const set = { lettering: run.lettering, font, text, glyphs, x, width };
    x += width;
    return set;
  });
  const last = runs.at(-1);
  // The tracking after a line's last letter would push it off its edge.
  const hanging = last && last.lettering.tracking !== 0 ? (last.lettering.tracking * last.lettering.size) / 1000 : 0;
  return { runs: [...centreSeparators(runs)], width: x - hanging };
}

/** Sets one line of a paragraph, tabs and all; `from` is where its first character stands in the frame. */
export function setLine(
  styled: Styled,
  fonts: FontBook,
  start: number,
  stop: number,
  tabs: Setting['tabs'],
  from: number,
  fallback: Lettering,
): SetLine {
  const end = trimmedEnd(styled.text, start, stop);
  const runs: SetRun[] = [];
  let x = 0;
  let at = start;
  for (const [i, cell] of styled.text.slice(start, end).split('\t').entries()) {
    const { runs: set, width } = setCell(styled, fonts, at, at + cell.length);
    if (i > 0) {
      const tab = stopAfter(from + x, tabs);
      const share = tab.align === 'left' ? 0 : tab.align === 'centre' ? 0.5 : 1;
      x = Math.max(x, tab.at - from - share * width);
    }
    for (const run of set) runs.push({ ...run, x: run.x + x });
    x += width;
    at += cell.length + 1;
  }
  const looks = styled.runs.flatMap((run) => (clip(run, start, Math.max(end, start + 1)) ? [run.lettering] : []));
  const letterings = looks.length > 0 ? looks : [styled.runs.at(-1)?.lettering ?? fallback];
  const reach = (of: (font: Font) => number) =>
    Math.max(...letterings.map((l) => (of(fonts.font(l.typeface)) * l.size) / fonts.font(l.typeface).upem));
  return {
    start,
    end,
    runs,
    width: x,
    size: Math.max(...letterings.map((l) => l.size)),
    ascent: reach((font) => font.ascent),
    descent: reach((font) => -font.descent),
  };
}

/** A line with the spaces between its words widened so that it fills `width` points. */
export function justify(line: SetLine, width: number): SetLine {
  const isSpace = (run: SetRun, glyph: Glyph): boolean => run.text[glyph.cluster] === ' ';
  const spaces = line.runs.reduce((count, run) => count + run.glyphs.filter((glyph) => isSpace(run, glyph)).length, 0);
  const missing = width - line.width;
  if (spaces === 0 || missing <= 0) return line;
  const each = missing / spaces;
  let shift = 0;
  const runs = line.runs.map((run) => {
    const widened = run.glyphs.filter((glyph) => isSpace(run, glyph)).length;
    const extra = (each * run.font.upem) / run.lettering.size;
    const set = {
      ...run,
      x: run.x + shift,
      width: run.width + widened * each,
      glyphs: run.glyphs.map((glyph) => (isSpace(run, glyph) ? { ...glyph, advance: glyph.advance + extra } : glyph)),
    };
    shift += widened * each;
    return set;
  });
  return { ...line, runs, width };
}
