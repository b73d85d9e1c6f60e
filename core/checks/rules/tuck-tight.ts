import { setFold } from '../../job/edits/kinds';
import { leastTuck } from '../../trade/folds';
import { type Check, HAIR } from '../check';
import { foundOnFace } from '../found';

export const tuckTight: Check = {
  id: 'tuck-tight',
  name: 'Tucked panel too long for its stock',
  protects:
    'A panel that is folded in has to be shorter than what it lies in, by more where the stock is thick: else it buckles.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { piece, face } = context;
    const { fold, thickness } = piece;
    if (!fold || thickness === undefined || piece.faces[0]?.id !== face.id) return [];
    const least = leastTuck(fold.kind, thickness);
    if (least === undefined || fold.less >= least - HAIR) return [];
    return [
      foundOnFace(tuckTight, context, {
        problem: 'The panel that is tucked in is too long for this stock',
        measured: { value: fold.less, kind: 'length' },
        wanted: { value: least, kind: 'length' },
        fix: { label: 'Shorten it', apply: (job) => setFold(job, piece.id, { ...fold, less: least }) },
      }),
    ];
  },
};
