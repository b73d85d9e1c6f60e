import * as z from 'zod';
import { type Box, outset } from '../geometry/box';
import { place } from './element';

/** A shop's own template beneath or above the work: shown, locked, in no file that is printed from. */
export const underlaySchema = z.strictObject({
  asset: z.string(),
  x: place,
  y: place,
  width: z.number().min(1).max(30_000),
  height: z.number().min(1).max(30_000),
  /** Above the work, rather than below it. */
  over: z.literal(true).optional(),
  opacity: z.number().min(0.05).max(1),
});
export type Underlay = z.infer<typeof underlaySchema>;

/** A size in points, or only its proportions. */
export interface TemplateSize {
  width: number;
  height: number;
  exact: boolean;
}

/** A millimetre: a template this near to a size is meant for it. */
const NEAR = 72 / 25.4;
const RATIO = 0.01;

export interface LinedUp {
  box: Box;
  /** What it was lined up on; undefined where it matches neither. */
  on: 'trim' | 'trim and bleed' | undefined;
}

const centred = ({ width, height }: { width: number; height: number }, box: Box): Box => ({
  x: box.x + (box.width - width) / 2,
  y: box.y + (box.height - height) / 2,
  width,
  height,
});

/** Where a template goes on a face: on the trim or on trim and bleed where its size or its proportions are theirs. */
export function lineUp(size: TemplateSize, trim: Box, bleed: number): LinedUp {
  const whole = outset(trim, bleed);
  const bases = [
    ['trim', trim],
    ['trim and bleed', whole],
  ] as const;
  const matches = ({ width, height }: Box): boolean =>
    size.exact
      ? Math.abs(size.width - width) <= NEAR && Math.abs(size.height - height) <= NEAR
      : Math.abs(size.width / size.height / (width / height) - 1) <= RATIO;
  // By proportions alone the nearer of the two is meant.
  const off = ({ width, height }: Box): number =>
    size.exact ? Math.abs(size.width - width) : Math.abs(size.width / size.height - width / height);
  const [best] = bases.filter(([, box]) => matches(box)).sort((a, b) => off(a[1]) - off(b[1]));
  if (best) return { box: size.exact ? centred(size, best[1]) : { ...best[1] }, on: best[0] };
  if (size.exact) return { box: centred(size, trim), on: undefined };
  const scale = Math.min(whole.width / size.width, whole.height / size.height);
  return { box: centred({ width: size.width * scale, height: size.height * scale }, trim), on: undefined };
}
