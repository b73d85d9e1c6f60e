import ChevronLeft from 'lucide-react/icons/chevron-left';
import ChevronRight from 'lucide-react/icons/chevron-right';
import { useMemo } from 'react';
import { showCells } from '../../../core/job/edits/runs';
import { pressConditionOf } from '../../../core/job/press-of';
import { shopIn } from '../../../core/job/shops-of';
import { asFace } from '../../../core/job/turned';
import { facesFor, type RowPlan } from '../../../core/run/row-piece';
import { heldFaces } from '../../../core/scene/finishing';
import { useBench } from '../../bench/bench';
import { FaceArt } from '../../bench/FaceArt';
import { usePreviews } from '../../bench/use-previews';
import { act } from '../../store/session';

/** The piece as it is for one row, all sides beside one another; one row after another. */
export function RowStage({
  plan,
  printed,
  at,
  onAt,
}: {
  plan: RowPlan;
  printed: readonly number[];
  at: number;
  onAt(at: number): void;
}) {
  const { job, sheet, sources, press, face: current, setFace } = useBench();
  const row = printed[at];
  const { faces, faults } = useMemo(
    () => (row === undefined ? { faces: [], faults: [] } : facesFor(plan, row)),
    [plan, row],
  );
  const piece = useMemo(() => ({ ...sheet, faces: [...faces] }), [sheet, faces]);
  const pieces = useMemo(() => [piece], [piece]);
  const previews = usePreviews(job, pressConditionOf(job, shopIn(job, sheet.shop)), pieces);
  const shown = useMemo(() => heldFaces(piece, sources), [piece, sources]);
  const fault = faults[0];
  return (
    <section aria-label="The piece for a row" className="flex min-h-0 flex-[1.25] flex-col bg-[var(--table)]">
      <div className="flex flex-wrap items-center gap-2 px-3 pt-3 text-[14px] text-[var(--table-text)]" data-bar>
        <div className="join">
          <button
            type="button"
            className="btn btn-sm join-item btn-square"
            aria-label="Previous row"
            disabled={at <= 0}
            onClick={() => onAt(at - 1)}
          >
            <ChevronLeft size={16} />
          </button>
          <button
            type="button"
            className="btn btn-sm join-item btn-square"
            aria-label="Next row"
            disabled={at >= printed.length - 1}
            onClick={() => onAt(at + 1)}
          >
            <ChevronRight size={16} />
          </button>
        </div>
        <span role="status" className="figures">
          {row === undefined
            ? 'No row is printed'
            : `Row ${row + 1}: ${at + 1} of ${printed.length.toLocaleString('en')} printed`}
        </span>
        {fault && <span className="rounded bg-error px-2 py-0.5 text-[13px] text-error-content">{fault.problem}</span>}
        {row !== undefined && (
          <button
            type="button"
            className="btn btn-sm ml-auto"
            title="Layout shows the text of this row"
            onClick={() =>
              act('Show row in Layout', (now) => showCells(now, sheet.id, (key) => plan.rows.cell(row, key)))
            }
          >
            Use this row in Layout
          </button>
        )}
      </div>
      <div className="flex min-h-0 flex-1 items-center justify-center gap-6 p-5">
        {shown.map((face) => {
          const { width, height } = asFace(sheet, face);
          return (
            <button
              key={face.id}
              type="button"
              aria-pressed={face.id === current.id}
              aria-label={face.name}
              className="flex h-full min-w-0 items-center justify-center"
              style={{ aspectRatio: `${width} / ${height}`, maxWidth: `${100 / shown.length}%`, maxHeight: '100%' }}
              onClick={() => setFace(face.id)}
            >
              <svg
                viewBox={`0 0 ${width} ${height}`}
                className={`max-h-full w-full bg-white shadow-lg ${face.id === current.id && shown.length > 1 ? 'outline-2 outline-[var(--table-text)] outline-offset-4' : ''}`}
                aria-hidden="true"
              >
                <FaceArt face={face} sources={sources} press={press} previews={previews} />
              </svg>
            </button>
          );
        })}
      </div>
    </section>
  );
}
