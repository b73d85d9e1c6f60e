import { finishSays } from '../../job/finishing';
import { VARNISHED_TYPE } from '../../trade/finish-limits';
import type { Check, Finding } from '../check';
import { areasHere, finishRings, isPartOf, limitsOfFinish, narrowGaps, smallestType, thinParts } from '../finish-shape';
import { found } from '../found';

/** A dot more than its limit: what holds it exactly is fine. */
const SLACK = 0.02;

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
        const [first] = thinParts(finishRings(element, context), line - SLACK);
        if (!first) return [];
        return [
          found(finishThin, element, context, {
            of: finish.id,
            place: first,
            problem: `${finishSays(finish)}: a part of it is too thin`,
            measured: { value: Math.min(first.width, first.height, line - SLACK), kind: 'length' },
            wanted: { value: line, kind: 'length' },
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
      const rings = elements.flatMap((element) => finishRings(element, context));
      const [first] = narrowGaps(rings, gap - SLACK);
      if (!first) return [];
      const element = elements.findLast((each) => isPartOf(first, each, context)) ?? elements.at(-1)!;
      return [
        found(finishClose, element, context, {
          of: finish.id,
          place: first,
          problem: `${finishSays(finish)}: a gap will fill`,
          measured: { value: Math.min(first.width, first.height, gap - SLACK), kind: 'length' },
          wanted: { value: gap, kind: 'length' },
        }),
      ];
    }),
};
