import * as z from 'zod';
import { isFinish } from './finishes';
import { type Ink, isProcessPlate, PROCESS_PLATES } from './ink';

const id = z.string().regex(/^[\w-]{1,64}$/);

/** What a piece is printed with: the four process inks, those and any spots, or just the inks named. */
export const printedWithSchema = z.discriminatedUnion('plates', [
  z.strictObject({ plates: z.literal('four-colour'), inks: z.array(id).max(0).optional() }),
  z.strictObject({ plates: z.literal('four-colour and spots'), inks: z.array(id).max(0).optional() }),
  z.strictObject({ plates: z.literal('two inks'), inks: z.array(id).length(2) }),
  z.strictObject({ plates: z.literal('one ink'), inks: z.array(id).length(1) }),
]);
export type PrintedWith = z.infer<typeof printedWithSchema>;
export const ALL_PLATES_ALLOWED: PrintedWith = { plates: 'four-colour and spots' };

/** The single plate of an ink that is one plate: a spot, or one process ink by itself. */
export function plateOfInk(ink: Ink): string | undefined {
  if (ink.kind === 'spot') return ink.name;
  const on = PROCESS_PLATES.filter((_, i) => ink.cmyk[i]! > 0);
  return on.length === 1 ? on[0] : undefined;
}

/** Whether a plate may be used by what is printed so. */
export function allowsPlate(with_: PrintedWith, plate: string, inks: readonly Ink[]): boolean {
  // What is varnished or punched is ordered beside the inks.
  if (isFinish(plate)) return true;
  if (with_.plates === 'four-colour') return isProcessPlate(plate);
  if (with_.plates === 'four-colour and spots') return true;
  return with_.inks.some((wanted) => {
    const ink = inks.find((each) => each.id === wanted);
    return ink !== undefined && plateOfInk(ink) === plate;
  });
}

/** The inks a piece can be painted in: its own, paper, and `used`, which is there already. */
export const offeredInks = (with_: PrintedWith, inks: readonly Ink[], ...used: readonly string[]): Ink[] =>
  inks.filter((ink) => ink.id === 'paper' || used.includes(ink.id) || allowsInk(with_, ink, inks));

/** Whether an ink, at whatever tint, stays on the plates that are allowed. */
export function allowsInk(with_: PrintedWith, ink: Ink, inks: readonly Ink[]): boolean {
  if (ink.kind === 'spot') return allowsPlate(with_, ink.name, inks);
  return PROCESS_PLATES.every((plate, i) => ink.cmyk[i] === 0 || allowsPlate(with_, plate, inks));
}
