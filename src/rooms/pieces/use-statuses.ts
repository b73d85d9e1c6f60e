import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { checkPiece } from '../../../core/checks';
import type { Finding } from '../../../core/checks/check';
import { letStand } from '../../../core/checks/let-stand';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import type { Kit } from '../../../workers/kit';
import { lastExport } from '../../store/kept-with';

/** How a piece stands: what is found in it, and when it was last exported. */
export interface Status {
  findings: readonly Finding[];
  /** When, and whether the job has changed since. */
  exported: { at: string; since: boolean } | undefined;
}

/** How each piece stands, by its id. What is read from plates is told in its own rooms. */
export function useStatuses(job: Job, kit: Kit): ReadonlyMap<string, Status> {
  const exported = useLiveQuery(
    async () => new Map(await Promise.all(job.pieces.map(async ({ id }) => [id, await lastExport(job, id)] as const))),
    [job],
  );
  const findings = useMemo(
    () =>
      new Map(
        job.pieces.map((piece) => {
          const press = kit.press(pressConditionOf(job, shopIn(job, piece.shop)));
          return [piece.id, letStand(checkPiece(job, piece, { fonts: kit.fonts, press }), job, piece).open] as const;
        }),
      ),
    [job, kit],
  );
  return useMemo(
    () =>
      new Map(
        job.pieces.map(({ id }) => {
          const last = exported?.get(id);
          return [
            id,
            {
              findings: findings.get(id) ?? [],
              exported: last && { at: last.at, since: last.changed !== job.changed },
            },
          ];
        }),
      ),
    [job, exported, findings],
  );
}
