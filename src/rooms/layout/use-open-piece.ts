import { useEffect, useState } from 'react';
import { pieceOf } from '../../../core/job/find';
import { openSession, useJob } from '../../store/session';

const asked = new URLSearchParams(typeof location === 'undefined' ? '' : location.search);

/** The piece that the address asks for. */
export const askedPiece = asked.get('piece') ?? '';

/** Opens the job that the address asks for; what is in the way of that, in words for the user. */
export function useOpenPiece(isHere: boolean, failure: string | undefined): string | undefined {
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    openSession(asked.get('job') ?? '').then(
      (found) => found || setProblem('This job is not in this browser. Open its file under Jobs.'),
      (error: Error) => setProblem(error.message),
    );
  }, []);
  const job = useJob();
  const missing =
    job && !isHere && !pieceOf(job, askedPiece)
      ? 'This piece is not in the job any more. Choose another under Jobs.'
      : undefined;
  return problem ?? failure ?? missing;
}
