import { boxOfRings } from '../../geometry/clipping';
import { setSheet } from '../../job/edits/pieces';
import { sheetFolds } from '../../job/folds-of';
import type { Element, Piece } from '../../job/schema';
import { usualSheet } from '../../job/sheet';
import { inkRings } from '../../scene/ink-rings';
import type { SceneSources } from '../../scene/sources';
import { CHECK_LIMITS } from '../../trade/check-limits';
import { type Check, wholePiece } from '../check';
import { foundOnFace } from '../found';

type Side = 'long side' | 'short side';

/** The side of a piece that runs beside a line: upright ones run beside its height. */
const besides = ({ width, height }: Piece, isUpright: boolean): Side =>
  isUpright === height > width ? 'long side' : 'short side';

function creaseIsUpright(element: Element, sources: SceneSources): boolean | undefined {
  const box = boxOfRings(inkRings(element, sources));
  return box && box.height > box.width;
}

/** The side that all folds and creases run beside; undefined where there are none, or some of either. */
function sideOfFolds(piece: Piece, sources: SceneSources): Side | undefined {
  if (piece.width === piece.height) return undefined;
  const creases = new Set((piece.finishing ?? []).flatMap(({ id, kind }) => (kind === 'crease' ? [id] : [])));
  const lines = piece.faces
    .flatMap(({ elements }) => elements)
    .filter(({ finish, hidden }) => finish !== undefined && !hidden && creases.has(finish))
    .flatMap((element) => creaseIsUpright(element, sources) ?? []);
  const folds = sheetFolds(piece, piece.faces[0]!).map(({ axis }) => axis === 'x');
  const sides = new Set([...folds, ...lines].map((isUpright) => besides(piece, isUpright)));
  return sides.size === 1 ? [...sides][0] : undefined;
}

export const foldGrain: Check = {
  id: 'fold-grain',
  name: 'Grain across the fold',
  protects: 'Folded across its fibres heavy paper breaks open, and does not lie flat.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) => {
    const { face, sources } = context;
    const piece = wholePiece(context);
    if (piece.faces[0]?.id !== face.id) return [];
    const weight = piece.order?.weight;
    const along = piece.sheet?.along ?? 'any';
    const wanted = sideOfFolds(piece, sources);
    if (!wanted || along === wanted) return [];
    const isLeftOpen = along === 'any';
    // Light paper folds either way.
    const least = isLeftOpen ? CHECK_LIMITS.scoreAbove : CHECK_LIMITS.grainAbove;
    if (weight === undefined ? isLeftOpen : weight <= least) return [];
    return [
      foundOnFace(foldGrain, context, {
        severity: isLeftOpen ? 'advise' : 'warn',
        problem: isLeftOpen
          ? 'Heavy stock is folded, and nobody says that its grain runs along the fold'
          : 'The grain runs across the fold',
        fix: {
          label: 'Run the grain along the fold',
          apply: (now) => setSheet(now, piece.id, { ...(piece.sheet ?? usualSheet(piece.unit)), along: wanted }),
        },
      }),
    ];
  },
};
