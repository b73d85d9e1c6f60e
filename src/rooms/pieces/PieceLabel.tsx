import Bookmark from 'lucide-react/icons/bookmark';
import BookmarkCheck from 'lucide-react/icons/bookmark-check';
import Copy from 'lucide-react/icons/copy';
import Trash from 'lucide-react/icons/trash-2';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import type { Review } from '../../../core/checks/review';
import { duplicatePiece, removePiece, renamePiece } from '../../../core/job/edits/pieces';
import type { Job, Piece } from '../../../core/job/schema';
import { formatSize } from '../../../core/units/length';
import { Typed } from '../../parts/Typed';
import { binPiece } from '../../store/bin';
import { keepTemplate } from '../../store/kept-with';
import { act } from '../../store/session';
import type { Exported } from '../../store/shelf';

const when = (iso: string): string =>
  new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** Below a piece on the table: its name, how it stands, and what can be done with it as a whole. */
export function PieceLabel({
  job,
  piece,
  review,
  exported,
}: {
  job: Job;
  piece: Piece;
  review: Review | undefined;
  exported: Exported | undefined;
}) {
  const [kept, setKept] = useState(false);
  return (
    <div className="text-[13px] leading-4 text-[var(--table-text)]">
      <Typed
        className="block w-full rounded border border-transparent bg-transparent px-1 py-0.5 text-[14px] font-semibold text-ellipsis hover:border-[var(--table-text)]/40"
        aria-label={`Name of ${piece.name}`}
        said={piece.name}
        maxLength={120}
        onTake={(typed) => {
          const to = typed.trim();
          if (to !== '') act('Name a piece', (j) => renamePiece(j, piece.id, to));
        }}
      />
      <div className="px-1">
        {formatSize(piece.width, piece.height, piece.unit)}, <Standing review={review} />
      </div>
      <div className="flex items-center gap-0.5">
        <div className="min-w-0 flex-1 truncate px-1">
          {exported
            ? `exported ${when(exported.at)}${exported.changed === job.changed ? '' : ', changed since'}`
            : 'not exported yet'}
        </div>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label={`Copy ${piece.name}`}
          onClick={() => act('Copy a piece', (j) => duplicatePiece(j, piece.id, () => nanoid(10)))}
        >
          <Copy size={13} />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label={`Save ${piece.name} as a template`}
          title={kept ? 'Saved: the template is under New piece' : 'Save as a template'}
          onClick={() => void keepTemplate(job, piece.id, nanoid(10)).then(() => setKept(true))}
        >
          {kept ? <BookmarkCheck size={13} /> : <Bookmark size={13} />}
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label={`Delete ${piece.name}`}
          disabled={job.pieces.length < 2}
          onClick={() => {
            void binPiece(job, piece.id);
            act('Delete a piece', (j) => removePiece(j, piece.id));
          }}
        >
          <Trash size={13} />
        </button>
      </div>
    </div>
  );
}

/** How many findings are open, and whether all was looked at. */
function Standing({ review }: { review: Review | undefined }) {
  if (!review) return <span>checking…</span>;
  const { open, unread } = review;
  const lit = open.length + unread.length > 0;
  const says = [
    open.length > 0 && (open.length === 1 ? '1 finding' : `${open.length} findings`),
    unread.length > 0 && 'not all checked',
  ].filter(Boolean);
  return (
    <span
      className={lit ? 'rounded-xs bg-warning px-1 text-warning-content' : ''}
      title={unread.map((each) => each.says).join('\n') || undefined}
    >
      {lit ? says.join(', ') : 'no findings'}
    </span>
  );
}
