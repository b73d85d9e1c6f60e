import { addressBreaks, breaksOf } from './breaks';
import type { FontBook } from './font';
import { styledRuns } from './runs';
import { justify, type SetLine, setLine } from './set-line';
import { type Lettering, leadingOf, type Paragraph, type Setting } from './style';

/** A paragraph broken in lines: each with its indent from the frame's left side, in points. */
export interface SetParagraph {
  lines: (SetLine & { indent: number; leading: number })[];
  setting: Setting;
  /** The width its widest line needs, indents included. */
  width: number;
}

/** Where an address that no line holds ends its line: at its @ if that fits, else as late as fits. */
function breakWithin(text: string, from: number, to: number, fits: (end: number) => boolean): number | undefined {
  const places = addressBreaks(text.slice(from, to)).map((at) => from + at);
  const fitting = places.filter(fits);
  return fitting.find((at) => text[at] === '@') ?? fitting.sort((a, b) => b - a)[0];
}

/** Sets a paragraph for a frame `width` points wide, or unbroken for null. */
function setNow(
  paragraph: Paragraph,
  base: Lettering,
  setting: Setting,
  width: number | null,
  fonts: FontBook,
): SetParagraph {
  const styled = styledRuns(paragraph, base);
  const breaks = breaksOf(styled.text);
  const { indent } = setting;
  const lines: SetParagraph['lines'] = [];
  let start = 0;
  let at = 0;
  do {
    const left = indent.left + (lines.length === 0 ? indent.first : 0);
    const room = width === null ? Number.POSITIVE_INFINITY : width - left - indent.right;
    let line: SetLine | undefined;
    let isLast = true;
    let within: number | undefined;
    // The longest stretch that fits, one unbreakable stretch at the least.
    for (; at < breaks.length; at++) {
      const { at: stop, required } = breaks[at]!;
      const longer = setLine(styled, fonts, start, stop, setting.tabs, left, base);
      if (line && longer.width > room + 0.001) {
        isLast = false;
        break;
      }
      if (!line && longer.width > room + 0.001) {
        within = breakWithin(
          styled.text,
          start,
          stop,
          (end) => setLine(styled, fonts, start, end, setting.tabs, left, base).width <= room,
        );
        if (within) {
          line = setLine(styled, fonts, start, within, setting.tabs, left, base);
          isLast = false;
          break;
        }
      }
      line = longer;
      if (required) {
        at++;
        break;
      }
    }
    line ??= setLine(styled, fonts, start, styled.text.length, setting.tabs, left, base);
    const next = within ?? (at === 0 ? styled.text.length : breaks[at - 1]!.at);
    const filled = setting.align === 'justified' && !isLast && Number.isFinite(room) ? justify(line, room) : line;
    lines.push({ ...filled, indent: left, leading: leadingOf(setting, line.size) });
    start = next;
  } while (start < styled.text.length && at < breaks.length);
  return {
    lines,
    setting: styled.rightToLeft && setting.align === 'left' ? { ...setting, align: 'right' } : setting,
    width: Math.max(...lines.map((line) => line.indent + line.width + indent.right)),
  };
}

/** Paragraphs kept at most; the oldest go first. */
const MOST_KEPT = 4000;
const kept = new WeakMap<FontBook, Map<string, SetParagraph>>();
/** How often a paragraph was there already: for the bench. */
export const settingCount = { asked: 0, set: 0 };

/** Sets a paragraph; one that was set before with the same look and width is not set again. */
export function setParagraph(
  paragraph: Paragraph,
  base: Lettering,
  setting: Setting,
  width: number | null,
  fonts: FontBook,
): SetParagraph {
  const known = kept.get(fonts) ?? new Map<string, SetParagraph>();
  kept.set(fonts, known);
  const key = JSON.stringify([paragraph.spans, base, setting, width]);
  settingCount.asked++;
  const found = known.get(key);
  if (found) return found;
  settingCount.set++;
  const set = setNow(paragraph, base, setting, width, fonts);
  if (known.size >= MOST_KEPT) known.delete(known.keys().next().value!);
  known.set(key, set);
  return set;
}
