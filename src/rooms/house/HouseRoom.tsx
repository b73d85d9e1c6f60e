import { useState } from 'react';
import { TopBar } from '../../parts/TopBar';
import { TypefaceFaces } from '../../parts/TypefaceFaces';
import { useUndoKeys } from '../../parts/use-undo-keys';
import { useJob } from '../../store/session';
import { Palette } from '../inks/Palette';
import { BenchContext } from '../layout/bench';
import { RoomBar, RoomWait } from '../layout/RoomShell';
import { useBenchOf } from '../layout/use-bench-of';
import { askedPiece, useOpenPiece } from '../layout/use-open-piece';
import { FirmCard } from './FirmCard';
import { LogosCard } from './LogosCard';
import { PeopleCard } from './PeopleCard';
import { TypeCard } from './TypeCard';

/** What a client's pieces have in common: facts, people, inks, typefaces, logos. */
export default function HouseRoom() {
  const [faceId, setFaceId] = useState<string>();
  const job = useJob();
  const { bench, failure } = useBenchOf(askedPiece || (job?.pieces[0]?.id ?? ''), faceId, false, setFaceId);
  useUndoKeys();
  const trouble = useOpenPiece(bench !== undefined, failure);
  return (
    <div className="grid h-screen grid-cols-[300px_minmax(0,1fr)] grid-rows-[52px_minmax(0,1fr)]">
      {bench ? (
        <RoomBar here="house" bench={bench} />
      ) : (
        <div className="col-span-2">
          <TopBar />
        </div>
      )}
      {bench ? (
        <BenchContext value={bench}>
          <TypefaceFaces />
          <Palette fromFace={false} />
          <main className="overflow-y-auto">
            <div className="mx-auto grid max-w-5xl gap-8 px-8 py-6">
              <FirmCard />
              <PeopleCard />
              <div className="grid grid-cols-[1fr_1fr] gap-8">
                <TypeCard />
                <LogosCard />
              </div>
            </div>
          </main>
        </BenchContext>
      ) : (
        <RoomWait trouble={trouble} says="Getting the house in order…" />
      )}
    </div>
  );
}
