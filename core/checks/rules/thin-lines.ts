import { isFlat, mainPaint } from '../../colour/fill';
import { platesOf } from '../../colour/ink';
import { labOfPaint } from '../../colour/nearest-ink';
import { setFrame, setStroke } from '../../job/edits/elements';
import { inkOf } from '../../job/find';
import type { Element, Job, Paint } from '../../job/schema';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { atElement } from '../at-element';
import { type Check, type CheckContext, type Finding, HAIR } from '../check';

interface Line {
  weight: number;
  paint: Paint;
  thicken(job: Job, to: number): Job;
}

/** The lines an element draws: a rule is one, a shape has one along its outline. */
function linesOf(element: Element): Line[] {
  if (element.kind === 'rule') {
    const paint = isFlat(element.paint) ? element.paint : mainPaint(element.paint);
    const { id, x, y, width, height } = element;
    const across = width >= height;
    const thicken = (job: Job, to: number): Job =>
      setFrame(
        job,
        id,
        across ? { x, width, height: to, y: y - (to - height) / 2 } : { y, height, width: to, x: x - (to - width) / 2 },
      );
    return paint ? [{ weight: Math.min(width, height), paint, thicken }] : [];
  }
  if (element.kind !== 'shape' || !element.stroke) return [];
  const { stroke, id } = element;
  return [
    { weight: stroke.weight, paint: stroke.paint, thicken: (job, to) => setStroke(job, id, { ...stroke, weight: to }) },
  ];
}

/** Why a line is held to the thicker limit; undefined for one that is not. */
function lightBecause({ paint }: Line, { sources, press }: CheckContext): string | undefined {
  const plates = Object.values(platesOf(inkOf(sources.inks, paint.ink), paint.tint)).filter((a) => a > 0);
  if (plates.length === 0) return 'knocked out of a ground';
  if (paint.tint < 1) return 'a tint';
  if (plates.length > 1 && plates.every((amount) => amount < 0.999)) return 'made of screens';
  return labOfPaint(paint, sources.inks, press)[0] > INK_LIMITS.lightLine ? 'light' : undefined;
}

export const thinLines: Check = {
  id: 'thin-lines',
  name: 'Lines too thin to print',
  protects: 'A hairline breaks up on the plate; a light one or one knocked out of a ground does so sooner.',
  source: INK_SOURCE,
  severity: 'warn',
  limits: ['limits'],
  run: (context) =>
    context.face.elements.flatMap((element) =>
      linesOf(element).flatMap((line): Finding[] => {
        const why = lightBecause(line, context);
        const { line: floors } = context.shop.limits;
        const floor = why ? floors.light : floors.any;
        if (line.weight >= floor - HAIR) return [];
        return [
          {
            ...atElement('thin-lines', element, context),
            severity: line.weight < floors.any - HAIR ? 'stop' : 'warn',
            problem: why ? `Thin for a line that is ${why}` : 'Thinner than a line can be printed',
            measured: { value: line.weight, kind: 'type' },
            wanted: { value: floor, kind: 'type' },
            fix: { label: `Make it ${floor} pt`, apply: (job) => line.thicken(job, floor) },
          },
        ];
      }),
    ),
};
