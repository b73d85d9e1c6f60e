import type { ReactNode } from 'react';
import { Lesson } from '../parts/Lesson';
import { TopBar } from '../parts/TopBar';
import { select } from '../store/session';
import type { Bench } from './bench';
import { HistoryButtons } from './HistoryButtons';
import { RoomLinks } from './RoomLinks';
import { SaveState } from './SaveState';
import { VersionsButton } from './versions/VersionsButton';

/** The bar of a piece's room: whose piece it is, the other rooms, back and forth, and what the room adds. */
export function RoomBar({
  here,
  bench,
  children,
}: {
  here: 'house' | 'layout' | 'run' | 'inks' | 'sheet' | 'hand-off';
  bench: Bench | undefined;
  children?: ReactNode;
}) {
  return (
    <div className="col-span-full">
      <TopBar
        crumb={
          bench && (
            <span className="flex gap-1">
              <a href="/" className="min-w-0 truncate hover:underline" title={bench.job.name}>
                {bench.job.name}
              </a>
              /{' '}
              <h1 className="min-w-0 truncate font-semibold text-base-content" title={bench.piece.name}>
                {bench.piece.name}
              </h1>
            </span>
          )
        }
      >
        <SaveState />
        <RoomLinks here={here} />
        <HistoryButtons />
        <VersionsButton />
        {children}
      </TopBar>
      {bench && <Lesson of={here} />}
    </div>
  );
}

/** What stands in a room before its piece is there, or because it cannot be. */
export function RoomWait({ trouble, says }: { trouble: string | undefined; says: string }) {
  return (
    <p className="col-span-full place-self-center" role={trouble ? 'alert' : 'status'}>
      {trouble ?? says}
      {trouble && (
        <>
          <button type="button" className="btn btn-sm ml-4" onClick={() => location.reload()}>
            Try again
          </button>
          <a href="/" className="btn btn-sm ml-2" onClick={() => select()}>
            To the jobs
          </a>
        </>
      )}
    </p>
  );
}
