import { type Box, bottom, intersection, middleOf, right } from '../geometry/box';
import { boxAround, type Matrix } from '../geometry/matrix';
import { formatLength, toPoints, type Unit } from '../units/length';
import { OFFICE_SHEETS, type OfficeSheet } from './office-sheet';

/**
 * An office printer, simulated: what comes out of each of its settings. It leaves an edge of the paper white, lays a page in
 * the middle of the paper, and turns a wide page to lie along it; common practice. Lengths in points.
 */

/** How it brings a page onto the paper. */
export const SIZINGS = {
  own: 'At its own size, 100 %',
  smaller: 'Smaller, where it is too large',
  largest: 'As large as the paper takes',
} as const;
export type Sizing = keyof typeof SIZINGS;

/** How it prints the second page. */
export const SECOND_SIDES = {
  none: 'One side only',
  long: 'Both sides, turned over the long edge',
  short: 'Both sides, turned over the short edge',
} as const;
export type SecondSide = keyof typeof SECOND_SIDES;

export interface OfficePrinter {
  paper: OfficeSheet;
  /** What it cannot reach along each edge. */
  margin: number;
  sizing: Sizing;
  second: SecondSide;
}

/** What most of them cannot reach, and how far front and back lie apart on a good one; common practice. */
export const USUAL_MARGIN = toPoints(4.2, 'mm');
export const USUAL_SHIFT = toPoints(1, 'mm');

/** A page of a file: its own sheet, the trim on it, and what has ink on it, side by side from the trim's corner, y down. */
export interface OfficePage {
  media: Box;
  trim: Box;
  ink: Box | undefined;
}

export type Edge = 'top' | 'right' | 'bottom' | 'left';

/** One side of the paper as it comes out, upright: lengths on the paper from its corner. */
export interface OfficeSide {
  /** The page's trim, as it lies. */
  trim: Box;
  scale: number;
  /** How much of the ink each edge of the paper takes away, as the page is read; only edges that take some. */
  lost: Partial<Record<Edge, number>>;
}

export interface OfficeOutcome {
  sides: OfficeSide[];
  /** The back stands on its head. */
  isHeadDown: boolean;
  /** The back is not printed. */
  isBackMissing: boolean;
}

/** Less than this is not lost: a rounding of the printer's own grid of dots. */
const NOTHING = 0.05;

const isWide = ({ width, height }: Pick<Box, 'width' | 'height'>): boolean => width > height;

/** How wide and how high a page is once it lies along the upright paper. */
const uprightOf = ({ width, height }: Box): [across: number, down: number] => [
  Math.min(width, height),
  Math.max(width, height),
];

/** The scale at which a page comes out. */
function scaleOf({ media }: OfficePage, { paper, margin, sizing }: OfficePrinter): number {
  if (sizing === 'own') return 1;
  const { width, height } = OFFICE_SHEETS[paper];
  const [across, down] = uprightOf(media);
  const largest = Math.min((width - 2 * margin) / across, (height - 2 * margin) / down);
  return sizing === 'smaller' ? Math.min(1, largest) : largest;
}

/** What brings a page, from its trim's corner, onto the upright paper: its middle to the middle. A wide page's top lies to the right. */
export function pageOnPaper(page: OfficePage, printer: OfficePrinter): Matrix {
  const paper = OFFICE_SHEETS[printer.paper];
  const scale = scaleOf(page, printer);
  const { x, y } = middleOf(page.media);
  return isWide(page.media)
    ? [0, scale, -scale, 0, paper.width / 2 + scale * y, paper.height / 2 - scale * x]
    : [scale, 0, 0, scale, paper.width / 2 - scale * x, paper.height / 2 - scale * y];
}

/** Which edge of the paper an edge of the page comes to lie at. */
const EDGES_OF: Readonly<Record<'tall' | 'wide', Readonly<Record<Edge, Edge>>>> = {
  tall: { top: 'top', right: 'right', bottom: 'bottom', left: 'left' },
  wide: { top: 'right', right: 'bottom', bottom: 'left', left: 'top' },
};

