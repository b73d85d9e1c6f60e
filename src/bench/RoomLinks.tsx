const ROOMS = [
  ['pieces', 'Pieces'],
  ['house', 'House style'],
  ['layout', 'Layout'],
  ['run', 'Run'],
  ['inks', 'Inks'],
  ['sheet', 'Sheet'],
  ['hand-off', 'Hand-off'],
] as const;

/** Rooms that only a piece has. */
const OF_A_PIECE: ReadonlySet<string> = new Set(['layout', 'run', 'inks', 'sheet', 'hand-off']);

/** The rooms of a piece, and which of them one is in. */
export function RoomLinks({ here }: { here: (typeof ROOMS)[number][0] }) {
  const hasPiece = new URLSearchParams(location.search).has('piece');
  return (
    <nav className="join" aria-label="Rooms">
      {ROOMS.filter(([room]) => hasPiece || !OF_A_PIECE.has(room)).map(([room, name]) => (
        <a
          key={room}
          href={`/${room}${location.search}`}
          aria-current={room === here ? 'page' : undefined}
          className={`btn btn-sm join-item ${room === here ? 'btn-neutral' : ''}`}
        >
          {name}
        </a>
      ))}
    </nav>
  );
}
