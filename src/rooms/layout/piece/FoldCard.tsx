import { useState } from 'react';
import { facePanels } from '../../../../core/job/areas';
import { setFold } from '../../../../core/job/edits/kinds';
import { titleOf } from '../../../../core/job/find';
import type { Piece } from '../../../../core/job/schema';
import { crossingsOf } from '../../../../core/scene/crossings';
import { FOLDS, type Fold, panelsOf } from '../../../../core/trade/folds';
import { formatLength, roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { Pick } from '../../../parts/Pick';
import { act, select } from '../../../store/session';
import { FoldedDialog } from './FoldedDialog';

const CHOICES = [['', 'Not folded'], ...Object.entries(FOLDS)] as const;

/** How a flyer is folded, and how wide its panels come out. */
export function FoldCard({ piece }: { piece: Piece }) {
  const { unit, echo } = useBench();
  const [shown, setShown] = useState(false);
  const { fold } = piece;
  const inside = piece.faces[1];
  const panels = !fold
    ? []
    : inside && !inside.turned
      ? facePanels(piece, inside)
      : panelsOf(fold.kind, piece.width, fold.less, 'inside');
  return (
    <section aria-label="Fold" className="grid gap-1.5 text-base-content">
      <h2 className="heading">Fold</h2>
      <Pick
        label="Folded"
        value={fold?.kind ?? ''}
        options={CHOICES}
        onChange={(kind) =>
          act('Fold', (job) =>
            setFold(
              job,
              piece.id,
              kind ? { less: roundIn(piece.unit, 2, 1 / 16), ...fold, kind: kind as Fold } : undefined,
            ),
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
          <Crossing piece={piece} />
          <button type="button" className="btn btn-sm justify-self-start" onClick={() => setShown(true)}>
            See it folded
          </button>
          {shown && <FoldedDialog piece={piece} fold={fold} onClose={() => setShown(false)} />}
          <p className="text-[14px]" role="status">
            Inside, from the left: {panels.map(({ width }) => formatLength(width, unit, 2)).join(', ')}
          </p>
        </>
      )}
    </section>
  );
}

/** What lies on both sides of a fold of the shown face. */
function Crossing({ piece }: { piece: Piece }) {
  const { job, face, sources } = useBench();
  const crossing = [...new Set(crossingsOf(piece, face, sources).map(({ element }) => element))];
  if (crossing.length === 0) return null;
  return (
    <div className="grid gap-0.5 text-[14px]">
      <span className="quiet">Across a fold of {face.name}, marked on it:</span>
      <ul className="flex flex-wrap gap-1" aria-label="Across a fold">
        {crossing.map((element) => (
          <li key={element.id}>
            <button type="button" className="btn btn-xs" onClick={() => select(element.id)}>
              {titleOf(element, job.assets)}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
