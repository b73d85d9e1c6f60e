import { isFinish } from '../colour/finishes';
import type { Plates } from '../colour/ink';
import { type Colour, isShade } from '../scene/colour';
import { type Device, UNHEARD } from '../scene/device';
import type { LaidPicture, PlatesAsked } from './plates/device';

/** The most of each plate, and of all of them together. */
interface Most {
  plates: Plates;
  total: number;
}

const sum = (amounts: readonly number[]): number => amounts.reduce((all, each) => all + each, 0);
/** The inks among some plates, summed: a finish wets no paper. */
const inkOf = (plates: Plates): number =>
  sum(Object.entries(plates).flatMap(([plate, amount]) => (isFinish(plate) ? [] : [amount])));

// A separated picture is never changed in place, and has millions of samples.
const kept = new WeakMap<LaidPicture, Most>();

function mostOfAny(amounts: Uint8Array, channels: number): { each: number[]; total: number } {
  const each = new Array<number>(channels).fill(0);
  let total = 0;
  for (let from = 0; from < amounts.length; from += channels) {
    let here = 0;
    for (let k = 0; k < channels; k++) {
      here += amounts[from + k]!;
      each[k] = Math.max(each[k]!, amounts[from + k]!);
    }
    total = Math.max(total, here);
  }
  return { each, total };
}

/** The same of four, as most pictures have: no inner loop. */
function mostOfFour(amounts: Uint8Array): { each: number[]; total: number } {
  let [c, m, y, k, total] = [0, 0, 0, 0, 0];
  for (let i = 0; i < amounts.length; i += 4) {
    const [c0, m0, y0, k0] = [amounts[i]!, amounts[i + 1]!, amounts[i + 2]!, amounts[i + 3]!];
    const here = c0 + m0 + y0 + k0;
    if (c0 > c) c = c0;
    if (m0 > m) m = m0;
    if (y0 > y) y = y0;
    if (k0 > k) k = k0;
    if (here > total) total = here;
  }
  return { each: [c, m, y, k], total };
}

function mostOf(picture: LaidPicture): Most {
  const found = kept.get(picture);
  if (found) return found;
  const { plates, amounts } = picture;
  const { each, total } = plates.length === 4 ? mostOfFour(amounts) : mostOfAny(amounts, plates.length);
  const most = { plates: Object.fromEntries(plates.map((plate, k) => [plate, each[k]! / 255])), total: total / 255 };
  kept.set(picture, most);
  return most;
}

/** The most of each plate in some amounts. */
const densest = (all: readonly Plates[]): Plates => {
  const most: Record<string, number> = {};
  for (const plates of all)
    for (const [plate, amount] of Object.entries(plates)) most[plate] = Math.max(most[plate] ?? 0, amount);
  return most;
};

/**
 * A device that lays nothing and knows how much ink there is at most where things are densest: 1 is 100 %. What knocks
 * out leaves no more than the denser of both, in part or whole; what overprints adds itself to what is below, wherever
 * that is; no plate has more than the most that anything has of it.
 */
export function mostInkDevice(picture: PlatesAsked['picture']): Device & { most(): number } {
  let plates: Plates = {};
  let most = 0;
  let overprints = 0;
  function lay({ plates: laid, total }: Most): void {
    plates = densest([plates, laid]);
    most = Math.min(overprints > 0 ? most + total : Math.max(most, total), inkOf(plates));
  }
  function fill(colour: Colour): void {
    // From stop to stop amounts run straight: there is no more between two than at one of them.
    const all = isShade(colour) ? colour.stops.map((stop) => stop.plates) : [colour];
    lay({ plates: densest(all), total: Math.max(...all.map(inkOf)) });
  }
  return {
    ...UNHEARD,
    most: () => most,
    beginOverprint: () => void overprints++,
    endOverprint: () => void overprints--,
    beginClip() {},
    beginGlyphClip() {},
    endClip() {},
    fillPath: (_path, colour) => fill(colour),
    strokePath: (_path, _pen, colour) => fill(colour),
    showGlyphs: (_run, colour) => fill(colour),
    drawImage(image) {
      const found = picture(image);
      if (found) lay(mostOf(found));
    },
    drawTone: (_tone, _place, colour) => fill(colour),
  };
}
