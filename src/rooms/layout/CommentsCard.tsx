import { COMMENT_STATES, type Comment, type CommentState } from '../../../core/job/comments';
import { answerComment, removeComment, setCommentState } from '../../../core/job/edits/comments';
import { findElement, titleOf } from '../../../core/job/find';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { Typed } from '../../parts/Typed';
import { act, select } from '../../store/session';

const ORDER: readonly CommentState[] = ['open', 'answered', 'done'];
const STATES = ORDER.map((state) => [state, COMMENT_STATES[state]] as const);

/** What the client says of this piece, what is open first. */
export function CommentsCard() {
  const { job, sheet } = useBench();
  const mine = (job.comments ?? []).filter(({ piece }) => piece === sheet.id);
  if (mine.length === 0) return null;
  const sorted = mine.toSorted((a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state));
  const open = mine.filter(({ state }) => state === 'open').length;
  return (
    <section aria-label="Comments" className="grid gap-1.5 text-base-content">
      <h2 className="heading">Comments, {open} open</h2>
      <ul className="grid gap-2">
        {sorted.map((comment) => (
          <CommentRow key={comment.id} comment={comment} />
        ))}
      </ul>
    </section>
  );
}

function CommentRow({ comment: { id, face, element, text, from, date, state, answer = '' } }: { comment: Comment }) {
  const { job, sheet, setFace } = useBench();
  const found = element === undefined ? undefined : findElement(job, element)?.element;
  const side = sheet.faces.find((each) => each.id === face)?.name ?? 'a side that is gone';
  const about = found ? titleOf(found, job.assets) : side;
  return (
    <li className="grid gap-1.5 rounded border border-base-300 bg-base-100 p-2" data-comment={id}>
      <button
        type="button"
        className="cursor-pointer text-left"
        onClick={() => {
          if (sheet.faces.some((each) => each.id === face)) setFace(face);
          if (found) select(found.id);
        }}
      >
        <span className="block whitespace-pre-wrap">{text}</span>
        <span className="quiet block text-[13px]">
          {from}, {date.slice(0, 10)} · {about}
        </span>
      </button>
      <Typed
        className="input input-sm w-full text-[14px]"
        aria-label={`Answer to ${from}`}
        placeholder="Answer"
        said={answer}
        maxLength={4000}
        onTake={(typed) => act('Answer', (j) => answerComment(j, id, typed.trim()))}
      />
      <div className="flex items-center gap-2">
        <Choice
          label={`State of the comment by ${from}`}
          value={state}
          options={STATES}
          onChange={(to) => act('Comment', (j) => setCommentState(j, id, to))}
        />
        <button type="button" className="btn btn-sm" onClick={() => act('Delete comment', (j) => removeComment(j, id))}>
          Delete
        </button>
      </div>
    </li>
  );
}
