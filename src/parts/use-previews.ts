import { useEffect, useMemo, useState } from 'react';
import { assetsInUse } from '../../core/files/job-file';
import type { Job } from '../../core/job/schema';
import { pressRoom } from '../../workers/press-room';
import { db } from '../store/db';

/** Addresses of pictures as the press shows them, by hash. Made once for each picture and press condition. */
export type Previews = ReadonlyMap<string, string>;

const made = new Map<string, Promise<string | undefined>>();

function previewOf(hash: string, condition: string): Promise<string | undefined> {
  const key = `${hash} ${condition}`;
  const found =
    made.get(key) ??
    db.assets
      .get(hash)
      .then((row) => row && pressRoom().preview(row.bytes, condition))
      .then((blob) => blob && URL.createObjectURL(blob))
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
      void previewOf(hash, condition).then((url) => {
        if (url && current)
          setPreviews((before) => (before.get(hash) === url ? before : new Map(before).set(hash, url)));
      });
    return () => {
      current = false;
    };
  }, [wanted, condition]);
  return previews;
}
