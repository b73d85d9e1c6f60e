import { useMemo } from 'react';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job, Piece } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { asFace } from '../../../core/job/turned';
import { heldFaces, showingMade } from '../../../core/scene/finishing';
import { sourcesOf } from '../../../core/scene/sources';
import { FaceArt } from '../FaceArt';
import { useFonts } from '../use-fonts';
import { useKit } from '../use-kit';
import { usePreviews } from '../use-previews';
import { useProfiles } from '../use-profiles';

/** The faces of a piece as a state of the job has them, one under the other. */
export function PiecePicture({ job, piece }: { job: Job; piece: Piece }) {
  const { kit } = useKit();
  const pieces = useMemo(() => [piece], [piece]);
  const condition = useMemo(() => pressConditionOf(job, shopIn(job, piece.shop)), [job, piece.shop]);
  const previews = usePreviews(job, condition, pieces);
  const fontsHere = useFonts(job, pieces);
  const profilesHere = useProfiles(job);
  if (!kit || !fontsHere || !profilesHere) return <p role="status">Drawing…</p>;
  const sources = showingMade(sourcesOf(job, kit.fonts), piece);
  return heldFaces(piece, sources).map((face) => {
    const { width, height } = asFace(piece, face);
    return (
      <svg
        key={face.id}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`${piece.name}, ${face.name}`}
        className="max-h-72 w-full"
      >
        <FaceArt face={face} sources={sources} press={kit.press(condition)} previews={previews} held={piece} />
      </svg>
    );
  });
}
