import { useEffect, useState } from 'react';
import { once } from '../../workers/once';

type Checking = typeof import('../../core/checks/review');

let here: Checking | undefined;
const load = once(async () => {
  here = await import('../../core/checks/review');
});

/** What checks a piece. It is a good part of the app's code, and is fetched once the piece is painted. */
export function useChecking(isPainted: boolean): { checking: Checking | undefined; failure: string | undefined } {
  const [checking, setChecking] = useState(here);
  const [failure, setFailure] = useState<string>();
  useEffect(() => {
    if (!isPainted || checking) return;
    load().then(
      () => setChecking(here),
      ({ message }: Error) => setFailure(message),
    );
  }, [isPainted, checking]);
  return { checking, failure };
}
