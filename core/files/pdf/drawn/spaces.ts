import type { Plates } from '../../../colour/ink';
import { screenOfLab } from '../../../colour/lab-screen';
import { contentsOf } from '../parsed/filters';
import { type Dict, Name, Stream, Text, type Value } from '../parsed/syntax';
import { arrayOf, dictOf, nameOf, type PdfView } from '../parsed/view';

/** Colour spaces as they reach plates (ISO 32000-1, 8.6). */
export interface Space {
  /** The family, or the names of its inks. */
  says: string;
  channels: number;
  /** A colour of the space as amounts of ink. */
  plates(values: readonly number[]): Plates;
  /** Of patterns: the space of the colour that those without one of their own are drawn in. */
  under?: Space;
  /** Of colours of a screen: red, green and blue, 0 to 1. */
  screen?(values: readonly number[]): readonly number[];
  /** The space's own colour before one is chosen. */
  initial: readonly number[];
  /** What the samples of a picture run over: [from, to] for each channel. */
  decode: readonly number[];
  /** What its channels are, where that matters to a picture: amounts of ink as they are, or places in a table. */
  channelsAre?: 'inks' | 'indexes';
}

const PROCESS = ['Cyan', 'Magenta', 'Yellow', 'Black'];

/** Colours of a screen as a press has them: bytes of red, green and blue in, of cyan, magenta, yellow and black out. */
export type ScreenInks = (rgb: Uint8Array) => Uint8Array;

const byteOf = (share: number): number => Math.round(255 * Math.max(0, Math.min(1, share)));
/** A colour of a screen as bytes; undefined where the space's colours are none of a screen. */
export const screenBytes = (space: Space, values: readonly number[]): number[] | undefined =>
  space.screen?.(values).map(byteOf);

/** A colour as amounts of ink: those that are of a screen as the press has them, or else by a guess. */
export function platesIn(space: Space, values: readonly number[], screenInks?: ScreenInks): Plates {
  const rgb = screenInks && screenBytes(space, values);
  if (!rgb) return space.plates(values);
  const cmyk = screenInks(Uint8Array.from(rgb));
  return Object.fromEntries(PROCESS.map((name, i) => [name, Math.round((cmyk[i]! / 255) * 100) / 100]));
}
const ones = (n: number): number[] => Array.from({ length: 2 * n }, (_, i) => i % 2);

const GRAY: Space = {
  says: 'DeviceGray',
  channels: 1,
  plates: ([g = 0]) => ({ Black: 1 - g }),
  initial: [0],
  decode: ones(1),
};
const CMYK: Space = {
  says: 'DeviceCMYK',
  channels: 4,
  plates: (values) => Object.fromEntries(PROCESS.map((name, i) => [name, values[i] ?? 0])),
  initial: [0, 0, 0, 1],
  decode: ones(4),
  channelsAre: 'inks',
};
export const RGB: Space = {
  says: 'DeviceRGB',
  channels: 3,
  plates: ([r = 0, g = 0, b = 0]) => ({ Cyan: 1 - r, Magenta: 1 - g, Yellow: 1 - b }),
  screen: (values) => values,
  initial: [0, 0, 0],
  decode: ones(3),
};
const LAB: Space = {
  ...RGB,
  says: 'Lab',
  plates: ([l = 0]) => ({ Black: 1 - l / 100 }),
  screen: ([l = 0, a = 0, b = 0]) => screenOfLab([l, a, b]),
  decode: [0, 100, -100, 100, -100, 100],
};
const PATTERN: Space = { ...CMYK, says: 'Pattern', channels: 0 };

const DEVICE: Readonly<Record<string, Space>> = {
  DeviceGray: GRAY,
  G: GRAY,
  CalGray: { ...GRAY, says: 'CalGray' },
  DeviceCMYK: CMYK,
  CMYK,
  DeviceRGB: RGB,
  RGB,
  CalRGB: { ...RGB, says: 'CalRGB' },
  Lab: LAB,
  Pattern: PATTERN,
};
export const BY_CHANNELS: Readonly<Record<number, Space>> = { 1: GRAY, 3: RGB, 4: CMYK };
const MOST_DEEP = 6;

const inked = (names: readonly string[]): Space => ({
  says: names.join(', '),
  channels: names.length,
  plates: (values) =>
    Object.fromEntries(names.flatMap((name, i) => (name === 'None' ? [] : [[name, values[i] ?? 0] as const]))),
  initial: names.map(() => 1),
  decode: ones(names.length),
  channelsAre: 'inks',
});

/** The space that a value names or describes; undefined where it is none. */
export function spaceOf(view: PdfView, value: Value | undefined, resources: Dict, deep = 0): Space | undefined {
  const { file } = view;
  const found = file.get(value);
  if (deep > MOST_DEEP) return undefined;
  if (found instanceof Name) {
    const named = dictOf(file, resources.get('ColorSpace'))?.get(found.name);
    return named !== undefined ? spaceOf(view, named, resources, deep + 1) : DEVICE[found.name];
  }
  const list = arrayOf(file, value);
  const family = nameOf(file, list[0]);
  if (family === 'ICCBased') {
    const profile = dictOf(file, list[1]);
    const channels = Number(file.get(profile?.get('N')) ?? 0);
    const like = BY_CHANNELS[channels];
    return like && { ...like, says: `ICCBased, ${like.says.replace('Device', '')}` };
  }
  if (family === 'Separation') return inked([nameOf(file, list[1]) ?? 'None']);
  if (family === 'DeviceN') return inked(arrayOf(file, list[1]).map((each) => nameOf(file, each) ?? 'None'));
  if (family === 'Pattern') {
    const under = spaceOf(view, list[1], resources, deep + 1);
    return under ? { ...PATTERN, under } : PATTERN;
  }
  if (family === 'Indexed' || family === 'I') return indexed(view, list, resources, deep);
  return family ? DEVICE[family] : undefined;
}

function indexed(view: PdfView, list: readonly Value[], resources: Dict, deep: number): Space | undefined {
  const { file } = view;
  const base = spaceOf(view, list[1], resources, deep + 1);
  const table = file.get(list[3]);
  if (!base) return undefined;
  const bytes =
    table instanceof Text
      ? Uint8Array.from(table.text, (c) => c.charCodeAt(0))
      : table instanceof Stream
        ? contentsOf(table, file)
        : new Uint8Array();
  const most = Number(file.get(list[2]) ?? 255);
  const baseValues = (index: number): number[] => {
    const at = Math.max(0, Math.min(most, Math.round(index))) * base.channels;
    return Array.from({ length: base.channels }, (_, k) => {
      const [from, to] = [base.decode[2 * k]!, base.decode[2 * k + 1]!];
      return from + ((bytes[at + k] ?? 0) / 255) * (to - from);
    });
  };
  const { screen } = base;
  return {
    ...base,
    says: `Indexed, ${base.says}`,
    channelsAre: 'indexes',
    channels: 1,
    initial: [0],
    decode: [0, 255],
    plates: ([index = 0]) => base.plates(baseValues(index)),
    ...(screen ? { screen: ([index = 0]) => screen(baseValues(index)) } : {}),
  };
}
