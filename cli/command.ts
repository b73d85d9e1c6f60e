import type { parseArgs } from 'node:util';

/** One command of the command line. */
export interface Command {
  help: string;
  options: NonNullable<Parameters<typeof parseArgs>[0]>['options'];
  run(job: string, options: Record<string, string | boolean | undefined>): Promise<number>;
}
