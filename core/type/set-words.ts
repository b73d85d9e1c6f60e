import type { Box } from '../geometry/box';
import type { FontBook } from './font';
import { type SetParagraph, setParagraph } from './set-paragraph';
import type { SetRun } from './set-run';
import type { Alignment, Lettering, Paragraph, Setting } from './style';

/** How a frame holds its words. Sizes and inset in points. */
export interface FrameSetting {
  behaviour: 'grows' | 'fixed width' | 'fixed box';
  width: number;
  height: number;
  inset: number;
  vertical: 'top' | 'middle' | 'bottom';
}

/** Words to be set: each paragraph with its look and setting already worked out. */
export interface WordsSetting {
  paragraphs: readonly { paragraph: Paragraph; setting: Setting }[];
  lettering: Lettering;
  frame: FrameSetting;
  /** What does not fit goes on in another frame: no line of a paragraph is then left alone on either side. */
  goesOn?: boolean;
}

/** A line at its place: x and baseline in points from the frame's anchor and top. */
export interface Line {
  runs: readonly SetRun[];
  x: number;
  baseline: number;
  width: number;
  text: string;
  /** Which paragraph it belongs to, and where in that paragraph's text it begins. */
  paragraph: number;
  start: number;
}

export interface SetWords {
  lines: Line[];
  /** Lines that a fixed box has no room for; they do not print. */
  hidden: Line[];
  /** Relative to the anchor: the left edge, or for words that grow the middle or right edge as they are aligned. */
  frame: Box;
  /** The height all the words need, inset included. */
  needed: number;
}

const ANCHOR: Record<Alignment, number> = { left: 0, centre: 0.5, right: 1, justified: 0 };

/** The part of a frame's width that lies left of its anchor, 0 to 1. */
export const anchorShare = (align: Alignment): number => ANCHOR[align];

interface Placed {
  paragraph: number;
  /** Its place among the paragraph's lines, and how many those are. */
  nth: number;
  of: number;
  line: SetParagraph['lines'][number];
  setting: Setting;
  baseline: number;
  bottom: number;
}

/** Lines one under another from 0: the first baseline one ascent down, each next one a leading further. */
function stacked(paragraphs: readonly SetParagraph[]): { placed: Placed[]; height: number } {
  const placed: Placed[] = [];
  let baseline = 0;
  let gap = 0;
  for (const [paragraph, { lines, setting }] of paragraphs.entries()) {
    gap += placed.length === 0 ? 0 : setting.before;
    for (const [nth, line] of lines.entries()) {
      baseline = placed.length === 0 ? line.ascent : baseline + line.leading + gap;
      gap = 0;
      placed.push({ paragraph, nth, of: lines.length, line, setting, baseline, bottom: baseline + line.descent });
    }
    gap += setting.after;
  }
  return { placed, height: placed.at(-1)?.bottom ?? 0 };
}

/**
 * Where words that go on are cut: neither a paragraph's first line stays alone, nor its last one goes alone, unless the
 * frame would then hold nothing.
 */
function withoutLoneLines(placed: readonly Placed[], cut: number): number {
  const first = placed[cut]!;
  let at = cut;
  if (first.nth === first.of - 1 && first.of > 1) at -= 1;
  if (placed[at]!.nth === 1) at -= 1;
  return at > 0 ? at : cut;
}

const VERTICAL: Record<FrameSetting['vertical'], number> = { top: 0, middle: 0.5, bottom: 1 };

/** Sets words in their frame. What a fixed box cannot hold comes back as `hidden`. */
export function setWords({ paragraphs, lettering, frame, goesOn }: WordsSetting, fonts: FontBook): SetWords {
  const grows = frame.behaviour === 'grows';
  const inner = grows ? null : Math.max(1, frame.width - 2 * frame.inset);
  const set = paragraphs.map(({ paragraph, setting }) => setParagraph(paragraph, lettering, setting, inner, fonts));
  const width = inner ?? Math.max(0, ...set.map((p) => p.width));
  const outer = grows ? width + 2 * frame.inset : frame.width;
  const share = grows ? anchorShare(set[0]?.setting.align ?? 'left') : 0;
  const left = 0 - share * outer;
  const { placed, height } = stacked(set);
  const needed = height + 2 * frame.inset;
  const isBox = frame.behaviour === 'fixed box';
  const spare = isBox ? Math.max(0, frame.height - needed) : 0;
  const top = frame.inset + spare * VERTICAL[frame.vertical];
  const fits = ({ bottom }: Placed): boolean => !isBox || bottom <= frame.height - 2 * frame.inset + 0.001;
  const place = ({ paragraph, line, setting, baseline }: Placed): Line => {
    const room = width - line.indent - setting.indent.right;
    return {
      paragraph,
      start: line.start,
      runs: line.runs,
      width: line.width,
      text: line.runs.map((run) => run.text).join(''),
      x: left + frame.inset + line.indent + anchorShare(setting.align) * (room - line.width),
      baseline: top + baseline,
    };
  };
  // Once a line is hidden, so is all that follows it.
  const over = placed.findIndex((line) => !fits(line));
  const cut = over > 0 && goesOn ? withoutLoneLines(placed, over) : over;
  const shown = cut < 0 ? placed : placed.slice(0, cut);
  return {
    lines: shown.map(place),
    hidden: cut < 0 ? [] : placed.slice(cut).map(place),
    frame: { x: left, y: 0, width: outer, height: isBox ? frame.height : needed },
    needed,
  };
}
