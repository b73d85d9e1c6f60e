import { useMemo } from 'react';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job, Piece } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { asFace } from '../../../core/job/turned';
import { hasDie, heldFaces, showingMade } from '../../../core/scene/finishing';
import { sourcesOf } from '../../../core/scene/sources';
import { formatSize } from '../../../core/units/length';
import type { Kit } from '../../../workers/kit';
import { FaceArt } from '../../bench/FaceArt';
import { useFonts } from '../../bench/use-fonts';
import { useInSight } from '../../bench/use-in-sight';
import { usePreviews } from '../../bench/use-previews';
import { useProfiles } from '../../bench/use-profiles';

/** The longest side of the longest piece of a job, in CSS pixels. */
const LONGEST = 250;

/** A piece as cut, its faces side by side, at the same scale as the other pieces of its job. */
export function PieceTile({
  job,
  piece,
  kit,
  longest,
}: {
  job: Job;
  piece: Piece;
  kit: Kit | undefined;
  longest: number;
}) {
  const condition = useMemo(() => pressConditionOf(job, shopIn(job, piece.shop)), [job, piece.shop]);
  const profilesHere = useProfiles(job);
  const [ref, inSight] = useInSight<HTMLAnchorElement>();
  const pieces = useMemo(() => (inSight ? [piece] : []), [inSight, piece]);
  const previews = usePreviews(job, condition, pieces);
  const fontsHere = useFonts(job, pieces);
  const scale = LONGEST / longest;
  const sources =
    kit && inSight && fontsHere && profilesHere ? showingMade(sourcesOf(job, kit.fonts), piece) : undefined;
  const faces = sources ? heldFaces(piece, sources) : piece.faces;
  return (
    <a ref={ref} href={`/layout?job=${job.id}&piece=${piece.id}`} className="group text-[var(--table-text)]">
      <span className="mb-2 flex gap-3">
        {faces.map((face) => {
          const { width, height } = asFace(piece, face);
          return (
            <svg
              key={face.id}
              role="img"
              aria-label={face.name}
              width={width * scale}
              height={height * scale}
              viewBox={`0 0 ${width} ${height}`}
              className={`${hasDie(piece) ? 'drop-shadow-md' : 'shadow-md'} group-hover:outline-2 group-hover:outline-primary`}
            >
              {kit && sources && (
                <FaceArt face={face} sources={sources} press={kit.press(condition)} previews={previews} held={piece} />
              )}
            </svg>
          );
        })}
      </span>
      <span className="block font-semibold">{piece.name}</span>
      <span className="block text-[13px]">{formatSize(piece.width, piece.height, piece.unit)}</span>
    </a>
  );
}
