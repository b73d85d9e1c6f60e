import type * as z from 'zod';
import { migrate } from '../job/migrate';
import { JOB_VERSION, type Job } from '../job/schema';
import { jobSchema } from '../job/whole';

/** A job file that cannot be opened; the message says why and what to do. */
export class JobFileError extends Error {}

const explain = (error: z.ZodError): string => {
  const first = error.issues[0];
  const where = first?.path.length ? ` at ${first.path.join('.')}` : '';
  return `${first?.message ?? 'unknown'}${where}`;
};

/** Checks a job that comes from outside. Throws JobFileError: newer, foreign, or broken. */
export function readJob(json: unknown): Job {
  const { format, version } = (json ?? {}) as { format?: unknown; version?: unknown };
  if (format !== 'tidyedge')
    throw new JobFileError('This file is not a Tidy Edge job. Choose a file that ends in .tidyedge.');
  if (typeof version === 'number' && version > JOB_VERSION)
    throw new JobFileError(
      `This job was saved by a newer Tidy Edge (file version ${version}, this one reads ${JOB_VERSION}). Update the app, then open it.`,
    );
  const read = jobSchema.safeParse(migrate(json));
  if (!read.success)
    throw new JobFileError(`This job file is broken: ${explain(read.error)}. Ask for it to be saved again.`);
  return read.data;
}
