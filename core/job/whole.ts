import * as z from 'zod';
import { JOB_LIMITS } from '../trade/job-limits';
import { crossFaults } from './cross-faults';
import { faceSchema, type Job, jobShape, pieceSchema } from './schema';

/** Every job that can be kept: its shape, and what its parts say of one another. */
export const jobSchema = jobShape.superRefine((job, context) => {
  for (const message of crossFaults(job)) context.addIssue({ code: 'custom', message });
});

/** The first thing wrong with a job: what, and where in it. */
export interface JobFault {
  message: string;
  /** Names of fields and numbers of list entries, outermost first. */
  path: readonly PropertyKey[];
  /** The most or the least that is allowed, where a limit was passed. */
  limit?: { most?: number; least?: number } | undefined;
}

function faultOf(issue: z.core.$ZodIssue, at: readonly PropertyKey[] = []): JobFault {
  // A union's own words say nothing: the branch that came furthest says what was meant.
  if (issue.code === 'invalid_union') {
    const furthest = issue.errors.flat().sort((a, b) => b.path.length - a.path.length)[0];
    if (furthest) return faultOf(furthest, [...at, ...issue.path]);
  }
  const most = issue.code === 'too_big' ? Number(issue.maximum) : undefined;
  const least = issue.code === 'too_small' ? Number(issue.minimum) : undefined;
  return {
    message: issue.message,
    path: [...at, ...issue.path],
    ...(most === undefined && least === undefined
      ? {}
      : { limit: { ...(most === undefined ? {} : { most }), ...(least === undefined ? {} : { least }) } }),
  };
}

// What lies in lists is looked at by itself, so that what an edit left alone is not looked at again.
const anything = z.array(z.unknown());
const elementShape = faceSchema.shape.elements.element;
const bareFace = faceSchema.extend({ elements: anything.max(JOB_LIMITS.elements) });
const barePiece = pieceSchema.extend({ faces: anything.min(1).max(JOB_LIMITS.faces) });
const { people: peopleOf, logos: logosOf } = jobShape.shape;
const bareJob = jobShape.extend({
  pieces: anything.max(JOB_LIMITS.pieces),
  people: anything.max(JOB_LIMITS.people),
  logos: anything.max(JOB_LIMITS.logos),
});

/** What has been found good, as long as somebody holds it. */
const good = new WeakSet<object>();

function look(schema: z.ZodType, value: object, path: readonly PropertyKey[]): JobFault | undefined {
  if (good.has(value)) return undefined;
  const read = schema.safeParse(value);
  if (!read.success) return faultOf(read.error.issues[0]!, path);
  good.add(value);
  return undefined;
}

function firstOf<T>(list: readonly T[], find: (each: T, i: number) => JobFault | undefined): JobFault | undefined {
  for (const [i, each] of list.entries()) {
    const fault = find(each, i);
    if (fault) return fault;
  }
  return undefined;
}

/**
 * The first thing that would keep a job from being opened again, or undefined. The same as `jobSchema` says, but what was
 * found good before is not looked at again: an edit costs what it changed.
 */
export const partFault = (job: Job): JobFault | undefined =>
  look(bareJob, job, []) ??
  firstOf(job.people, (person, i) => look(peopleOf.element, person, ['people', i])) ??
  firstOf(job.logos, (logo, i) => look(logosOf.element, logo, ['logos', i])) ??
  firstOf(
    job.pieces,
    (piece, p) =>
      look(barePiece, piece, ['pieces', p]) ??
      firstOf(
        piece.faces,
        (face, f) =>
          look(bareFace, face, ['pieces', p, 'faces', f]) ??
          firstOf(face.elements, (each, e) => look(elementShape, each, ['pieces', p, 'faces', f, 'elements', e])),
      ),
  );

/** As `partFault`, and what the parts say of one another as well. */
export function jobFault(job: Job): JobFault | undefined {
  const fault = partFault(job);
  if (fault) return fault;
  const [message] = crossFaults(job);
  return message === undefined ? undefined : { message, path: [] };
}
