import type { Piece } from '../../job/schema';
import { CHECK_LIMITS } from '../../trade/check-limits';
import { INK_LIMITS } from '../../trade/ink-limits';
import { STOCKS } from '../../trade/stocks';
import type { Check, Finding } from '../check';
import { foldsOn, stripOf } from '../folds-on';
import { found } from '../found';
import { inkLaid } from '../ink-laid';
import { inkIn } from '../ink-shape';

const IS_UNCOATED = /uncoated|unbleached|kraft|\boffset\b|\bwove\b|\blaid\b|recycled/i;

function isUncoated({ order }: Piece): boolean {
  if (!order?.stock) return false;
  const known = STOCKS.find(({ name }) => name === order.stock);
  return known ? known.coating === 'uncoated' : IS_UNCOATED.test(order.stock);
}

export const solidByFold: Check = {
  id: 'solid-by-fold',
  name: 'Solid ink at a fold of uncoated paper',
  protects: 'On uncoated paper a solid rubs off along the fold, and shows it as a pale line.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) => {
    const { face, piece, sources } = context;
    if (!isUncoated(piece)) return [];
    const near = CHECK_LIMITS.solidFold;
    const strips = foldsOn(context).map((fold) => stripOf(fold, fold.at - near, 2 * near, context));
    if (strips.length === 0) return [];
    return face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'shape') return [];
      const ink = inkLaid(element, sources);
      // What is denser still is told of as such.
      if (ink < 1 - 1e-6 || ink >= INK_LIMITS.dense || !inkIn(element, strips, sources)) return [];
      return [
        found(solidByFold, element, context, {
          problem: 'A solid lies at a fold of uncoated paper: print it lighter there, or choose a coated stock',
          measured: { value: ink, kind: 'ink' },
          wanted: { value: 1, kind: 'ink' },
        }),
      ];
    });
  },
};
