import type { FoldLine } from '../../trade/folds';
import { INK_LIMITS } from '../../trade/ink-limits';
import type { Check, Finding } from '../check';
import { foldsOn, stripOf } from '../folds-on';
import { found } from '../found';
import { inkLaid } from '../ink-laid';
import { inkIn } from '../ink-shape';

/** How far a fold reaches to either side, points: ink on both sides lies on it, and what ends at it does not. */
const REACH = 0.5;

export const denseFold: Check = {
  id: 'dense-fold',
  name: 'Dense ink across a fold',
  protects: 'Where much ink lies on a fold it cracks, and the white of the paper shows.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) => {
    const { face, sources } = context;
    const folds = foldsOn(context);
    return face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'shape') return [];
      const ink = inkLaid(element, sources);
      if (ink < INK_LIMITS.dense) return [];
      const isOn = (fold: FoldLine): boolean =>
        [fold.at - REACH, fold.at].every((from) => inkIn(element, [stripOf(fold, from, REACH, context)], sources));
      if (!folds.some(isOn)) return [];
      return [
        found(denseFold, element, context, {
          problem: 'Dense ink on a fold cracks: print it in fewer inks, or have it scored and laminated',
          measured: { value: ink, kind: 'ink' },
          wanted: { value: INK_LIMITS.dense, kind: 'ink' },
        }),
      ];
    });
  },
};
