import type { Ink } from '../../colour/ink';
import { nearestPaint } from '../../colour/nearest-ink';
import { ALL_PLATES_ALLOWED, allowsInk, allowsPlate } from '../../colour/printed-with';
import { repaint, setPictureInks } from '../../job/edits/inks';
import { inkOf } from '../../job/find';
import { paintsShown } from '../../job/paints-shown';
import type { Element, Job, Paint } from '../../job/schema';
import { INK_SOURCE } from '../../trade/ink-limits';
import { atElement } from '../at-element';
import type { Check, CheckContext, Finding, Fix } from '../check';
import { platesUsed } from '../piece-facts';

/** Sends what strays to the nearest of the piece's own inks and tints. */
function mend(element: Element, allowed: readonly Ink[], { sources, press }: CheckContext): Fix | undefined {
  const { inks, assets } = sources;
  if (allowed.length === 0) return undefined;
  // A page that is placed whole keeps its inks.
  if (element.kind === 'picture' && assets[element.asset]?.page) return undefined;
  if (element.kind === 'picture' && !element.inks) {
    const own = allowed.slice(0, 2).map((ink, i): Paint => ({ ink: ink.id, tint: i === 0 ? 1 : 0.5 }));
    const label =
      own.length === 1
        ? `Print it in ${allowed[0]!.name}`
        : `Print it in ${allowed[0]!.name} and a half of ${allowed[1]!.name}`;
    return { label, apply: (job: Job) => setPictureInks(job, element.id, own) };
  }
  const strays = paintsShown(element, sources.styles).filter(({ ink }) => !allowed.some(({ id }) => id === ink));
  const offers = new Map(
    strays.flatMap((paint) => {
      const near = nearestPaint(paint, allowed, inks, press);
      return near ? [[`${paint.ink} ${paint.tint}`, near] as const] : [];
    }),
  );
  const first = offers.values().next().value;
  if (!first) return undefined;
  const to = (paint: Paint): Paint => offers.get(`${paint.ink} ${paint.tint}`)?.paint ?? paint;
  const said = `${Math.round(first.paint.tint * 100)} % ${inkOf(inks, first.paint.ink).name}`;
  return { label: `Make it ${said} (ΔE ${first.deltaE.toFixed(1)})`, apply: (job) => repaint(job, [element.id], to) };
}

export const strayPlates: Check = {
  id: 'stray-plates',
  name: 'Plates the piece is not printed from',
  protects: 'Each plate more than was ordered is paid for, or left out by the shop.',
  source: INK_SOURCE,
  severity: 'stop',
  run(context): Finding[] {
    const { piece, face, sources } = context;
    const { inks } = sources;
    const with_ = piece.printedWith ?? ALL_PLATES_ALLOWED;
    if (with_.plates === ALL_PLATES_ALLOWED.plates) return [];
    const allowed = inks.filter((ink) => ink.id !== 'paper' && allowsInk(with_, ink, inks));
    return face.elements.flatMap((element): Finding[] => {
      const strays = [...new Set(platesUsed(element, sources))].filter((plate) => !allowsPlate(with_, plate, inks));
      if (strays.length === 0) return [];
      const fix = mend(element, allowed, context);
      return [
        {
          ...atElement('stray-plates', element, context),
          severity: 'stop',
          of: strays.join(', '),
          problem: `Adds ${strays.length === 1 ? 'a plate' : `${strays.length} plates`}: ${strays.join(', ')}`,
          measured: { value: strays.length, kind: 'count' },
          wanted: { value: 0, kind: 'count' },
          ...(fix ? { fix } : {}),
        },
      ];
    });
  },
};
