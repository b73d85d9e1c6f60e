import { useEffect, useState } from 'react';
import { type Straightening, straightened, straightenings } from '../../../../core/geometry/straighten';
import { moveElements } from '../../../../core/job/edits/elements';
import { titleOf } from '../../../../core/job/find';
import type { Job } from '../../../../core/job/schema';
import { formatLength } from '../../../../core/units/length';
import { type Bench, useBench } from '../../../bench/bench';
import { act, showPreview, useSession } from '../../../store/session';
import { arrangedBox, resized } from './arranging';

const SHOWING = 'Straighten';

/** The kept job with the near misses of some elements mended. */
function mend(job: Job, bench: Bench, boxes: ReturnType<typeof boxesOf>, found: readonly Straightening[]): Job {
  const wanted = straightened(
    boxes.map(({ box }) => box),
    found,
  );
  let mended = job;
  boxes.forEach(({ element, box }, i) => {
    for (const side of ['width', 'height'] as const)
      if (wanted[i]![side] !== box[side])
        mended = resized(mended, element, { [side]: wanted[i]![side] }, bench.sources);
  });
  return moveElements(
    mended,
    new Map(boxes.map(({ element, box }, i) => [element.id, { x: wanted[i]!.x - box.x, y: wanted[i]!.y - box.y }])),
  );
}

/** What is looked at: the selection, or all that is not locked where less than two are selected. */
function boxesOf(bench: Bench) {
  const { selection, face } = bench;
  const elements = selection.length > 1 ? selection : face.elements;
  return elements.flatMap((element) =>
    element.locked || element.hidden ? [] : [{ element, box: arrangedBox(element, bench) }],
  );
}

const SAYS: Record<Straightening['why'], string> = {
  edge: 'almost in line',
  gap: 'gaps almost equal',
  size: 'almost the same size',
};

/** Near misses, shown mended on the stage until it is decided. */
export function StraightenPanel({ onClose }: { onClose(): void }) {
  const bench = useBench();
  // The job before: what the stage shows meanwhile is mended already.
  const before = useSession((session) => session.history?.job);
  const [{ looked, found, mended }] = useState(() => {
    const boxes = boxesOf(bench);
    const misses = straightenings(boxes.map(({ box }) => box));
    return { looked: boxes, found: misses, mended: (job: Job) => mend(job, bench, boxes, misses) };
  });
  useEffect(() => {
    return found.length > 0 ? showPreview(mended) : undefined;
  }, [found, mended]);
  const { unit } = bench;
  const amount = ({ why, off }: Straightening): string =>
    why === 'edge' ? formatLength(off, unit) : `${(off * 100).toFixed(1)} %`;
  return (
    <div
      role="dialog"
      aria-label="Straighten"
      className="absolute bottom-16 left-[280px] z-20 w-[440px] rounded border border-base-content bg-base-100 p-3 shadow-xl"
    >
      <h2 className="heading mb-1.5">{found.length === 0 ? 'Nothing to straighten' : 'This would be straightened'}</h2>
      <ul className="max-h-56 overflow-y-auto">
        {found.map((each, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the list is made once
          <li key={i} className="flex justify-between gap-3 py-0.5">
            <span className="truncate">
              {before && titleOf(looked[each.index]!.element, before.assets)}: {SAYS[each.why]}
            </span>
            <span className="whitespace-nowrap">{amount(each)} off</span>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex gap-2">
        {found.length > 0 && (
          <button
            type="button"
            className="btn btn-sm btn-primary"
            onClick={() => {
              act(SHOWING, mended);
              onClose();
            }}
          >
            Straighten
          </button>
        )}
        <button type="button" className="btn btn-sm" onClick={onClose}>
          {found.length > 0 ? 'Leave it' : 'Close'}
        </button>
      </div>
    </div>
  );
}
