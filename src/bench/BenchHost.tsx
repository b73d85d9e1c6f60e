import { type ReactNode, useState } from 'react';
import { useJob } from '../store/session';
import { BenchContext, FoundContext, PrintedContext, TroubleContext } from './bench';
import { useRoom } from './room';
import { useBenchOf } from './use-bench-of';
import { useOpenPiece } from './use-open-piece';
import { useUndoKeys } from './use-undo-keys';

/**
 * Holds a job open with one of its pieces while one goes from room to room: what has been loaded, set, separated, checked
 * and laid on plates stays.
 */
export function BenchHost({
  jobId,
  pieceId,
  isWide,
  children,
}: {
  jobId: string;
  /** The first piece where it is undefined. */
  pieceId: string | undefined;
  isWide: boolean;
  children: ReactNode;
}) {
  const job = useJob();
  const piece = pieceId ?? job?.pieces[0]?.id ?? '';
  const [faceId, setFaceId] = useState<string>();
  const both = useRoom((room) => room.both);
  const { bench, printed, found, failure } = useBenchOf(piece, faceId, both, setFaceId, isWide);
  const isThis = bench?.job.id === jobId;
  useUndoKeys();
  const trouble = useOpenPiece(jobId, piece, isThis, failure);
  return (
    <TroubleContext value={trouble}>
      <BenchContext value={isThis ? bench : undefined}>
        <PrintedContext value={printed}>
          <FoundContext value={found}>{children}</FoundContext>
        </PrintedContext>
      </BenchContext>
    </TroubleContext>
  );
}
