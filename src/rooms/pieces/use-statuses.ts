import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import type { Review } from '../../../core/checks/review';
import type { Job } from '../../../core/job/schema';
import { useReviews } from '../../bench/use-reviews';
import { lastExport } from '../../store/kept-with';
import type { Exported } from '../../store/shelf';

/** How the pieces stand, by their ids: what is found in each, once that is known, and its last export. */
export interface Statuses {
  reviews: ReadonlyMap<string, Review | undefined>;
  exported: ReadonlyMap<string, Exported | undefined> | undefined;
}

export function useStatuses(job: Job): Statuses {
  const exported = useLiveQuery(
    async () => new Map(await Promise.all(job.pieces.map(async ({ id }) => [id, await lastExport(job, id)] as const))),
    [job],
  );
  const asked = useMemo(() => job.pieces.map((piece) => ({ job, piece })), [job]);
  const found = useReviews(asked);
  return { reviews: new Map(job.pieces.map(({ id }, i) => [id, found[i]])), exported };
}
