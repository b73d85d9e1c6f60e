import { setFold } from '../../../../core/job/edits/kinds';
import type { Piece } from '../../../../core/job/schema';
import { FOLDS, type Fold, panelsOf } from '../../../../core/trade/folds';
import { formatLength, toPoints } from '../../../../core/units/length';
import { LengthField } from '../../../parts/LengthField';
import { act } from '../../../store/session';
import { useBench } from '../bench';
import { Pick } from './Pick';

const CHOICES = [['', 'Not folded'], ...Object.entries(FOLDS)] as const;

/** How a flyer is folded, and how wide its panels come out. */
export function FoldCard({ piece }: { piece: Piece }) {
  const { unit, echo } = useBench();
  const { fold } = piece;
  const panels = fold ? panelsOf(fold.kind, piece.width, fold.less, 'inside') : [];
  return (
    <section aria-label="Fold" className="grid gap-1.5 text-base-content">
      <h2 className="heading">Fold</h2>
      <Pick
        label="Folded"
        value={fold?.kind ?? ''}
        options={CHOICES}
        onChange={(kind) =>
          act('Fold', (job) =>
            setFold(job, piece.id, kind ? { less: toPoints(2, 'mm'), ...fold, kind: kind as Fold } : undefined),
          )
        }
      />
      {fold && (
        <>
          {(fold.kind === 'rolled' || fold.kind === 'gate') && (
            <LengthField
              label="Tucked panel shorter by"
              unit={unit}
              echo={echo}
              value={fold.less}
              refuse={(p) => (p < 0 || p > 40 ? 'Up to 14 mm.' : undefined)}
              onChange={(less) => act('Fold', (job) => setFold(job, piece.id, { ...fold, less }))}
            />
          )}
          <p className="text-[14px]" role="status">
            Inside, from the left: {panels.map(({ width }) => formatLength(width, unit, 2)).join(', ')}
          </p>
        </>
      )}
    </section>
  );
}
