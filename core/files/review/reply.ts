import { elementAt } from '../../checks/element-at';
import { type Reply, replySchema } from '../../job/comments';
import { takeReply } from '../../job/edits/comments';
import { pieceOf } from '../../job/find';
import type { Job } from '../../job/schema';
import { asFace } from '../../job/turned';
import { shownFaces } from '../../scene/shown-faces';
import type { SceneSources } from '../../scene/sources';

/** A reply that cannot be taken in; the message is for the user. */
export class ReplyError extends Error {}

/** More than this no reply of a review is, in characters. */
const MOST = 20_000_000;

/** Reads a client's reply. Throws ReplyError with what to do. */
export function readReply(text: string): Reply {
  if (text.length > MOST)
    throw new ReplyError('This file is too large for a reply. Ask for the file that the review page saves.');
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new ReplyError(
      'This is no reply to a review. Ask for the file that the review page saves, ending in .tidyreply.',
    );
  }
  if (typeof json === 'object' && json !== null && Number((json as { version?: unknown }).version) > 1)
    throw new ReplyError('This reply was made by a newer review page. Update the app, then open it.');
  const read = replySchema.safeParse(json);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new ReplyError(
      `This reply cannot be read: ${issue?.path.join(' ') ?? ''} ${issue?.message ?? ''}. Ask for it to be saved again.`,
    );
  }
  return read.data;
}

/** A job with a reply taken in, each comment at what lies there. Throws ReplyError for one to another job. */
export function withReply(job: Job, reply: Reply, sources: SceneSources): Job {
  if (reply.job !== job.id)
    throw new ReplyError('This reply is to another job. Open that job, then open the reply there.');
  return takeReply(job, reply, ({ piece: pieceId, face: faceId, x, y }) => {
    const piece = pieceOf(job, pieceId);
    const face = piece && shownFaces(piece, sources).find(({ id }) => id === faceId);
    return piece && face ? elementAt(face, { x, y }, asFace(piece, face), sources) : undefined;
  });
}
