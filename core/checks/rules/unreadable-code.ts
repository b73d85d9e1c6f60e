import { isFlat } from '../../colour/fill';
import { platesOf, processStandIn } from '../../colour/ink';
import { type Box, bottom, overlaps, right } from '../../geometry/box';
import { layUnder } from '../../job/edits/elements';
import { inkOf, titleOf } from '../../job/find';
import { makeShape } from '../../job/make';
import type { Code, Element, Paint } from '../../job/schema';
import { elementFrame } from '../../scene/face';
import type { SceneSources } from '../../scene/sources';
import { CHECK_LIMITS } from '../../trade/check-limits';
import { type Check, type CheckContext, type Finding, HAIR } from '../check';

/** How light an ink looks, from its amounts alone: near enough to tell a ground from a code. */
function lightness(paint: Paint, { inks }: SceneSources): number {
  const [c, m, y, k] = processStandIn(platesOf(inkOf(inks, paint.ink), paint.tint), inks);
  return (1 - k) * (1 - (0.3 * c + 0.59 * m + 0.11 * y));
}

const holds = (outer: Box, inner: Box): boolean =>
  outer.x <= inner.x + HAIR &&
  outer.y <= inner.y + HAIR &&
  right(outer) >= right(inner) - HAIR &&
  bottom(outer) >= bottom(inner) - HAIR;

/** Whether an element is a flat, light ground for the whole of a code. */
const isGround = (element: Element, code: Code, sources: SceneSources): boolean =>
  element.kind === 'shape' &&
  !element.outline &&
  !element.form &&
  !element.corners &&
  holds(element, code) &&
  isFlat(element.paint) &&
  element.opacity === undefined &&
  lightness(element.paint, sources) >= CHECK_LIMITS.codeGround;

/** What lies in a code's frame and is no ground for it: the nearest below down to its ground, and all above. */
function inTheWay(
  code: Code,
  { face, sources }: CheckContext,
): { under: Element | undefined; over: Element | undefined } {
  const at = face.elements.indexOf(code);
  const here = (element: Element): boolean => overlaps(elementFrame(element, sources), code);
  const below = face.elements.slice(0, at).filter(here).reverse();
  const nearest = below[0];
  return {
    under: nearest && !isGround(nearest, code, sources) ? nearest : undefined,
    over: face.elements.slice(at + 1).find(here),
  };
}

export const unreadableCode: Check = {
  id: 'unreadable-code',
  name: 'A code that may not be read',
  protects: 'A code on a picture, too light, or with something in its quiet zone is not read by a phone.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: (context) =>
    context.face.elements.flatMap((code): Finding[] => {
      if (code.kind !== 'code') return [];
      const { assets } = context.sources;
      const say = (of: string, problem: string, rest: Partial<Finding> = {}): Finding => ({
        check: 'unreadable-code',
        severity: 'stop',
        face: context.face.id,
        element: code.id,
        place: elementFrame(code, context.sources),
        of,
        problem,
        measured: { value: 1, kind: 'count' },
        wanted: { value: 0, kind: 'count' },
        ...rest,
      });
      const found: Finding[] = [];
      const { under, over } = inTheWay(code, context);
      if (under) {
        const white = makeShape({
          id: `${code.id}-ground`,
          x: code.x,
          y: code.y,
          width: code.width,
          height: code.height,
          paint: { ink: 'paper', tint: 1 },
        });
        found.push(
          say('ground', `${titleOf(under, assets)} is in its ground, which must be flat and light`, {
            fix: { label: 'Leave it white under the code', apply: (job) => layUnder(job, code.id, white) },
          }),
        );
      }
      if (over) found.push(say('over', `${titleOf(over, assets)} lies over it, or in its quiet zone`));
      if (lightness(code.paint, context.sources) > CHECK_LIMITS.codeInk)
        found.push(say('ink', 'its ink is too light to be told from paper'));
      return found;
    }),
};
