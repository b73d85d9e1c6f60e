import type { Face, Job } from '../job/schema';
import type { ImageRef } from '../scene/device';
import { imagesIn } from '../scene/images';
import { ExportError } from './pdf/asked';

/** Nothing leaves with a blank where a picture should be. Throws ExportError that names the first one that is not there. */
export function refuseMissingPictures(
  job: Job,
  faces: readonly Pick<Face, 'elements'>[],
  isHere: (image: ImageRef) => boolean,
): void {
  for (const image of imagesIn(faces, job).values())
    if (!isHere(image))
      throw new ExportError(
        `The picture ${job.assets[image.asset]?.name ?? image.asset} is missing. Import it again, then export.`,
      );
}
