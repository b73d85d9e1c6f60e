import { setCorner } from '../../../../core/job/edits/kinds';
import type { Piece } from '../../../../core/job/schema';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { act } from '../../../store/session';

/** The corners of a card, where a die rounds them: seen as cut. */
export function CornerCard({ piece }: { piece: Piece }) {
  const { unit, echo } = useBench();
  const most = Math.min(piece.width, piece.height) / 2;
  return (
    <section aria-label="Corners" className="grid gap-1.5 text-base-content">
      <h2 className="heading">Corners</h2>
      <LengthField
        label="Radius of the die"
        hint="0 for square corners; seen as cut"
        unit={unit}
        echo={echo}
        value={piece.corner ?? 0}
        least={0}
        most={most}
        onChange={(p) => act('Corners', (job) => setCorner(job, piece.id, p >= 0.5 ? p : undefined))}
      />
    </section>
  );
}
