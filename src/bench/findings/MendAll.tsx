import { useMemo } from 'react';
import { fixAll } from '../../../core/checks/fix-all';
import { review } from '../../../core/checks/review';
import { pieceOf } from '../../../core/job/find';
import type { Face } from '../../../core/job/schema';
import { asFace } from '../../../core/job/turned';
import { heldFaces, showingMade } from '../../../core/scene/finishing';
import { sourcesOf } from '../../../core/scene/sources';
import { Dialog } from '../../parts/Dialog';
import { act } from '../../store/session';
import { useBench, useFound, usePrinted } from '../bench';
import { FaceArt } from '../FaceArt';
import { useKit } from '../use-kit';

/** Everything that can be mended safely, before and after, as one step. */
export function MendAll({ onClose }: { onClose(): void }) {
  const { job, sheet: piece, press } = useBench();
  const { findings, seen } = useFound();
  const { kit } = useKit();
  const mended = useMemo(() => {
    if (!kit) return undefined;
    return fixAll(job, findings, (now) => {
      const there = pieceOf(now, piece.id);
      return there ? review(now, there, { ...seen, fonts: kit.fonts, press }).open : [];
    });
  }, [job, piece.id, findings, seen, press, kit]);
  if (!mended || !kit) return null;
  const after = pieceOf(mended.job, piece.id)!;
  const sources = {
    before: showingMade(sourcesOf(job, kit.fonts), piece),
    after: showingMade(sourcesOf(mended.job, kit.fonts), after),
  };
  const [was, is] = [heldFaces(piece, sources.before), heldFaces(after, sources.after)];
  const changed = piece.faces.filter((face) => after.faces.find(({ id }) => id === face.id) !== face);
  const labels = [...new Set(mended.done)].map((label) => ({
    label,
    times: mended.done.filter((each) => each === label).length,
  }));
  return (
    <Dialog wide title="Fix all" onClose={onClose}>
      <ul className="mb-3 flex flex-wrap gap-x-4 gap-y-1 text-[14px]" aria-label="What is done">
        {labels.map(({ label, times }) => (
          <li key={label}>
            {label}
            {times > 1 ? `, ${times} times` : ''}
          </li>
        ))}
      </ul>
      <div className="grid gap-4">
        {changed.map((face) => (
          <div key={face.id} className="grid grid-cols-2 gap-4 rounded bg-[var(--table)] p-4 text-[var(--table-text)]">
            <Shown says={`${face.name}, before`} face={was.find(({ id }) => id === face.id)} sources={sources.before} />
            <Shown says={`${face.name}, after`} face={is.find(({ id }) => id === face.id)} sources={sources.after} />
          </div>
        ))}
      </div>
      <div className="mt-4 flex justify-end">
        <button
          type="button"
          className="btn btn-primary"
          onClick={() => {
            act('Fix all', () => mended.job);
            onClose();
          }}
        >
          {mended.done.length === 1 ? 'Fix' : `Fix all ${mended.done.length}`}
        </button>
      </div>
    </Dialog>
  );
}

function Shown({
  says,
  face,
  sources,
}: {
  says: string;
  face: Face | undefined;
  sources: ReturnType<typeof sourcesOf>;
}) {
  const { sheet, shop, press } = useBench();
  const { previews } = usePrinted();
  if (!face) return null;
  const { width, height } = asFace(sheet, face);
  const bleed = shop.bleed[sheet.kind];
  return (
    <figure className="grid gap-1">
      <svg
        viewBox={`${-bleed} ${-bleed} ${width + 2 * bleed} ${height + 2 * bleed}`}
        className="max-h-72 w-full"
        role="img"
        aria-label={says}
      >
        <rect x={-bleed} y={-bleed} width={width + 2 * bleed} height={height + 2 * bleed} fill="#fff" />
        <FaceArt face={face} sources={sources} press={press} previews={previews} />
        <rect
          width={width}
          height={height}
          fill="none"
          stroke="#24221e"
          strokeWidth="1"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <figcaption className="text-[13px]">{says}</figcaption>
    </figure>
  );
}
