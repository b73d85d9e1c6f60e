import type { ReactNode } from 'react';
import { useBenchHere, useTrouble } from './bench';
import { RoomBar, RoomWait } from './RoomShell';
import { StatusBar } from './StatusBar';

/** A room of one piece in three columns, with its bar and its status bar. */
export function PieceRoom({
  here,
  columns,
  waiting,
  children,
}: {
  here: 'run' | 'inks' | 'sheet' | 'hand-off';
  /** The class of its columns. */
  columns: string;
  /** What is said until the piece is there. */
  waiting: string;
  children: ReactNode;
}) {
  const bench = useBenchHere();
  const trouble = useTrouble();
  return (
    <div className={`room grid h-screen grid-rows-[auto_minmax(0,1fr)_auto] ${columns}`}>
      <RoomBar here={here} bench={bench} />
      {bench ? (
        <>
          {children}
          <StatusBar />
        </>
      ) : (
        <RoomWait trouble={trouble} says={waiting} />
      )}
    </div>
  );
}
