import { useEffect, useMemo, useState } from 'react';
import type { Ink } from '../../core/colour/ink';
import type { Job } from '../../core/job/schema';
import type { Lightness } from '../../core/picture/lightness';
import type { ImageRef } from '../../core/scene/device';
import { imagesIn } from '../../core/scene/images';
import type { PressCondition } from '../../core/trade/schema';
import { pressRoom } from '../../workers/press-room';
import { db } from '../store/db';

/** A picture as the press shows it: its address, and how light it is where. */
export interface Preview {
  url: string;
  light: Lightness;
}
/** Previews by the key of the separated picture, made once for each and for each press condition. */
export type Previews = ReadonlyMap<string, Preview>;

const made = new Map<string, Promise<Preview | undefined>>();

/** What a picture on plates of its own looks like depends on what those inks look like. */
const spotsOf = ({ separation }: ImageRef, inks: readonly Ink[]): Ink[] => {
  const plates = new Set((separation.inks ?? []).flatMap(Object.keys));
  return inks.filter((ink) => ink.kind === 'spot' && plates.has(ink.name));
};

function previewOf(
  key: string,
  image: ImageRef,
  condition: PressCondition,
  inks: readonly Ink[],
): Promise<Preview | undefined> {
  const spots = spotsOf(image, inks);
  const all = `${key} ${JSON.stringify([condition, spots])}`;
  const found =
    made.get(all) ??
    db.assets
      .get(image.asset)
      .then((row) => row && pressRoom().preview(row.bytes, { condition, separation: image.separation, inks: spots }))
      .then((shown) => shown && { url: URL.createObjectURL(shown.image), light: shown.light })
      .catch((error: Error) => {
        // The picture's place stays grey; the next look tries again.
        console.warn(`A picture could not be shown: ${error.message}`);
        made.delete(all);
        return undefined;
      });
  made.set(all, found);
  return found;
}

export function usePreviews(job: Job | undefined, condition: PressCondition | undefined): Previews {
  const [previews, setPreviews] = useState<Previews>(new Map());
  const wanted = useMemo(
    () =>
      job
        ? imagesIn(
            job.pieces.flatMap((p) => p.faces),
            job,
          )
        : new Map<string, ImageRef>(),
    [job],
  );
  const inks = job?.inks;
  // Most edits change none of this.
  const what = JSON.stringify([condition, [...wanted.keys()].sort(), inks?.filter((ink) => ink.kind === 'spot')]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is wanted is told whole by its text
  useEffect(() => {
    if (!condition || !inks) return;
    let current = true;
    for (const [key, image] of wanted)
      void previewOf(key, image, condition, inks).then((preview) => {
        if (preview && current)
          setPreviews((before) => (before.get(key) === preview ? before : new Map(before).set(key, preview)));
      });
    return () => {
      current = false;
    };
  }, [what]);
  return previews;
}
