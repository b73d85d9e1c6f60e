import { useEffect, useMemo, useState } from 'react';
import type { Box } from '../../core/geometry/box';
import type { Face, Job } from '../../core/job/schema';
import { groundsOf, mayOverprint } from '../../core/scene/grounds';
import type { SceneSources } from '../../core/scene/sources';
import type { Mixture } from '../../workers/ink-work';
import { plateRoom } from './kit';
import { newestOnly } from './use-inks';

/** What stands on the stage for an overprinting element: where, and its picture's address. */
export interface Mixed {
  box: Box;
  url: string;
}
export type Mixtures = ReadonlyMap<string, Mixed>;
const NONE: Mixtures = new Map();

function urlOf({ image }: Mixture): string {
  const canvas = document.createElement('canvas');
  canvas.width = image.width;
  canvas.height = image.height;
  canvas.getContext('2d')!.putImageData(image, 0, 0);
  return canvas.toDataURL('image/png');
}

/**
 * Elements that overprint several things, in the colours that the plates come to. They are worked out off the page's
 * thread, once an edit is done: until then, and in a gesture, the stage blends them by itself.
 */
export function useMixtures(
  job: Job | undefined,
  pieceId: string,
  faces: readonly Face[],
  sources: SceneSources | undefined,
  live: boolean,
): Mixtures {
  const [read, setRead] = useState<{ changed: string; found: Mixtures }>();
  const [ask] = useState(() =>
    newestOnly(
      (asked: { job: Job; pieceId: string }) => plateRoom().readMixtures(asked),
      ({ changed, mixtures }) =>
        setRead({
          changed,
          found: new Map(mixtures.map((each) => [each.element, { box: each.box, url: urlOf(each) }])),
        }),
    ),
  );
  const isMixed = useMemo(
    () =>
      sources !== undefined &&
      faces.some((face) => {
        const grounds = groundsOf(face, sources);
        return face.elements.some((e) => !e.hidden && !e.sample && mayOverprint(e) && !grounds.has(e.id));
      }),
    [faces, sources],
  );
  useEffect(() => {
    if (job && isMixed && !live) ask({ job, pieceId });
  }, [job, pieceId, isMixed, live, ask]);
  return isMixed && !live && read && read.changed === job?.changed ? read.found : NONE;
}
