import { insideBy } from '../../geometry/contour';
import { finishSays } from '../../job/finishing';
import { inkRings } from '../../scene/ink-rings';
import { type Check, type Finding, HAIR } from '../check';
import { cutContour } from '../cut-contour';
import { finishesHere, limitsOfFinish } from '../finish-shape';
import { found } from '../found';

export const finishEdge: Check = {
  id: 'finish-edge',
  name: 'Foil, embossing or a hole too near the edge',
  protects: 'Foil flakes where it is cut, a raised edge cracks, and a hole near the edge tears out.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['limits'],
  run: (context) => {
    const contour = cutContour(context);
    return finishesHere(context).flatMap(({ finish, elements, isWhole }) => {
      const { edge } = limitsOfFinish(context, finish);
      if (edge === undefined || isWhole) return [];
      return elements.flatMap((element): Finding[] => {
        let least = Infinity;
        for (const ring of inkRings(element, context.sources))
          for (const point of ring) least = Math.min(least, insideBy(point, contour).by);
        if (least >= edge - HAIR || least === Infinity) return [];
        return [
          found(finishEdge, element, context, {
            of: finish.id,
            problem: `${finishSays(finish)}: ${least < 0 ? 'runs over the edge' : 'too near the edge'}`,
            measured: { value: least, kind: 'length' },
            wanted: { value: edge, kind: 'length' },
          }),
        ];
      });
    });
  },
};
