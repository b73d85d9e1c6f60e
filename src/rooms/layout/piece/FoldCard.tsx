import { useState } from 'react';
import { setFold } from '../../../../core/job/edits/kinds';
import { titleOf } from '../../../../core/job/find';
import { facePanels } from '../../../../core/job/folds-of';
import type { FoldMade } from '../../../../core/job/kinds';
import type { Piece } from '../../../../core/job/schema';
import { crossingsOf } from '../../../../core/scene/crossings';
import { FOLDS, type Fold, leastTuck, panelsOf, TUCKED } from '../../../../core/trade/folds';
import { formatLength, formatSize, roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { Pick } from '../../../parts/Pick';
import { act, select } from '../../../store/session';
import { FoldedDialog } from './FoldedDialog';

const CHOICES = [['', 'Not folded'], ...Object.entries(FOLDS)] as const;

const OPENS = [
  ['', 'As a book: the folds are upright'],
  ['level', 'Upwards: the folds are level'],
] as const;

/** Another kind of fold, with what the one before it had of its own. */
const foldTo = (kind: Fold, { fold, unit }: Piece): FoldMade => ({
  less: roundIn(unit, 2, 1 / 16),
  ...(fold?.level && kind !== 'cross' ? { level: true } : {}),
  ...(fold ? { less: fold.less } : {}),
  kind,
});

/** How a flyer is folded, and how wide its panels come out. */
export function FoldCard({ piece }: { piece: Piece }) {
  const { unit, echo } = useBench();
  const [shown, setShown] = useState(false);
  const { fold } = piece;
  const inside = piece.faces[1];
  const least = fold && piece.thickness !== undefined ? leastTuck(fold.kind, piece.thickness) : undefined;
  const panels = !fold ? [] : inside && !inside.turned ? facePanels(piece, inside) : panelsOf(fold, piece, 'inside');
  return (
    <section aria-label="Fold" className="grid gap-1.5 text-base-content">
      <h2 className="heading">Fold</h2>
      <Pick
        label="Folded"
        value={fold?.kind ?? ''}
        options={CHOICES}
        onChange={(kind) =>
          act('Fold', (job) => setFold(job, piece.id, kind ? foldTo(kind as Fold, piece) : undefined))
        }
      />
      {fold && (
        <>
          {fold.kind !== 'cross' && (
            <Pick
              label="Opens"
              value={fold.level ? 'level' : ''}
              options={OPENS}
              onChange={(way) =>
                act('Fold', (job) =>
                  setFold(job, piece.id, { kind: fold.kind, less: fold.less, ...(way ? { level: true } : {}) }),
                )
              }
            />
          )}
          {TUCKED.includes(fold.kind) && (
            <LengthField
              label="Tucked panel shorter by"
              unit={unit}
              echo={echo}
              value={fold.less}
              least={0}
              most={roundIn(unit, 14, 1 / 2)}
              onChange={(less) => act('Fold', (job) => setFold(job, piece.id, { ...fold, less }))}
            />
          )}
          {least !== undefined && (
            <p className="quiet text-[14px]">On its stock, shorter by at least {formatLength(least, unit, 2)}.</p>
          )}
          <Crossing piece={piece} />
          <button type="button" className="btn btn-sm justify-self-start" onClick={() => setShown(true)}>
            See it folded
          </button>
          {shown && <FoldedDialog piece={piece} fold={fold} onClose={() => setShown(false)} />}
          <p className="text-[14px]" role="status">
            {fold.kind === 'cross'
              ? `Folded: ${formatSize(panels[0]!.width, panels[0]!.height, unit)}`
              : `Inside, from the ${fold.level ? 'top' : 'left'}: ${panels.map((panel) => formatLength(panel[fold.level ? 'height' : 'width'], unit, 2)).join(', ')}`}
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
