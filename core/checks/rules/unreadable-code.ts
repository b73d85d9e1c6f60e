import { SYMBOLOGIES } from '../../codes/symbologies';
import { moduleWidth } from '../../codes/symbols';
import { isFlat } from '../../colour/fill';
import { type Plates, platesOf, processStandIn } from '../../colour/ink';
import { LEAST_CONTRAST, redReflectance, symbolContrast } from '../../colour/reflectance';
import { redOf } from '../../colour/stock';
import { partOutside } from '../../geometry/boolean';
import { overlaps } from '../../geometry/box';
import { corneredBoxPath } from '../../geometry/forms';
import { areaOf } from '../../geometry/offset';
import { transformPath } from '../../geometry/path';
import { layUnder } from '../../job/edits/elements';
import { inkOf, titleOf } from '../../job/find';
import { makeShape } from '../../job/make';
import type { Code, Element, Paint } from '../../job/schema';
import { elementFrame } from '../../scene/face';
import { outlineOf } from '../../scene/outline';
import type { SceneSources } from '../../scene/sources';
import { turnOf } from '../../scene/turn';
import type { Check, CheckContext, Finding } from '../check';

const platesIn = (paint: Paint, { inks }: SceneSources): Plates => platesOf(inkOf(inks, paint.ink), paint.tint);

/** What a paint, or the bare stock, throws back of a scanner’s light. */
const reflects = (paint: Paint | undefined, sources: SceneSources): number =>
  redOf(sources.stock) * redReflectance(paint ? platesIn(paint, sources) : {}, sources.inks);

/** Less of a code's frame than this, in square points, may stick out of its ground: rounding. */
const SLIVER = 0.05;

/** The flat paint that lies under the whole of a code, where an element is that; whatever its outline. */
function groundPaint(element: Element, code: Code): Paint | undefined {
  if (element.kind !== 'shape' || !isFlat(element.paint) || element.opacity !== undefined) return undefined;
  const outline = transformPath(outlineOf(element), turnOf(element, element));
  // The quiet zone is so wide on all sides; a panel's round corner may take as much off its own corners.
  const [quiet] = SYMBOLOGIES[code.symbology].quiet;
  const radius = quiet * moduleWidth(code.symbology, code.text, code);
  const corner = { radius, form: 'round' } as const;
  const zone = corneredBoxPath(code, [corner, corner, corner, corner]);
  return areaOf(partOutside(transformPath(zone, turnOf(code, code)), outline)) < SLIVER ? element.paint : undefined;
}

/** Whether an element is a flat ground for the whole of a code that it stands out from. */
function isGround(element: Element, code: Code, sources: SceneSources): boolean {
  const paint = groundPaint(element, code);
  return paint !== undefined && stands(paint, code, sources);
}

const stands = (ground: Paint | undefined, code: Code, sources: SceneSources): boolean =>
  symbolContrast(reflects(ground, sources), reflects(code.paint, sources)) >= LEAST_CONTRAST;

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

/** A tint may be light to the eye as well, or dark to the eye and light only to a scanner; stock may be too dark for any ink. */
function inkSays(code: Code, sources: SceneSources): string {
  if (reflects(undefined, sources) < LEAST_CONTRAST)
    return 'its stock is too dark for the red light of a scanner: put it on a white label, or choose a lighter stock';
  const [c, m, y, k] = processStandIn(platesIn(code.paint, sources), sources.inks);
  const isLight = (1 - k) * (1 - (0.3 * c + 0.59 * m + 0.11 * y)) > 0.5;
  return isLight
    ? 'its ink is too light to be told from its stock'
    : 'its ink looks like its stock to the red light of a scanner: print it in black, or in a blue or green';
}

export const unreadableCode: Check = {
  id: 'unreadable-code',
  name: 'A code that may not be read',
  protects: 'A code on a picture, too light, or with something in its quiet zone is not read by a phone.',
  source: { kind: 'from memory', name: 'ISO/IEC 15416: symbol contrast at 660 nm, grade C' },
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
      if (!stands(undefined, code, context.sources)) found.push(say('ink', inkSays(code, context.sources)));
      return found;
    }),
};
