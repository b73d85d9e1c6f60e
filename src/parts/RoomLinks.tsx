const ROOMS = [
  ['house', 'House style'],
  ['layout', 'Layout'],
  ['inks', 'Inks'],
] as const;

/** The rooms of a piece, and which of them one is in. */
export function RoomLinks({ here }: { here: (typeof ROOMS)[number][0] }) {
  return (
    <nav className="join" aria-label="Rooms">
      {ROOMS.map(([room, name]) => (
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
