import { CHECK_LIMITS } from '../../trade/check-limits';
import type { Check } from '../check';
import { foundOnFace } from '../found';

const IS_SCORED = /scor|creas|groov|rill|nut/i;

export const foldScore: Check = {
  id: 'fold-score',
  name: 'Heavy stock folded without a score',
  protects: 'Above some weight paper breaks where it is folded, unless it is scored first.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { piece, face } = context;
    const weight = piece.order?.weight;
    const isFirst = piece.faces[0]?.id === face.id;
    if (!piece.fold || !isFirst || weight === undefined || weight <= CHECK_LIMITS.scoreAbove) return [];
    if (piece.order?.finishing.some((each) => IS_SCORED.test(each))) return [];
    if (piece.finishing?.some(({ kind }) => kind === 'crease')) return [];
    return [
      foundOnFace(foldScore, context, {
        problem: 'This stock breaks when it is folded: add scoring to its finishing',
        measured: { value: weight, kind: 'grammage' },
        wanted: { value: CHECK_LIMITS.scoreAbove, kind: 'grammage' },
      }),
    ];
  },
};
