import type { Comment, CommentState, Reply } from '../comments';
import type { Job } from '../schema';

/** Edits of what a client has said. */

/** The element that a comment is about, where its place tells. */
export type FindElement = (comment: Pick<Comment, 'piece' | 'face' | 'x' | 'y'>) => string | undefined;

/** Takes a reply in: each comment at its element, each verdict under its name. One that was taken in before is not there twice. */
export function takeReply(job: Job, reply: Reply, elementAt: FindElement): Job {
  const here = new Set((job.comments ?? []).map(({ id }) => id));
  const comments = reply.comments
    .filter(({ id, piece }) => !here.has(id) && job.pieces.some((each) => each.id === piece))
    .map((comment): Comment => {
      const element = elementAt(comment);
      return { ...comment, from: reply.from, state: 'open', ...(element === undefined ? {} : { element }) };
    });
  const given = reply.verdicts
    .filter(({ piece }) => job.pieces.some((each) => each.id === piece))
    .map((verdict) => ({ ...verdict, from: reply.from, date: reply.date, of: reply.of }));
  const old = (job.approvals ?? []).filter(
    (each) => !given.some((now) => now.piece === each.piece && now.from === each.from && now.of === each.of),
  );
  return {
    ...job,
    ...(comments.length > 0 ? { comments: [...(job.comments ?? []), ...comments] } : {}),
    ...(given.length > 0 ? { approvals: [...old, ...given] } : {}),
  };
}

const changeComment = (job: Job, id: string, change: (comment: Comment) => Comment): Job => ({
  ...job,
  comments: (job.comments ?? []).map((comment) => (comment.id === id ? change(comment) : comment)),
});

export const setCommentState = (job: Job, id: string, state: CommentState): Job =>
  changeComment(job, id, (comment) => ({ ...comment, state }));

/** Answers a comment; an empty answer takes an earlier one away. */
export const answerComment = (job: Job, id: string, answer: string): Job =>
  changeComment(job, id, ({ answer: _old, ...comment }) =>
    answer.trim() === ''
      ? { ...comment, state: comment.state === 'answered' ? 'open' : comment.state }
      : { ...comment, answer: answer.trim(), state: comment.state === 'open' ? 'answered' : comment.state },
  );

export function removeComment(job: Job, id: string): Job {
  const { comments = [], ...rest } = job;
  const left = comments.filter((comment) => comment.id !== id);
  return left.length > 0 ? { ...rest, comments: left } : rest;
}
