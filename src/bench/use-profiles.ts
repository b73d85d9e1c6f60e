import { useEffect, useState } from 'react';
import type { Job } from '../../core/job/schema';
import { loadProfiles, profilesLoaded } from './kit';

/** Whether every profile the job has loaded is here; fetches those that are not. */
export function useProfiles(job: Job | undefined): boolean {
  const wanted = Object.keys(job?.conditions ?? {})
    .sort()
    .join();
  const hashes = wanted === '' ? [] : wanted.split(',');
  const [, setLoaded] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the hashes are told by their text
  useEffect(() => {
    if (!profilesLoaded(hashes)) void loadProfiles(hashes).then(() => setLoaded((n) => n + 1));
  }, [wanted]);
  return profilesLoaded(hashes);
}
