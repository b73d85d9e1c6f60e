import { colourDifference } from '../../colour/difference';
import { type Press, parseHex, type Rgb } from '../../colour/engine';
import { type Cmyk, cmykText, type Ink, isSpotName, platesOf, processStandIn } from '../../colour/ink';
import type { ArtInk } from './art';

/** The inks of some art as inks of a job. */

/** An ink of the job this near to a colour of a screen is what was meant: CIEDE2000. */
const NEAR = 5;
/** Screen levels up to which a colour is black, and from which it is white. */
const [DARKEST, LIGHTEST] = [24, 252];
/** Amounts of ink that differ by less than this are the same. */
const SAME = 0.0005;

const idOf = (inks: readonly Ink[], id: string): string | undefined => inks.find((ink) => ink.id === id)?.id;

const sameAmounts = (one: Cmyk, other: Cmyk): boolean => one.every((a, i) => Math.abs(a - other[i]!) < SAME);

/** How an ink looks on a screen as a press prints it. */
export const shownInk = (ink: Ink, inks: readonly Ink[], press: Press): Rgb =>
  press.screen(processStandIn(platesOf(ink), inks));

/** How an ink of the art looks where it comes from. */
export const shownArtInk = (ink: ArtInk, press: Press): Rgb =>
  ink.kind === 'screen' ? parseHex(ink.hex)! : press.screen(ink.cmyk);

function nearestTo(hex: string, inks: readonly Ink[], press: Press): string | undefined {
  const rgb = parseHex(hex)!;
  // Plain black and white mean the black plate and the paper, whatever else would come nearer.
  if (Math.max(...rgb) <= DARKEST) return idOf(inks, 'black');
  if (Math.min(...rgb) >= LIGHTEST) return idOf(inks, 'paper');
  const [best] = inks
    .map((ink) => ({ id: ink.id, off: colourDifference(shownInk(ink, inks, press), rgb) }))
    .sort((a, b) => a.off - b.off);
  return best && best.off <= NEAR ? best.id : undefined;
}

/**
 * The ink of the job that an ink of the art is, by its id; undefined where it has none. Amounts and names are kept: only
 * a colour of a screen is given to the nearest ink.
 */
export function inkFor(ink: ArtInk, inks: readonly Ink[], press: Press): string | undefined {
  if (ink.kind === 'screen') return nearestTo(ink.hex, inks, press);
  if (ink.kind === 'spot')
    return inks.find((own) => own.kind === 'spot' && own.name.toLowerCase() === ink.name.toLowerCase())?.id;
  return inks.find((own) => own.kind === 'process' && sameAmounts(own.cmyk, ink.cmyk))?.id;
}

/** A name that no ink has yet. */
function freeName(name: string, inks: readonly Ink[]): string {
  const taken = new Set(inks.map((ink) => ink.name.toLowerCase()));
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name} ${n}`;
    if (!taken.has(tried.toLowerCase())) return tried;
  }
}

/** An ink of the art as a new ink of the job, which has `inks` already. */
export function newInkFor(ink: ArtInk, id: string, inks: readonly Ink[], press: Press): Ink {
  if (ink.kind === 'screen') {
    const cmyk = press.separate(parseHex(ink.hex)!);
    return { id, name: freeName(`Drawing ${ink.hex}`, inks), kind: 'process', cmyk };
  }
  if (ink.kind === 'process') return { id, name: freeName(cmykText(ink.cmyk), inks), kind: 'process', cmyk: ink.cmyk };
  const name = ink.name.trim().slice(0, 80);
  return { id, name: freeName(isSpotName(name) ? name : `Ink ${name}`, inks), kind: 'spot', cmyk: ink.cmyk };
}