function sideOf(page: OfficePage, printer: OfficePrinter): OfficeSide {
  const { width, height } = OFFICE_SHEETS[printer.paper];
  const { margin } = printer;
  const matrix = pageOnPaper(page, printer);
  const lost: OfficeSide['lost'] = {};
  // What runs past the page was never on it.
  const inked = page.ink && intersection(page.ink, page.media);
  if (inked) {
    const ink = boxAround(inked, matrix);
    const gone: Record<Edge, number> = {
      top: margin - ink.y,
      right: right(ink) - (width - margin),
      bottom: bottom(ink) - (height - margin),
      left: margin - ink.x,
    };
    const there = EDGES_OF[isWide(page.media) ? 'wide' : 'tall'];
    for (const edge of Object.keys(there) as Edge[]) if (gone[there[edge]] > NOTHING) lost[edge] = gone[there[edge]];
  }
  return { trim: boxAround(page.trim, matrix), scale: scaleOf(page, printer), lost };
}

/**
 * What comes out for the one or two pages of a file. Backs are made for sheets that are turned left to right: over the long
 * edge of a tall page, over the short edge of a wide one.
 */
export function officeOutcome(pages: readonly OfficePage[], printer: OfficePrinter): OfficeOutcome {
  const sides = pages.slice(0, printer.second === 'none' ? 1 : 2).map((page) => sideOf(page, printer));
  const isTwo = pages.length > 1;
  return {
    sides,
    isHeadDown: isTwo && printer.second !== 'none' && printer.second !== rightTurn(pages[0]!),
    isBackMissing: isTwo && printer.second === 'none',
  };
}

/** The edge that a sheet is turned over for its back to stand as it should. */
export const rightTurn = ({ media }: OfficePage): Exclude<SecondSide, 'none'> => (isWide(media) ? 'short' : 'long');

const EDGES: Readonly<Record<Edge, string>> = {
  top: 'at the top',
  right: 'at the right',
  bottom: 'at the bottom',
  left: 'at the left',
};

/** Decimals of a length that is told. */
const DIGITS = 2;

/** What is wrong with what came out, a sentence each, lengths in the unit; nothing where it is as it should be. */
export function officeFaults(
  pages: readonly OfficePage[],
  { sides, isHeadDown, isBackMissing }: OfficeOutcome,
  unit: Unit,
): string[] {
  const { trim } = pages[0]!;
  const scale = sides[0]!.scale;
  const faults: string[] = [];
  if (Math.abs(scale - 1) > 0.001) {
    const [came, asked] = [scale * trim.width, trim.width].map((width) => formatLength(width, unit, DIGITS));
    faults.push(`It comes out at ${(100 * scale).toFixed(1)} %: ${came} wide instead of ${asked}.`);
  }
  for (const [i, { lost }] of sides.entries())
    for (const [edge, by] of Object.entries(lost) as [Edge, number][])
      faults.push(
        `The ${i === 0 ? 'front' : 'back'} loses ${formatLength(by, unit, DIGITS)} of its ink ${EDGES[edge]}: the printer leaves it white.`,
      );
  if (isHeadDown) faults.push('The back stands on its head: turn the sheet over the other edge.');
  if (isBackMissing) faults.push('The back is not printed.');
  return faults;
}

/** The settings that bring pages out as they should be: at their size, nothing lost that another paper would keep, the back upright. */
export function rightSettings(pages: readonly OfficePage[], margin: number): OfficePrinter {
  const settings = (Object.keys(OFFICE_SHEETS) as OfficeSheet[]).map(
    (paper): OfficePrinter => ({
      paper,
      margin,
      sizing: 'own',
      second: pages.length > 1 ? rightTurn(pages[0]!) : 'none',
    }),
  );
  const losses = ({ sides }: OfficeOutcome): number =>
    sides.reduce((sum, { lost }) => sum + Object.values(lost).reduce((all, by) => all + by, 0), 0);
  // The page's own paper, where it is one, else the one that keeps most.
  const isOwn = ({ paper }: OfficePrinter): boolean => {
    const { width, height } = OFFICE_SHEETS[paper];
    const [across, down] = uprightOf(pages[0]!.media);
    return Math.abs(across - width) < 3 && Math.abs(down - height) < 3;
  };
  return (
    settings.find(isOwn) ??
    settings.reduce((best, each) =>
      losses(officeOutcome(pages, each)) < losses(officeOutcome(pages, best)) - NOTHING ? each : best,
    )
  );
}
