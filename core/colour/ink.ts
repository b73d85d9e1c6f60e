import * as z from 'zod';

const amount = z.number().min(0).max(1);
/** Amounts of cyan, magenta, yellow and black, 0 to 1. */
export const cmykSchema = z.tuple([amount, amount, amount, amount]);
export type Cmyk = z.infer<typeof cmykSchema>;

/** CIE L*a*b* under D50, as ICC and ISO 17972 have it. */
export const labSchema = z.tuple([
  z.number().min(0).max(100),
  z.number().min(-128).max(128),
  z.number().min(-128).max(128),
]);
export type Lab = z.infer<typeof labSchema>;

/**
 * An ink of the job: a process colour is printed from the four process plates; a spot ink is a plate
 * of its own, and `cmyk` is then only what stands in for it on a screen or a process press.
 */
export const inkSchema = z.strictObject({
  id: z.string().min(1).max(64),
  name: z.string().min(1).max(80),
  kind: z.enum(['process', 'spot']),
  cmyk: cmykSchema,
  /** The colour that was asked for, where the ink was made from one: a spot ink's own, or a screen colour's. */
  lab: labSchema.optional(),
});
export type Ink = z.infer<typeof inkSchema>;

export const PROCESS_PLATES = ['Cyan', 'Magenta', 'Yellow', 'Black'] as const;
export type ProcessPlate = (typeof PROCESS_PLATES)[number];
/** Whether a plate is one of the four that every press has. */
export const isProcessPlate = (plate: string): boolean => (PROCESS_PLATES as readonly string[]).includes(plate);
/** The plate name that means every plate (ISO 32000-1, 8.6.6.4): for marks only, never for art. */
export const ALL_PLATES = 'All';
const RESERVED = new Set<string>([...PROCESS_PLATES, ALL_PLATES, 'None']);

/** Whether a spot ink may carry this name: not that of a process plate, nor a name PDF keeps. */
export const isSpotName = (name: string): boolean => name.trim() !== '' && !RESERVED.has(name.trim());

/** Amounts of ink by plate name, 0 to 1. A plate not named gets nothing and is knocked out. */
export type Plates = Readonly<Record<string, number>>;

/** All the ink of some plates together, 1 is 100 %. */
export const totalOf = (plates: Plates): number => Object.values(plates).reduce((sum, amount) => sum + amount, 0);

/** Whether no plate's amount differs by as much as `within`. */
export const areNear = (a: Plates, b: Plates, within: number): boolean =>
  Object.keys({ ...a, ...b }).every((plate) => Math.abs((a[plate] ?? 0) - (b[plate] ?? 0)) < within);

/** What `tint` (0 to 1) of an ink puts on the plates. */
export const platesOf = (ink: Ink, tint = 1): Plates =>
  ink.kind === 'spot'
    ? tint > 0
      ? { [ink.name]: tint }
      : {}
    : Object.fromEntries(
        PROCESS_PLATES.map((plate, i) => [plate, ink.cmyk[i]! * tint] as const).filter(([, a]) => a > 0),
      );

/**
 * The plates of these names as a colour space orders them: process inks in their order, all of them where there is
 * no spot, then spots.
 */
export function platesInOrder(names: Iterable<string>): string[] {
  const used = new Set(names);
  const spots = [...used].filter((plate) => !isProcessPlate(plate));
  return [...PROCESS_PLATES.filter((plate) => spots.length === 0 || used.has(plate)), ...spots];
}

/** The process part of some plates, and the spots beside it. */
export function splitPlates(plates: Plates): { cmyk: Cmyk; spots: [name: string, amount: number][] } {
  const cmyk = PROCESS_PLATES.map((plate) => plates[plate] ?? 0) as Cmyk;
  const spots = Object.entries(plates).filter(([name]) => !isProcessPlate(name));
  return { cmyk, spots };
}

/** What stands in for some plates where only the four process inks can be shown, 0 to 1 each. */
export function processStandIn(plates: Plates, inks: readonly Ink[]): Cmyk {
  const { cmyk, spots } = splitPlates(plates);
  const sum = [...cmyk] as Cmyk;
  for (const [name, amount] of spots) {
    const alternate: Cmyk =
      name === ALL_PLATES ? [1, 1, 1, 1] : (inks.find((ink) => ink.name === name)?.cmyk ?? [0, 0, 0, 1]);
    // Inks lie over one another like filters: 1 − (1 − a)(1 − b).
    alternate.forEach((a, i) => {
      sum[i] = 1 - (1 - sum[i]!) * (1 - a * amount);
    });
  }
  return sum;
}

/** The short name of a plate, as the trade says it: C M Y K. */
export const shortPlate = (plate: string): string =>
  ({ Cyan: 'C', Magenta: 'M', Yellow: 'Y', Black: 'K' })[plate] ?? plate;

/** `C85 M75 Y60 K70` : amounts in percent. */
export const cmykText = (cmyk: Cmyk): string =>
  cmyk.map((a, i) => `${'CMYK'[i]}${Math.round(a * 1000) / 10}`).join(' ');
