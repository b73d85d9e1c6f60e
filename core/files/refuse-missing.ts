import { missingFiles } from '../checks/unread';
import type { Face, Job } from '../job/schema';
import type { ImageRef } from '../scene/device';
import { imagesIn } from '../scene/images';
import { ExportError } from './pdf/asked';

/**
 * Nothing leaves with a blank where a picture should be, or in another typeface: the last word of whatever writes a file.
 * Throws ExportError that names the first that is not there.
 */
export function refuseMissing(job: Job, faces: readonly Face[], isHere: (image: ImageRef) => boolean): void {
  const images = [...imagesIn(faces, job).values()];
  const here = new Set([...images.filter(isHere).map(({ asset }) => asset), ...Object.keys(job.fonts)]);
  const [first] = missingFiles(job, faces, here);
  if (first) throw new ExportError(first.says);
}
