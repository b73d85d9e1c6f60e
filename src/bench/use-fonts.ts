import { useEffect, useMemo, useState } from 'react';
import { typefacesIn } from '../../core/job/look';
import type { Job, Piece } from '../../core/job/schema';
import { fontsLoaded, loadFonts } from './kit';

/** Whether every typeface of some pieces is here, and of the house; loads those that are not. */
export function useFonts(job: Job | undefined, pieces: readonly Piece[] = job?.pieces ?? []): boolean {
  const styles = job?.styles;
  const logos = job?.logos;
  const roles = job?.roles;
  const wanted = useMemo(
    () => (styles && logos && roles ? [...typefacesIn({ pieces: [...pieces], styles, logos, roles })].sort() : []),
    [pieces, styles, logos, roles],
  );
  const text = wanted.join();
  const [, setLoaded] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the typefaces are told by their text
  useEffect(() => {
    let current = true;
    let again: ReturnType<typeof setTimeout> | undefined;
    const load = (): void => {
      loadFonts(wanted).then(
        () => current && setLoaded((n) => n + 1),
        // The server may be back in a moment.
        () => {
          if (current) again = setTimeout(load, 3000);
        },
      );
    };
    if (!fontsLoaded(wanted)) load();
    return () => {
      current = false;
      clearTimeout(again);
    };
  }, [text]);
  return fontsLoaded(wanted);
}
