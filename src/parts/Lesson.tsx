import X from 'lucide-react/icons/x';
import { putAway, useSettings } from '../store/settings';

/** What the rooms are for, in a sentence each, for who comes there for the first time. */
const LESSONS = {
  jobs: 'A job holds one client’s pieces, details and inks. Paste the client’s details into New job, and it lays out the whole set.',
  pieces: 'All pieces of the job at one scale, and what is still open on each. Click a piece to work on it.',
  house:
    'What is written here once is quoted on every piece: change a phone number, and each card and letterhead follows.',
  layout:
    'Hatched is cut away, washed keeps text out. Drop a picture anywhere, type on the left; the status bar says what a print shop would send back.',
  run: 'One piece, many people: text, codes and pictures follow the columns of a table, and every row is checked before it is written.',
  inks: 'The side as its plates print it. Show one plate alone, or point anywhere to read the ink there.',
  sheet: 'The piece on its press sheet, as many as fit, with the cuts in the order that a guillotine makes them.',
  'hand-off': 'Choose whom the file is for. Each file is checked before it is written, and read back after.',
} as const;

/** A sentence at the top of a room; once put away it never comes again. */
export function Lesson({ of }: { of: keyof typeof LESSONS }) {
  const isRead = useSettings(({ taught }) => taught.includes(of));
  if (isRead) return null;
  return (
    <aside
      aria-label="About this room"
      className="flex items-center gap-3 border-b border-base-300 bg-base-100 px-4 py-1 text-[14px]"
    >
      <p className="min-w-0 flex-1">{LESSONS[of]}</p>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label="Got it"
        title="Got it: never show this again"
        onClick={() => putAway(of)}
      >
        <X size={14} />
      </button>
    </aside>
  );
}
