import { isFlat, mainPaint } from '../../colour/fill';
import { platesOf } from '../../colour/ink';
import { labOfPaint } from '../../colour/nearest-ink';
import { setFrame, setLettersStroke, setStroke } from '../../job/edits/elements';
import { inkOf } from '../../job/find';
import type { Element, Job, Paint, Rule, Shape } from '../../job/schema';
import { inkRings } from '../../scene/ink-rings';
import type { SceneSources } from '../../scene/sources';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { atElement } from '../at-element';
import { type Check, type CheckContext, type Finding, HAIR } from '../check';
import { thicknessOf } from '../ink-shape';

interface Line {
  weight: number;
  paint: Paint;
  /** None where it would bend what it is. */
  thicken?(job: Job, to: number): Job;
}

/** What makes something that is longer than it is wide thicker, about its middle. */
const thickened =
  ({ id, x, y, width, height }: Rule | Shape) =>
  (job: Job, to: number): Job =>
    setFrame(
      job,
      id,
      width >= height
        ? { x, width, height: to, y: y - (to - height) / 2 }
        : { y, height, width: to, x: x - (to - width) / 2 },
    );

/** The lines an element draws: a rule is one, a shape has one along its outline or is as good as one itself. */
function linesOf(element: Element, sources: SceneSources): Line[] {
  if (element.kind === 'rule') {
    const paint = isFlat(element.paint) ? element.paint : mainPaint(element.paint);
    return paint ? [{ weight: Math.min(element.width, element.height), paint, thicken: thickened(element) }] : [];
  }
  if (element.kind === 'words' && element.stroke) {
    const { stroke: line, id: words } = element;
    const thicken = (job: Job, to: number): Job => setLettersStroke(job, words, { ...line, weight: to });
    return [{ weight: line.weight, paint: line.paint, thicken }];
  }
  if (element.kind !== 'shape') return [];
  const { stroke, id } = element;
  if (!stroke) return thinArea(element, sources);
  const thicken = (job: Job, to: number): Job => setStroke(job, id, { ...stroke, weight: to });
  return [{ weight: stroke.weight, paint: stroke.paint, thicken }];
}

/** An area this many times as long as it is thick is a line, however it was drawn. */
const LONG = 12;

/** A filled area without a line of its own that is as good as one; a plain one can be made thicker. */
function thinArea(shape: Shape, sources: SceneSources): Line[] {
  const { paint, outline, form, corners, turn, width, height } = shape;
  if (!isFlat(paint) || paint.tint === 0) return [];
  const weight = thicknessOf(inkRings(shape, sources));
  if (weight * LONG > Math.max(width, height)) return [];
  const isPlain = !outline && !form && !corners && !turn;
  return isPlain ? [{ weight: Math.min(width, height), paint, thicken: thickened(shape) }] : [{ weight, paint }];
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
      linesOf(element, context.sources).flatMap((line): Finding[] => {
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
            ...(line.thicken
              ? { fix: { label: `Make it ${floor} pt`, apply: (job: Job) => line.thicken!(job, floor) } }
              : {}),
          },
        ];
      }),
    ),
};
