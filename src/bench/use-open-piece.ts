import { useEffect, useState } from 'react';
import { pieceOf } from '../../core/job/find';
import { layOutDemoOnce } from '../store/demo';
import { openSession } from '../store/saving';
import { useJob, useSession } from '../store/session';

/** A browser that has not seen the app yet has no job but the demo, by whatever address it came. */
const openOrDemo = async (jobId: string): Promise<boolean> =>
  (await openSession(jobId)) || ((await layOutDemoOnce()) && (await openSession(jobId)));

/** Opens a job and says what is in the way of one of its pieces, in words for the user. */
export function useOpenPiece(jobId: string, pieceId: string, isHere: boolean, failure: string | undefined) {
  const [problem, setProblem] = useState<string>();
  const isOpen = useSession((session) => session.jobId === jobId);
  useEffect(() => {
    setProblem(undefined);
    openOrDemo(jobId).then(
      (found) => found || setProblem('This job is not in this browser. Open its file under Jobs.'),
      (error: Error) => setProblem(error.message),
    );
  }, [jobId]);
  const job = useJob();
  const missing =
    job && isOpen && !isHere && !pieceOf(job, pieceId)
      ? 'This piece is not in the job any more. Choose another under Jobs.'
      : undefined;
  return problem ?? failure ?? missing;
}
