import { useEffect, useState } from 'react';
import { type Kit, loadKit } from '../../workers/kit';

/** The fonts, profiles and wasm, once they are here; an error once it is clear they will not be. */
export function useKit(): { kit: Kit | undefined; failure: string | undefined } {
  const [kit, setKit] = useState<Kit>();
  const [failure, setFailure] = useState<string>();
  useEffect(() => {
    loadKit().then(setKit, (error: Error) => setFailure(error.message));
  }, []);
  return { kit, failure };
}
