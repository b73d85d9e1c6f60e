import { CHECK_LIMITS } from '../../trade/check-limits';
import { formatSize } from '../../units/length';
import type { Check, Finding } from '../check';
import { foundOnFace } from '../found';

const SAME = 0.01;

export const nearPieceSizes: Check = {
  id: 'near-piece-sizes',
  name: 'Two pieces of almost one size',
  protects: 'Cards of the same set that differ by a hair do not lie in one pile or one holder.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context): Finding[] => {
    const { piece, face, job } = context;
    const own = job.pieces.find(({ id }) => id === piece.id);
    if (!own || own.faces[0]?.id !== face.id) return [];
    const near = job.pieces.find((other) => {
      if (other.id === own.id || other.kind !== own.kind) return false;
      const by = Math.max(Math.abs(other.width - own.width), Math.abs(other.height - own.height));
      return by > SAME && by < CHECK_LIMITS.nearPiece;
    });
    if (!near) return [];
    return [
      foundOnFace(nearPieceSizes, context, {
        problem: `${near.name} is almost this size: ${formatSize(near.width, near.height, own.unit, 2)}`,
        measured: { value: own.width, kind: 'length' },
        wanted: { value: near.width, kind: 'length' },
      }),
    ];
  },
};
