import { useEffect, useState } from 'react';
import { pieceOf } from '../../../core/job/find';
import { HistoryButtons } from '../../parts/HistoryButtons';
import { RoomLinks } from '../../parts/RoomLinks';
import { TopBar } from '../../parts/TopBar';
import { openSession, select, useJob } from '../../store/session';
import { BenchContext } from '../layout/bench';
import { EdgeStrip } from '../layout/EdgeStrip';
import { useBenchOf } from '../layout/use-bench-of';
import { Palette } from './Palette';
import { Plates } from './Plates';
import { PlatesFace } from './PlatesFace';
import { usePlates } from './use-plates';
import { useUndoKeys } from './use-undo-keys';

const asked = new URLSearchParams(typeof location === 'undefined' ? '' : location.search);

/** Where a piece is looked at as plates, and the job's inks are made. */
export default function InksRoom() {
  const [faceId, setFaceId] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const pieceId = asked.get('piece') ?? '';
  const { bench, failure } = useBenchOf(pieceId, faceId, false, setFaceId);
  const plates = usePlates(bench);
  useEffect(() => {
    openSession(asked.get('job') ?? '').then(
      (found) => found || setProblem('This job is not in this browser. Open its file under Jobs.'),
      (error: Error) => setProblem(error.message),
    );
  }, []);
  useUndoKeys();
  const job = useJob();
  const missing =
    job && !bench && !pieceOf(job, pieceId)
      ? 'This piece is not in the job any more. Choose another under Jobs.'
      : undefined;
  const trouble = problem ?? failure ?? missing;
  return (
    <div className="grid h-screen grid-cols-[300px_minmax(0,1fr)_300px] grid-rows-[52px_minmax(0,1fr)_46px]">
      <div className="col-span-3">
        <TopBar
          crumb={
            bench && (
              <>
                <a href="/" className="hover:underline">
                  {bench.job.name}
                </a>{' '}
                / <b className="font-semibold text-base-content">{bench.piece.name}</b>
              </>
            )
          }
        >
          <RoomLinks here="inks" />
          <HistoryButtons />
        </TopBar>
      </div>
      {bench ? (
        <BenchContext value={bench}>
          <Palette />
          <PlatesFace plates={plates} />
          <Plates plates={plates} />
          <EdgeStrip />
        </BenchContext>
      ) : (
        <p className="col-span-3 place-self-center" role={trouble ? 'alert' : 'status'}>
          {trouble ?? 'Laying the inks on their plates…'}
          {trouble && (
            <a href="/" className="btn btn-sm ml-4" onClick={() => select()}>
              To the jobs
            </a>
          )}
        </p>
      )}
    </div>
  );
}
