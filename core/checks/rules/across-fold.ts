import { inkBounds } from '../../devices/bounds';
import { facePanels } from '../../job/areas';
import { foldLines } from '../../trade/folds';
import { type Check, type Finding, HAIR, laidOut } from '../check';

export const acrossFold: Check = {
  id: 'across-fold',
  name: 'Text across a fold',
  protects: 'Letters on a fold crack with the ink, and are read on neither panel.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, sources, piece } = context;
    const folds = foldLines(facePanels(laidOut(context), face));
    if (folds.length === 0) return [];
    return face.elements.flatMap((element): Finding[] => {
      const ink = element.kind === 'words' ? inkBounds(element, sources) : undefined;
      const at = ink && folds.find((fold) => ink.x < fold - HAIR && ink.x + ink.width > fold + HAIR);
      if (!ink || at === undefined) return [];
      return [
        {
          check: 'across-fold',
          severity: 'warn',
          face: face.id,
          element: element.id,
          place: { x: at, y: 0, width: 0.01, height: piece.height },
          problem: 'The text runs across a fold',
          measured: { value: Math.min(at - ink.x, ink.x + ink.width - at), kind: 'length' },
          wanted: { value: 0, kind: 'length' },
        },
      ];
    });
  },
};
