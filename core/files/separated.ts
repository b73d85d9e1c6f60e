import type { ColourEngine, Press } from '../colour/engine';
import type { LaidPicture } from '../devices/plates/device';
import { laidPicture } from '../devices/plates/pictures';
import { decodePicture } from '../picture/decode';
import { separatePicture } from '../picture/separate';
import { type ImageRef, imageKey } from '../scene/device';
import { isPdfFile } from './art-in/kind';
import { layWhole } from './pdf-in/whole';

/** A picture's file on its plates: of its pixels, or of what a page of a PDF draws. Throws PictureError. */
export const separatedFile = (bytes: Uint8Array, image: ImageRef, engine: ColourEngine, press: Press): LaidPicture =>
  isPdfFile(bytes)
    ? layWhole(bytes, image, press.separateAll)
    : separatePicture(decodePicture(bytes), engine, press, image.separation);

/** The same, and where a picture's colours are out of the press's reach. */
export const laidFile = (bytes: Uint8Array, image: ImageRef, engine: ColourEngine, press: Press): LaidPicture =>
  isPdfFile(bytes)
    ? layWhole(bytes, image, press.separateAll)
    : laidPicture(decodePicture(bytes), image, engine, press);

/** Separates pictures as they are asked for, each once; one whose file is not there is undefined. */
export function separatedPictures(
  bytesOf: (hash: string) => Uint8Array | undefined,
  engine: ColourEngine,
  press: Press,
  kept = new Map<string, LaidPicture>(),
): (image: ImageRef) => LaidPicture | undefined {
  return (image) => {
    const key = imageKey(image);
    const found = kept.get(key);
    if (found) return found;
    const bytes = bytesOf(image.asset);
    if (!bytes) return undefined;
    const made = laidFile(bytes, image, engine, press);
    kept.set(key, made);
    return made;
  };
}
