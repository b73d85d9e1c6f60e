import { randomLcg } from 'd3';
import * as z from 'zod';
import { drifts } from '../../cut/drift';
import type { ShopSpec } from '../../trade/schema';
import { formatLength, toPoints, type Unit } from '../../units/length';

/** What a simulated shop sends back: finished pieces as they came out, with the faults that were switched on. Points, degrees. */

export const FAULTS = {
  cutting: 'The guillotine is out',
  register: 'Plates out of register',
  condition: 'Printed to another condition',
  late: 'A machine stands still',
} as const;
export type Fault = keyof typeof FAULTS;
export const faultsSchema = z.array(z.enum(Object.keys(FAULTS) as [Fault, ...Fault[]])).max(4);

const place = z.object({ x: z.number(), y: z.number() });
export const batchSchema = z.object({
  copies: z.array(
    z.object({
      /** How far its cut lies from where it should be, as on the front; `back` is how far the back's print lies from the front's. */
      cut: z.object({ x: z.number(), y: z.number(), twist: z.number(), back: place }),
      /** How far each plate lies from where it should, the first plate first. */
      plates: z.array(place),
    }),
  ),
  /** Another printing condition than was agreed on. */
  isOtherCondition: z.boolean(),
  /** Working days after the day that was promised. */
  late: z.number(),
});
export type Batch = z.infer<typeof batchSchema>;

/** Copies that are looked at, and plates that a press has, at most. */
const COPIES = 6;
const PLATES = 8;
/** How far plates may lie apart, and how far they do when they are out; common practice. */
export const REGISTER = toPoints(0.1, 'mm');
const OUT = { cut: 2.6, register: toPoints(0.35, 'mm'), days: 3 };
/** Of what a tolerance leaves, a press that is looked after takes so much at most. */
const STEADY = 0.9;
const kept = (value: number, tolerance: number): number =>
  Math.max(-STEADY * tolerance, Math.min(STEADY * tolerance, value));

/** Working days that a fault of production costs. */
export const daysLost = (faults: readonly Fault[]): number => (faults.includes('late') ? OUT.days : 0);

/** The same seed gives the same pieces. */
export function cameBack(seed: number, faults: readonly Fault[], tolerance: ShopSpec['tolerance']): Batch {
  const chance = randomLcg(seed);
  const side = (): number => (chance() < 0.5 ? -1 : 1);
  // A guillotine that is out is so for the whole pile, to one corner.
  const [outX, outY] = [side() * tolerance.x * OUT.cut, side() * tolerance.y * OUT.cut];
  const isOut = (fault: Fault): boolean => faults.includes(fault);
  const plates = Array.from({ length: PLATES }, (_, k) => {
    // However two of them lie, they are no further apart than is usual.
    if (!isOut('register')) return { x: ((chance() - 0.5) * REGISTER) / 2, y: ((chance() - 0.5) * REGISTER) / 2 };
    const angle = chance() * 2 * Math.PI;
    // The first plate is what the others are laid on.
    return k === 0 ? { x: 0, y: 0 } : { x: Math.cos(angle) * OUT.register, y: Math.sin(angle) * OUT.register };
  });
  return {
    copies: drifts(tolerance, COPIES, chance()).map(({ x, y, twist, back }) => {
      const steady = { x: kept(x, tolerance.x), y: kept(y, tolerance.y), twist: kept(twist, tolerance.twist), back };
      return {
        cut: isOut('cutting') ? { ...steady, x: outX + steady.x / 2, y: outY + steady.y / 2 } : steady,
        plates,
      };
    }),
    isOtherCondition: isOut('condition'),
    late: daysLost(faults),
  };
}

/** One thing that was measured, and whether it is as it was agreed. */
export interface Measured {
  isRight: boolean;
  says: string;
}

/** What came back held against what the shop promises, lengths in the unit. `plates` is how many the piece has. */
export function measured(batch: Batch, tolerance: ShopSpec['tolerance'], plates: number, unit: Unit): Measured[] {
  const said = (points: number): string => formatLength(points, unit, unit === 'in' ? 4 : 2);
  const { copies } = batch;
  const most = (of: (copy: Batch['copies'][number]) => number): number => Math.max(0, ...copies.map(of));
  const cut = most(({ cut: { x, y } }) => Math.max(Math.abs(x), Math.abs(y)));
  const out = copies.filter(({ cut: { x, y } }) => Math.abs(x) > tolerance.x || Math.abs(y) > tolerance.y).length;
  const agreed = Math.max(tolerance.x, tolerance.y);
  const twist = most(({ cut }) => Math.abs(cut.twist));
  const apart = most(({ plates: all }) => {
    const used = all.slice(0, plates);
    return Math.max(0, ...used.flatMap((a) => used.map((b) => Math.hypot(a.x - b.x, a.y - b.y))));
  });
  return [
    {
      isRight: out === 0,
      says: `Cut: up to ${said(cut)} off, ${said(agreed)} agreed${out > 0 ? `; ${out} of ${copies.length} are outside it` : ''}.`,
    },
    {
      isRight: twist <= tolerance.twist,
      says: `Square: up to ${twist.toFixed(2)}° off, ${tolerance.twist}° agreed.`,
    },
    ...(plates > 1
      ? [
          {
            isRight: apart <= REGISTER,
            says: `Register: plates up to ${said(apart)} apart, ${said(REGISTER)} is usual.`,
          },
        ]
      : []),
    {
      isRight: !batch.isOtherCondition,
      says: batch.isOtherCondition
        ? 'Colour: printed to another condition than the file was made for. Ask for a reprint.'
        : 'Colour: printed to the condition that the file was made for.',
    },
    {
      isRight: batch.late === 0,
      says: batch.late > 0 ? `It came ${batch.late} working days late.` : 'It came on the day that was promised.',
    },
  ];
}
