import { useEffect, useMemo, useState } from 'react';
import { assetsInUse } from '../../core/files/job-file';
import type { Job } from '../../core/job/schema';
import type { Lightness } from '../../core/picture/lightness';
import { pressRoom } from '../../workers/press-room';
import { db } from '../store/db';

/** A picture as the press shows it: its address, and how light it is where. */
export interface Preview {
  url: string;
  light: Lightness;
}
/** Previews by hash, made once for each picture and press condition. */
export type Previews = ReadonlyMap<string, Preview>;

const made = new Map<string, Promise<Preview | undefined>>();

function previewOf(hash: string, condition: string): Promise<Preview | undefined> {
  const key = `${hash} ${condition}`;
  const found =
    made.get(key) ??
    db.assets
      .get(hash)
      .then((row) => row && pressRoom().preview(row.bytes, condition))
      .then((shown) => shown && { url: URL.createObjectURL(shown.image), light: shown.light })
      .catch((error: Error) => {
        // The picture's place stays grey; the next look tries again.
        console.warn(`A picture could not be shown: ${error.message}`);
        made.delete(key);
        return undefined;
      });
  made.set(key, found);
  return found;
}

export function usePreviews(job: Job | undefined, condition: string | undefined): Previews {
  const [previews, setPreviews] = useState<Previews>(new Map());
  const wanted = useMemo(() => (job ? [...assetsInUse(job)].sort().join() : ''), [job]);
  useEffect(() => {
    if (!condition || wanted === '') return;
    let current = true;
    for (const hash of wanted.split(','))
      void previewOf(hash, condition).then((preview) => {
        if (preview && current)
          setPreviews((before) => (before.get(hash) === preview ? before : new Map(before).set(hash, preview)));
      });
    return () => {
      current = false;
    };
  }, [wanted, condition]);
  return previews;
}
