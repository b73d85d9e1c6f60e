import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { checkPiece } from '../../../core/checks';
import type { Finding } from '../../../core/checks/check';
import { letStand } from '../../../core/checks/let-stand';
import { typefacesIn } from '../../../core/job/look';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job, Piece } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import type { Kit } from '../../../workers/kit';
import { loadFonts } from '../../bench/kit';
import { lastExport } from '../../store/kept-with';
import type { Exported } from '../../store/shelf';

/** How the pieces stand, by their ids: what is found in each, once that is known, and its last export. */
export interface Statuses {
  findings: ReadonlyMap<string, readonly Finding[]>;
  exported: ReadonlyMap<string, Exported | undefined> | undefined;
}

/** What was found in a piece, as long as the piece and its house are the same. */
const known = new WeakMap<Piece, { house: string; findings: readonly Finding[] }>();

/** All that a piece's checks go by besides the piece: most edits leave it alone. */
const houseOf = ({ pieces, changed: _changed, ...rest }: Job): string =>
  JSON.stringify([rest, pieces.map(({ id, width, height, kind }) => [id, width, height, kind])]);

async function findingsOf(job: Job, piece: Piece, kit: Kit, house: string): Promise<readonly Finding[]> {
  const found = known.get(piece);
  if (found?.house === house) return found.findings;
  await loadFonts(typefacesIn({ ...job, pieces: [piece] }));
  const press = kit.press(pressConditionOf(job, shopIn(job, piece.shop)));
  const findings = letStand(checkPiece(job, piece, { fonts: kit.fonts, press }), job, piece).open;
  known.set(piece, { house, findings });
  return findings;
}

/** How each piece stands. What is read from plates is told in its own rooms. */
export function useStatuses(job: Job, kit: Kit): Statuses {
  const exported = useLiveQuery(
    async () => new Map(await Promise.all(job.pieces.map(async ({ id }) => [id, await lastExport(job, id)] as const))),
    [job],
  );
  const [findings, setFindings] = useState<ReadonlyMap<string, readonly Finding[]>>(new Map());
  // One piece after another, when there is time: the table is there first.
  useEffect(() => {
    let current = true;
    const house = houseOf(job);
    const rest = [...job.pieces];
    const next = async (): Promise<void> => {
      const piece = rest.shift();
      if (!piece || !current) return;
      const found = await findingsOf(job, piece, kit, house).catch(() => []);
      if (current) setFindings((before) => new Map(before).set(piece.id, found));
      requestIdleCallback(() => void next(), { timeout: 500 });
    };
    requestIdleCallback(() => void next(), { timeout: 500 });
    return () => {
      current = false;
    };
  }, [job, kit]);
  return { findings, exported };
}
