import type { Job } from '../../../core/job/schema';
import { asFace } from '../../../core/job/turned';
import { shownFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import type { Kit } from '../../../workers/kit';
import { FaceArt } from '../../bench/FaceArt';
import type { usePreviews } from '../../bench/use-previews';
import { Sheet } from './Tile';

/** The first two faces of the last piece of a job, as they would begin; blank sheets while its fonts are on their way. */
export function BegunFaces({
  job,
  kit,
  press,
  previews,
  isReady = true,
}: {
  job: Job;
  kit: Kit;
  press: ReturnType<Kit['press']>;
  previews: ReturnType<typeof usePreviews>;
  isReady?: boolean;
}) {
  const piece = job.pieces.at(-1)!;
  const sources = sourcesOf(job, kit.fonts);
  return (isReady ? shownFaces(piece, sources) : piece.faces).slice(0, 2).map((face) => {
    const { width, height } = asFace(piece, face);
    return (
      <Sheet key={face.id} width={width} height={height}>
        {isReady && <FaceArt face={face} sources={sources} press={press} previews={previews} />}
      </Sheet>
    );
  });
}
