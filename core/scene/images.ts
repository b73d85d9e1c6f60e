import type { Face, Picture } from '../job/schema';
import type { Separation } from '../picture/separate';
import { plates } from './colour';
import { type ImageRef, imageKey } from './device';
import type { SceneSources } from './sources';

export type ImageSources = Pick<SceneSources, 'assets' | 'inks'>;

function separationOf({ inks, reseparate, inkLimit }: Picture, sources: ImageSources): Separation {
  if (inks) return { inks: inks.map((paint) => plates(paint, sources)) };
  return { ...(reseparate ? { reseparate } : {}), ...(inkLimit === undefined ? {} : { inkLimit }) };
}

/** A picture as devices know it; undefined where its file is not in the job. */
export function imageOf(picture: Picture, sources: ImageSources): ImageRef | undefined {
  const asset = sources.assets[picture.asset];
  if (!asset) return undefined;
  const { width, height, page } = asset;
  const separation = page ? {} : separationOf(picture, sources);
  return { asset: picture.asset, width, height, separation, ...(page ? { page: page.plates } : {}) };
}

/** Every picture on some faces, each once for each way that it is separated, by its key. */
export function imagesIn(faces: readonly Pick<Face, 'elements'>[], sources: ImageSources): Map<string, ImageRef> {
  const found = faces.flatMap((face) =>
    face.elements.flatMap((e) => (e.kind === 'picture' ? (imageOf(e, sources) ?? []) : [])),
  );
  return new Map(found.map((image) => [imageKey(image), image]));
}
