import { useEffect, useState } from 'react';
import type { Kit } from '../../workers/kit';
import { kitHere, loadKit } from './kit';

/** The fonts, profiles and wasm, once they are here; an error once it is clear they will not be. */
export function useKit(): { kit: Kit | undefined; failure: string | undefined } {
  const [kit, setKit] = useState(kitHere);
  const [failure, setFailure] = useState<string>();
  useEffect(() => {
    if (!kit) loadKit().then(setKit, (error: Error) => setFailure(error.message));
  }, [kit]);
  return { kit, failure };
}
