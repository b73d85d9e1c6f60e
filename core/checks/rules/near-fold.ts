import { bottom, right } from '../../geometry/box';
import { moveElement } from '../../job/edits/elements';
import type { Check, Finding } from '../check';
import { foldsOn } from '../folds-on';
import { found } from '../found';
import { exactBounds } from '../ink-shape';

export const nearFold: Check = {
  id: 'near-fold',
  name: 'Text, code or logo too near a fold',
  protects: 'Folds drift as cuts do: what stands by a fold ends up on it, or round the corner.',
  source: { kind: 'common practice' },
  severity: 'advise',
  limits: ['limits'],
  run: (context) => {
    const { face, shop, sources } = context;
    const folds = foldsOn(context);
    if (folds.length === 0) return [];
    return face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'words' && element.kind !== 'code' && !element.logo) return [];
      const ink = exactBounds(element, sources);
      if (!ink) return [];
      const gaps = folds.flatMap(({ axis, at }) => {
        const [from, to] = axis === 'x' ? [ink.x, right(ink)] : [ink.y, bottom(ink)];
        const gap = from >= at ? from - at : to <= at ? at - to : undefined;
        return gap === undefined ? [] : [{ axis, gap, way: from >= at ? 1 : -1 }];
      });
      const nearest = gaps.sort((a, b) => a.gap - b.gap)[0];
      if (!nearest || nearest.gap >= shop.limits.fold - 0.001) return [];
      const off = nearest.way * (shop.limits.fold - nearest.gap);
      const by = nearest.axis === 'x' ? { x: off, y: 0 } : { x: 0, y: off };
      return [
        found(nearFold, element, context, {
          problem: 'Stands too near a fold',
          measured: { value: nearest.gap, kind: 'length' },
          wanted: { value: shop.limits.fold, kind: 'length' },
          fix: { label: 'Move it off the fold', apply: (job) => moveElement(job, element.id, by) },
        }),
      ];
    });
  },
};
