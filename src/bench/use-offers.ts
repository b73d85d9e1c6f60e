import { useCallback, useEffect, useState } from 'react';
import type { Finding } from '../../core/checks/check';
import { TYPEFACES } from '../../core/type/typefaces';
import { fontsLoaded, loadFonts } from './kit';

const ONE_OF_EACH = TYPEFACES.flatMap(({ id }) => (id.endsWith('/regular') ? [id] : []));

/** Where a character is lacking, all shipped families are loaded, so that one that has it can be offered. */
export function useOffers(): { here: boolean; wantedBy(findings: readonly Finding[]): void } {
  const [here, setHere] = useState(() => fontsLoaded(ONE_OF_EACH));
  const [wanted, setWanted] = useState(false);
  useEffect(() => {
    if (wanted && !here) void loadFonts(ONE_OF_EACH).then(() => setHere(true));
  }, [wanted, here]);
  const wantedBy = useCallback(
    (findings: readonly Finding[]) => setWanted(findings.some((f) => f.check === 'missing-glyph' && !f.fix)),
    [],
  );
  return { here, wantedBy };
}
