import { inkBounds } from '../../devices/bounds';
import { right } from '../../geometry/box';
import { facePanels } from '../../job/areas';
import { moveElement } from '../../job/edits/elements';
import { foldLines } from '../../trade/folds';
import { type Check, type Finding, laidOut } from '../check';
import { found } from '../found';

export const nearFold: Check = {
  id: 'near-fold',
  name: 'Text too near a fold',
  protects: 'Folds drift as cuts do: text by a fold ends up on it, or round the corner.',
  source: { kind: 'common practice' },
  severity: 'advise',
  limits: ['limits'],
  run: (context) => {
    const { face, shop, sources } = context;
    const folds = foldLines(facePanels(laidOut(context), face));
    if (folds.length === 0) return [];
    return face.elements.flatMap((element): Finding[] => {
      const ink = element.kind === 'words' ? inkBounds(element, sources) : undefined;
      if (!ink) return [];
      const gaps = folds.flatMap((fold) => {
        const gap = ink.x >= fold ? ink.x - fold : right(ink) <= fold ? fold - right(ink) : undefined;
        return gap === undefined ? [] : [{ gap, way: ink.x >= fold ? 1 : -1 }];
      });
      const nearest = gaps.sort((a, b) => a.gap - b.gap)[0];
      if (!nearest || nearest.gap >= shop.limits.fold - 0.001) return [];
      const by = { x: nearest.way * (shop.limits.fold - nearest.gap), y: 0 };
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
