import { type Box, bottom, right } from '../../geometry/box';
import type { Element } from '../../job/schema';
import type { FoldLine } from '../../trade/folds';
import { type Check, type CheckContext, type Finding, HAIR, type Severity } from '../check';
import { foldsOn } from '../folds-on';
import { exactBounds } from '../ink-shape';

/** What is to stay whole, and how grave it is that it does not: a picture may well run over a fold, but for what is in it. */
function toldOf(element: Element): { severity: Severity; says: string } | undefined {
  if (element.logo) return { severity: 'warn', says: 'The logo runs across a fold' };
  switch (element.kind) {
    case 'words':
      return { severity: 'warn', says: 'The text runs across a fold' };
    case 'code':
      return { severity: 'stop', says: 'The code runs across a fold: no reader can read it there' };
    case 'picture':
      return { severity: 'advise', says: 'The picture runs across a fold: keep faces and small things off it' };
    default:
      return undefined;
  }
}

/** Whether a picture lies on every panel: it was meant to run on from one to the next. */
const isOnAll = (element: Element, ink: Box, axis: FoldLine['axis'], { piece }: CheckContext): boolean =>
  element.kind === 'picture' &&
  (axis === 'x' ? ink.x <= 0 && right(ink) >= piece.width : ink.y <= 0 && bottom(ink) >= piece.height);

export const acrossFold: Check = {
  id: 'across-fold',
  name: 'Text, code, logo or picture across a fold',
  protects: 'What lies on a fold cracks with the ink, and is read on neither panel.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, sources } = context;
    const folds = foldsOn(context);
    if (folds.length === 0) return [];
    return face.elements.flatMap((element): Finding[] => {
      const told = toldOf(element);
      const ink = told && exactBounds(element, sources);
      if (!told || !ink) return [];
      const sides = ({ axis, at }: (typeof folds)[number]): number =>
        axis === 'x' ? Math.min(at - ink.x, right(ink) - at) : Math.min(at - ink.y, bottom(ink) - at);
      const fold = folds.find((each) => sides(each) > HAIR && !isOnAll(element, ink, each.axis, context));
      if (!fold) return [];
      const { axis, at } = fold;
      return [
        {
          check: 'across-fold',
          severity: told.severity,
          face: face.id,
          element: element.id,
          place: axis === 'x' ? { ...ink, x: at, width: 0.01 } : { ...ink, y: at, height: 0.01 },
          problem: told.says,
          measured: { value: sides(fold), kind: 'length' },
          wanted: { value: 0, kind: 'length' },
        },
      ];
    });
  },
};
