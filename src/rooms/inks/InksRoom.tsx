import { useState } from 'react';
import { useUndoKeys } from '../../parts/use-undo-keys';
import { BenchContext } from '../layout/bench';
import { EdgeStrip } from '../layout/EdgeStrip';
import { RoomBar, RoomWait } from '../layout/RoomShell';
import { useBenchOf } from '../layout/use-bench-of';
import { askedPiece, useOpenPiece } from '../layout/use-open-piece';
import { Palette } from './Palette';
import { Plates } from './Plates';
import { PlatesFace } from './PlatesFace';
import { usePlates } from './use-plates';

/** Where a piece is looked at as plates, and the job's inks are made. */
export default function InksRoom() {
  const [faceId, setFaceId] = useState<string>();
  const { bench, failure } = useBenchOf(askedPiece, faceId, false, setFaceId);
  const plates = usePlates(bench);
  useUndoKeys();
  const trouble = useOpenPiece(bench !== undefined, failure);
  return (
    <div className="grid h-screen grid-cols-[300px_minmax(0,1fr)_300px] grid-rows-[52px_minmax(0,1fr)_46px]">
      <RoomBar here="inks" bench={bench} />
      {bench ? (
        <BenchContext value={bench}>
          <Palette />
          <PlatesFace plates={plates} />
          <Plates plates={plates} />
          <EdgeStrip />
        </BenchContext>
      ) : (
        <RoomWait trouble={trouble} says="Laying the inks on their plates…" />
      )}
    </div>
  );
}
