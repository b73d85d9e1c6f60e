import type { parseArgs } from 'node:util';

/** One command of the command line. */
export interface Command {
  help: string;
  options: NonNullable<Parameters<typeof parseArgs>[0]>['options'];
  /** An option that stands in place of the file. */
  insteadOfFile?: string;
  run(job: string, options: Record<string, string | boolean | undefined>): Promise<number>;
}
