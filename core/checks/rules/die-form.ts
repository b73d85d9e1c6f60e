import { pathBounds } from '../../geometry/path';
import { dieOf } from '../../scene/finishing';
import { toPoints } from '../../units/length';
import { type Check, type Finding, laidOut, trimOf, workedOn } from '../check';
import { finishesHere } from '../finish-shape';
import { found } from '../found';

/** A strip between die line and trim that is narrower than this cannot be stripped out cleanly: common practice. */
const LEAST_STRIP = toPoints(2, 'mm');
const ROUNDING = 0.1;

export const dieForm: Check = {
  id: 'die-form',
  name: 'A die line that does not fit its piece',
  protects: 'A die cuts one closed outline within the size that was ordered; a strip of waste too narrow tears.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: (context) => {
    const here = finishesHere(context).find(({ finish }) => finish.kind === 'die line');
    if (!here) return [];
    const outlines = here.elements.filter(({ kind }) => kind === 'shape' || kind === 'picture');
    const others = here.elements.filter((element) => !outlines.includes(element));
    const trim = trimOf(context.piece);
    const die = dieOf(laidOut(context), workedOn(context));
    const box = die && pathBounds(die);
    const [first] = outlines;
    const gaps = box && [box.x, box.y, trim.width - box.x - box.width, trim.height - box.y - box.height];
    const outside = gaps ? -Math.min(...gaps) : 0;
    const strip = gaps?.find((gap) => gap > ROUNDING && gap < LEAST_STRIP);
    const tell = (element: (typeof others)[number], rest: Partial<Finding> & Pick<Finding, 'problem'>): Finding =>
      found(dieForm, element, context, rest);
    return [
      ...others.map((element) => tell(element, { problem: 'A die line is a closed outline: make it of a shape' })),
      ...outlines
        .slice(1)
        .map((element) =>
          tell(element, { problem: 'A second die line: the piece is cut along the lowest one', severity: 'warn' }),
        ),
      ...(first && outside > ROUNDING
        ? [
            tell(first, {
              problem: 'The die line runs outside the piece',
              measured: { value: outside, kind: 'length' },
              wanted: { value: 0, kind: 'length' },
            }),
          ]
        : []),
      ...(first && outside <= ROUNDING && strip !== undefined
        ? [
            tell(first, {
              severity: 'warn',
              problem: 'A narrow strip is left between the die line and the size of the piece',
              measured: { value: strip, kind: 'length' },
              wanted: { value: LEAST_STRIP, kind: 'length' },
            }),
          ]
        : []),
    ];
  },
};
