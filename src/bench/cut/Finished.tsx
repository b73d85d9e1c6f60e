import type { FaceDrift } from '../../../core/cut/drift';
import type { Point } from '../../../core/geometry/box';
import { pathData } from '../../../core/geometry/path';
import type { Face } from '../../../core/job/schema';
import { asFace } from '../../../core/job/turned';
import { dieOf } from '../../../core/scene/finishing';
import { useBench, usePrinted } from '../bench';
import { FaceArt } from '../FaceArt';
import { useHeld } from '../use-held';

/** The room a finished face is drawn in, in pixels. */
const ROOM = { width: 400, height: 230 };

/** A face as it comes off the guillotine, cut where `drift` says; the print can be dragged under the knife. */
export function Finished({
  face,
  drift,
  onDrag,
}: {
  face: Face;
  drift: FaceDrift;
  onDrag(by: { x: number; y: number }): void;
}) {
  const { sheet, sources, press } = useBench();
  const { previews } = usePrinted();
  const { width, height } = asFace(sheet, face);
  const scale = Math.min(ROOM.width / width, ROOM.height / height);
  // The knife goes one way where the print goes the other.
  const hold = useHeld<{ done: Point }>({
    move(held, { x, y }) {
      const to = { x: -x / scale, y: -y / scale };
      onDrag({ x: to.x - held.done.x, y: to.y - held.done.y });
      held.done = to;
    },
    end: ({ done }, how) => how === 'drop' && onDrag({ x: -done.x, y: -done.y }),
  });
  const radius = sheet.corner ?? 0;
  const die = dieOf(sheet, face);
  const clip = `finished-${face.id}`;
  return (
    <figure className="grid justify-items-center gap-1 text-[var(--table-text)]">
      <svg
        width={width * scale}
        height={height * scale}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`${face.name}, as it is cut`}
        className={`cursor-move touch-none ${die ? '' : 'shadow-lg'}`}
        {...hold(() => ({ done: { x: 0, y: 0 } }))}
      >
        <clipPath id={clip}>
          {die ? <path d={pathData(die)} /> : <rect width={width} height={height} rx={radius} />}
        </clipPath>
        <g clipPath={`url(#${clip})`}>
          <rect width={width} height={height} fill="#fff" />
          <g
            transform={`rotate(${-drift.twist} ${width / 2} ${height / 2}) translate(${-drift.x} ${-drift.y})`}
            pointerEvents="none"
          >
            <FaceArt face={face} sources={sources} press={press} previews={previews} />
          </g>
        </g>
      </svg>
      <figcaption className="text-[13px]">{face.name}</figcaption>
    </figure>
  );
}
