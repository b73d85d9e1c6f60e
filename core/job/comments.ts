import * as z from 'zod';

/** What a client says of pieces: comments at places, and a yes or a no. Places in points from the trim's corner. */

const id = z.string().regex(/^[\w-]{1,64}$/);
const who = z.string().trim().max(120);

export const COMMENT_STATES = { open: 'Open', answered: 'Answered', done: 'Done' } as const;
export type CommentState = keyof typeof COMMENT_STATES;

export const commentSchema = z.strictObject({
  id,
  piece: id,
  face: id,
  /** What lay at that place when the comment came. */
  element: id.optional(),
  x: z.number().min(-30_000).max(30_000),
  y: z.number().min(-30_000).max(30_000),
  text: z.string().trim().min(1).max(4000),
  from: who,
  /** ISO 8601. */
  date: z.iso.datetime(),
  state: z.enum(Object.keys(COMMENT_STATES) as [CommentState, ...CommentState[]]),
  answer: z.string().max(4000).optional(),
});
export type Comment = z.infer<typeof commentSchema>;

/** A yes or a no to a piece, by name and date, and the state of the job that it was said of. */
export const approvalSchema = z.strictObject({
  piece: id,
  isYes: z.boolean(),
  from: who.min(1),
  date: z.iso.datetime(),
  /** When the job was last changed before it was shown. */
  of: z.iso.datetime(),
  note: z.string().max(4000).optional(),
});
export type Approval = z.infer<typeof approvalSchema>;

export const MOST_COMMENTS = 20_000;
export const MOST_APPROVALS = 5_000;

/** What a client sends back: a small file of its own. */
export const replySchema = z.strictObject({
  format: z.literal('tidyedge-reply'),
  version: z.literal(1),
  job: id,
  /** The state of the job that was shown. */
  of: z.iso.datetime(),
  from: who.min(1),
  date: z.iso.datetime(),
  comments: z.array(commentSchema.omit({ state: true, element: true, answer: true, from: true })).max(MOST_COMMENTS),
  verdicts: z.array(z.strictObject({ piece: id, isYes: z.boolean(), note: z.string().max(4000).optional() })).max(500),
});
export type Reply = z.infer<typeof replySchema>;
