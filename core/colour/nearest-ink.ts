import { labDifference } from './difference';
import type { Press } from './engine';
import { type Ink, type Lab, platesOf, processStandIn } from './ink';
import type { Paint } from './paint';

/** Tints tried: every whole five percent. */
const TINTS = Array.from({ length: 20 }, (_, i) => (i + 1) / 20);

/** What a paint measures on paper, spots by what stands in for them. */
export function labOfPaint({ ink, tint }: Paint, inks: readonly Ink[], press: Press): Lab {
  const found = inks.find((each) => each.id === ink);
  return press.lab(found ? processStandIn(platesOf(found, tint), inks) : [0, 0, 0, 0]);
}

/** The tint of one of some inks that looks nearest to a paint, and how far from it (CIEDE2000). */
export function nearestPaint(
  paint: Paint,
  among: readonly Ink[],
  inks: readonly Ink[],
  press: Press,
): { paint: Paint; deltaE: number } | undefined {
  const wanted = labOfPaint(paint, inks, press);
  let best: { paint: Paint; deltaE: number } | undefined;
  for (const { id } of among)
    for (const tint of TINTS) {
      const offer = { ink: id, tint };
      const deltaE = labDifference(wanted, labOfPaint(offer, inks, press));
      if (!best || deltaE < best.deltaE) best = { paint: offer, deltaE };
    }
  return best;
}
