import type { PDFContext, PDFRef } from '@cantoo/pdf-lib';
import {
  type Ink,
  isProcessPlate,
  type Plates,
  PROCESS_PLATES,
  platesInOrder,
  processStandIn,
  splitPlates,
} from '../../colour/ink';
import type { Coverage, Shade } from '../../scene/colour';
import { plateName } from './plate-name';
import { plain } from './streams';

const num = (n: number): string => `${Math.round(n * 1e6) / 1e6}`;

/**
 * Several plates at once as DeviceN (ISO 32000-1, 8.6.6.5). What stands in for them lies over one another like filters,
 * as `processStandIn` has it: 1 − Π(1 − a·x) for each process ink.
 */
function deviceN(
  context: PDFContext,
  plates: readonly string[],
  inks: readonly Ink[],
  separation: (plate: string) => PDFRef,
): PDFRef {
  const full = plates.map((plate) => processStandIn({ [plate]: 1 }, inks));
  const n = plates.length;
  const channel = (k: number): string => {
    const factors = full.flatMap((cmyk, i) =>
      cmyk[k]! > 0 ? [`${k + n - i} index ${num(cmyk[k]!)} mul 1 exch sub mul`] : [],
    );
    return `1 ${factors.join(' ')} 1 exch sub`;
  };
  const drop = Array.from({ length: n }, () => 'pop').join(' ');
  const program = `{ ${PROCESS_PLATES.map((_, k) => channel(k)).join(' ')} ${n + 4} 4 roll ${drop} }`;
  const tint = context.register(
    plain(context, new TextEncoder().encode(program), {
      FunctionType: 4,
      Domain: plates.flatMap(() => [0, 1]),
      Range: [0, 1, 0, 1, 0, 1, 0, 1],
    }),
  );
  // Each spot is also told of by itself, so that a reader that has its plate finds it (ISO 32000-1, table 71).
  const spots = plates.filter((plate) => !isProcessPlate(plate));
  const attributes = { Colorants: Object.fromEntries(spots.map((plate) => [plateName(plate), separation(plate)])) };
  return context.register(
    context.obj(['DeviceN', plates.map(plateName), 'DeviceCMYK', tint, attributes] as never) as never,
  );
}

/** A colour space, and amounts by plate in its order. */
interface PlateSpace {
  space: string | PDFRef;
  amounts(plates: Plates): number[];
}
/** What finds the colour space of some plates. */
export type SpaceFinder = (
  context: PDFContext,
  plates: Iterable<string>,
  inks: readonly Ink[],
  separation: (plate: string) => PDFRef,
) => PlateSpace;

/** Just these plates, whatever they are. */
function namedSpace(all: readonly string[], ...[context, , inks, separation]: Parameters<SpaceFinder>): PlateSpace {
  const [only] = all;
  return {
    space: all.length === 1 ? separation(only!) : deviceN(context, all, inks, separation),
    amounts: (given) => all.map((plate) => given[plate] ?? 0),
  };
}

/** The colour space that a set of plates is written in: process inks together, spots by name. */
export const spaceOf: SpaceFinder = (context, plates, inks, separation) => {
  const all = platesInOrder(plates);
  if (all.every(isProcessPlate)) return { space: 'DeviceCMYK', amounts: (given) => splitPlates(given).cmyk };
  return namedSpace(all, context, plates, inks, separation);
};

/**
 * The same for a gradient or a picture that prints over: four process inks would knock out those that it has not got, since
 * the overprint mode counts for flat colours alone (ISO 32000-1, 8.6.7).
 */
export const ownPlatesOf: SpaceFinder = (context, plates, inks, separation) => {
  const used = new Set(plates);
  const all = platesInOrder(used).filter((plate) => used.has(plate));
  const isUsual = all.length === 0 || PROCESS_PLATES.every((plate) => used.has(plate));
  return isUsual ? spaceOf(context, plates, inks, separation) : namedSpace(all, context, plates, inks, separation);
};

/** A function from 0 to 1 that runs in straight lines from stop to stop (ISO 32000-1, 7.10.4). */
function running(context: PDFContext, stops: readonly { at: number; values: number[] }[]): PDFRef {
  const first = stops[0]!;
  const last = stops.at(-1)!;
  const knots = [
    ...(first.at > 0 ? [{ ...first, at: 0 }] : []),
    ...stops,
    ...(last.at < 1 ? [{ ...last, at: 1 }] : []),
  ];
  // Two stops at one place are a hard edge: nothing runs there.
  const pieces = knots.flatMap((from, i) => {
    const to = knots[i + 1];
    return to && to.at > from.at ? [{ from, to }] : [];
  });
  const piece = ({ from, to }: (typeof pieces)[number]) =>
    context.register(context.obj({ FunctionType: 2, Domain: [0, 1], C0: from.values, C1: to.values, N: 1 }));
  if (pieces.length === 1) return piece(pieces[0]!);
  return context.register(
    context.obj({
      FunctionType: 3,
      Domain: [0, 1],
      Functions: pieces.map(piece),
      Bounds: pieces.slice(1).map(({ from }) => from.at),
      Encode: pieces.flatMap(() => [0, 1]),
    }),
  );
}

/** Colour that runs, or a coverage in grey, as a shading pattern (ISO 32000-1, 8.7.4). */
export function shadePattern(
  context: PDFContext,
  shade: Shade | Coverage,
  find: SpaceFinder,
  inks: readonly Ink[],
  separation: (plate: string) => PDFRef,
): PDFRef {
  const { kind, matrix, focus = { x: 0, y: 0 } } = shade;
  const isGrey = (stop: Shade['stops'][number] | Coverage['stops'][number]): stop is Coverage['stops'][number] =>
    'amount' in stop;
  const [sample] = shade.stops;
  const colours =
    sample && !isGrey(sample) ? find(context, Object.keys(sample.plates), inks, separation) : { space: 'DeviceGray' };
  const values = shade.stops.map((stop) => ({
    at: stop.at,
    values: isGrey(stop) ? [stop.amount] : 'amounts' in colours ? colours.amounts(stop.plates) : [],
  }));
  return context.register(
    context.obj({
      Type: 'Pattern',
      PatternType: 2,
      Matrix: [...matrix],
      Shading: {
        ShadingType: kind === 'linear' ? 2 : 3,
        ColorSpace: colours.space,
        Coords: kind === 'linear' ? [0, 0, 1, 0] : [focus.x, focus.y, 0, 0, 0, 1],
        Function: running(context, values),
        Extend: [true, true],
      } as never,
    }),
  );
}
