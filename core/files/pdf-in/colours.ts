import { type Cmyk, isProcessPlate, type Plates, splitPlates } from '../../colour/ink';
import { type Colour, type Coverage, isShade } from '../../scene/colour';
import { JOB_LIMITS } from '../../trade/job-limits';
import type { ArtColour, ArtInk, ArtPaint } from '../art-in/art';

/** Colours of a page as inks at tints. A colour of a screen is told by a plate of its own, named by its #rrggbb. */

const isScreen = (plate: string): boolean => /^#[0-9a-f]{6}$/.test(plate);

/** What is known of a page's colours while it is read. */
export interface ColourList {
  inks: Record<string, ArtInk>;
  /** What stands in for a spot ink at full tint. */
  standIn(name: string): Cmyk;
}

const share = (n: number): number => Math.round(Math.max(0, Math.min(1, n)) * 10_000) / 10_000;

function processPaint({ inks }: ColourList, plates: Plates): ArtPaint {
  const screen = Object.keys(plates).find(isScreen);
  if (screen) {
    inks[screen] = { kind: 'screen', hex: screen };
    return { key: screen };
  }
  const cmyk = splitPlates(plates).cmyk.map(share) as Cmyk;
  const [c, m, y, k] = cmyk;
  // Greys are black at a tint; all else is an ink by its numbers.
  const isGrey = c === 0 && m === 0 && y === 0 && k > 0;
  const own: Cmyk = isGrey ? [0, 0, 0, 1] : cmyk;
  const key = `cmyk ${own.join(' ')}`;
  inks[key] = { kind: 'process', cmyk: own };
  return isGrey && k < 1 ? { key, tint: k } : { key };
}

function spotPaint({ inks, standIn }: ColourList, name: string, amount: number): ArtPaint {
  const key = `spot ${name}`;
  inks[key] ??= { kind: 'spot', name, cmyk: standIn(name) };
  return share(amount) < 1 ? { key, tint: share(amount) } : { key };
}

const platesIn = (colour: Colour): Plates[] => (isShade(colour) ? colour.stops.map(({ plates }) => plates) : [colour]);

/** How far a plate is from running straight between two stops, at most: half a percent. */
const STRAIGHT = 0.005;

const channelsOf = (plates: Plates): Plates => {
  const screen = Object.keys(plates).find(isScreen);
  if (!screen) return plates;
  const at = (i: number): number => Number.parseInt(screen.slice(i, i + 2), 16) / 255;
  return { '#r': at(1), '#g': at(3), '#b': at(5) };
};

/** The stops that are needed for each channel to run as it does (Douglas and Peucker, 1973). */
function fewer<S extends { at: number; plates: Plates }>(stops: readonly S[], covering: (at: number) => number): S[] {
  if (stops.length <= 2) return [...stops];
  const [first, last] = [stops[0]!, stops.at(-1)!];
  // What is seen through runs as well.
  const channels = ({ at, plates }: S): Plates => ({ ...channelsOf(plates), '#cover': covering(at) });
  const [from, to] = [channels(first), channels(last)];
  let worst = { off: STRAIGHT, i: -1 };
  for (let i = 1; i < stops.length - 1; i++) {
    const stop = stops[i]!;
    const way = last.at === first.at ? 0 : (stop.at - first.at) / (last.at - first.at);
    for (const [name, amount] of Object.entries(channels(stop))) {
      const off = Math.abs(amount - ((from[name] ?? 0) * (1 - way) + (to[name] ?? 0) * way));
      if (off > worst.off) worst = { off, i };
    }
  }
  if (worst.i < 0) return [first, last];
  return [...fewer(stops.slice(0, worst.i + 1), covering), ...fewer(stops.slice(worst.i), covering).slice(1)];
}

/** How much a coverage shows at a place of its own way. */
export function amountAt({ stops }: Coverage, at: number): number {
  const after = stops.findIndex((stop) => stop.at >= at);
  if (after === 0) return stops[0]!.amount;
  if (after < 0) return stops.at(-1)?.amount ?? 1;
  const [a, b] = [stops[after - 1]!, stops[after]!];
  return b.at === a.at ? b.amount : a.amount + ((at - a.at) / (b.at - a.at)) * (b.amount - a.amount);
}

type Paints = (plates: Plates) => ArtPaint;

/** A colour in one of its inks, seen through as a coverage of the same run says. */
function artColour(colour: Colour, paintIn: Paints, cover: Coverage | undefined): ArtColour {
  const covering = (at: number): number => (cover ? share(amountAt(cover, at)) : 1);
  if (!isShade(colour)) {
    if (!cover) return { kind: 'flat', ...paintIn(colour) };
    return {
      kind: cover.kind,
      matrix: cover.matrix,
      ...(cover.focus ? { focus: cover.focus } : {}),
      stops: cover.stops.map(({ at, amount }) => ({ at, alpha: share(amount), ...paintIn(colour) })),
    };
  }
  const stops = fewer(colour.stops, covering).slice(0, JOB_LIMITS.stops);
  return {
    kind: colour.kind,
    matrix: colour.matrix,
    ...(colour.focus ? { focus: colour.focus } : {}),
    stops: stops.map(({ at, plates }) => ({ at: share(at), alpha: covering(at), ...paintIn(plates) })),
  };
}

/**
 * A colour as what is laid for it, one ink above another: what it has of the process inks, then each spot ink, which
 * prints on what the first has laid.
 */
export function layersOf(list: ColourList, colour: Colour, cover?: Coverage): ArtColour[] {
  const all = platesIn(colour);
  const names = [...new Set(all.flatMap(Object.keys))];
  const spots = names.filter((name) => !isProcessPlate(name) && !isScreen(name));
  const hasProcess = spots.length === 0 || all.some((plates) => names.some((n) => !spots.includes(n) && plates[n]));
  const process: Paints = (plates) => processPaint(list, plates);
  return [
    ...(hasProcess ? [artColour(colour, process, cover)] : []),
    ...spots
      .filter((name) => !hasProcess || all.some((plates) => (plates[name] ?? 0) > 0))
      .map((name) => artColour(colour, (plates) => spotPaint(list, name, plates[name] ?? 0), cover)),
  ];
}

/** The plates of a picture, those of the process inks apart from spots. */
export const spotsOfPlates = (plates: readonly string[]): string[] => plates.filter((name) => !isProcessPlate(name));

export const paintOfSpot = (list: ColourList, name: string): ArtPaint => spotPaint(list, name, 1);
export const blackPaint = (list: ColourList): ArtPaint => processPaint(list, { Black: 1 });
