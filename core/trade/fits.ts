import type { Envelope } from './data-schema';

/** Which envelopes a piece fits, flat or folded, and where a letter's address lands behind a window. Points. */

interface Size {
  width: number;
  height: number;
}

export const WAYS = {
  flat: { says: 'flat', folded: (s: Size): Size => s },
  half: { says: 'folded in half', folded: ({ width, height }: Size): Size => halved({ width, height }) },
  thirds: {
    says: 'folded in three',
    folded: ({ width, height }: Size): Size =>
      height >= width ? { width, height: height / 3 } : { width: width / 3, height },
  },
  quarters: { says: 'folded in four', folded: (s: Size): Size => halved(halved(s)) },
} as const;
export type Way = keyof typeof WAYS;

const halved = ({ width, height }: Size): Size =>
  height >= width ? { width, height: height / 2 } : { width: width / 2, height };

/** Room that a sheet has to have in an envelope, both sides together: 3 mm to go in, 1/8 in in inches; common practice. */
export const LEAST_ROOM = (3 * 72) / 25.4;

export interface Fit {
  envelope: Envelope;
  way: Way;
  /** What is left of the envelope each way, the long one first. */
  room: readonly [long: number, short: number];
  verdict: 'fits' | 'tight' | 'too small';
}

const longShort = ({ width, height }: Size): [number, number] => [Math.max(width, height), Math.min(width, height)];

/** How a piece goes into an envelope, folded that way. */
export function fitOf(piece: Size, way: Way, envelope: Envelope): Fit {
  const [long, short] = longShort(WAYS[way].folded(piece));
  const [outerLong, outerShort] = longShort(envelope);
  const room = [outerLong - long, outerShort - short] as const;
  const least = Math.min(...room);
  return { envelope, way, room, verdict: least >= LEAST_ROOM - 0.01 ? 'fits' : least >= 0 ? 'tight' : 'too small' };
}

/** The ways in which a piece goes into each envelope without folding it more than it has to be. */
export const whatFits = (piece: Size, envelopes: readonly Envelope[]): Fit[] =>
  envelopes.flatMap((envelope) => {
    const fits = (Object.keys(WAYS) as Way[]).map((way) => fitOf(piece, way, envelope));
    return fits.find(({ verdict }) => verdict === 'fits') ?? fits.find(({ verdict }) => verdict === 'tight') ?? [];
  });

interface Box extends Size {
  x: number;
  y: number;
}

export interface WindowView {
  /** The window, and the lines of the address at each extreme of the sheet's slack; from the envelope's top left corner. */
  window: Box;
  extremes: readonly {
    lines: Box;
    sheet: Box;
    covered: { left: number; right: number; top: number; bottom: number };
  }[];
  /** How much of the address is covered at the worst, on any side; 0 where it always shows whole. */
  worst: number;
}

/** The highest panel of a sheet that is folded at those places from its top. */
function highestPanel(height: number, folds: readonly number[]): number {
  const stops = [0, ...folds.filter((at) => at < height), height];
  return Math.max(...stops.slice(1).map((at, i) => at - stops[i]!));
}

/**
 * The ways to fold a letter that go into an envelope, by where it is folded from its top; the fewest folds first: not at all,
 * in half, and as its layout says.
 */
export const foldsThatFit = (
  { width, height, folds }: Size & { folds: readonly number[] },
  envelope: Size,
): (readonly number[])[] =>
  width > envelope.width
    ? []
    : [[], [height / 2], folds].filter((each) => highestPanel(height, each) <= envelope.height);

/**
 * Where the address lands behind a window. `folds` are where the letter is folded, from its top: the packet is as high as
 * its highest panel, and the first panel ends at its foot.
 */
export function behindWindow(
  envelope: Envelope & { window: NonNullable<Envelope['window']> },
  letter: Size & { folds: readonly number[]; lines: Box },
): WindowView {
  const high = highestPanel(letter.height, letter.folds);
  const first = Math.min(letter.height, ...letter.folds);
  const { left, bottom, width, height } = envelope.window;
  const window = { x: left, y: envelope.height - bottom - height, width, height };
  const slack = { x: envelope.width - letter.width, y: envelope.height - high };
  // The first panel's foot is the packet's foot.
  const down = high - first;
  const at = (shareX: number, shareY: number): WindowView['extremes'][number] => {
    const sheet = { x: slack.x * shareX, y: slack.y * shareY, width: letter.width, height: high };
    const lines = { ...letter.lines, x: sheet.x + letter.lines.x, y: sheet.y + down + letter.lines.y };
    const over = (by: number): number => Math.max(0, by);
    return {
      sheet,
      lines,
      covered: {
        left: over(window.x - lines.x),
        right: over(lines.x + lines.width - (window.x + window.width)),
        top: over(window.y - lines.y),
        bottom: over(lines.y + lines.height - (window.y + window.height)),
      },
    };
  };
  const extremes = [at(0, 0), at(1, 0), at(0, 1), at(1, 1)];
  return { window, extremes, worst: Math.max(...extremes.flatMap(({ covered }) => Object.values(covered))) };
}
