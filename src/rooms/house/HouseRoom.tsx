import { useBenchHere, useTrouble } from '../../bench/bench';
import { Palette } from '../../bench/palette/Palette';
import { RoomBar, RoomWait } from '../../bench/RoomShell';
import { Cards } from '../../parts/Boundary';
import { TopBar } from '../../parts/TopBar';
import { TypefaceFaces } from '../../parts/TypefaceFaces';
import { FirmCard } from './FirmCard';
import { LogosCard } from './LogosCard';
import { PeopleCard } from './PeopleCard';
import { TypeCard } from './TypeCard';

/** What a client's pieces have in common: facts, people, inks, typefaces, logos. */
export default function HouseRoom() {
  const bench = useBenchHere();
  const trouble = useTrouble();
  return (
    <div className="room room-flowing grid h-screen grid-cols-[300px_minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)]">
      {bench ? (
        <RoomBar here="house" bench={bench} />
      ) : (
        <div className="col-span-2">
          <TopBar />
        </div>
      )}
      {bench ? (
        <>
          <TypefaceFaces />
          <Palette fromFace={false} />
          <main className="overflow-y-auto">
            <div className="mx-auto grid max-w-5xl gap-8 px-8 py-6">
              <Cards>
                <FirmCard />
                <PeopleCard />
              </Cards>
              <div className="grid grid-cols-[repeat(auto-fit,minmax(min(400px,100%),1fr))] gap-8">
                <Cards>
                  <TypeCard />
                  <LogosCard />
                </Cards>
              </div>
            </div>
          </main>
        </>
      ) : (
        <RoomWait trouble={trouble} says="Getting the house in order…" />
      )}
    </div>
  );
}
