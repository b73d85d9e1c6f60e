import { useMemo } from 'react';
import type { Chosen } from '../../../core/files/hand-off/plan';
import { setSpread } from '../../../core/job/edits/pieces';
import { pieceOf } from '../../../core/job/find';
import { meetingsOf } from '../../../core/scene/traps';
import { INK_LIMITS } from '../../../core/trade/ink-limits';
import { formatLength, fromPoints, toPoints } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { act } from '../../store/session';

const NONE = 'none';
const WIDTHS = [[NONE, 'No spread'], ...INK_LIMITS.spreads.map((mm) => [String(mm), `${mm} mm`] as const)] as const;

/** Pieces on which two inks meet without a plate in common: how far the lighter one is spread, for each. */
export function SpreadRows({ chosen }: { chosen: readonly Chosen[] }) {
  const { job, sources } = useBench();
  const ids = chosen.map(({ piece }) => piece).join();
  const rows = useMemo(
    () =>
      ids.split(',').flatMap((id) => {
        const piece = pieceOf(job, id);
        const edges = piece ? meetingsOf(piece, sources) : [];
        return piece && edges.length > 0 ? [{ piece, length: edges.reduce((sum, edge) => sum + edge.length, 0) }] : [];
      }),
    [job, ids, sources],
  );
  if (rows.length === 0) return null;
  return (
    <section aria-label="Trapping" className="mt-4 grid gap-2">
      <h3 className="heading">Trapping</h3>
      <p className="quiet text-[13px]">
        Two inks meet without a plate in common: paper shows between them when the plates shift. Spread the lighter ink
        over the edge, unless the shop traps by itself.
      </p>
      {rows.map(({ piece, length }) => {
        const now =
          piece.spread === undefined ? NONE : String(Math.round(fromPoints(piece.spread, 'mm') * 1000) / 1000);
        return (
          <div key={piece.id} className="grid grid-cols-[minmax(0,1fr)_8rem] items-center gap-2 text-[14px]">
            <span className="min-w-0">
              <span className="block truncate">{piece.name}</span>
              <span className="quiet text-[13px]">
                {formatLength(length, piece.unit, piece.unit === 'in' ? 1 : 0)} of edges
              </span>
            </span>
            <Choice
              label={`Spread of ${piece.name}`}
              value={now}
              options={WIDTHS.some(([id]) => id === now) ? WIDTHS : [...WIDTHS, [now, `${now} mm`]]}
              onChange={(to) =>
                act('Trapping', (j) => setSpread(j, piece.id, to === NONE ? undefined : toPoints(Number(to), 'mm')))
              }
            />
          </div>
        );
      })}
    </section>
  );
}
