import { type ReactNode, useState } from 'react';
import { useUndoKeys } from '../../parts/use-undo-keys';
import { BenchContext } from './bench';
import { EdgeStrip } from './EdgeStrip';
import { RoomBar, RoomWait } from './RoomShell';
import { useBenchOf } from './use-bench-of';
import { askedPiece, useOpenPiece } from './use-open-piece';

/** A room of one piece in three columns, with its bar and its edge strip. */
export function PieceRoom({
  here,
  columns,
  waiting,
  children,
}: {
  here: 'inks' | 'sheet' | 'hand-off';
  /** The class of its columns. */
  columns: string;
  /** What is said until the piece is there. */
  waiting: string;
  children: ReactNode;
}) {
  const [faceId, setFaceId] = useState<string>();
  const { bench, failure } = useBenchOf(askedPiece, faceId, false, setFaceId);
  useUndoKeys();
  const trouble = useOpenPiece(bench !== undefined, failure);
  return (
    <div className={`grid h-screen grid-rows-[52px_minmax(0,1fr)_46px] ${columns}`}>
      <RoomBar here={here} bench={bench} />
      {bench ? (
        <BenchContext value={bench}>
          {children}
          <EdgeStrip />
        </BenchContext>
      ) : (
        <RoomWait trouble={trouble} says={waiting} />
      )}
    </div>
  );
}
