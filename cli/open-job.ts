import { readJobFile } from '../core/files/job-file';
import type { JobBundle } from '../core/files/job-parts';
import { readGiven } from './given';

export const openJob = (path: string): JobBundle => readJobFile(readGiven(path));
