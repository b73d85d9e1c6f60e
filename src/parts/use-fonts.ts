import { useEffect, useState } from 'react';
import { typefacesIn } from '../../core/job/look';
import type { Job } from '../../core/job/schema';
import { fontsLoaded, loadFonts } from '../../workers/kit';

/** Whether every typeface the job names is here; loads those that are not. */
export function useFonts(job: Job | undefined): boolean {
  const wanted = job && [...typefacesIn(job)].sort().join();
  const [, setLoaded] = useState(0);
  useEffect(() => {
    if (wanted && !fontsLoaded(wanted.split(',')))
      void loadFonts(wanted.split(',')).then(() => setLoaded((n) => n + 1));
  }, [wanted]);
  return wanted === undefined || wanted === '' || fontsLoaded(wanted.split(','));
}
