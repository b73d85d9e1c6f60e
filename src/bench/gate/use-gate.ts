import { useEffect, useState } from 'react';
import { type Going, type Stop, stopsOf } from '../../../core/files/gate';
import { useReviews } from '../use-reviews';

/** What stands in the way of some files, and whether somebody lets them leave all the same. */
export interface Gate {
  /** How many pieces have still to be looked over. */
  checking: number;
  stops: readonly Stop[];
  /** Whether the errors are let go; false where there is something that nobody can let go. */
  sure: boolean;
  setSure(sure: boolean): void;
  /** Whether the files may leave. */
  open: boolean;
  /** The keys of the errors that are let go. */
  letGo: readonly string[];
}

/** The gate for what is to leave. Letting errors go is for just those errors of just that selection. */
export function useGate(going: readonly Going[]): Gate {
  const reviews = useReviews(going);
  const [letFor, setLetFor] = useState<string>();
  const checking = reviews.filter((review) => review === undefined).length;
  const stops = going.flatMap((each, i) => {
    const review = reviews[i];
    return review ? stopsOf(each, review) : [];
  });
  const selection = JSON.stringify([
    going.map(({ piece: { id }, faces }) => [id, faces]),
    stops.map(({ key, says }) => key ?? says),
  ]);
  // Another selection, or other errors, and back again, is asked for anew.
  useEffect(() => setLetFor((was) => (was === selection ? was : undefined)), [selection]);
  const keys = stops.flatMap(({ key }) => (key === undefined ? [] : [key]));
  const sure = letFor === selection && keys.length > 0;
  return {
    checking,
    stops,
    sure,
    setSure: (to) => setLetFor(to ? selection : undefined),
    open: checking === 0 && keys.length === stops.length && (keys.length === 0 || sure),
    letGo: sure ? keys : [],
  };
}
