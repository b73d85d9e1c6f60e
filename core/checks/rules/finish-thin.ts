import { offsetPath } from '../../geometry/offset';
import { setFrame } from '../../job/edits/elements';
import { setOutline } from '../../job/edits/outlines';
import { finishSays } from '../../job/finishing';
import type { Element } from '../../job/schema';
import { outlineThere } from '../../scene/finishing';
import { inkRings } from '../../scene/ink-rings';
import { VARNISHED_TYPE } from '../../trade/finish-limits';
import type { Check, Finding, Fix } from '../check';
import { areasHere, isPartOf, limitsOfFinish, narrowest, smallestType, thinnest } from '../finish-shape';
import { found } from '../found';

/** A dot more than its limit: what holds it exactly is fine. */
const SLACK = 0.02;

/** A form made so much thicker on the whole that nothing of it is too thin; words are what they are. */
function thickening(element: Element, by: number): { fix?: Fix } {
  const label = 'Thicken it';
  if (element.kind === 'shape' && !element.stroke) {
    const outline = offsetPath(outlineThere(element), by / 2, 'round');
    return { fix: { label, apply: (job) => setOutline(job, element.id, outline) } };
  }
  if (element.kind !== 'rule') return {};
  const { x, y, width, height } = element;
  const isLevel = width >= height;
  const frame = {
    x: isLevel ? x : x - by / 2,
    y: isLevel ? y - by / 2 : y,
    width: isLevel ? width : width + by,
    height: isLevel ? height + by : height,
  };
  return { fix: { label, apply: (job) => setFrame(job, element.id, frame) } };
}

export const finishThin: Check = {
  id: 'finish-thin',
  name: 'Foil, varnish or embossing with lines too thin',
  protects: 'A die or a coat cannot hold lines thinner than its tool: they break off, or fill.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['limits'],
  run: (context) =>
    areasHere(context).flatMap(({ finish, elements }) => {
      const { line } = limitsOfFinish(context, finish);
      if (line === undefined) return [];
      return elements.flatMap((element): Finding[] => {
        // Letters too small to be varnished at all are told of by their own check.
        if (finish.kind === 'varnish' && smallestType(element, context) < VARNISHED_TYPE) return [];
        const first = thinnest(inkRings(element, context.sources), line - SLACK);
        if (!first) return [];
        return [
          found(finishThin, element, context, {
            of: finish.id,
            place: first.place,
            problem: `${finishSays(finish)}: a part of it is too thin`,
            measured: { value: first.thickness, kind: 'length' },
            wanted: { value: line, kind: 'length' },
            ...thickening(element, line - first.thickness + 2 * SLACK),
          }),
        ];
      });
    }),
};

export const finishClose: Check = {
  id: 'finish-close',
  name: 'Foil, varnish or embossing with gaps too narrow',
  protects: 'Gaps narrower than the tool can leave open fill with foil or varnish.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['limits'],
  run: (context) =>
    areasHere(context).flatMap(({ finish, elements, isWhole }): Finding[] => {
      const { gap } = limitsOfFinish(context, finish);
      if (gap === undefined || isWhole) return [];
      const rings = elements.flatMap((element) => inkRings(element, context.sources));
      const first = narrowest(rings, gap - SLACK);
      if (!first) return [];
      const element = elements.findLast((each) => isPartOf(first.place, each, context)) ?? elements.at(-1)!;
      return [
        found(finishClose, element, context, {
          of: finish.id,
          place: first.place,
          problem: `${finishSays(finish)}: a gap will fill`,
          measured: { value: first.gap, kind: 'length' },
          wanted: { value: gap, kind: 'length' },
        }),
      ];
    }),
};
